/** Learn: what the tries say of the plan, and of what works here. */
export { calibration, pool, shrunk, wilson, type Calibration, type Share } from './stats';
export { tryFact, type TryFact } from './try-facts';
export { FACTORS, GROUP_ENDS, type FactorName } from './factors';
export {
  learn,
  LEAST,
  type FactorTold,
  type Group,
  type HomeBin,
  type Learned,
  type Verdict,
} from './learn';
