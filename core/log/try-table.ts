import { fnv1a64 } from '../grid/index';
import {
  EVENT_CODES,
  eventsThatEnd,
  meaningOf,
  TRY_STATES,
  type EventCode,
  type TryState,
} from './event-table';
import { foldTry, standing, type TryEvent } from './events';
import { isTimeZone } from '../units/index';
import { instantIn, type Outing } from './outings';
import { EMPTY_SNAPSHOT } from './snapshot';
import { writeSnapshot } from './write-snapshot';
import type { Try } from './tries';

/** One try as a line of a table: SI units, instants as ISO. '' is not known. */
export const TRY_COLUMNS = [
  'try',
  'opened',
  'zone_min',
  'time_zone',
  'beat',
  'kind',
  'x_m',
  'y_m',
  'rating',
  'chance',
  'clean_s',
  'stand_x_m',
  'stand_y_m',
  'lay',
  'water_c',
  'fly',
  'casts',
  'end',
  'length_cm',
  'events',
] as const;
export type TryLine = Record<(typeof TRY_COLUMNS)[number], string>;

const figure = (v: number | null | undefined, digits: number) =>
  v == null ? '' : v.toFixed(digits);

/** A try as a line. `events` holds each event that stands: its code, and seconds since the try was opened. */
export function tryLine(t: Try, outing: Outing): TryLine {
  const fold = foldTry(t.fly, t.events);
  const { target, cast, predicted, water } = t.snapshot;
  return {
    try: t.id,
    opened: new Date(t.openedMs).toISOString(),
    zone_min: String(t.zoneOffsetMin),
    time_zone: outing.timeZone,
    beat: t.beatId ?? '',
    kind: target?.kind ?? '',
    x_m: figure(target?.xM, 2),
    y_m: figure(target?.yM, 2),
    rating: figure(target?.rating, 0),
    chance: figure(predicted.chance?.value, 3),
    clean_s: figure(predicted.cleanS?.best, 1),
    stand_x_m: figure(cast?.stand.xM, 2),
    stand_y_m: figure(cast?.stand.yM, 2),
    lay: cast?.lay.kind ?? '',
    water_c: figure(water.tempC, 2),
    fly: fold.fly,
    casts: String(fold.casts),
    end: fold.state,
    length_cm: figure(fold.landedCm, 1),
    events: standing(t)
      .map(({ event }) => `${event.code}@${Math.round((event.clientMs - t.openedMs) / 1000)}`)
      .join(' '),
  };
}

export interface LineRead {
  /** The try, to be kept with its outing; or the sentence that says why not. */
  attempt?: Try;
  outing?: Outing;
  problem?: string;
}

/**
 * A line as a try, from our own table or another's: `opened` must be there, and `end` or `events`.
 * Its ids follow from what it says, so that the same line twice is one try.
 */
