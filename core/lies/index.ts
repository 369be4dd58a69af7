/** Lies: where a trout can hold, rated by four needs, each with its reasons. */
export {
  rateLies,
  headingAt,
  type Lie,
  type LieField,
  type Needs,
  type RateOptions,
} from './rate-lies';
export { waterForFish, type WaterForFish } from './water-for-fish';
export { boulderIsSolved, LEAST_CELLS_ACROSS, LIE_KINDS, type LieKind } from './kinds';
export { GUESS } from './guesses';
