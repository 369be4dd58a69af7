import type { BedMaterial } from '../formats/index';

/**
 * Manning's n within Chow's (1959) ranges and D84 in metres, by bed material. Both are our
 * guesses until a calibration replaces them.
 */
export const MATERIALS: Record<BedMaterial, { n: number; d84M: number }> = {
  silt: { n: 0.025, d84M: 0.001 },
  sand: { n: 0.026, d84M: 0.002 },
  gravel: { n: 0.032, d84M: 0.05 },
  cobble: { n: 0.04, d84M: 0.13 },
  'broken-rock': { n: 0.045, d84M: 0.2 },
  boulders: { n: 0.055, d84M: 0.4 },
  slab: { n: 0.03, d84M: 0.02 },
  clay: { n: 0.025, d84M: 0.001 },
};

/** Added to n where weed grows (our guess within Chow's range for weeds). */
export const WEED_N = { sparse: 0.03, thick: 0.08 };
