const HOUR_MS = 3_600_000;
/** Between two marks, hours; beyond the last, whole days. */
const STEPS_H = [1, 2, 3, 6, 12, 24, 48] as const;
/** So many marks find room. */
const MOST_MARKS = 14;

/**
 * Round instants from one to another, UTC ms, never more than fourteen, however far apart the two are: a
 * clock that stood at 1970 makes an outing of half a century. `days`: a mark is a day, not an hour.
 */
export function timeMarks(fromMs: number, toMs: number): { marks: number[]; days: boolean } {
  const hours = Math.max(1, (toMs - fromMs) / HOUR_MS);
  const stepH =
    STEPS_H.find((h) => hours / h <= MOST_MARKS - 1) ??
    24 * Math.ceil(hours / (MOST_MARKS - 1) / 24);
  const stepMs = stepH * HOUR_MS;
  const marks: number[] = [];
  for (let ms = Math.ceil(fromMs / stepMs) * stepMs; ms <= toMs; ms += stepMs) marks.push(ms);
  return { marks, days: stepH >= 24 };
}
