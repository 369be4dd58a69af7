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

const RESIDUAL = 1e-13;

/**
 * The ray from a point `heightM` above a flat surface and `distanceM` off to a fish: the root of
 * (D - x)/sqrt((D - x)^2 + H^2) = n x/sqrt(x^2 + z^2) on [0, min(D, 1.1345 z)] (Snell).
 */
export function rayToFish(input: { distanceM: number; heightM: number; fishDepthM: number }): RayToFish {
  const { distanceM: d, heightM: h, fishDepthM: z } = input;
  let lo = 0;
  let hi = Math.min(d, WINDOW_PER_DEPTH * z);
  // At the edge of the window the ray runs along the surface.
  if (h <= 0) lo = hi;
  const gap = (x: number) => (d - x) / Math.hypot(d - x, h) - (WATER_INDEX * x) / Math.hypot(x, z);
  while (hi - lo > RESIDUAL) {
    const mid = 0.5 * (lo + hi);
    if (mid === lo || mid === hi) break;
    if (gap(mid) > 0) lo = mid;
    else hi = mid;
  }
  const x = 0.5 * (lo + hi);
  const zenithRad = Math.atan2(x, z);
  return {
    crossingM: x,
    zenithRad,
    elevationRad: Math.atan2(h, d - x),
    aboveEdgeRad: CRITICAL_RAD - zenithRad,
  };
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
  const sin = WATER_INDEX * Math.sin(zenithRad);
  return sin >= 1 ? 0 : 1 - reflectance(Math.asin(sin)).mean;
}
