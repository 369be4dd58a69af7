/** Rig: what the line, leader and fly are made of. Leaders, sink and rigs in full come with the bench. */
export { DEFAULT_RIG, diameterMm, type Rig } from './rig';
