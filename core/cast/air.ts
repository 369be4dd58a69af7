import { stretchKgPerM, type Rig } from '../rig/index';

/**
 * The part of the line in the air between rod tip and water: a catenary tangent to the water,
 * a = T_h/w, s = sqrt(H^2 + 2 a H), reach = a acosh(1 + H/a). Heights, lengths m; pulls N.
 */
export interface AirPart {
  heightM: number;
  /** Length in the air as it was laid; what is paid out or taken in adds to it. */
  lengthM: number;
  restLengthM: number;
  /** Horizontal distance at which it hangs as it was laid. */
  restReachM: number;
  /** Horizontal pull at that distance. */
  restPullN: number;
}

const GRAVITY = 9.81;
/**
 * The line leaves the tip with this share of its height as horizontal reach: a little slack at a
 * lowered tip; hanging all but straight down from one held over the line (our guesses).
 */
const REACH_PER_HEIGHT = { lowered: 0.35, over: 0.08 } as const;
export type Hang = keyof typeof REACH_PER_HEIGHT;

/** Reach over height of a catenary whose a/H is `r`. */
const reachPerHeight = (r: number) => r * Math.acosh(1 + 1 / r);

/** a/H of a catenary by its reach over height. */
function tensionPerHeight(reachOverHeight: number): number {
  let lo = 1e-4;
  let hi = 1e4;
  for (let n = 0; n < 80; n++) {
    const mid = Math.sqrt(lo * hi);
    if (reachPerHeight(mid) < reachOverHeight) lo = mid;
    else hi = mid;
  }
  return lo;
}

const REST: Record<Hang, number> = {
  lowered: tensionPerHeight(REACH_PER_HEIGHT.lowered),
  over: tensionPerHeight(REACH_PER_HEIGHT.over),
};

/** The part in the air as it is laid, for a tip height. */
export function layAir(heightM: number, lineKgPerM: number, hang: Hang = 'lowered'): AirPart {
  const lengthM = heightM * Math.sqrt(1 + 2 * REST[hang]);
  return {
    heightM,
    lengthM,
    restLengthM: lengthM,
    restReachM: REACH_PER_HEIGHT[hang] * heightM,
    restPullN: REST[hang] * heightM * lineKgPerM * GRAVITY,
  };
}

/** Steps of line in which what hangs is shot up from the water, m. */
const HANG_STEP_M = 0.04;

/**
 * The part in the air of a line that is held up over the fly: shot up from the water with the taper's
 * own weights, dx = T ds/S, dy = W ds/S, S^2 = T^2 + W^2, W the weight so far; the pull T is what
 * makes it reach `reachM` at `heightM`.
 */
export function heldAir(rig: Rig, heightM: number, onWaterM: number, reachM: number): AirPart {
  const shoot = (pullN: number) => {
    let [x, y, weight, length] = [0, 0, 0, 0];
    for (let n = 0; n < MOST_HANG_STEPS && heightM - y > 1e-9; n++) {
      weight += stretchKgPerM(rig, onWaterM + length, HANG_STEP_M) * HANG_STEP_M * GRAVITY;
      const s = Math.hypot(pullN, weight);
      const step = Math.min(HANG_STEP_M, ((heightM - y) * s) / Math.max(1e-12, weight));
      x += (pullN * step) / s;
      y += (weight * step) / s;
      length += step;
    }
    return { x, length };
  };
  let [lo, hi] = [1e-8, 1];
  for (let n = 0; n < 40; n++) {
    const mid = Math.sqrt(lo * hi);
    if (shoot(mid).x < reachM) lo = mid;
    else hi = mid;
  }
  const pullN = Math.sqrt(lo * hi);
  const { length } = shoot(pullN);
  return {
    heightM,
    lengthM: length,
    restLengthM: length,
    restReachM: Math.max(0.02, reachM),
    restPullN: pullN,
  };
}
const MOST_HANG_STEPS = 300;

/** Horizontal distance at which a length in the air is straight, m. */
export const fullReachM = (heightM: number, lengthM: number) =>
  Math.sqrt(Math.max(0, lengthM * lengthM - heightM * heightM));

/** Horizontal pull of a catenary tangent at the water, N, for a height and reach (sag pull). */
export function sagPullN(heightM: number, reachM: number, lineKgPerM: number): number {
  if (reachM <= 0) return 0;
  return tensionPerHeight(reachM / heightM) * heightM * lineKgPerM * GRAVITY;
}

/** Pull at a distance from the tip: that of the line as laid, fading as the entry comes nearer. */
export function pullAt(air: AirPart, distanceM: number): number {
  const share = Math.min(1, Math.max(0, distanceM / air.restReachM));
  return air.restPullN * share * share;
}
