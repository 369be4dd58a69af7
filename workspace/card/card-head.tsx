'use client';

import {
  atClockText,
  civilHour,
  dayText,
  formatDischarge,
  formatSpeed,
  formatTemp,
} from '../../core/units/index';
import { usePart, useWorkspace } from '../context';
import { heatText } from '../../words/heat-words';
import { heatOf } from '../state/selectors';
import { dayAndHour } from '../../words/dates';
import css from './card.module.css';
import { PlainTable } from '../../ui/plain-table';

/** Which beat, at what level, for when, in what weather. */
export function CardHead() {
  const { beat } = useWorkspace();
  const zone = beat.plan.timeZone;
  const level = usePart((s) => s.level);
  const atMs = usePart((s) => s.atMs);
  const windMps = usePart((s) => s.settings.windMps);
  const units = usePart((s) => s.settings.units);
  const discharge = beat.plan.levels.find((l) => l.name === level)?.dischargeM3s ?? null;
  return (
    <header className={css.cardHead}>
      <h1>{beat.plan.name}</h1>
      <p>
        {beat.streamName}. {level}
        {discharge !== null && `, ${formatDischarge(discharge, units)}`}. {dayText(atMs, zone)}, for{' '}
        {atClockText(civilHour(atMs, zone))}, wind {formatSpeed(windMps, units)}.
      </p>
    </header>
  );
}

/** Warm water stops a day's fishing: said first. */
export function CardStop() {
  const tempC = usePart((s) => s.settings.waterTempC);
  const units = usePart((s) => s.settings.units);
  const heat = usePart(heatOf);
  if (tempC === null)
    return (
      <p className={css.cardStop}>
        <strong>Take the water’s temperature first.</strong> Stop at{' '}
        {formatTemp(heat.limitC, units)}; local rules decide.
      </p>
    );
  const [lead, ...rest] = heatText(heat, tempC, units);
  return (
    <p className={css.cardStop}>
      <strong>{lead ?? `Stop at ${formatTemp(heat.limitC, units)}.`}</strong>{' '}
      {lead ? rest.join(' ') : `Read ${formatTemp(tempC, units)}; local rules decide.`}
    </p>
  );
}

/** What the three lines of a track mean, and the rows that are filled in by the water. */
export function CardKey() {
  return (
    <dl className={css.cardKey} aria-label="Lines of the track">
      {(
        [
          ['', 'clean'],
          [css.trackMicroKey, 'drags a little'],
          [css.trackWakeKey, 'makes a wake'],
        ] as const
      ).map(([line, words]) => (
        <div key={words}>
          <dt>
            <span className={`${css.keyLine} ${line}`} />
          </dt>
          <dd>{words}</dd>
        </div>
      ))}
    </dl>
  );
}

const COLUMNS = ['try', 'hour', 'water', 'fish', 'fly', 'lay', 'what it did', 'next'] as const;

export function CardRows() {
  return (
    <PlainTable className={css.cardRows}>
      <caption className={css.visuallyHidden}>Tries, to be filled in</caption>
      <thead>
        <tr>
          {COLUMNS.map((c) => (
            <th key={c} scope="col">
              {c}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {[1, 2, 3, 4].map((n) => (
          <tr key={n}>
            <th scope="row">{n}</th>
            {COLUMNS.slice(1).map((c) => (
              <td key={c} />
            ))}
          </tr>
        ))}
      </tbody>
    </PlainTable>
  );
}

export function CardFoot() {
  const { beat } = useWorkspace();
  const calibrated = usePart((s) => s.flow?.calibrated ?? false);
  const notes = usePart((s) => s.settings.localNotes);
  return (
    <footer className={css.cardFoot}>
      <p>
        Made {dayAndHour(beat.nowMs, beat.plan.timeZone)}.{' '}
        {calibrated ? 'Flow calibrated.' : 'Flow not calibrated, pace ±10 %.'} Nothing here says
        that a place is safe. Local rules decide.{notes && ` ${notes}`}
      </p>
      <strong>Pebble Lane</strong>
    </footer>
  );
}
