/** What a way is weighed by: our guesses, each with its unit. Those of `Alarm` are settings. */

/** Schools of wading, and of hiding. */
export type WadingSchool = 'never-unless' | 'for-the-angle';
export const HIDING_SCHOOLS = ['creep', 'screen', 'own-mud'] as const;
export type HidingSchool = (typeof HIDING_SCHOOLS)[number];

/** How a fish takes what it notices. */
export interface Alarm {
  /** calm = exp(-integral of max(0, E - threshold)/tau dt): tau, s. */
  tauS: number;
  /** Weight of footfall; 0 leaves sound out, 1 as guessed. */
  footfall: number;
}
export const ALARM: Alarm & { threshold: number; tauBandS: readonly [number, number] } = {
  tauS: 6,
  footfall: 1,
  threshold: 0.1,
  /** Low and high guess, as shares of tau they scale with it. */
  tauBandS: [3, 12],
};

/** A band's ends scale with the tau that is set. */
export const tauBandOf = (tauS: number): [number, number] => [
  (tauS * ALARM.tauBandS[0]) / ALARM.tauS,
  (tauS * ALARM.tauBandS[1]) / ALARM.tauS,
];

/** What one certain alarm is worth in seconds of walking, by school of hiding. */
export const ALARM_WORTH_S = { creep: 600, screen: 200, 'own-mud': 600 } as const;

/** What a metre costs beyond the time it takes, s: the lower, the harder. */
export const EFFORT_S_PER_M = [0.5, 1, 2, 3] as const;
/** To change posture, s; and what it costs besides, s: nobody gets up and down every metre. */
export const CHANGE_S = 2;
export const CHANGE_EFFORT_S = 12;

/** Wading: share of the pace on land, and what a metre costs, s, by school and hazard class. */
export const WADING = {
  pace: 0.5,
  /** So dear that any way over land is taken first. */
  neverUnless: { H1: 400, H2: 800 },
  forTheAngle: { H1: 1.5, H2: 10 },
  /** Broken water hides and drowns sound: with `screen` it costs as little as for the angle. */
  screenFromRoughness: 0.6,
} as const;

/**
 * Mud stirred up by wading: NTU at the feet by bed, what is left of it at a distance, how wide it
 * goes, and how far it is followed. Common practice that it hides; the figures are guesses.
 */
export const OWN_MUD = {
  ntu: { silt: 60, clay: 50, sand: 12 },
  fadesM: 5,
  halfWidthM: 0.3,
  spreads: 0.1,
  followedM: 12,
  /** A screen that leaves less than this of what a fish notices is worth wading for. */
  screensBelow: 0.5,
} as const;

/** Land higher than this in one step is climbed, s a metre; a face higher than `most` is not, m. */
export const CLIMB = { freeM: 0.15, sPerM: 6, most: 1 } as const;

/** Marked hazards and spots taken out by hand keep this far off, m. */
export const HAZARD_M = 1.5;
export const FORBIDDEN_M = 1;
/** Water shallower than this is walked as land, m. */
export const DAMP_M = 0.03;
