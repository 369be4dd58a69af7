export type HazardClass = 'H1' | 'H2' | 'H3' | 'H4' | 'H5' | 'H6';

/** Limits of depth x speed (m2/s), depth (m) and speed (m/s): ARR/AIDR hazard classes (2017). */
const CLASSES: readonly [HazardClass, number, number, number][] = [
  ['H1', 0.3, 0.3, 2],
  ['H2', 0.6, 0.5, 2],
  ['H3', 0.6, 1.2, 2],
  ['H4', 1, 2, 2],
  ['H5', 4, 4, 4],
];

/** Class of moving water for people afoot. */
export function wadingClass(depthM: number, speedMps: number): HazardClass {
  for (const [name, dv, d, v] of CLASSES) {
    if (depthM * speedMps <= dv && depthM <= d && speedMps <= v) return name;
  }
  return 'H6';
}

/**
 * Depth x speed at which a person loses footing, m2/s (RESCDAM, Karvonen et al. 2000):
 * .002 L m + .1 on a poor bed (slick cobble), L in m, m in kg. The default here.
 */
export const rescdamPoorM2s = (heightM: number, massKg: number) => 0.002 * heightM * massKg + 0.1;
export const rescdamNormalM2s = (heightM: number, massKg: number) => 0.004 * heightM * massKg + 0.2;
export const rescdamGoodM2s = (heightM: number, massKg: number) => 0.006 * heightM * massKg + 0.3;

/** Solved speed is taken this much quicker where a person's footing hangs on it. */
const SPEED_MARGIN = 1.1;
/** Deepest wading over body height, whatever the pace. */
const DEPTH_SHARE = 0.45;

export interface WadingBody {
  heightM: number;
  massKg: number;
  /** The angler's own limit. */
  maxWadeM: number;
}

/**
 * Whether this body may wade here: depth x speed under RESCDAM "poor", class H2 or better, depth
 * under .45 of the height and the angler's own limit, whichever is least. Unknown depth: no.
 * Never a promise that a crossing is safe.
 */
export function mayWade(depthM: number, speedMps: number, body: WadingBody): boolean {
  if (!Number.isFinite(depthM) || !Number.isFinite(speedMps)) return false;
  const speed = SPEED_MARGIN * speedMps;
  const hazard = wadingClass(depthM, speed);
  return (
    depthM * speed <= rescdamPoorM2s(body.heightM, body.massKg) &&
    (hazard === 'H1' || hazard === 'H2') &&
    depthM <= Math.min(DEPTH_SHARE * body.heightM, body.maxWadeM)
  );
}