export function readTryLine(cells: Record<string, string>, line: number): LineRead {
  const cell = (name: string) => (cells[name] ?? '').trim();
  const openedMs = Date.parse(cell('opened'));
  if (!/(Z|[+-]\d{2}:?\d{2})$/.test(cell('opened')) || instantIn(openedMs) !== openedMs)
    return {
      problem: `Line ${line}: opened is "${cell('opened')}"; it must be an instant like 2026-06-13T07:40:00Z, from 1970 to 2096.`,
    };
  const timeZone = cell('time_zone') || 'UTC';
  if (!isTimeZone(timeZone))
    return {
      problem: `Line ${line}: time_zone is "${timeZone.slice(0, 40)}"; it must be a name like Europe/Paris or UTC.`,
    };
  const told = codesOf(cell('events'), cell('end'), cell('casts'), line);
  if ('problem' in told) return told;
  const range = (name: string, min: number, max: number): number | null | string => {
    if (cell(name) === '') return null;
    const value = Number(cell(name).replace(',', '.'));
    return Number.isFinite(value) && value >= min && value <= max
      ? value
      : `Line ${line}: ${name} is "${cell(name)}"; ${min} to ${max} is possible.`;
  };
  const [lengthCm, waterC, xM, yM, zone] = [
    range('length_cm', 5, 102),
    range('water_c', 0, 30),
    range('x_m', -200, 400),
    range('y_m', -200, 200),
    range('zone_min', -900, 900),
  ];
  const wrong = [lengthCm, waterC, xM, yM, zone].find((v) => typeof v === 'string');
  if (typeof wrong === 'string') return { problem: wrong };
  const zoneOffsetMin = (zone as number | null) ?? 0;
  const id = cell('try') || `try-${fnv1a64(JSON.stringify(cells))}`;
  if (!/^[A-Za-z0-9-]{1,64}$/.test(id))
    return {
      problem: `Line ${line}: try is "${id.slice(0, 40)}"; 1 to 64 letters, digits or dashes.`,
    };
  const outing: Outing = {
    id: `outing-${new Date(openedMs + 60_000 * zoneOffsetMin).toISOString().slice(0, 10)}`,
    startMs: openedMs,
    endMs: openedMs,
    timeZone,
    note: '',
  };
  // An id of 64 letters at most, whose events are no other try's.
  const eventsOf = id.length <= 50 ? id : `${id.slice(0, 33)}-${fnv1a64(id)}`;
  const events = told.codes.map(({ code, atS }, i): TryEvent => ({
    id: `${eventsOf}-${i + 1}`,
    device: 'table',
    seq: i + 1,
    code,
    clientMs: openedMs + 1000 * atS,
    zoneOffsetMin,
    ...(meaningOf(code).ends === 'landed' && typeof lengthCm === 'number' && { lengthCm }),
  }));
  const snapshot = writeSnapshot({
    ...EMPTY_SNAPSHOT,
    water: {
      tempC: waterC as number | null,
      tempSource: waterC === null ? null : 'read',
      turbidityNtu: null,
    },
    target:
      typeof xM === 'number' && typeof yM === 'number'
        ? {
            id: null,
            kind: null,
            xM,
            yM,
            rating: null,
            needs: null,
            depthM: null,
            surfaceSpeedMps: null,
            meanSpeedMps: null,
            behaviour: null,
          }
        : null,
  });
  return {
    outing,
    attempt: {
      id,
      outingId: outing.id,
      beatId: cell('beat') || null,
      markId: null,
      readId: null,
      fly: cell('fly').slice(0, 80),
      openedMs,
      zoneOffsetMin,
      snapshot,
      events,
    },
  };
}

/** Events as listed, or as many casts as are told with the end after them. */
function codesOf(
  events: string,
  end: string,
  casts: string,
  line: number,
): { codes: { code: EventCode; atS: number }[] } | { problem: string } {
  if (events !== '') {
    const codes: { code: EventCode; atS: number }[] = [];
    for (const word of events.split(/\s+/)) {
      const [code, at] = word.split('@');
      if (!EVENT_CODES.includes(code as EventCode) || code === 'undo' || code === 'more')
        return { problem: `Line ${line}: events holds "${code}", which is no event.` };
      codes.push({ code: code as EventCode, atS: Number(at) || 0 });
    }
    return { codes };
  }
  if (!TRY_STATES.includes(end as TryState))
    return {
      problem: `Line ${line}: end is "${end}"; it must be one of ${TRY_STATES.join(', ')}.`,
    };
  const n = casts === '' ? 0 : Number(casts);
  if (!Number.isInteger(n) || n < 0 || n > 500)
    return { problem: `Line ${line}: casts is "${casts}"; 0 to 500 is possible.` };
  const last = eventsThatEnd(end as TryState);
  const before = Math.max(0, n - last.filter((code) => meaningOf(code).isCast).length);
  return {
    codes: [
      ...Array.from({ length: before }, () => ({ code: 'cast' as const, atS: 0 })),
      ...last.map((code) => ({ code, atS: 0 })),
    ],
  };
}
