import type { SitePlan } from './site-plan';

/** The day's hours stand by quarters. */
const A_HOUR = 4;
/** So near a reading the water is what the thermometer said, h. */
export const SAME_HOUR_H = 0.1;

/** The water of a site at an hour of the day: the thermometer's at its own hour, else the curve's, to a tenth, C. */
export function tempAtHour(
  { hours, readings }: Pick<SitePlan, 'hours' | 'readings'>,
  h: number,
): number {
  const read = readings.filter((r) => Math.abs(r.h - h) <= SAME_HOUR_H).at(-1);
  if (read) return read.tempC;
  const g = Math.max(0, h * A_HOUR);
  const i = Math.min(hours.length - 2, Math.floor(g));
  const [a, b] = [hours[i]!.bestC, hours[i + 1]!.bestC];
  return Math.round(10 * (a + (g - i) * (b - a))) / 10;
}
