/** How a stream is fed: what its temperature follows, and how far it swings. */
export const REGIMES = ['freestone', 'spring-fed', 'tailwater'] as const;
export type Regime = (typeof REGIMES)[number];

/** Air of one day at the water, C. `sdC`: how far its mean may be off. */
export interface DayAir {
  lowC: number;
  highC: number;
  sdC: number;
}

/** The sun of one day, in hours of its clock; null: it does not rise, or does not set. */
export interface DaySun {
  riseH: number | null;
  setH: number | null;
  neverSets: boolean;
}

export interface DayWater {
  regime: Regime;
  air: DayAir;
  /** Share of the sky under cloud, share of the water in shade, 0-1. */
  cloud: number;
  shade: number;
  /** Mean depth of the beat, m. */
  depthM: number;
  sun: DaySun;
  winter: boolean;
  /** What the level does to the day's mean, C: snow or rain cools, low water warms. */
  levelC: number;
}

/** What is thought of a day's water before anybody has read it: normal bands. */
export interface CurvePrior {
  meanC: number;
  meanSd: number;
  swingC: number;
  /** Spread of the swing as a share of it. */
  swingShare: number;
  warmestH: number;
  warmestSd: number;
  coldestH: number;
}

interface RegimeFacts {
  mean(airC: number, shade: number): number;
  /** Degrees of water a degree of air. */
  slope: number;
  meanSd: number;
  swing(halfC: number, sun: number, depth: number): number;
  swingShare: number;
  warmestH: number;
  warmestSd: number;
  /** Coldest so long after sunrise, h. */
  coldestAfterRiseH: number;
}

/**
 * Means follow the air (freestone: slope after Stefan & Preud'homme 1993); swings were fitted to a heat
 * balance (rms 9 %): half the air's range, sun that gets through, mean depth over .4 m. Constants of
 * spring-fed water and tailwaters are our guesses.
 */
const FACTS: Record<Regime, RegimeFacts> = {
  freestone: {
    mean: (air, shade) => 2.5 + 0.75 * air - 0.8 * shade,
    slope: 0.75,
    meanSd: 2.5,
    swing: (half, sun, depth) => 1.5 * half ** 0.38 * sun ** 0.73 * depth ** -0.92,
    swingShare: 0.35,
    warmestH: 16.4,
    warmestSd: 1.4,
    coldestAfterRiseH: 0.9,
  },
  'spring-fed': {
    mean: (air) => 9 + 0.25 * (air - 9),
    slope: 0.25,
    meanSd: 1.8,
    swing: (half, sun, depth) => (0.43 * half ** 0.5 * sun ** 0.6) / depth,
    swingShare: 0.5,
    warmestH: 14.5,
    warmestSd: 1.4,
    coldestAfterRiseH: -0.5,
  },
  tailwater: {
    mean: (air) => 8 + 0.3 * (air - 8),
    slope: 0.3,
    meanSd: 3,
    swing: (half, sun, depth) => (0.58 * half ** 0.4 * sun ** 0.7) / depth,
    swingShare: 0.6,
    warmestH: 15.2,
    warmestSd: 2,
    coldestAfterRiseH: -0.5,
  },
};

const USUAL_DEPTH_M = 0.4;
const LEAST_DEPTH_M = 0.08;
/** A low sun warms earlier in the afternoon than it stands there (our guess). */
const WINTER_WARMEST_H = 14.6;
/** Where the sun does not rise, or set: coldest by these hours of the clock (our guesses). */
const COLDEST_H = { neverSets: 3.5, neverRises: 8 };
/** What sun gets through cloud, and past what shades the water. */
const THROUGH_CLOUD = 0.6;
const PAST_SHADE = 0.6;
/** Diffuse light of a day without sun. */
const NO_SUN = 0.15;

/** The day's water by its air, sky, shade, depth and how the stream is fed. Pure. */
export function curvePrior(water: DayWater): CurvePrior {
  const facts = FACTS[water.regime];
  const { air, cloud, shade, sun } = water;
  const airC = (air.lowC + air.highC) / 2;
  const halfC = Math.max(0.5, (air.highC - air.lowC) / 2);
  const rises = sun.riseH !== null || sun.neverSets;
  const through = rises ? (1 - THROUGH_CLOUD * cloud) * (1 - PAST_SHADE * shade) : NO_SUN;
  const coldestH =
    sun.riseH === null
      ? COLDEST_H[sun.neverSets ? 'neverSets' : 'neverRises']
      : sun.riseH + facts.coldestAfterRiseH;
  return {
    // Flowing water does not go below freezing.
    meanC: Math.max(0, facts.mean(airC, shade) + water.levelC),
    meanSd: Math.hypot(facts.meanSd, facts.slope * air.sdC),
    swingC: facts.swing(halfC, through, Math.max(LEAST_DEPTH_M, water.depthM) / USUAL_DEPTH_M),
    swingShare: facts.swingShare,
    warmestH: water.winter ? Math.min(facts.warmestH, WINTER_WARMEST_H) : facts.warmestH,
    warmestSd: facts.warmestSd,
    coldestH,
  };
}

/** Air by the season where nobody has said it: good to four degrees at best (our guess). */
export function airOfSeason(latDeg: number, altitudeM: number, dayOfYear: number): DayAir {
  const lat = Math.abs(latDeg);
  const meanC = 28 - 0.5 * Math.max(0, lat - 15) - (0.65 * altitudeM) / 100;
  const swingC = 0.22 * lat;
  const turn = latDeg < 0 ? 182.6 : 0;
  const dayC = meanC + swingC * Math.cos((2 * Math.PI * (dayOfYear - 200 - turn)) / 365.25);
  return { lowC: dayC - 6, highC: dayC + 6, sdC: 4 };
}

/** Air by height, C a 100 m (standard atmosphere). */
const AIR_LAPSE = 0.65;
/** The same air at another height. */
export const airAt = (air: DayAir, byM: number): DayAir => ({
  ...air,
  lowC: air.lowC - (AIR_LAPSE * byM) / 100,
  highC: air.highC - (AIR_LAPSE * byM) / 100,
});
