/** What a trout is: its weight, what it spends, eats, sees, and the temperature and oxygen it can bear. */
export {
  SPECIES,
  TOTAL_PER_FORK,
  standardWeightG,
  relativeWeight,
  weightFromGirthG,
  type Species,
} from './standard-weight';
export {
  appetiteJph,
  ASSIMILATED,
  borrowsFromBrown,
  fastestFeedingMps,
  fishBody,
  greatestIntakeCalPerDay,
  holdingCost,
  reactionDistanceCm,
  respirationGO2,
  swimmingCost,
  swimmingPower,
  territoryM2,
  turbidityFactor,
  VMAX_HUGHES_DILL,
  type FishBody,
} from './energy';
export { depthSuitability, oxygenSaturationMgL, temperatureSuitability } from './suitability';
