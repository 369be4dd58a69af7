/** Use cases: load, compute, save. No HTTP, no JSX. */
export {
  beatsInBook,
  cachedFlow,
  importBeat,
  keepBeat,
  keepFlow,
  openBeat,
  type OpenBeat,
} from './beats';
export { keepMark, removeMark } from './marks';
export { beginTry, recordEvent } from './tries';
export { changeSettings, settings, type Settings } from './settings';
export { nowMs } from './clock';
export { dataFolder } from './book';
export type { Outcome } from './outcome';
