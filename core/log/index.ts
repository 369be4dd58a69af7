/** Records: what is kept, typed once for the store, the services, the server's schemas and the screens. */

// The angler.
export { homeTrials } from './home-trials';
export {
  ASSUMED_TEMP_C,
  DEFAULT_SETTINGS,
  NOTICING_RANGE,
  SETTING_RANGE,
  WIND_FROM,
  wholeSettings,
  type Methods,
  type Noticing,
  type Settings,
  type WindFrom,
} from './settings';

// What was seen.
export {
  BEHAVIOURS,
  SWIMS_AT,
  isOtherSighting,
  type Behaviour,
  type KeptRise,
  type Mark,
  type Sighting,
} from './marks';
export type { KeptRead } from './reads';

// What was done: outings, tries, what the plan said, what happened.
export { openOutingAt, type Outing, type Reading } from './outings';
export { DREW_BLANK, type Try } from './tries';
export {
  EMPTY_SNAPSHOT,
  readSnapshot,
  writeSnapshot,
  type TempSource,
  type TrySnapshot,
} from './snapshot';
export { CONSTANTS_HASH } from './constants';
export {
  EVENT_CODES,
  EVENT_WORDS,
  foldTry,
  possibleEvents,
  type EventCode,
  type TryEvent,
  type TryFold,
  type TryState,
} from './events';

// What the tries of a day say.
export {
  blankWeight,
  depthPattern,
  LEAST_FOUND,
  type DepthPattern,
  type Look,
  type Spread,
} from './depth-pattern';
