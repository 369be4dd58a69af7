/** Lies: where a trout can hold, rated by four needs, each with its reasons. */

// The rating of a whole water.
export {
  rateLies,
  expectedFish,
  type ExpectedFish,
  type Lie,
  type LieField,
  type Needs,
  type NoLies,
  type RateOptions,
} from './rate-lies';
export { headingAt } from './heading';
export { fitHome, homeChance, SHOWN_A_WORKING, type HomeFit, type HomeTrial } from './home';
export { LIE_CLASSES, type LargestHere, type LieClass } from './largest';
export { type LieStretch } from './stretches';
export { seasonAt } from './season';
export { seasonOfMonth } from './season-of-month';
export {
  fishProblems,
  FISH_RANGE,
  type FeedLight,
  type FishOptions,
  type PreyMix,
  type Season,
} from './fish-day';
export { METHODS, type Method, type WeighedName } from './methods';
export { waterForFish, type WaterForFish } from './water-for-fish';
export { LIE_KINDS, type LieKind } from './kinds';
export { boulderIsSolved, LEAST_CELLS_ACROSS } from './solved-boulders';
export { GUESS } from './guesses';

// What is asked of a rating.
export { methodDifference, type MethodDifference, type Parting } from './method-difference';
export { sensitivity, DOUBT, type Input, type PlaceSensitivity } from './sensitivity';
export { whatIf, type WhatIf } from './what-if';
export { studyLie, type LieStudy } from './study-lie';
export { compareDays, type DayChange, type RatedDay } from './compare-days';

// One place, as told.
export {
  COLOUR_NTU,
  colourOf,
  ntuOfSight,
  QUICK_COLOURS,
  SEEN_CM,
  sightM,
  type QuickColour,
} from './quick-colour';
export {
  quickRead,
  QUICK_COVERS,
  QUICK_EDGES,
  QUICK_RANGE,
  type Advice,
  type QuickAnswers,
  type QuickCover,
  type QuickEdge,
  type QuickReading,
} from './quick-read';
