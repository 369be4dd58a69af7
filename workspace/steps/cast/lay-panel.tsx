'use client';

import { useState } from 'react';
import { formatLength, formatSeconds } from '../../../core/units/index';
import { sameLay, type DriftBand, type Lay, type LayRow } from '../../../core/cast/index';
import { Button } from '../../../ui/button';
import { Choice } from '../../../ui/choice';
import { useActions, usePart } from '../../context';
import { castName, mendName } from '../../../words/cast-words';
import { layName } from '../../../words/lay-names';
import { DRIFT_S } from './questions';
import { valueOf } from '../../state/answer';
import { createCastActions } from './cast-actions';
import panel from '../../../ui/panel.module.css';
import css from './cast.module.css';

const WIDTH = 206;
const SHOWN = 5;
const x = (s: number) => (WIDTH * Math.min(DRIFT_S, s)) / DRIFT_S;

/** Every lay from this stand to this place, on one scale of seconds; the amount of the chosen one; a mend. */
export function LayPanel() {
  const casting = useActions(createCastActions);
  const study = usePart((s) => valueOf(s, 'castStudy'));
  const chosen = usePart((s) => s.lay);
  // While something is dragged the rows stand still: they speak of where it was.
  const drift = usePart((s) => (s.dragging ? null : valueOf(s, 'drift')?.band));
  const found =
    usePart((s) => (s.dragging ? null : valueOf(s, 'drift')?.now.chance?.found)) ?? null;
  const passesAtS = drift?.best.passesAtS ?? null;
  const [all, setAll] = useState(false);
  if (!study)
    return (
      <p className={panel.working} role="status">
        Trying every lay from here.
      </p>
    );
  const { lead } = study;
  // The chosen one is told as it is above: followed more finely than the rest.
  const rows = study.rows.map((r) =>
    sameLay(r.lay, chosen) && drift
      ? { ...r, ...told(drift), ...(found !== null && { value: found }) }
      : r,
  );
  const liftS = lead && passesAtS !== null ? passesAtS + lead.liftS - lead.secondsToFish : null;
  const mine = rows.find((r) => sameLay(r.lay, chosen));
  const first = rows.filter((r) => r.by !== null).slice(0, SHOWN);
  const short = mine && !first.includes(mine) ? [mine, ...first.slice(0, SHOWN - 1)] : first;
  const shown = all ? rows : short;
  return (
    <>
      <h3>How the line is laid</h3>
      <p className={panel.second}>
        {passesAtS !== null && (
          <span className={panel.his}>passes it at {formatSeconds(passesAtS)}</span>
        )}
        {liftS !== null && liftS < DRIFT_S && (
          <span className={panel.yours}> · lift at {formatSeconds(liftS)}</span>
        )}
      </p>
      <ul className={css.lays} aria-label="Lays from this stand">
        {shown.map((row) => (
          <LayLine
            key={layName(row.lay)}
            row={row}
            chosen={row === mine}
            passesAtS={passesAtS}
            liftS={liftS}
            onTake={() => casting.setLay(row.lay)}
          />
        ))}
      </ul>
      <div className={panel.row}>
        <Button aria-expanded={all} onClick={() => setAll(!all)}>
          {all ? 'The best alone' : `All ${rows.length} lays`}
        </Button>
      </div>
      <Amount lay={chosen} onChange={casting.setLay} />
      <MendLine />
    </>
  );
}

const told = ({ best, cleanS }: DriftBand) => ({
  cleanS,
  firstMicroS: best.firstMicroS,
  firstWakeS: best.firstWakeS,
  known: best.status === 'ok',
});

