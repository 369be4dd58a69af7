import { TZDate } from '@date-fns/tz';
import { format } from 'date-fns';

/** An instant in a zone (an IANA name, or "UTC"): "Sat 13 June". */
export const dayWords = (ms: number, timeZone = 'UTC'): string =>
  format(new TZDate(ms, timeZone), 'EEE d MMMM');

/** The same, with its year where that is another than now's: "Tue 30 September 2025". */
export function dayWordsFrom(nowMs: number, ms: number, timeZone = 'UTC'): string {
  const year = format(new TZDate(ms, timeZone), 'yyyy');
  const own = dayWords(ms, timeZone);
  return year === format(new TZDate(nowMs, timeZone), 'yyyy') ? own : `${own} ${year}`;
}

/** "Sat 13 June 2026, 9:40". */
export const dayAndHour = (ms: number, timeZone = 'UTC'): string =>
  format(new TZDate(ms, timeZone), 'EEE d MMMM yyyy, H:mm');

/** "13 June, 9:40", by the clock of whoever was there: minutes ahead of UTC. */
export const momentWords = (ms: number, zoneOffsetMin: number): string =>
  format(new TZDate(ms, offsetName(zoneOffsetMin)), 'd MMMM, H:mm');

/** "+02:00" for 120. */
export function offsetName(minutes: number): string {
  const sign = minutes < 0 ? '-' : '+';
  const [h, m] = [Math.floor(Math.abs(minutes) / 60), Math.abs(minutes) % 60];
  return `${sign}${String(h).padStart(2, '0')}:${String(m).padStart(2, '0')}`;
}
