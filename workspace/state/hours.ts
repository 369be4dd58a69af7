/** Hours of the day that the strip and its answers are computed for: 4:00 to 22:00 by halves. */
export const HOURS = Array.from({ length: 37 }, (_, i) => 4 + i / 2);

/** Index of the hour nearest to a clock hour. */
export const hourIndex = (hour: number) =>
  Math.min(HOURS.length - 1, Math.max(0, Math.round((hour - HOURS[0]!) * 2)));

/** Value between two of the hours; held at both ends. */
export function atClock(values: readonly number[], hour: number): number {
  const g = Math.min(HOURS.length - 1, Math.max(0, (hour - HOURS[0]!) * 2));
  const i = Math.min(HOURS.length - 2, Math.floor(g));
  return values[i]! + (g - i) * (values[i + 1]! - values[i]!);
}
