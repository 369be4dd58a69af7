/** The workspace of a beat. */
export { Workspace } from './workspace';
export { STEPS } from './address';
export type { BeatInput } from './state';
