/**
 * Every constant of the rating that is our own guess, with its unit, in one place. Published
 * relations are in `core/fish`; what the guesses must reproduce is in the tests.
 */
export const GUESS = {
  /** Drift: highest share of the inlet's concentration, and sources per second. */
  driftCeiling: 1.6,
  driftFromBroken: 0.02,
  driftFromOverhang: 0.01,
  /** Settling, m/s, full where the water stands, none at this pace. */
  driftSettlingMps: 0.006,
  driftSettlesBelowMps: 0.25,

  /** Aeration of the inlet, source per second in broken water, decay time. */
  airInlet: 0.5,
  airFromBroken: 0.06,
  airDecayS: 60,

  /** Cover: greatest share and reach, m. */
  overhangCover: 0.9,
  overhangReachM: 1.5,
  undercutCover: 0.9,
  logCover: 0.7,
  boulderCover: 0.35,
  solidReachM: 0.35,
  /** What a fish bolts to. */
  boltBoulderM: 0.4,
  boltDepthM: 0.9,

  /** Prey: length mm, number per m3 of drift, energy J. */
  prey: [
    { mm: 2, perM3: 0.85, j: 0.9 },
    { mm: 4, perM3: 0.26, j: 5.6 },
    { mm: 8, perM3: 0.024, j: 36 },
  ] as const,
  captureHalfSpeed: 0.75,
  captureSteepness: 3,

  /** Depth a fish needs: the larger of these, m. */
  leastDepthM: 0.1,
  depthBaseM: 0.06,
  depthPerLength: 0.25,

  needFloor: 0.05,
  powerMeanExponent: -2,
  dayFloor: 0.4,

  /** Weights of the energy-budget method. */
  energyBudget: { food: 0, ease: 0.12, shelter: 0.28, air: 0.15, profit: 0.45 },

  /** Listing: smoothing passes of 1-2-1 (about .3 m), search radius, least rating, share of the best, saddle. */
  smoothingPasses: 4,
  peakRadiusM: 0.6,
  leastRating: 0.15,
  leastOfBest: 0.35,
  saddleShare: 0.65,
  /** Shelter below which the place could not keep a fish of that size. */
  keepShelter: 0.25,
  lengthsCm: [8, 60] as const,
} as const;
