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
  NOTICE,
  POSTURE,
  POSTURES,
  type ExposureView,
  type NoticeGuesses,
  type Posture,
} from './exposure';
export { shadeField } from './shade';
export {
  createScene,
  sceneIndex,
  SKIES,
  type Conditions,
  type Fish,
  type Scene,
  type Sky,
} from './scene';
export {
  CLEAR_NTU,
  clarityOver,
  exposureAt,
  fishView,
  movingExposuresInto,
  sightRing,
  surfaceRoughness,
  type AnglerAt,
  type FishView,
  type RingPoint,
} from './angler-seen';
export {
  attenuationOfBlackDisc,
  attenuationOfSecchi,
  attenuationPerM,
  beamTransmission,
  facetDensity,
  koschmiederRangeM,
  shadowLengthM,
  slopeVariance,
  streamSlopeVariance,
} from './water-optics';
export {
  glances,
  MIRRORED,
  skyLight,
  spotting,
  SPOTTING,
  type Hindrance,
  type Spotted,
  type SpottingView,
} from './spotting';
export { flySeen, type FlyShows } from './fly-seen';
export {
  glareAt,
  lookoutAt,
  lookouts,
  ownFlySeen,
  type GlareHour,
  type Lookout,
  type LookoutInput,
} from './lookouts';
export { inWindow, windowView, type WindowBody, type WindowView } from './fish-window';
export {
  ASCENT,
  COVERS,
  overFishS,
  readRises,
  REGULAR,
  riseChances,
  RULE_OF_THUMB_M,
  timedCast,
  trueLie,
  WATCH_FIRST,
  type Rise,
  type RiseReading,
  type Riser,
  type TimedCast,
  type TrueLie,
} from './rises';
