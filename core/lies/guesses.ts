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
  /** Stained water screens with depth: most of it, and the sight at which it begins, m. */
  stainCover: 0.5,
  stainBelowSightM: 1,
  /** Shade's own part of what hides a fish. */
  shadeCover: 0.25,
  boulderCover: 0.35,
  solidReachM: 0.35,
  /** What a fish bolts to. */
  boltBoulderM: 0.4,
  boltDepthM: 0.9,
  /** Deeper water told to lie a step away is something to bolt to from this depth, m. */
  boltSideM: 0.6,

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
  /** Drift of a season over spring's, and the share of it that floats. */
  seasonDrift: { winter: 0.35, spring: 1, summer: 0.9, autumn: 0.7 } as const,
  floatingShare: { winter: 0.15, spring: 0.3, summer: 0.5, autumn: 0.4 } as const,
  /** What floats gathers where water turns back, per second. */
  floatGathers: 0.004,
  /** Stained water brings worms and grubs: the two largest preys times 1 + this (1 - e^(-NTU / that)). */
  stainFood: 1.5,
  stainFoodNtu: 20,
  /** Prey of 4 mm and more is felt this far in body lengths, however stained the water. */
  feltLengths: 0.4,
  feltFromMm: 4,
  /** Between these a fish can no longer feed by sight and rests, NTU. */
  blindNtu: [20, 90] as const,
  /** Willing to move when prey of 8 mm is seen this far, m. */
  willingSightM: 0.9,

  /** Cold begins to rule below the second, rules wholly at the first, C (common practice). */
  coldC: [3, 8] as const,
  /** Depth that hides a fish of 25 cm in the cold, m, and how steeply. */
  refugeDepthM: 1,
  refugeSteepness: 2.5,
  /** Power over the cost at rest, and what the cold adds; nose height over length, and what it takes. */
  powerPerRest: [1.4, 0.5] as const,
  noseHeight: [0.22, -0.12] as const,
  /** In the cold fish gather in the deepest water slower than this, within this along the valley, m. */
  gatherPaceMps: 0.5,
  gatherM: 15,
  gatherPower: 1.5,
  /** What a fish asks that does not feed. */
  restWeights: { food: 0, ease: 0.4, shelter: 0.45, air: 0.15, profit: 0 } as const,
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
    'thin-seams': { food: 0.5, ease: 0.1, shelter: 0.2, air: 0.2, profit: 0 },
  } as const,

  /** Listing: smoothing passes of 1-2-1 (about .3 m), search radius, least rating, share of the best, saddle. */
  smoothingPasses: 4,
  peakRadiusM: 0.6,
  leastRating: 0.06,
  leastOfBest: 0.2,
  saddleShare: 0.5,
  /** Chance of a fish at home from the rating R: logit P = slope (logit R - logit half) + a of the water. */
  homeSlope: 1.56,
  homeHalf: 0.7,
  /** An eddy is listed from this pace back up the valley, area and depth. */
  eddy: { paceMps: 0.03, areaM2: 1.5, depthM: 0.25 } as const,

  /** Shelter below which the place could not keep a fish of that size. */
  keepShelter: 0.42,
  lengthsCm: [8, 60] as const,
  lengthStepCm: 2,
  /** A day: hours of ordinary and of rich drift, and how rich a dusk or a hatch is. */
  day: { ordinaryH: 14, richH: 2, rich: 4 } as const,
  /** Food off the drift: large fish turn to fish and benthos where deep water is near. */
  offDrift: { most: 0.55, fromCm: 28, toCm: 45, deepM: 0.5, withinM: 15, territories: 3 } as const,
  /** Below this no profit is asked of a place that keeps a fish, only this ease. */
  coldKeepC: 5.5,
  coldKeepEase: 0.2,
  /** A fish comes out to feed in water this deep: base, per length, m. */
  feedDepth: [0.03, 0.24] as const,
  /** How far from shelter it comes, m, and the richness it finds, by the light. */
  feedLight: {
    bright: { reachM: 6, rich: 1.5 },
    soft: { reachM: 15, rich: 2.5 },
    dusk: { reachM: 40, rich: 4 },
  } as const,
  /** To who fishes thin seams, shelter at no distance counts so much, and nothing at the light's reach. */
  shelterNear: 0.75,
  /** Food from which a lie that keeps the fish is prime. */
  primeFood: 0.5,
} as const;
