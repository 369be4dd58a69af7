/** Water: from a beat to its bed, its flow, and what is read from the flow. */
export { solveShallowWater, type ShallowWaterInput, type ShallowWaterResult } from './shallow-water';
