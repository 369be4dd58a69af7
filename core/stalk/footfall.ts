import type { BedMaterial } from '../formats/index';
import type { Posture } from '../sight/index';

/**
 * Footfall: how far a step adds to what a fish notices. Weak evidence (sound enters water through a
 * knock on stone, dies fast in shallow water, and is heard below about 380 Hz: Hawkins & Johnstone
 * 1978), so a modest, adjustable term of our own:
 *   loudness(bed) x gait(posture) x coupling x e^(-d / 3 m) x (1 - .8 broken water)
 */
const NEAR = 0.3;
const FADES_M = 3;
/** Steps on land reach the water through the bank. */
const LAND_COUPLING = 0.5;
const BROKEN_DAMPS = 0.8;
const GAIT: Record<Posture, number> = { stand: 1, crouch: 0.6, kneel: 0.25, crawl: 0.2 };
/** Turf, and what one treads on in the water. */
const TURF = 0.4;
const BED: Record<BedMaterial, number> = {
  silt: 0.3,
  sand: 0.4,
  clay: 0.4,
  gravel: 1,
  cobble: 1,
  'broken-rock': 0.9,
  boulders: 0.8,
  slab: 0.7,
};

/** Loudness of the ground at a place, before gait and distance; `bed` null on land. */
export const loudnessOf = (bed: BedMaterial | null): number =>
  NEAR * (bed === null ? TURF * LAND_COUPLING : BED[bed]);

export const gaitOf = (posture: Posture): number => GAIT[posture];

/** What a step adds to what a fish notices, before gait. */
export const heardFrom = (
  loud: number,
  distanceM: number,
  broken: number,
  weight: number,
): number => weight * loud * carriedTo(distanceM, broken);

/** What is left of it at a distance, past broken water (0-1) over the fish. */
export const carriedTo = (distanceM: number, broken: number): number =>
  Math.exp(-distanceM / FADES_M) * (1 - BROKEN_DAMPS * Math.min(1, broken));
