/** Water: from a beat to its bed, its flow, and what is read from the flow. */

// Ways in: what a person can say of a stream, and what was taped.
export {
  beatFromSketch,
  compareSketch,
  createStreamLine,
  fillAssumed,
  fitSketch,
  isAssumed,
  newPiece,
  newSketch,
  PACE_WORD_MPS,
  SKETCH_KINDS,
  sketchProblems,
  toldDepthM,
  toldNow,
  toldPaceMps,
  type AssumedField,
  type Contradiction,
  type Sketch,
  type SketchBeat,
  type SketchFit,
  type SketchKind,
  type SketchPiece,
  type SketchProblem,
  type SketchThing,
  type ToldAndSolved,
} from './sketch/index';
export {
  dischargeByFloat,
  dischargeFromStage,
  dischargeMidSection,
  FLOAT_COEFFICIENT,
  HYDRAULIC_GEOMETRY,
  type SectionDischarge,
  type Vertical,
} from './discharge';
export { surveyDoubt, type DoubtPlace, type SurveyDoubt } from './survey-doubt';
export { channelMiddleYM, createChannel, type Channel } from './channel';
export { surveyedDepths, type SurveyedDepths } from './depths';
export { buildBed, SOLID, BOULDER_FLAT, type Bed } from './bed';
export { createGround, type Ground } from './ground';
export { MATERIALS } from './materials';

// The solver.
export {
  solveShallowWater,
  type ShallowWaterInput,
  type ShallowWaterResult,
} from './shallow-water';
export { createFlowRun, solveFlow, type FlowRun, type SolveFlowOptions } from './flow-run';
export { kernelHere, type KernelName } from './kernel-name';
export { canSharpen, FINE_CELL_M, flowInputHash, SHARP_CELL_M } from './flow-input';
export { calibrate, type CalibrationResult } from './calibrate';
export { depthMisfit, misfits, type DepthMisfit, type Misfit } from './misfits';
export { toldSurface, type ToldSurface } from './told-surface';
export { sampleFlow, surfaceAtM, DRY_M, type FlowField, type FlowSample } from './flow-field';
export { encodeFlow, decodeFlow } from './flow-blob';
export { criticalDepthM, manningSpeedMps, normalDepthM } from './section-hydraulics';
export { frictionCoefficient, variablePowerRatio, wideChannelSpeedMps } from './resistance';

// What is read from a flow.
export {
  classifyPieces,
  jowettClass,
  JOWETT,
  PIECE_KINDS,
  type Piece,
  type PieceKind,
  type Pieces,
} from './pieces';
export { readWater, type LeafLine, type WaterReading } from './read-water';
export { foam, foamLines, seams, shear } from './seams';
export type { Ridge } from './ridges';
export { brokenWater } from './broken-water';
export { settleTracer, type TracerTerms } from './tracer';
export { probeFlow, type Probe } from './probe';
export { summariseWater, type WaterSummary } from './compare-levels';
export { traceStreamline, thalweg, type Streamline } from './streamline';
export { surfaceCurrent, sampleSurface, type SurfaceCurrent } from './surface-current';
export { noseSpeedMps, profileRatio, surfaceFactor, NOSE_HEIGHT_PER_LENGTH } from './profile';
export { GRIDS, waterLines, writeAsciiGrid, type GridName } from './write-water';
