'use client';

import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import {
  LINE_USES,
  planFromLines,
  POINT_USES,
  suggestedUses,
  USE_WORDS,
  type LineUse,
  type PointUse,
  type TakenLines,
} from '../../core/lines/index';
import { formatDepth, type UnitSystem } from '../../core/units/index';
import { clientId } from '../../sync/client-id';
import { bookApi } from '../../sync/book-api';
import { problemOf } from '../../sync/client';
import { Button } from '../../ui/button';
import { Select } from '../../ui/select';
import { PlainTable } from '../../ui/plain-table';
import panel from '../../ui/panel.module.css';
import css from '../making.module.css';
import { lineLetter, LinesPicture } from './lines-picture';

const LINE_WORDS: Record<LineUse, string> = {
  left: 'the left bank, looking down-current',
  right: 'the right bank, looking down-current',
  log: 'a log',
  none: 'leave it out',
};
const MOST_SHOWN = 40;

/**
 * Somebody else's lines: which is which bank is asked, what would be made of them is shown and said,
 * and only then is a survey begun.
 */
export function LinesPanel({
  taken,
  fileName,
  streamName,
  units,
  onLeave,
}: {
  taken: TakenLines;
  fileName: string;
  streamName: string;
  units: UnitSystem;
  onLeave: () => void;
}) {
  const router = useRouter();
  const [uses, setUses] = useState(() => suggestedUses(taken));
  const [problem, setProblem] = useState<string | null>(null);
  const name = fileName.replace(/\.[a-z]+$/i, '').slice(0, 120) || 'A walked beat';
  const tried = useMemo(() => planFromLines(taken, uses, name, units), [taken, uses, name, units]);
  const value = tried.ok ? tried.value : null;
  const setLine = (i: number, use: LineUse) =>
    setUses((u) => ({ ...u, lines: u.lines.map((was, n) => (n === i ? use : was)) }));
  const setPoint = (i: number, use: PointUse) =>
    setUses((u) => ({ ...u, points: u.points.map((was, n) => (n === i ? use : was)) }));
  const begin = async () => {
    const id = clientId();
    const body = { plan: value!.plan, photo: null };
    const reply = await bookApi.saveDraft(id, { kind: 'survey', streamName, beatId: null, body });
    if (reply.ok) router.push(`/make/survey/${id}`);
    else setProblem(problemOf(reply));
  };
  return (
    <section aria-label={`What ${fileName} holds`}>
      <p>
        <strong>{fileName}</strong> holds {counted(taken.lines.length, 'line', 'lines')} and{' '}
        {counted(taken.points.length, 'place', 'places')}. Nothing is kept yet. Say which line is
        which bank; the water then runs as the arrow shows.
      </p>
      <LinesPicture taken={taken} plan={value?.plan ?? null} />
      <PlainTable>
        <caption>Lines of the file</caption>
        <tbody>
          {taken.lines.slice(0, MOST_SHOWN).map((line, i) => (
            <tr key={i}>
              <th scope="row">
                <strong>{lineLetter(i)}</strong> {line.name}, {line.at.length} places
              </th>
              <td>
                <Use
                  label={`Line ${lineLetter(i)} is`}
                  value={uses.lines[i]!}
                  options={LINE_USES.map((use) => [use, LINE_WORDS[use]])}
                  onChange={(use) => setLine(i, use)}
                />
              </td>
            </tr>
          ))}
        </tbody>
      </PlainTable>
      {taken.points.length > 0 && (
        <PlainTable>
          <caption>Places of the file</caption>
          <tbody>
            {taken.points.slice(0, MOST_SHOWN).map((p, i) => (
              <tr key={i}>
                <th scope="row">
                  {p.name}
                  {p.depthM !== null &&
                    !/^[\d.,]+ *m?$/.test(p.name) &&
                    `, ${formatDepth(p.depthM, units)} deep`}
                </th>
                <td>
                  <Use
                    label={`${p.name} is`}
                    value={uses.points[i]!}
                    options={POINT_USES.map((use) => [
                      use,
                      use === 'none' ? LINE_WORDS.none : USE_WORDS[use][0],
                    ])}
                    onChange={(use) => setPoint(i, use)}
                  />
                </td>
              </tr>
            ))}
          </tbody>
        </PlainTable>
      )}
      {Math.max(taken.lines.length, taken.points.length) > MOST_SHOWN && (
        <p>Only the first {MOST_SHOWN} of each are listed; the others go by their names.</p>
      )}
      {tried.ok ? (
        <div role="status">
          <strong>It would make:</strong>
          <ul>
            {tried.value.took.map((t) => (
              <li key={t}>{t}</li>
            ))}
          </ul>
          {tried.value.left.length > 0 && (
            <>
              <strong>Left out:</strong>
              <ul className={css.problems}>
                {tried.value.left.map((l) => (
                  <li key={l}>{l}</li>
                ))}
              </ul>
            </>
          )}
          <p>Depths, fall and flow are told next, in the survey.</p>
        </div>
      ) : (
        <p role="status">{tried.problem}</p>
      )}
      <p className={panel.row}>
        <Button voice="solid" disabled={!tried.ok} onClick={() => void begin()}>
          Begin a survey with it
        </Button>
        <Button onClick={onLeave}>Leave it</Button>
      </p>
      {problem && (
        <p role="alert" className={panel.problem}>
          {problem}
        </p>
      )}
    </section>
  );
}

/** What a line or a place is, from a list. */
function Use<T extends string>({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: T;
  options: readonly (readonly [T, string])[];
  onChange: (use: T) => void;
}) {
  return (
    <Select aria-label={label} value={value} onChange={(e) => onChange(e.target.value as T)}>
      {options.map(([use, words]) => (
        <option key={use} value={use}>
          {words}
        </option>
      ))}
    </Select>
  );
}

const counted = (n: number, one: string, many: string) => `${n} ${n === 1 ? one : many}`;
