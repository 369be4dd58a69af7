/** Sink: how what hangs on the line goes down along its lane, and what helps it there. */
export { hungRig, lineAt, type HungRig, type Load, type Top } from './hung';
export {
  depthOnLane,
  evenLane,
  laneEndM,
  laneLike,
  sinkLane,
  surfaceOnLane,
  type SinkLane,
} from './lane';
export { nodePlaces, sinkPath, type SinkInput, type SinkPath } from './sink-path';
export {
  depthPast,
  dropperWater,
  passing,
  reaches,
  scatterM,
  scatterOnLane,
  type DropperWater,
  type Passing,
} from './depth-at';
export {
  leadForDepthM,
  settledShare,
  sunkAtFish,
  type SinkAsked,
  type SunkAtFish,
} from './sink-lead';
export { aimClearanceM, bedSpreadM, ticksOf, touchesPerM, type Ticks } from './ticks';
export {
  downLadder,
  lowestFly,
  NEAR_M,
  upLadder,
  withFloat,
  withFly,
  withShot,
  type LadderAsked,
  type Rung,
} from './ladder';
export { sunk, wantedDepthM, type Sunk, type SunkAsked } from './sunk';
export {
  believeSink,
  feltTable,
  LN_M_SPREAD,
  type Felt,
  type FeltDrift,
  type FeltPlace,
  type FeltTable,
  type SinkBefore,
  type SinkBelief,
} from './sink-record';
export { heldDepthM, workedFlies, type Worked, type WorkedAsked, type WorkedFly } from './worked';
export {
  bench,
  feltPlaces,
  placeKey,
  type BenchAnswer,
  type BenchAsked,
  type FeltAt,
  type FeltKeep,
  type LaneDrawn,
  type NoBench,
} from './bench';
export { flowShareOf, rigWaterOf } from './rig-water';
