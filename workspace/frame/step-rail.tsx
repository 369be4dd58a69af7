'use client';

import { formatMinutes } from '../../core/units/index';
import { usePart, useWorkspace } from '../context';
import { STEPS, type Step } from '../state/address';
import { PEBBLE } from '../../drawing/shapes';
import { numberOfMark, shownWay, type WorkspaceState } from '../state/state';

const NAMES: Record<Step, string> = {
  day: 'Day',
  read: 'Read',
  spot: 'Spot',
  stalk: 'Stalk',
  cast: 'Cast',
  log: 'Log',
  learn: 'Learn',
};
/** Steps that are not built yet say so and are not buttons. */
const COMING: Partial<Record<Step, true>> = { day: true, learn: true };

/** What a step has found, in two or three words. */
function found(step: Step, s: WorkspaceState): string {
  if (step === 'read') return s.lies ? `${s.lies.lies.length} lies` : 'reading';
  if (step === 'spot') return s.marks.length === 1 ? '1 fish' : `${s.marks.length} fish`;
  if (step === 'stalk') {
    if (!s.stalk) return 'no stand yet';
    const way = shownWay(s);
    return way ? formatMinutes(way.seconds / 60) : 'no way';
  }
  if (step === 'cast') return s.drift ? `clean ${s.drift.best.cleanS.toFixed(1)} s` : 'no cast yet';
  if (step === 'log')
    return s.tries.length === 0
      ? 'no tries'
      : s.tries.length === 1
        ? '1 try'
        : `${s.tries.length} tries`;
  return 'coming';
}

export function StepRail() {
  const { actions } = useWorkspace();
  const current = usePart((s) => s.step);
  const chosenNumber = usePart((s) => (s.markId ? numberOfMark(s, s.markId) : 0));
  const words = usePart((s) => STEPS.map((step) => found(step, s)).join('|')).split('|');
  return (
    <nav className="rail" aria-label="Steps">
      <ol>
        {STEPS.map((step, i) => {
          const isCurrent = step === current;
          const body = (
            <>
              <svg width="34" height="28" viewBox="-17 -14 34 28" aria-hidden="true">
                <path
                  d={PEBBLE}
                  transform={`scale(${isCurrent ? 14 : 12})`}
                  fill={isCurrent ? 'var(--ink)' : 'var(--stone)'}
                  stroke="var(--stone-line)"
                  strokeWidth={0.12}
                />
                <text
                  y="4.6"
                  textAnchor="middle"
                  style={{ fontSize: 13, fontWeight: 700 }}
                  fill={isCurrent ? 'var(--paper)' : 'var(--ink)'}
                >
                  {i + 1}
                </text>
              </svg>
              <span className="step-name">{NAMES[step]}</span>
              <span className="step-found">
                {step === 'spot' && chosenNumber > 0
                  ? `fish ${chosenNumber} of ${words[i]!.split(' ')[0]}`
                  : words[i]}
              </span>
            </>
          );
          return (
            <li key={step} className={isCurrent ? 'current' : ''}>
              {COMING[step] ? (
                <span className="step coming">{body}</span>
              ) : (
                <button
                  type="button"
                  className="step"
                  aria-current={isCurrent ? 'step' : undefined}
                  onClick={() => actions.go(step)}
                >
                  {body}
                </button>
              )}
            </li>
          );
        })}
      </ol>
    </nav>
  );
}
