import type { Outing } from '@/core/log/index';

/** Hours of an outing, to a tenth. */
export const tallyHours = (outing: Outing, nowMs: number): string =>
  (Math.max(0, (outing.endMs ?? nowMs) - outing.startMs) / 3_600_000).toFixed(1);
