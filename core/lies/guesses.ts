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
  weedCover: { sparse: 0.35, thick: 0.6 },
  /** Stained water screens: most of it, and the clarity at which two thirds of that is reached. */
  stainCover: 0.3,
  stainNtu: 20,
  /** Shade's own part of what hides a fish. */
  shadeCover: 0.25,
  boulderCover: 0.35,
  solidReachM: 0.35,
  /** What a fish bolts to. */
  boltBoulderM: 0.4,
  boltDepthM: 0.9,

  /** Spring water: temperature where none was taken, C; how it thins out down-current, s. */
  springTempC: 9,
  springFadesS: 40,
  /** Share of spring water from which its temperature is reckoned, and a lie is called its mouth. */
  springFelt: 0.05,
  springMouth: 0.35,

  /**
   * Prey: length mm, number per m3 of drift, energy J. The largest class (fallen insects) is what
   * keeps a fish over 40 cm from starving everywhere; its energy follows the others' length^2.8.
   */
  prey: [
    { mm: 2, perM3: 0.85, j: 0.9 },
    { mm: 4, perM3: 0.26, j: 5.6 },
    { mm: 8, perM3: 0.024, j: 36 },
    { mm: 15, perM3: 0.002, j: 209 },
  ] as const,
  /** Share of each class of prey, as numbers times these. */
  preyMix: {
    mixed: [1, 1, 1, 1],
    small: [1.2, 0.8, 0.3, 0.1],
    large: [0.6, 1, 2, 4],
  } as const,
  /** Drift of a season over spring's. */
  seasonDrift: { winter: 0.35, spring: 1, summer: 0.9, autumn: 0.7 } as const,
  /** A fish goes no farther aside than this for any prey, m. */
  farthestM: 1.2,
  captureHalfSpeed: 0.75,
  captureSteepness: 3,

  /** Depth a fish needs: the larger of these, m. */
  leastDepthM: 0.1,
  depthBaseM: 0.06,
  depthPerLength: 0.25,

  needFloor: 0.05,
  powerMeanExponent: -2,
  dayFloor: 0.4,

  /** What each method asks of the same needs. */
  weights: {
    'energy-budget': { food: 0, ease: 0.12, shelter: 0.28, air: 0.15, profit: 0.45 },
    'feed-lane': { food: 0.5, ease: 0.1, shelter: 0.2, air: 0.2, profit: 0 },
    'soft-water': { food: 0.15, ease: 0.45, shelter: 0.2, air: 0.2, profit: 0 },
    'cover-first': { food: 0.15, ease: 0.2, shelter: 0.45, air: 0.2, profit: 0 },
  } as const,

  /** Listing: smoothing passes of 1-2-1 (about .3 m), search radius, least rating, share of the best, saddle. */
  smoothingPasses: 4,
  peakRadiusM: 0.6,
  leastRating: 0.15,
  leastOfBest: 0.35,
  saddleShare: 0.65,
  /** Shelter below which the place could not keep a fish of that size. */
  keepShelter: 0.25,
  lengthsCm: [8, 60] as const,
  /** Chance that a lie of full rating holds a fish today. */
  occupied: 0.6,
} as const;
