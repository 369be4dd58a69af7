/** z0 = .1 D84: roughness length of a bed of stones. */
const Z0_PER_D84 = 0.1;
/** Beyond these the logarithmic profile says nothing about a stony bed (range 1.15-1.28 for h/ks 60-3). */
const FACTOR_RANGE = [1.05, 1.35] as const;

/**
 * Pace at height z over the depth mean: u(z)/U = ln(1 + z/z0)/m with
 * m = ((1 + a) ln(1 + a) - a)/a, a = h/z0. The mean over the depth is U exactly.
 * Log law with a displaced origin; derived.
 */
export function profileRatio(zM: number, depthM: number, d84M: number): number {
  const z0 = Z0_PER_D84 * d84M;
  const a = depthM / z0;
  const m = ((1 + a) * Math.log(1 + a) - a) / a;
  return Math.log(1 + Math.max(0, zM) / z0) / m;
}

/** Surface pace over the depth mean. */
export function surfaceFactor(depthM: number, d84M: number): number {
  if (!(depthM > 0)) return 1;
  const ratio = profileRatio(depthM, depthM, d84M);
  return Math.min(FACTOR_RANGE[1], Math.max(FACTOR_RANGE[0], ratio));
}

/** Shelter by bed stones, at most 30 %, and by a solid within some .35 m, at most 35 % (our guesses). */
const STONE_SHELTER = 0.3;
const SOLID_SHELTER = 0.35;
const SOLID_REACH_M = 0.35;
/** The nose rides at this share of the body's length above the bed. */
export const NOSE_HEIGHT_PER_LENGTH = 0.22;

/**
 * Pace that a holding fish feels at its nose, m/s: the depth mean carried down by the profile,
 * then sheltered by stones of the bed's size and by a solid beside it.
 */
export function noseSpeedMps(
  meanMps: number,
  depthM: number,
  d84M: number,
  lengthM: number,
  solidDistanceM: number,
  noseHeightM = NOSE_HEIGHT_PER_LENGTH * lengthM,
): number {
  const zN = Math.min(noseHeightM, depthM);
  const stones = 1 - STONE_SHELTER * (1 - Math.exp(-d84M / (0.2 * lengthM)));
  const lee = 1 - SOLID_SHELTER * Math.exp(-solidDistanceM / SOLID_REACH_M);
  return meanMps * profileRatio(zN, depthM, d84M) * stones * lee;
}
