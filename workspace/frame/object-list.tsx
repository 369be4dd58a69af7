'use client';

import { formatDepth, formatFishLength } from '../../core/units/index';
import { useActions, usePart } from '../context';
import { lazy } from '../lazy';
import type { Lie } from '../../core/lies/index';
import { lieName } from '../../words/names';
import { valueOf } from '../state/answer';
import { createReadActions } from '../steps/read/read-actions';
import { createPlanActions } from '../plan-actions';
import { Button } from '../../ui/button';
import css from './frame.module.css';

const LieList = lazy<{ lies: readonly Lie[] }>(() =>
  import('../steps/read/lie-list').then((m) => m.LieList),
);

/** The same objects as on the plan, in working order (up-current): for keyboard and screen reader. */
export function ObjectList() {
  const acting = useActions(createPlanActions);
  const reader = useActions(createReadActions);
  const lies = usePart((s) => valueOf(s, 'lies'));
  const marks = usePart((s) => s.marks);
  const reads = usePart((s) => s.reads);
  const placingRead = usePart((s) => s.placingRead);
  const chosenMark = usePart((s) => s.markId);
  const units = usePart((s) => s.settings.units);
  return (
    <section className={css.objects} aria-label="Fish and lies">
      <h3>On this beat</h3>
      {marks.length > 0 && (
        <ul>
          {marks.map((m, i) => (
            <li key={m.id}>
              <Button
                voice="bare"
                aria-pressed={m.id === chosenMark}
                onClick={() => acting.chooseMark(m.id)}
              >
                <strong className={css.fishWord}>Fish {i + 1}</strong> {m.surety},{' '}
                {formatFishLength(m.totalLengthCm, units)}, {formatDepth(m.fishDepthM, units)} down
              </Button>
            </li>
          ))}
        </ul>
      )}
      {reads.length > 0 && (
        <ul aria-label="Quick reads">
          {reads.map((r) => (
            <li key={r.id}>
              <Button
                voice="bare"
                aria-pressed={placingRead === r.id}
                onClick={() => reader.placeReadNext(placingRead === r.id ? null : r.id)}
              >
                <strong>{r.result.rating}</strong> as told: {lieName(r.result.kind)}
                {r.note && `, ${r.note}`}.{' '}
                {placingRead === r.id
                  ? 'Press the plan where it was.'
                  : r.xM === null
                    ? 'Place it.'
                    : 'Move it.'}
              </Button>
            </li>
          ))}
        </ul>
      )}
      {lies && lies.lies.length > 0 && <LieList lies={lies.lies} />}
    </section>
  );
}
