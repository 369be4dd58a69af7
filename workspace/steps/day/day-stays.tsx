'use client';

import { SLOT_MIN, type DayPlan, type PlannedStay } from '../../../core/day/index';
import type { DayBook } from '../../../core/outing/index';
import { Button } from '../../../ui/button';
import { hourText } from '../../../words/day-words';
import { useActions } from '../../context';
import { createDayActions } from './day-actions';
import panel from '../../../ui/panel.module.css';
import css from './day-panel.module.css';

const QUARTER_H = SLOT_MIN / 60;

/** Where one is, from when to when: moved by quarter hours, up and down the day, or left out. */
export function DayStays({ book, plan }: { book: DayBook; plan: DayPlan }) {
  const day = useActions(createDayActions);
  if (plan.stays.length === 0) return null;
  const order = plan.stays.map((s) => s.siteId);
  const swapped = (i: number, j: number) =>
    order.map((id, k) => (k === i ? order[j]! : k === j ? order[i]! : id));
  return (
    <section aria-label="Where and when">
      <h3>Where and when</h3>
      <ol className={css.stays}>
        {plan.stays.map((stay, i) => {
          const name = book.sites.find((s) => s.id === stay.siteId)?.name ?? stay.siteId;
          return (
            <li key={stay.siteId}>
              <span className={css.stayName}>
                <strong>{name}</strong>
                <span className={panel.second}>
                  {stay.looks.toFixed(1)} looks, way {Math.round(stay.wayMin)} min
                </span>
              </span>
              {book.facts.beats[stay.siteId]?.note && (
                <p className={panel.second}>{book.facts.beats[stay.siteId]!.note}</p>
              )}
              <Times stay={stay} name={name} />
              {stay.inShut && (
                <p role="alert" className={panel.problem}>
                  This runs into hours that are shut: over the limit, closed or thunder. They bring
                  nothing.
                </p>
              )}
              <span className={css.stayKeys}>
                <Button
                  voice="plain"
                  disabled={i === 0}
                  onClick={() => day.setOrder(swapped(i, i - 1))}
                  aria-label={`${name} earlier in the order`}
                >
                  Earlier
                </Button>
                <Button
                  voice="plain"
                  disabled={i === plan.stays.length - 1}
                  onClick={() => day.setOrder(swapped(i, i + 1))}
                  aria-label={`${name} later in the order`}
                >
                  Later
                </Button>
                {plan.stays.length > 1 && (
                  <Button
                    voice="plain"
                    onClick={() => day.setOrder(order.filter((id) => id !== stay.siteId))}
                    aria-label={`Leave ${name} out`}
                  >
                    Leave out
                  </Button>
                )}
              </span>
            </li>
          );
        })}
      </ol>
    </section>
  );
}

function Times({ stay, name }: { stay: PlannedStay; name: string }) {
  const day = useActions(createDayActions);
  const step = (which: 'arriveH' | 'leaveH', by: number) =>
    day.moveStay(stay.siteId, { [which]: stay[which] + by });
  return (
    <span className={css.times}>
      {(['arriveH', 'leaveH'] as const).map((which) => {
        const word = which === 'arriveH' ? 'arrive' : 'leave';
        return (
          <span key={which} role="group" aria-label={`${name}: ${word}`}>
            <Button
              voice="line"
              aria-label={`${name}: ${word} a quarter hour earlier`}
              onClick={() => step(which, -QUARTER_H)}
            >
              −
            </Button>
            <strong>{hourText(stay[which])}</strong>
            <Button
              voice="line"
              aria-label={`${name}: ${word} a quarter hour later`}
              onClick={() => step(which, QUARTER_H)}
            >
              +
            </Button>
          </span>
        );
      })}
    </span>
  );
}
