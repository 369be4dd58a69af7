/** Learn: what the tries say of the plan and of what works here, and what they change of the models' constants. */
export {
  calibration,
  chiSquareQuantile,
  difference,
  pool,
  shrunk,
  wilson,
  type Calibration,
  type Count,
  type Share,
} from './stats';
export { tryFact, type SaidParts, type TryFact } from './try-facts';
export { FACTORS, GROUP_ENDS, SIDES, SPOOK_FACTORS, type FactorName } from './factors';
export { LEAST, type Verdict } from './verdict';
export type { HomeBin } from './homes';
export {
  learn,
  type Conversion,
  type FactorTold,
  type Group,
  type Learned,
  type Told,
} from './learn';
export { answeredFirst, saidOf, type SaidOf } from './said';
export { settle, type Before, type Settled } from './settle';
export { depthsBySeason, judged, priorsFrom, refitted, type Refit, type RefitPart } from './refit';
export { doseTimes } from './refit-play';
export { LEAST_TO_REFIT, RESTS_ON, type Refitted } from './refit-rules';
export { refitSink, type FeltWater } from './refit-sink';
export { HELD, stopFound, stopsTold, type StopDay, type StopsTold } from './stops';
export type { BookRecord, LearnTold, RestsOn } from './told';
