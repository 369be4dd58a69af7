'use client';

import { msOfHour, type DayPlan } from '../../../core/day/index';
import { writeIcal, type CalendarEvent } from '../../../core/formats/index';
import type { DayBook } from '../../../core/outing/index';
import { Button } from '../../../ui/button';
import { saveText } from '../../../ui/save-text';
import { stopText } from '../../../words/day-words';
import { usePart, useWorkspace } from '../../context';

/** Rings so long before a stop, min. */
const BEFORE_STOP_MIN = 30;

/** The day for a calendar: each stay, and each stop with a bell before it. */
export function DayCalendar({ book, plan }: { book: DayBook; plan: DayPlan }) {
  const { beat } = useWorkspace();
  const units = usePart((s) => s.settings.units);
  if (plan.stays.length === 0) return null;
  const save = () => {
    const text = writeIcal(`Fishing, ${book.date}`, eventsOf(book, plan, units), book.nowMs);
    saveText(`day-${book.date}-${beat.id}.ics`, 'text/calendar', text);
  };
  return (
    <p>
      <Button onClick={save}>Day for a calendar (.ics)</Button>
    </p>
  );
}

export function eventsOf(book: DayBook, plan: DayPlan, units: 'metric' | 'us'): CalendarEvent[] {
  const nameOf = (id: string) => book.sites.find((s) => s.id === id)?.name ?? id;
  const uid = (what: string) => `${book.date}-${what}@pebble-lane`;
  return plan.stays.flatMap((stay): CalendarEvent[] => {
    const site = plan.sites.find((s) => s.siteId === stay.siteId)!;
    const stop = stopText(site, units);
    const offH = site.stop.overSinceH ?? site.stop.earlyH;
    const name = nameOf(stay.siteId);
    return [
      {
        uid: uid(stay.siteId),
        startMs: msOfHour(stay.arriveH, book.noonMs),
        endMs: msOfHour(stay.leaveH, book.noonMs),
        summary: name,
        description: `${stop.strong} ${stop.rest}\nWay here ${Math.round(stay.wayMin)} min. Local rules decide.`,
      },
      ...(offH === null
        ? []
        : [
            {
              uid: uid(`${stay.siteId}-stop`),
              startMs: msOfHour(offH, book.noonMs),
              endMs: msOfHour(offH, book.noonMs),
              summary: `Off ${name}: the water warms`,
              alarmMin: BEFORE_STOP_MIN,
            },
          ]),
    ];
  });
}
