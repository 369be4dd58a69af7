/** What a trout is: its weight, what it spends, eats, sees, and the temperature and oxygen it can bear. */
export {
  SPECIES,
  TOTAL_PER_FORK,
  standardWeightG,
  relativeWeight,
  type Species,
} from './standard-weight';
export {
  appetiteJph,
  ASSIMILATED,
  fastestFeedingMps,
  fishBody,
  greatestIntakeCalPerDay,
  holdingCost,
  reactionDistanceCm,
  respirationGO2,
  swimmingPower,
  territoryM2,
  type FishBody,
} from './energy';
export { depthSuitability, oxygenSaturationMgL, temperatureSuitability } from './suitability';
