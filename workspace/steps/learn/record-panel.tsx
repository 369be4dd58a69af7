'use client';

import { useState } from 'react';
import { LEAST_TO_REFIT, type Refit, type RestsOn } from '../../../core/learn/index';
import { Button } from '../../../ui/button';
import { Disclosure } from '../../../ui/disclosure';
import { PlainTable } from '../../../ui/plain-table';
import { movedWords, REFIT_MOVES, REFIT_NAMES, restsOnWords } from '../../../words/refit-words';
import { useActions, usePart } from '../../context';
import { createLearnActions } from './learn-actions';
import panel from '../../../ui/panel.module.css';
import css from './learn.module.css';

/** What the record has changed of the models' constants: what moved, by how much, from which tries; each can be taken back. */
export function RecordPanel() {
  const learning = useActions(createLearnActions);
  const record = usePart((s) => s.learned!.record);
  const working = usePart((s) => s.learnWorking);
  const moved = record?.refits.filter((r) => r.verdict === 'moved' || r.verdict === 'along') ?? [];
  const even = record?.refits.filter((r) => r.verdict === 'even') ?? [];
  const few = record?.refits.filter((r) => r.verdict === 'too few') ?? [];
  const isIn = moved.filter((r) => !record!.takenBack.includes(r.name));
  return (
    <section aria-label="What the record changes">
      <h3>What the record changes</h3>
      <p className={panel.second}>
        {record
          ? `Worked out on ${dayOf(record.atMs)}, from every try of the book before; again with the first plan of each day.`
          : 'It was not worked out yet.'}
      </p>
      {record && moved.length === 0 && (
        <p>Nothing: every constant of the models is as it was guessed, or could be by chance.</p>
      )}
      {moved.map((r) => (
        <Moved key={r.name} refit={r} isBack={record!.takenBack.includes(r.name)} />
      ))}
      {(even.length > 0 || few.length > 0) && (
        <p className={panel.second}>
          {even.length > 0 &&
            `Left alone, as far as they are known: ${even.map((r) => REFIT_NAMES[r.name].toLowerCase()).join('; ')}. `}
          {few.length > 0 &&
            `Fewer than ${LEAST_TO_REFIT}: ${few.map((r) => REFIT_NAMES[r.name].toLowerCase()).join('; ')}.`}
        </p>
      )}
      <p className={panel.row}>
        <Button disabled={working} onClick={() => void learning.refit()}>
          {working ? 'Working it out' : 'Work it out with today’s'}
        </Button>
        {isIn.length > 1 && (
          <Button
            voice="plain"
            disabled={working}
            onClick={() =>
              void learning.takeBack(
                isIn.map((r) => r.name),
                true,
              )
            }
          >
            Take all back
          </Button>
        )}
      </p>
      <p className={panel.second}>Plans made before a change keep their own figures.</p>
    </section>
  );
}

function Moved({ refit, isBack }: { refit: Refit; isBack: boolean }) {
  const learning = useActions(createLearnActions);
  const working = usePart((s) => s.learnWorking);
  const units = usePart((s) => s.settings.units);
  const beats = usePart((s) => s.learned!.beats);
  return (
    <article className={css.moved} data-back={isBack}>
      <header>
        <h4>{REFIT_NAMES[refit.name]}</h4>
        <Button
          voice="plain"
          disabled={working}
          aria-label={`${isBack ? 'Put back in' : 'Take back'}: ${REFIT_NAMES[refit.name]}`}
          onClick={() => void learning.takeBack([refit.name], !isBack)}
        >
          {isBack ? 'Put it back in' : 'Take it back'}
        </Button>
      </header>
      <ul>
        {refit.parts
          .filter((p) => p.moved || refit.verdict === 'along')
          .map((p) => {
            const { of, change, within } = movedWords(refit.name, p, units, beats);
            return (
              <li key={p.of}>
                {of && `${of}: `}
                <strong>{change}</strong> <span className={panel.second}>({within})</span>
              </li>
            );
          })}
      </ul>
      <p className={panel.second}>
        {isBack ? 'Taken back: plans go by what was guessed.' : REFIT_MOVES[refit.name]}{' '}
        {refit.verdict === 'along' &&
          'By itself it could be chance; with the others it has moved, and goes with them. '}
        {restsOnWords(refit)}.
      </p>
      <Disclosure title="From which tries">
        <Behind refit={refit} />
      </Disclosure>
    </article>
  );
}

const dayOf = (ms: number) =>
  new Date(ms).toLocaleDateString('en-GB', {
    day: 'numeric',
    month: 'long',
    year: 'numeric',
    timeZone: 'UTC',
  });

/** The tries themselves, asked for when they are looked at. */
function Behind({ refit }: { refit: Refit }) {
  const learning = useActions(createLearnActions);
  const beats = usePart((s) => s.learned!.beats);
  const [told, setTold] = useState<{ of: number; tries: RestsOn[] } | string | null>(null);
  const ask = async () => {
    const reply = await learning.triesBehind(refit.name);
    setTold(reply.ok ? reply.value : reply.message);
  };
  if (told === null) return <Button onClick={() => void ask()}>Show the tries</Button>;
  if (typeof told === 'string') return <p role="alert">{told}</p>;
  return (
    <>
      <PlainTable voice="small">
        <thead>
          <tr>
            <th scope="col">Opened</th>
            <th scope="col">Where</th>
            <th scope="col">Casts</th>
            <th scope="col">Came of it</th>
          </tr>
        </thead>
        <tbody>
          {told.tries.slice(0, SHOWN).map((t) => (
            <tr key={t.id}>
              <td>{dayOf(t.openedMs)}</td>
              <td>{t.beatId === null ? 'a place' : (beats[t.beatId] ?? t.beatId)}</td>
              <td>{t.casts}</td>
              <td>{cameOf(t)}</td>
            </tr>
          ))}
        </tbody>
      </PlainTable>
      {told.of > SHOWN && (
        <p className={panel.second}>
          The newest {Math.min(SHOWN, told.tries.length)} of {told.of}; all of them are in Log.
        </p>
      )}
    </>
  );
}
const SHOWN = 40;
const cameOf = (t: RestsOn) =>
  t.hooked ? 'hooked' : t.looked ? 'looked' : t.spooked ? 'put down' : t.shown ? 'shown' : 'blank';
