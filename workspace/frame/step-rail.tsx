'use client';

import { useActions, usePart } from '../context';
import { STEPS, stepKey } from '../state/address';
import { STEP_ROWS } from './steps';
import { PEBBLE } from '../../drawing/shapes';
import { createPlanActions } from '../plan-actions';
import { Button } from '../../ui/button';
import css from './frame.module.css';

export function StepRail() {
  const acting = useActions(createPlanActions);
  const current = usePart((s) => s.step);
  const words = usePart((s) => STEPS.map((step) => STEP_ROWS[step].found(s)).join('|')).split('|');
  return (
    <nav className={css.rail} aria-label="Steps">
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
                  {stepKey(step)}
                </text>
              </svg>
              <span className={css.stepName}>{STEP_ROWS[step].name}</span>
              <span className={css.stepFound}>{words[i]}</span>
            </>
          );
          return (
            <li key={step} className={isCurrent ? css.current : ''}>
              <Button
                voice="bare"
                className={css.step}
                aria-current={isCurrent ? 'step' : undefined}
                onClick={() => acting.go(step)}
              >
                {body}
              </Button>
            </li>
          );
        })}
      </ol>
    </nav>
  );
}
