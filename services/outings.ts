import { saysSomething, type Outing, type Reading } from '../core/log/index';
import {
  dropReading,
  findLastOuting,
  type OutingSummary,
  listOutings,
  listReadings,
  putHistory,
  putOuting,
  putReading,
} from '../store/index';
import { book } from './book';
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
export async function keepOuting(outing: Outing): Promise<Outcome<null>> {
  if (outing.endMs !== null && outing.endMs < outing.startMs)
    return refused('invalid', 'The outing ends before it begins.', 'endMs');
  await putOuting(await book(), outing);
  return done(null);
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
export async function keepReading(reading: Reading): Promise<Outcome<null>> {
  if (!saysSomething(reading))
    return refused(
      'invalid',
      'The reading is empty: water or air temperature, clarity, level, sky or wind must be given.',
      'waterTempC',
    );
  await putReading(await book(), reading);
  return done(null);
}

export async function readingsOf(outingId: string): Promise<Reading[]> {
  return listReadings(await book(), outingId);
}

export async function takeReadingBack(id: string): Promise<Outcome<null>> {
  await dropReading(await book(), id);
  return done(null);
}

/** Keeps many outings at once, with all that was read and tried on them. */
export async function keepHistory(told: Parameters<typeof putHistory>[1]): Promise<void> {
  await putHistory(await book(), told);
}
