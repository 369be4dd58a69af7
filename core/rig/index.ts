/** Rig: what the line, leader and fly are made of. Leaders, sink and rigs in full come with the bench. */
export {
  DEFAULT_RIG,
  diameterMm,
  FLY_KINDS,
  rigFor,
  stretchKgPerM,
  type FlyKind,
  type Rig,
} from './rig';
