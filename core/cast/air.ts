/**
 * The part of the line in the air between rod tip and water: a catenary tangent to the water,
 * a = T_h/w, s = sqrt(H^2 + 2 a H), reach = a acosh(1 + H/a).
 */
export interface AirPart {
  /** Length in the air, m. */
  lengthM: number;
  /** Horizontal distance at which it hangs as it was laid, m. */
  restReachM: number;
  /** Horizontal distance at which it is straight, m. */
  fullReachM: number;
  weightNPerM: number;
  heightM: number;
}

const GRAVITY = 9.81;
/** The line leaves the tip with this share of its height as horizontal reach: a little slack at the tip (our guess). */
const REACH_PER_HEIGHT = 0.35;

/** Reach over height of a catenary whose a/H is `r`. */
const reachPerHeight = (r: number) => r * Math.acosh(1 + 1 / r);

export function layAir(heightM: number, lineKgPerM: number): AirPart {
  let lo = 1e-4;
  let hi = 10;
  for (let n = 0; n < 60; n++) {
    const mid = (lo + hi) / 2;
    if (reachPerHeight(mid) < REACH_PER_HEIGHT) lo = mid;
    else hi = mid;
  }
  const a = lo * heightM;
  const lengthM = Math.sqrt(heightM * heightM + 2 * a * heightM);
  return {
    lengthM,
    restReachM: REACH_PER_HEIGHT * heightM,
    fullReachM: Math.sqrt(lengthM * lengthM - heightM * heightM),
    weightNPerM: lineKgPerM * GRAVITY,
    heightM,
  };
}

/** Horizontal pull of a catenary tangent at the water, N, for a height and reach (sag pull). */
export function sagPullN(heightM: number, reachM: number, weightNPerM: number): number {
  if (reachM <= 0) return 0;
  let lo = 1e-4;
  let hi = 1e4;
  for (let n = 0; n < 80; n++) {
    const mid = Math.sqrt(lo * hi);
    if (reachPerHeight(mid) * heightM < reachM) lo = mid;
    else hi = mid;
  }
  return lo * heightM * weightNPerM;
}

/** Pull at a distance from the tip: that of the line as laid, fading as the entry comes nearer. */
export function pullAt(air: AirPart, distanceM: number, restPullN: number): number {
  const share = Math.min(1, Math.max(0, distanceM / air.restReachM));
  return restPullN * share * share;
}
