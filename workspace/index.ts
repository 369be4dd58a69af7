/** The workspace of a beat. */
export { Workspace } from './frame/workspace';
export { STEPS } from './state/address';
export type { BeatInput } from './state/document';
