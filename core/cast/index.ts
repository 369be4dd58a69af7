/** Cast: how the fly drifts on the line as it was laid, and how long it drifts clean. */
export {
  simulateDrift,
  MICRO_MPS,
  PAST_FISH_M,
  WAKE_MPS,
  type DriftInput,
  type DriftResult,
  type Lay,
} from './simulate-drift';
export { driftBand, RUNS, UNKNOWN, type DriftBand } from './drift-band';
export { firstCast, type FirstCast, type FirstCastInput } from './first-cast';
export {
  bestOrder,
  SEQUENCE,
  sequenceTargets,
  shotsOf,
  type Sequence,
  type SequenceReason,
  type SequenceTarget,
} from './sequence-targets';
