import { saysSomething, type Outing, type Reading } from '../core/log/index';
import {
  dropReading,
  findLastOuting,
  findOuting,
  findReading,
  type OutingSummary,
  listOutings,
  listReadings,
  putHistory,
  putOuting,
  putReading,
} from '../store/index';
import { book } from './book';
import { keepChange, takeOut, TOLD_WHOLE, type Change } from './change';
import { done, refused, type Outcome } from './outcome';

/** The outing of a try that names only its day: as the book has called such days since before they had ids. */
export function outingOfDay(
  { openedMs, zoneOffsetMin }: { openedMs: number; zoneOffsetMin: number },
  localDate = new Date(openedMs + 60_000 * zoneOffsetMin).toISOString().slice(0, 10),
): Outing {
  const id = `outing-${localDate}`;
  return { id, startMs: openedMs, endMs: null, timeZone: 'UTC', note: '' };
}

const MOST_LISTED = 200;

/** Keeps an outing or its new state; the id is the client's. */
export function keepOuting(outing: Outing, change: Change = TOLD_WHOLE): Promise<Outcome<null>> {
  return keepChange(change, {
    what: 'the outing',
    now: outing,
    current: async (trx) => {
      const value = await findOuting(trx, outing.id);
      return value && { value, gone: false };
    },
    keep: putOuting,
    check: ({ startMs, endMs }) =>
      endMs !== null && endMs < startMs
        ? refused('invalid', 'The outing ends before it begins.', 'endMs')
        : done(null),
  });
}

/** Newest first. */
export async function outingsInBook(): Promise<Outing[]> {
  return listOutings(await book(), MOST_LISTED);
}

/** What the last outing came to; null before the first. */
export async function lastOuting(): Promise<OutingSummary | null> {
  return (await findLastOuting(await book())) ?? null;
}

/** Keeps a reading; something must have been read. */
export function keepReading(reading: Reading, change: Change = TOLD_WHOLE): Promise<Outcome<null>> {
  return keepChange(change, {
    what: 'the reading',
    now: reading,
    current: (trx) => findReading(trx, reading.id),
    keep: putReading,
    check: (value) =>
      saysSomething(value)
        ? done(null)
        : refused(
            'invalid',
            'The reading is empty: water or air temperature, clarity, level, sky or wind must be given.',
            'waterTempC',
          ),
  });
}

export async function readingsOf(outingId: string): Promise<Reading[]> {
  return listReadings(await book(), outingId);
}

export function takeReadingBack(id: string, change: Change = TOLD_WHOLE): Promise<Outcome<null>> {
  return takeOut(change, (trx) => dropReading(trx, id));
}

/** Keeps many outings at once, with all that was read and tried on them. */
export async function keepHistory(told: Parameters<typeof putHistory>[1]): Promise<void> {
  await putHistory(await book(), told);
}
