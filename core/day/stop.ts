import type { FittedCurve } from './curve';
import { READ_TO_C } from './heat';

/** Hours between two looks at the curve; between them its chance goes evenly. */
const STEP_H = 0.25;

/** When the limit is reached: the first hours at which it is likely so with .1, .5 and .9. null: not today. */
export interface StopTime {
  earlyH: number | null;
  bestH: number | null;
  lateH: number | null;
  /** The highest chance of the day that the water is at the limit. */
  most: number;
  /** From when a reading says that it is over, whatever the curve says; null: none does. */
  overSinceH: number | null;
  /** Under the limit again by the late end, of the same day; null: not today, or never over. */
  againH: number | null;
}

/** A share of chance that is taken for no. */
const UNLIKELY = 0.1;

/**
 * When to stop, of the day's hours `fromH` to `toH`. A reading at or over the limit is over for the day,
 * until a later one is under it.
 */
export function stopTime(
  curve: FittedCurve,
  limitC: number,
  readings: readonly { h: number; tempC: number }[],
  fromH = 0,
  toH = 24,
): StopTime {
  const first: Record<'early' | 'best' | 'late', number | null> = {
    early: null,
    best: null,
    late: null,
  };
  let most = 0;
  let againH: number | null = null;
  let before = 0;
  for (let i = Math.ceil(fromH / STEP_H - 1e-9); i * STEP_H <= toH + 1e-9; i++) {
    const h = i * STEP_H;
    const p = curve.over(h, limitC);
    const isFirst = h - STEP_H < fromH - 1e-9;
    const crossed = (at: number) =>
      isFirst ? h : h - (STEP_H * (p - at)) / Math.max(1e-12, p - before);
    most = Math.max(most, p);
    if (p >= UNLIKELY) {
      first.early ??= crossed(UNLIKELY);
      againH = null;
    } else if (first.early !== null) againH ??= h;
    if (p >= 0.5) first.best ??= crossed(0.5);
    if (p >= 1 - UNLIKELY) first.late ??= crossed(1 - UNLIKELY);
    before = p;
  }
  const overSinceH = overByReading(readings, limitC);
  return {
    earlyH: first.early,
    bestH: first.best,
    lateH: first.late,
    most,
    overSinceH,
    againH: overSinceH === null ? againH : null,
  };
}

/** The hour of the first reading at the limit since the last one under it; null: none. */
export function overByReading(
  readings: readonly { h: number; tempC: number }[],
  limitC: number,
): number | null {
  let since: number | null = null;
  for (const r of [...readings].filter((x) => x.h >= 0).sort((a, b) => a.h - b.h))
    since = r.tempC + READ_TO_C >= limitC ? (since ?? r.h) : null;
  return since;
}

/** Whether one may still be fishing at an hour: by the early end of the stop, and by what was read. */
export function mayFishAt(
  curve: FittedCurve,
  limitC: number,
  h: number,
  overSinceH: number | null,
): boolean {
  return (overSinceH === null || h < overSinceH) && curve.over(h, limitC) < UNLIKELY;
}
