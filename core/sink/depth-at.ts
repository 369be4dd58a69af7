import { variablePowerRatio } from '../water/index';
import { depthOnLane, surfaceOnLane, type SinkLane } from './lane';
import type { SinkPath } from './sink-path';

/** Where a fly is as it passes a place along the lane. Depth m, time s. */
export interface Passing {
  depthM: number;
  atS: number;
}

/** How deep a fly is as it passes a place along the lane; null: it never comes there. `fly`: from the lowest, 0. */
export function passing(path: SinkPath, alongM: number, fly = 0): Passing | null {
  const s = path.alongM[fly];
  const depth = path.depthM[fly];
  if (!s || !depth) return null;
  for (let i = 1; i < s.length; i++) {
    if (s[i]! < alongM) continue;
    const q = Math.min(1, Math.max(0, (alongM - s[i - 1]!) / (s[i]! - s[i - 1]! || 1)));
    return {
      depthM: depth[i - 1]! + q * (depth[i]! - depth[i - 1]!),
      atS: path.t[i - 1]! + q * (path.t[i]! - path.t[i - 1]!),
    };
  }
  return null;
}

/** Where a fly first is so deep, m along the lane; null: never. */
export function reaches(
  path: SinkPath,
  depthM: number,
  fly = 0,
): (Passing & { alongM: number }) | null {
  const s = path.alongM[fly];
  const depth = path.depthM[fly];
  if (!s || !depth) return null;
  for (let i = 1; i < depth.length; i++) {
    if (depth[i]! < depthM) continue;
    const q = (depthM - depth[i - 1]!) / (depth[i]! - depth[i - 1]! || 1);
    return {
      alongM: s[i - 1]! + q * (s[i]! - s[i - 1]!),
      depthM,
      atS: path.t[i - 1]! + q * (path.t[i]! - path.t[i - 1]!),
    };
  }
  return null;
}

/** A path that lies on the bed before it comes to a place has it as deep as the water there. */
export function depthPast(path: SinkPath, lane: SinkLane, alongM: number, fly = 0): number | null {
  const at = passing(path, alongM, fly);
  if (at) return at.depthM;
  return path.bottomAtS !== null && fly === 0 ? depthOnLane(lane, alongM) : null;
}

/** Shares of a turbulent stream's velocity that shake a fly up and down, and for how long (Nezu & Nakagawa, from memory; our guess). */
const SHAKE = 1.27 * Math.exp(-0.5);
const EDDY_SHARE = 0.25;

/**
 * How far the eddies alone scatter the depth of one drift from the next after `seconds`, m (Taylor
 * 1921): sd = sw sqrt(2 T (t - T (1 - e^(-t/T)))).
 */
export function scatterM(meanMps: number, depthM: number, d84M: number, seconds: number): number {
  const shear = meanMps / variablePowerRatio(depthM / d84M);
  if (!(shear > 0)) return 0;
  const T = (EDDY_SHARE * depthM) / shear;
  return SHAKE * shear * Math.sqrt(2 * T * (seconds - T * (1 - Math.exp(-seconds / T))));
}

/** The same on a lane at a place of it. */
export function scatterOnLane(lane: SinkLane, alongM: number, seconds: number): number {
  const i = Math.max(0, Math.min(lane.n - 1, Math.round((alongM - lane.fromM) / lane.stepM)));
  return scatterM(lane.meanMps[i]!, lane.depthM[i]!, lane.d84M[i]!, seconds);
}

/** Slowest that a lane may be for what hangs under a dry, m/s, by wind, m/s. */
const SLACK = { calm: 0.045, perWind2: 0.0035, always: 0.1, wants: 0.15 } as const;
/** What hangs deeper than this above the bed lies on it, m. */
const LIES_M = 0.05;

export interface DropperWater {
  kind: 'well' | 'slow' | 'too-slow' | 'lies-on-bed';
  surfaceMps: number;
  needsMps: number;
}

/**
 * Whether the water is quick enough for what hangs below a dry: slower than its grip the dropper hangs
 * still, and below .10 m/s a fish looks at a nymph that stands (common practice).
 */
export function dropperWater(
  lane: SinkLane,
  alongM: number,
  hungM: number,
  windMps: number,
): DropperWater {
  const surfaceMps = surfaceOnLane(lane, alongM);
  const needsMps = Math.max(SLACK.always, SLACK.calm + SLACK.perWind2 * windMps * windMps);
  const about = { surfaceMps, needsMps };
  if (hungM > depthOnLane(lane, alongM) - LIES_M) return { kind: 'lies-on-bed', ...about };
  if (surfaceMps < needsMps) return { kind: 'too-slow', ...about };
  return { kind: surfaceMps < SLACK.wants ? 'slow' : 'well', ...about };
}
