import type { Place } from '../core/grid/index';

/** What of the plan is shown, m in the plan: x up-current, y toward true right. */
export interface Frame {
  x0M: number;
  y0M: number;
  x1M: number;
  y1M: number;
}

/** A frame of a given shape round some places, no smaller than `leastM` wide. */
export function frameRound(places: readonly Place[], aspect: number, leastM: number): Frame {
  const xs = places.map((p) => p.xM);
  const ys = places.map((p) => p.yM);
  const margin = 2;
  const wide = Math.max(
    leastM,
    Math.max(...xs) - Math.min(...xs) + 2 * margin,
    (Math.max(...ys) - Math.min(...ys) + 2 * margin) * aspect,
  );
  const high = wide / aspect;
  const x = (Math.max(...xs) + Math.min(...xs)) / 2;
  const y = (Math.max(...ys) + Math.min(...ys)) / 2;
  return { x0M: x - wide / 2, x1M: x + wide / 2, y0M: y - high / 2, y1M: y + high / 2 };
}
