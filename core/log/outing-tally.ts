import { isOver } from './event-table';
import { foldTry, standing } from './events';
import type { Outing, Reading } from './outings';
import type { OutingLog } from './log-changes';
import type { Try } from './tries';

/** What an outing has come to. */
export interface OutingTally {
  /** Fish that touched the fly: taken and missed. */
  touched: number;
  taken: number;
  missed: number;
  landed: number;
  kept: number;
  casts: number;
  tries: number;
  /** Lies, marks and places that were worked. */
  places: number;
  hours: number;
}

/** Counts what stands; what was taken back does not. */
export function tallyOf(outing: Outing | null, tries: readonly Try[], nowMs: number): OutingTally {
  const out = { touched: 0, taken: 0, missed: 0, landed: 0, kept: 0, casts: 0 };
  const places = new Set<string>();
  for (const t of tries) {
    places.add(t.snapshot.target?.id ?? t.readId ?? t.id);
    for (const { event, means } of standing(t)) {
      if (means.isCast) out.casts++;
      if (means.answer === 'took') out.taken++;
      if (means.answer === 'missed') out.missed++;
      if (means.ends === 'landed') {
        out.landed++;
        if (event.kept) out.kept++;
      }
    }
  }
  out.touched = out.taken + out.missed;
  const hours = outing ? Math.max(0, (outing.endMs ?? nowMs) - outing.startMs) / 3_600_000 : 0;
  return { ...out, tries: tries.length, places: places.size, hours };
}

/** The try that goes on: the newest of those that are not over. */
export const openTry = (tries: readonly Try[]): Try | null =>
  [...tries]
    .filter((t) => !isOver(foldTry(t.fly, t.events).state))
    .sort((a, b) => b.openedMs - a.openedMs)[0] ?? null;

/** The last reading of a kind, newest first by when it was taken. */
export const lastReading = (
  readings: readonly Reading[],
  of: 'waterTempC' | 'airTempC' | 'turbidityNtu' | 'levelM' | 'sky' | 'windMps',
): Reading | null =>
  [...readings].filter((r) => r[of] !== null).sort((a, b) => b.takenMs - a.takenMs)[0] ?? null;

/** How the water warms by the last two readings of it, °C an hour; null under two of them, or within a quarter of an hour. */
export function warmingCph(readings: readonly Reading[]): number | null {
  const read = readings.filter((r) => r.waterTempC !== null).sort((a, b) => b.takenMs - a.takenMs);
  const [last, before] = read;
  if (!last || !before) return null;
  const hours = (last.takenMs - before.takenMs) / 3_600_000;
  return hours < LEAST_APART_H ? null : (last.waterTempC! - before.waterTempC!) / hours;
}
const LEAST_APART_H = 0.25;

/** What belongs to one outing of a log. */
export const ofOuting = (log: OutingLog, id: string) => ({
  tries: log.tries.filter((t) => t.outingId === id),
  readings: log.readings.filter((r) => r.outingId === id),
});
