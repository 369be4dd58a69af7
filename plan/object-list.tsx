'use client';

import { formatDepth, formatFishLength } from '../core/units/index';
import { usePart, useWorkspace } from './context';
import { LieList } from './lie-list';

/** The same objects as on the plan, in working order (up-current): for keyboard and screen reader. */
export function ObjectList() {
  const { actions } = useWorkspace();
  const lies = usePart((s) => s.lies);
  const marks = usePart((s) => s.marks);
  const chosenMark = usePart((s) => s.markId);
  const units = usePart((s) => s.settings.units);
  return (
    <section className="objects" aria-label="Fish and lies">
      <h3>On this beat</h3>
      {marks.length > 0 && (
        <ul>
          {marks.map((m, i) => (
            <li key={m.id}>
              <button
                type="button"
                aria-pressed={m.id === chosenMark}
                onClick={() => actions.chooseMark(m.id)}
              >
                <strong className="fish-word">Fish {i + 1}</strong> {m.surety},{' '}
                {formatFishLength(m.totalLengthCm, units)}, {formatDepth(m.fishDepthM, units)} down
              </button>
            </li>
          ))}
        </ul>
      )}
      {lies && lies.lies.length > 0 && <LieList lies={lies.lies} />}
    </section>
  );
}