function LayLine({
  row,
  chosen,
  passesAtS,
  liftS,
  onTake,
}: {
  row: LayRow;
  chosen: boolean;
  passesAtS: number | null;
  liftS: number | null;
  onTake: () => void;
}) {
  const { cleanS } = row;
  const micro = row.firstMicroS ?? DRIFT_S;
  const wake = row.firstWakeS ?? DRIFT_S;
  const told = !row.known
    ? 'not known'
    : row.by === null
      ? 'not from here'
      : row.value === null
        ? secondsOf(cleanS.best)
        : `${Math.round(100 * row.value)} in 100, ${secondsOf(cleanS.best)}`;
  return (
    <li>
      <Button voice="bare" aria-pressed={chosen} className={css.lay} onClick={onTake}>
        <span className={css.layName}>
          {layName(row.lay)}
          <em>{told}</em>
        </span>
        {row.by !== null && row.known && (
          <svg width={WIDTH} height={16} viewBox={`0 0 ${WIDTH} 16`} aria-hidden="true">
            <rect
              x={x(cleanS.low)}
              y={3}
              width={Math.max(2, x(cleanS.high) - x(cleanS.low))}
              height={10}
              fill="var(--rule)"
            />
            <path d={`M0,8H${x(micro)}`} className={css.trackClean} />
            {micro < wake && (
              <path d={`M${x(micro) + 4},8H${x(wake)}`} className={css.trackMicro} />
            )}
            {wake < DRIFT_S && <path d={`M${x(wake)},8H${WIDTH}`} className={css.trackWake} />}
            <path d={`M${x(cleanS.best)},2v12`} stroke="var(--ink)" strokeWidth={2.4} />
            {passesAtS !== null && (
              <path d={`M${x(passesAtS)},0v16`} stroke="var(--fish)" strokeWidth={1.8} />
            )}
            {liftS !== null && liftS < DRIFT_S && (
              <path d={`M${x(liftS)},0v16`} stroke="var(--angler)" strokeWidth={1.4} />
            )}
          </svg>
        )}
        {row.by !== null && row.by !== 'overhead' && (
          <span className={panel.second}>thrown {castName(row.by)}</span>
        )}
      </Button>
    </li>
  );
}

const secondsOf = (s: number) => (s >= DRIFT_S - 0.11 ? `${DRIFT_S} s or more` : formatSeconds(s));

/** Amounts offered for each lay that has one. */
function Amount({ lay, onChange }: { lay: Lay; onChange: (lay: Lay) => void }) {
  const units = usePart((s) => s.settings.units);
  const metres = (list: readonly number[]) =>
    list.map((m) => [m.toFixed(1), formatLength(m, units)] as const);
  if (lay.kind === 'reach')
    return (
      <Choice
        label="Amount of the reach"
        value={lay.amountM.toFixed(1)}
        options={metres([1, 1.5, 2])}
        onChange={(v) => onChange({ ...lay, amountM: Number(v) })}
      />
    );
  if (lay.kind === 'curve' || lay.kind === 'aerial-mend')
    return (
      <Choice
        label="How far it is thrown over"
        value={(lay.amountM ?? (lay.kind === 'curve' ? 0.8 : 1.2)).toFixed(1)}
        options={metres([0.8, 1.2, 1.6])}
        onChange={(v) => onChange({ ...lay, amountM: Number(v) })}
      />
    );
  if (lay.kind === 'slack')
    return (
      <Choice
        label="Share of slack"
        value={(lay.share ?? 0.15).toFixed(2)}
        options={[
          ['0.10', 'a tenth'],
          ['0.15', 'a seventh'],
          ['0.30', 'a third'],
        ]}
        onChange={(v) => onChange({ ...lay, share: Number(v) })}
      />
    );
  if (lay.kind === 'pile')
    return (
      <Choice
        label="Line in the pile"
        value={(lay.extraM ?? 1.2).toFixed(1)}
        options={metres([0.8, 1.2, 2])}
        onChange={(v) => onChange({ ...lay, extraM: Number(v) })}
      />
    );
  return null;
}

/** Where a mend would buy time, and how much; taking it, and taking it back. */
function MendLine() {
  const casting = useActions(createCastActions);
  const units = usePart((s) => s.settings.units);
  const mend = usePart((s) => s.mend);
  const best = usePart((s) => valueOf(s, 'castStudy')?.mend ?? null);
  const ends = usePart((s) => valueOf(s, 'drift')?.band?.best.firstMicroS ?? null);
  if (mend)
    return (
      <p>
        Mend {mendName(mend, units)}.{' '}
        <Button voice="plain" onClick={() => casting.setMend(null)}>
          Without the mend
        </Button>
      </p>
    );
  if (best)
    return (
      <p>
        <strong>A mend buys {formatSeconds(best.gainS)}:</strong> {mendName(best.mend, units)}.{' '}
        <Button voice="plain" onClick={() => casting.setMend(best.mend)}>
          Mend it so
        </Button>
      </p>
    );
  return ends === null ? null : (
    <p className={panel.second}>No mend buys time here: it needs slack on the water to work.</p>
  );
}
