/** Stalk: the way to a stand unseen and safe, and where a person may wade. */
export { planStalk, ALARM, type StalkInput, type StalkLeg, type StalkResult } from './plan-stalk';
export {
  mayWade,
  rescdamGoodM2s,
  rescdamNormalM2s,
  rescdamPoorM2s,
  wadingClass,
  type HazardClass,
  type WadingBody,
} from './wading';
export { leastCost, type Graph } from './least-cost';
