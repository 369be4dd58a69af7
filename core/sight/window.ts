/** Refractive index of water: 1.333, whose critical angle is 48.607 degrees. */
export const WATER_INDEX = 1.333;
export const CRITICAL_RAD = Math.asin(1 / WATER_INDEX);
/** Radius of the window over depth: tan of the critical angle, 1.1345. */
export const WINDOW_PER_DEPTH = Math.tan(CRITICAL_RAD);

/** Radius of a fish's window on a flat surface, m (Snell). */
export const windowRadiusM = (fishDepthM: number) => WINDOW_PER_DEPTH * fishDepthM;

export interface RayToFish {
  /** Where the ray goes through the surface, m from above the fish. */
  crossingM: number;
  /** From the vertical at the fish, in water. */
  zenithRad: number;
  /** Above the horizon at the crossing, in air. */
  elevationRad: number;
  /** Inside the window's edge, under water. */
  aboveEdgeRad: number;
}

/** The root is taken when it moves less than this, m. */
const SETTLED_M = 1e-14;
const MAX_ROUNDS = 60;

/**
 * The ray from a point `heightM` above a flat surface and `distanceM` off to a fish: the root of
 * (D - x)/sqrt((D - x)^2 + H^2) = n x/sqrt(x^2 + z^2) on [0, min(D, 1.1345 z)] (Snell).
 */
export function rayToFish(input: {
  distanceM: number;
  heightM: number;
  fishDepthM: number;
}): RayToFish {
  const { distanceM: d, heightM: h, fishDepthM: z } = input;
  const x = crossing(d, h, z);
  const zenithRad = Math.atan2(x, z);
  return {
    crossingM: x,
    zenithRad,
    elevationRad: Math.atan2(h, d - x),
    aboveEdgeRad: CRITICAL_RAD - zenithRad,
  };
}

/** Newton's method within a bracket, halving it where a step would leave it. */
function crossing(d: number, h: number, z: number): number {
  let lo = 0;
  let hi = Math.min(d, WINDOW_PER_DEPTH * z);
  // At the edge of the window the ray runs along the surface.
  if (h <= 0) return hi;
  let x = hi / (1 + (0.35 * h) / d);
  for (let n = 0; n < MAX_ROUNDS; n++) {
    const b = d - x;
    const inAir = Math.sqrt(b * b + h * h);
    const inWater = Math.sqrt(x * x + z * z);
    const f = b / inAir - (WATER_INDEX * x) / inWater;
    if (f > 0) lo = x;
    else hi = x;
    const slope =
      -(h * h) / (inAir * inAir * inAir) - (WATER_INDEX * z * z) / (inWater * inWater * inWater);
    let next = x - f / slope;
    if (!(next > lo && next < hi)) next = 0.5 * (lo + hi);
    if (Math.abs(next - x) < SETTLED_M) return next;
    x = next;
  }
  return x;
}

export interface Reflectance {
  s: number;
  p: number;
  mean: number;
}

/** Fresnel reflectance from air to water at an angle of incidence from the vertical. */
export function reflectance(incidenceRad: number): Reflectance {
  const cosI = Math.cos(incidenceRad);
  const cosT = Math.sqrt(1 - (Math.sin(incidenceRad) / WATER_INDEX) ** 2);
  const s = ((cosI - WATER_INDEX * cosT) / (cosI + WATER_INDEX * cosT)) ** 2;
  const p = ((cosT - WATER_INDEX * cosI) / (cosT + WATER_INDEX * cosI)) ** 2;
  return { s, p, mean: 0.5 * (s + p) };
}

/** Share that passes from air into water along a ray that is `zenithRad` from the vertical in water. */
export function transmissionInWater(zenithRad: number): number {
  const sinI = WATER_INDEX * Math.sin(zenithRad);
  if (sinI >= 1) return 0;
  const cosI = Math.sqrt(1 - sinI * sinI);
  const cosT = Math.cos(zenithRad);
  const s = (cosI - WATER_INDEX * cosT) / (cosI + WATER_INDEX * cosT);
  const p = (cosT - WATER_INDEX * cosI) / (cosT + WATER_INDEX * cosI);
  return 1 - 0.5 * (s * s + p * p);
}
