/** Stalk: the way to a stand unseen, unheard and safe, and where a person may wade. */

// A way, and what else it might be.
export {
  createStalkKeep,
  FINE_M,
  planStalk,
  planStalkOn,
  stalkContext,
  type Calm,
  type NoWay,
  type StalkContext,
  type StalkInput,
  type StalkKeep,
  type StalkQuestion,
  type StalkResult,
  type StalkWay,
  type Watcher,
} from './plan-stalk';
export type { Along, Moment, StalkLeg, Worst } from './legs';
export { otherWays, sameWay } from './other-ways';
export { whatIfStalk, type StalkChange } from './what-if-stalk';
export { studyWay, type StalkStudy, type WayStudyInput } from './study-way';
export { fromFarBank, type FarBank } from './far-bank';
export { waysOut, waysOutSteps, type WaysOut } from './ways-out';
export { waysBetween, type Standing, type WaysBetween } from './ways-between';

// What it rests on.
export {
  ALARM,
  tauBandOf,
  type Alarm,
  HIDING_SCHOOLS,
  type HidingSchool,
  type WadingSchool,
} from './guesses';
export { fishSeen, seenAt, seenField, seenInto, type FishSeen, type SeenField } from './seen-field';
export {
  bedAt,
  cellAt,
  cellPlace,
  CLOSED,
  SLICK,
  walkGrid,
  type Forbidden,
  type WalkGrid,
} from './walk-grid';
export {
  mayWade,
  rescdamGoodM2s,
  rescdamNormalM2s,
  rescdamPoorM2s,
  wadingClass,
  type HazardClass,
  type WadingBody,
} from './wading';
export { leastCost, leastCosts, type Graph } from './least-cost';

// Shadow and care.
export { shadowAt, shadowLeaves, type Shadow } from './shadow';
export { cautionsOf, type Caution, type CautionInput } from './cautions';
