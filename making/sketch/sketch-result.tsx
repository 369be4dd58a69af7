'use client';

import { readBeat, writeBeat } from '../../core/formats/index';
import { fitSketch, type Sketch, type SketchBeat } from '../../core/water/index';
import { formatDischarge, type UnitSystem } from '../../core/units/index';
import { contradictionText } from './sketch-words';
import { Button } from '../../ui/button';
import css from '../making.module.css';
import panel from '../../ui/panel.module.css';

/** The discharge that fits all pieces, and the piece that contradicts it. */
export function SketchResult({
  sketch,
  built,
  units,
  onChoose,
}: {
  sketch: Sketch;
  built: SketchBeat;
  units: UnitSystem;
  onChoose: (id: string) => void;
}) {
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
          is the discharge that fits these pieces best, between {formatDischarge(fit.lowM3s, units)}{' '}
          and {formatDischarge(fit.highM3s, units)}. The beat falls{' '}
          {(100 * built.plan.slope).toFixed(1)} m in 100 m for it.
        </span>
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
      {[...built.notes, ...(notes.ok ? notes.notes : [])].map((note) => (
        <p key={note}>{note}</p>
      ))}
    </section>
  );
}
