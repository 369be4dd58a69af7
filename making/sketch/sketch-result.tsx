'use client';

import { readBeat, writeBeat } from '../../core/formats/index';
import { fitSketch, type Sketch, type SketchBeat } from '../../core/water/index';
import { TellingTable } from './telling-table';
import { useCompared } from './use-compared';
import { formatDischarge, type UnitSystem } from '../../core/units/index';
import { contradictionText } from './sketch-words';
import { Button } from '../../ui/button';
import css from '../making.module.css';
import panel from '../../ui/panel.module.css';

/** The discharge that fits all pieces, the piece that contradicts it, and what the water makes of each. */
export function SketchResult({
  sketch,
  built,
  carried,
  units,
  onChoose,
}: {
  sketch: Sketch;
  built: SketchBeat;
  /** What is said of depths that come from elsewhere; null: none do. */
  carried: string | null;
  units: UnitSystem;
  onChoose: (id: string) => void;
}) {
  const compared = useCompared(sketch, built);
  if (!built.ok) {
    return (
      <section className={css.makingResult} aria-label="What is missing">
        <div role="status">
          <ul className={css.problems}>
            {built.problems.map((p) => (
              <li key={p.message}>{p.message}</li>
            ))}
          </ul>
        </div>
      </section>
    );
  }
  const fit = fitSketch(sketch);
  const notes = readBeat(writeBeat(built.plan));
  return (
    <section className={css.makingResult} aria-label="What it adds up to">
      <div role="status">
        <strong className={panel.large}>{formatDischarge(fit.dischargeM3s, units)}</strong>
        <span>
          {fit.isTold ? (
            <>
              is the discharge that fits these pieces best, between{' '}
              {formatDischarge(fit.lowM3s, units)} and {formatDischarge(fit.highM3s, units)}.
            </>
          ) : (
            <>
              is what a stream this wide usually carries, {formatDischarge(fit.lowM3s, units)} to{' '}
              {formatDischarge(fit.highM3s, units)}: tell depth and pace of one piece, and the
              others follow.
            </>
          )}{' '}
          The beat falls {(100 * built.plan.slope).toFixed(1)} m in 100 m for it.
        </span>
        {carried && <span> {carried}</span>}
      </div>
      {fit.contradictions.map((c) => {
        const text = contradictionText(sketch, c, units);
        return (
          <p key={c.pieceId} className={css.contradiction}>
            <strong>{text.lead}</strong> {text.needs} It was left out of the fit.{' '}
            <Button voice="plain" onClick={() => onChoose(c.pieceId)}>
              Open it
            </Button>
          </p>
        );
      })}
      <TellingTable sketch={sketch} compared={compared} units={units} onChoose={onChoose} />
      {[...built.notes, ...(notes.ok ? notes.notes : [])].map((note) => (
        <p key={note}>{note}</p>
      ))}
    </section>
  );
}
