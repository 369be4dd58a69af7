/** Cast: how the fly drifts on the line as it was laid, and how long it drifts clean. */
export { RETRIEVE_MPS, type DriftInput, type Mend } from './drift-input';
export { simulateDrift } from './simulate-drift';
export {
  cleanToLift,
  MICRO_MPS,
  PASS_M,
  PAST_FISH_M,
  WAKE_MPS,
  type DriftFrame,
  type DriftResult,
} from './drift-result';
export {
  castTip,
  isFed,
  LAY_DEFAULTS,
  LAY_KINDS,
  layReachM,
  type Lay,
  type LayKind,
  type Toward,
} from './lays';
export { borrowChain, renewTangents, tighten } from './chain';
export { driftBand, RUNS, UNKNOWN, type DriftBand } from './drift-band';
export { castAllowed, type CastAllowed, type CastRefusal, type CastSpot } from './cast-allowed';
export {
  bestOrder,
  SEQUENCE,
  sequenceTargets,
  shotsOf,
  type Sequence,
  type SequenceReason,
  type SequenceTarget,
} from './sequence-targets';
export { castsFrom } from './casts-from';
export { SURE_SHARE, type StandBefore } from './stands';
export type { Candidate } from './shot-candidate';
export { orderOfFish, type FishInOrder, type OrderAsked } from './order-of-fish';

// Where to stand, how to lay the line, how far to lead.
export { createShotSearch, findShots, quickShot, type ShotSearch } from './find-shots';
export type { NoShots, Shot, ShotsFound, ShotsResult, WouldHelp } from './shots-found';
export type { SearchStats } from './shot-candidate';
export type { Alternative } from './alternatives';
export {
  SEARCHED_LAYS,
  shotsInput,
  USUAL_ANGLER,
  type ShotAngler,
  type ShotsInput,
  type ShotsQuestion,
} from './shots-input';
export {
  offStraightRad,
  STRAIGHT_RAD,
  type CastFrom,
  type ShotFacts,
  type Wishes,
} from './shot-terms';
export {
  landingFor,
  laneAt,
  laneThrough,
  leadFor,
  liftPast,
  usefulDriftM,
  type Lane,
  type Lead,
} from './lead';
export { followDown, type FollowDown } from './follow-down';
export { alarmedBy, leadAway, snagsOf, type LeadAway, type SnagKind } from './lead-away';
export {
  CAST_KINDS,
  castFor,
  LOOKED_BEHIND_M,
  obstaclesOf,
  rayMeets,
  roomBehind,
  type CastKind,
  type Obstacle,
  type RoomBehind,
} from './room-behind';
export { windOnCast, type WindOnCast, type WindSchool } from './wind';
export { roomAhead, type RoomAhead } from './room-ahead';
export { tightenSeconds } from './tighten-line';
export { falseCast, type FalseCast } from './false-cast';
export { bestMend, type BestMend } from './best-mend';
export {
  coverGrid,
  coverOrder,
  structureAt,
  type Cover,
  type CoverWater,
  type PoolCover,
  type StructureKind,
} from './covers';
export {
  castNow,
  leadAlong,
  takeAt,
  castStudy,
  driftInputOf,
  sameLay,
  type CastNow,
  type CastQuestion,
  type ChanceAsked,
  type CastStudy,
  type LayRow,
} from './cast-now';
