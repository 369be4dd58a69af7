/** Sight: what reaches the fish's eye, from where it sees the angler, and where the sun stands. */
export {
  CRITICAL_RAD,
  rayToFish,
  reflectance,
  WATER_INDEX,
  windowRadiusM,
  WINDOW_PER_DEPTH,
  type RayToFish,
  type Reflectance,
} from './window';
export { planAngleRad, sunAt, sunDay, type SunDay } from './sun';
export {
  blindShare,
  exposure,
  EXPOSURE,
  POSTURE,
  POSTURES,
  type ExposureView,
  type Posture,
} from './exposure';
export { shadeField } from './shade';
export {
  createScene,
  exposureAt,
  fishView,
  sceneIndex,
  sightRing,
  type AnglerAt,
  type Conditions,
  type Fish,
  type FishView,
  type RingPoint,
  type Scene,
} from './scene';
