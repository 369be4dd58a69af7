/** Water: from a beat to its bed, its flow, and what is read from the flow. */
export {
  solveShallowWater,
  type ShallowWaterInput,
  type ShallowWaterResult,
} from './shallow-water';
export {
  createFlowRun,
  flowInputHash,
  solveFlow,
  type FlowRun,
  type SolveFlowOptions,
} from './flow-run';
export { sampleFlow, surfaceAtM, DRY_M, type FlowField, type FlowSample } from './flow-field';
export { encodeFlow, decodeFlow } from './flow-blob';
export { traceStreamline, thalweg, type Streamline } from './streamline';
export { surfaceCurrent, sampleSurface, type SurfaceCurrent } from './surface-current';
export { createChannel, type Channel } from './channel';
export { createGround, type Ground } from './ground';
export { buildBed, SOLID, BOULDER_FLAT, type Bed } from './bed';
export { noseSpeedMps, profileRatio, surfaceFactor, NOSE_HEIGHT_PER_LENGTH } from './profile';
export { manningSpeedMps, normalDepthM } from './section-hydraulics';
export { MATERIALS } from './materials';
