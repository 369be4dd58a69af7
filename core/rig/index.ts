/** Rig: what hangs on the line, part by part: measures, strength, what fits where, and the drift's view of it. */
export * from './plan';
export * from './fly';
export { USUAL_BOX } from './flies';
export {
  hungMassMg,
  jointsOf,
  massRoot,
  pulsePassed,
  straightN,
  weakestJoint,
  type Joint,
} from './joints';
export { isSection, measureRig, type Placed, type RigMeasure } from './measure';
export { rigFrom, TEMPLATE_IDS, usualRig, type TemplateId } from './templates';
export { forStained, rigsFor, rodFor, type RigFit, type RigWater } from './rig-fits';
export {
  DEFAULT_RIG,
  diameterMm,
  driftRig,
  FLOATING_DRAG,
  FLY_KINDS,
  floatsAs,
  rigFor,
  stretchKgPerM,
  type FlyKind,
  type LeaderPiece,
  type Rig,
} from './rig';
export { checkRig, RIG_LIMITS, type RigNote, type RigRefusal } from './checks';
export {
  DEFAULT_TACKLE,
  driftRigOf,
  findRig,
  flyInHand,
  rigInHand,
  rodLengthM,
  type Tackle,
} from './tackle';
export { afloat, floatLiftN, isDry, liftN, showsOn, type Afloat, type Worn } from './dry';
export {
  fight,
  fishDragN,
  fitTires,
  kindSeconds,
  rodPull,
  thrustN,
  tippetHolds,
  TIRES_S,
  type Fight,
  type FightFish,
  type FoughtFish,
  type Holds,
} from './fight';
export { airLoadN, DRAWN_MPS, waterLoadN } from './water-load';
export { startOf, type SinkStart } from './sink-start';
export { dueFor, WEED_EVERY, type Due, type Use } from './wear';
export { DEEPEST_BEND, fixedReachM, inReach, nearestM, type RodHeld } from './reach';
