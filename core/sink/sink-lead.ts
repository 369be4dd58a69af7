import type { SinkStart } from '../rig/index';
import type { HungRig } from './hung';
import { depthOnLane, type SinkLane } from './lane';
import { depthPast, passing } from './depth-at';
import { sinkPath, type SinkPath } from './sink-path';

export interface SinkAsked {
  lane: SinkLane;
  rig: HungRig;
  start: SinkStart;
  seconds?: number;
  roughly?: boolean;
}

/** Landing so far above the fish, m, gets the lowest fly so deep there; null: no lead on this lane does. */
export function leadForDepthM(asked: SinkAsked, depthM: number): number | null {
  const mostM = Math.min(MOST_LEAD_M, -asked.lane.fromM);
  const deepAt = (leadM: number) => {
    const path = sinkPath({ ...asked, landingM: -leadM, liftM: LIFT_M });
    return depthPast(path, asked.lane, 0) ?? -1;
  };
  // The shortest that does: farther up the water may be shallower, or stand.
  let lo = 0;
  for (const tried of TRIED_M) {
    const hi = Math.min(mostM, tried);
    if (deepAt(hi) >= depthM) return between(lo, hi);
    if (hi === mostM) return null;
    lo = hi;
  }
  return null;

  function between(least: number, most: number): number {
    let [a, b] = [least, most];
    while (b - a > Math.max(CLOSE_M, CLOSE_SHARE * b)) {
      const mid = 0.5 * (a + b);
      if (deepAt(mid) < depthM) a = mid;
      else b = mid;
    }
    return b;
  }
}
const MOST_LEAD_M = 8;
const TRIED_M = [0.3, 0.6, 1, 1.6, 2.5, 4, 6, MOST_LEAD_M] as const;
const CLOSE_M = 0.01;
const CLOSE_SHARE = 0.01;
const LIFT_M = 0.05;

/** A whole drift past the fish, and what it comes to there. */
export interface SunkAtFish {
  path: SinkPath;
  /** By fly, from the lowest. null: it never gets there. */
  depthM: (number | null)[];
  /** Seconds from landing to the fish. */
  atS: number | null;
}

export function sunkAtFish(asked: SinkAsked, leadM: number, pastM: number): SunkAtFish {
  const path = sinkPath({ ...asked, landingM: -leadM, liftM: pastM });
  const flies = path.depthM.length;
  return {
    path,
    depthM: Array.from({ length: flies }, (_, k) => depthPast(path, asked.lane, 0, k)),
    atS: passing(path, 0)?.atS ?? null,
  };
}

/** Share of its depth at rest that what hangs has reached as it comes to the fish. */
export function settledShare(asked: SinkAsked, leadM: number): number {
  const here = sunkAtFish(asked, leadM, LIFT_M).depthM[0] ?? 0;
  const long = sinkPath({ ...asked, landingM: asked.lane.fromM, liftM: LIFT_M, seconds: 30 });
  const deepest = Math.min(depthOnLane(asked.lane, 0), Math.max(1e-6, long.depthM[0]!.at(-1) ?? 0));
  return Math.min(1, here / deepest);
}
