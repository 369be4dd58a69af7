import { fnv1a64 } from '../grid/index';
import { isTimeZone } from '../units/index';
import { SKIES } from '../sight/index';
import {
  instantIn,
  READING_SOURCES,
  readingSaying,
  saysSomething,
  type Outing,
  type Reading,
} from './outings';
import { WIND_FROM } from './settings';

/** One reading as a line of a table: SI units, instants as ISO. '' is not read. */
export const READING_COLUMNS = [
  'reading',
  'outing',
  'taken',
  'zone_min',
  'time_zone',
  'beat',
  'water_c',
  'air_c',
  'clarity_ntu',
  'level_m',
  'sky',
  'wind_mps',
  'wind_from',
  'source',
  'note',
] as const;
export type ReadingLine = Record<(typeof READING_COLUMNS)[number], string>;

const text = (v: number | string | null): string => (v === null ? '' : String(v));

export const readingLine = (r: Reading, timeZone: string): ReadingLine => ({
  reading: r.id,
  outing: r.outingId,
  taken: new Date(r.takenMs).toISOString(),
  zone_min: String(r.zoneOffsetMin),
  time_zone: timeZone,
  beat: r.beatId ?? '',
  water_c: text(r.waterTempC),
  air_c: text(r.airTempC),
  clarity_ntu: text(r.turbidityNtu),
  level_m: text(r.levelM),
  sky: r.sky ?? '',
  wind_mps: text(r.windMps),
  wind_from: r.windFrom ?? '',
  source: r.source,
  note: r.note,
});

/** What may be read, as the interface takes it. */
const RANGES = {
  zone_min: [-900, 900],
  water_c: [0, 30],
  air_c: [-40, 50],
  clarity_ntu: [0, 200],
  level_m: [-5, 10],
  wind_mps: [0, 40],
} as const;
const WORDS = { sky: SKIES, wind_from: WIND_FROM, source: READING_SOURCES } as const;
const MOST_NOTE = 500;

/**
 * A line as a reading, from our own table or another's: `taken` must be there, and something that was
 * read. Its ids follow from what it says, so that the same line twice is one reading.
 */
export function readReadingLine(
  cells: Record<string, string>,
  line: number,
): { reading?: Reading; outing?: Outing; problem?: string } {
  const cell = (name: string) => (cells[name] ?? '').trim();
  const takenMs = Date.parse(cell('taken'));
  if (!/(Z|[+-]\d{2}:?\d{2})$/.test(cell('taken')) || instantIn(takenMs) !== takenMs)
    return {
      problem: `Line ${line}: taken is "${cell('taken')}"; it must be an instant like 2026-06-13T07:40:00Z, from 1970 to 2096.`,
    };
  const figures = {} as Record<keyof typeof RANGES, number | null>;
  for (const [name, [min, max]] of Object.entries(RANGES)) {
    const value = Number(cell(name).replace(',', '.'));
    if (cell(name) !== '' && !(value >= min && value <= max))
      return {
        problem: `Line ${line}: ${name} is "${cell(name)}"; a number from ${min} to ${max} is possible.`,
      };
    figures[name as keyof typeof RANGES] = cell(name) === '' ? null : value;
  }
  for (const [name, words] of Object.entries(WORDS))
    if (cell(name) !== '' && !(words as readonly string[]).includes(cell(name)))
      return {
        problem: `Line ${line}: ${name} is "${cell(name)}"; it must be one of ${words.join(', ')}.`,
      };
  const id = cell('reading') || `reading-${fnv1a64(JSON.stringify(cells))}`;
  const zoneOffsetMin = figures.zone_min ?? 0;
  const day = new Date(takenMs + 60_000 * zoneOffsetMin).toISOString().slice(0, 10);
  const outingId = cell('outing') || `outing-${day}`;
  for (const [name, value] of [
    ['reading', id],
    ['outing', outingId],
  ] as const)
    if (!/^[A-Za-z0-9-]{1,64}$/.test(value))
      return {
        problem: `Line ${line}: ${name} is "${value.slice(0, 40)}"; 1 to 64 letters, digits or dashes.`,
      };
  const reading = readingSaying({
    id,
    outingId,
    takenMs,
    zoneOffsetMin,
    beatId: cell('beat') || null,
    waterTempC: figures.water_c,
    airTempC: figures.air_c,
    turbidityNtu: figures.clarity_ntu,
    levelM: figures.level_m,
    sky: (cell('sky') || null) as Reading['sky'],
    windMps: figures.wind_mps,
    windFrom: (cell('wind_from') || null) as Reading['windFrom'],
    source: (cell('source') || 'typed') as Reading['source'],
    note: cell('note').slice(0, MOST_NOTE),
  });
  if (!saysSomething(reading))
    return {
      problem: `Line ${line}: nothing was read; one of water_c, air_c, clarity_ntu, level_m, sky, wind_mps, wind_from must be given.`,
    };
  const timeZone = cell('time_zone') || 'UTC';
  if (!isTimeZone(timeZone))
    return {
      problem: `Line ${line}: time_zone is "${timeZone.slice(0, 40)}"; it must be a name like Europe/Paris or UTC.`,
    };
  const outing = { id: outingId, startMs: takenMs, endMs: takenMs, timeZone, note: '' };
  return { reading, outing };
}
