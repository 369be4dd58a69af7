import { CRITICAL_RAD, rayToFish, transmissionInWater } from './window';

export const POSTURES = ['stand', 'crouch', 'kneel', 'crawl'] as const;
export type Posture = (typeof POSTURES)[number];

/** Top of the head over body height, and pace on gravel in m/s (our guesses). */
export const POSTURE: Record<Posture, { topShare: number; walkSpeedMps: number }> = {
  stand: { topShare: 1, walkSpeedMps: 0.7 },
  crouch: { topShare: 0.67, walkSpeedMps: 0.35 },
  kneel: { topShare: 0.5, walkSpeedMps: 0.12 },
  crawl: { topShare: 0.3, walkSpeedMps: 0.08 },
};

/** What a person may set of exposure: guesses, to be refitted by the log. */
export interface NoticeGuesses {
  /** Apparent width of a body, m. */
  widthM: number;
  /** Contrast with what stands behind. */
  contrastSky: number;
  contrastBank: number;
  contrastPlants: number;
  /** Factor with the sun on the angler. */
  sunOnAngler: number;
  /** What quick movement adds: M goes from 1 to 1 + this. */
  motionGain: number;
}
export const NOTICE: NoticeGuesses = {
  widthM: 0.5,
  contrastSky: 0.9,
  contrastBank: 0.545,
  contrastPlants: 0.3,
  sunOnAngler: 1.3,
  motionGain: 2,
};

/** The other constants of exposure: our guesses too. */
export const EXPOSURE = {
  motionFullDegPerS: 5,
  roughness: { glass: 0, ordinary: 0.25, broken: 1 },
  edgeDeg: 0.5,
  edgePerRoughness: 4,
  blindFloor: 0.03,
  blindAtDeg: 165,
  blindWidthDeg: 5,
} as const;

export interface ExposureView {
  /** From above the fish to the angler, m. */
  distanceM: number;
  fishDepthM: number;
  /** Of the angler above the water surface, m: what can be seen of the body, from hidden part to top. */
  topM: number;
  hiddenBelowM: number;
  contrast: number;
  /** Across the view, m/s; 0 when still. */
  motionMps?: number;
  roughness: number;
  /** From dead ahead of the fish, 0 to pi. */
  offRad: number;
  /** Share of the contrast that the water leaves; 1 when clear. */
  clarity?: number;
  /** Default NOTICE. */
  guesses?: NoticeGuesses;
}

// Own copies: imported functions are reached through getters.
const transmission = transmissionInWater;
const ray = rayToFish;

const SLICES = 12;
const DEG = 180 / Math.PI;

/**
 * How likely the fish is to notice, 0-1: E = s/(1 + s), s = A C M a b.
 *   A  apparent width times the integral of Fresnel transmission over the body's height as it
 *      appears under water, deg^2
 *   C  contrast with what stands behind
 *   M  1 + 2 min(1, angular speed / 5 deg/s)
 *   a  top/(top + .5 + 4 roughness), top in degrees inside the window's edge
 *   b  .03 + .97/(1 + e^((off - 165)/5)), off in degrees from dead ahead: blind behind
 * Form and constants are our own guesses; the geometry (Snell, Fresnel) is not.
 */
export function exposure(view: ExposureView): number {
  const { distanceM, fishDepthM, topM, guesses = NOTICE } = view;
  const low = Math.max(0, view.hiddenBelowM);
  if (topM <= low || distanceM <= 0) return 0;
  const top = ray({ distanceM, heightM: topM, fishDepthM }).zenithRad;
  const bottom =
    low > 0
      ? ray({ distanceM, heightM: low, fishDepthM }).zenithRad
      : Math.min(CRITICAL_RAD, Math.atan2(distanceM, fishDepthM));
  const dz = (bottom - top) / SLICES;
  let seen = 0;
  for (let n = 0; n < SLICES; n++) seen += transmission(top + (n + 0.5) * dz);
  const widthDeg = (guesses.widthM / distanceM) * DEG;
  const area = widthDeg * seen * dz * DEG;
  const angularDegPerS = ((view.motionMps ?? 0) / distanceM) * DEG;
  const motion = 1 + guesses.motionGain * Math.min(1, angularDegPerS / EXPOSURE.motionFullDegPerS);
  const topDeg = (CRITICAL_RAD - top) * DEG;
  const clear = topDeg / (topDeg + EXPOSURE.edgeDeg + EXPOSURE.edgePerRoughness * view.roughness);
  const s = area * view.contrast * (view.clarity ?? 1) * motion * clear * blindShare(view.offRad);
  return s / (1 + s);
}

/** Share of its sight at an angle from dead ahead: 1 ahead and to the sides, little behind. */
export function blindShare(offRad: number): number {
  const { blindFloor, blindAtDeg, blindWidthDeg } = EXPOSURE;
  return (
    blindFloor + (1 - blindFloor) / (1 + Math.exp((offRad * DEG - blindAtDeg) / blindWidthDeg))
  );
}
