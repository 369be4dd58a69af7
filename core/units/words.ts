export type PaceWord = 'still' | 'stroll' | 'walk' | 'brisk' | 'rush';
export type DepthWord = 'ankle' | 'shin' | 'knee' | 'thigh' | 'waist' | 'over the waist';

/**
 * Word for a surface speed. Bounds in m/s; as a leaf over 3 m: still over 30 s, stroll 30-9,
 * walk 9-4.6, brisk 4.6-3.2, rush under 3.2 (common practice).
 */
export function paceWord(surfaceMps: number): PaceWord {
  const v = Math.abs(surfaceMps);
  if (v < 0.1) return 'still';
  if (v < 0.35) return 'stroll';
  if (v < 0.65) return 'walk';
  if (v < 0.95) return 'brisk';
  return 'rush';
}

/** Seconds a leaf takes over 3 m. */
export const floatSecondsOver3m = (surfaceMps: number) => 3 / Math.max(1e-9, Math.abs(surfaceMps));

/** Heights on the leg as a share of body height, for a body of 1.75 m: shin .25, knee .50, thigh .80, waist 1.00 m. */
export const BODY_SHARE = {
  ankle: 0.1 / 1.75,
  shin: 0.25 / 1.75,
  knee: 0.5 / 1.75,
  thigh: 0.8 / 1.75,
  waist: 1 / 1.75,
};

/** The word for the nearest mark on this angler's leg. */
export function depthWord(depthM: number, heightM: number): DepthWord {
  const share = depthM / heightM;
  if (share < (BODY_SHARE.ankle + BODY_SHARE.shin) / 2) return 'ankle';
  if (share < (BODY_SHARE.shin + BODY_SHARE.knee) / 2) return 'shin';
  if (share < (BODY_SHARE.knee + BODY_SHARE.thigh) / 2) return 'knee';
  if (share < (BODY_SHARE.thigh + BODY_SHARE.waist) / 2) return 'thigh';
  if (share < BODY_SHARE.waist + 0.08) return 'waist';
  return 'over the waist';
}
