/** Records: what is kept, typed once for the store, the services, the server's schemas and the screens. */

// The angler.
export { CASTS_A_WORKING, homeAsked, homeTrials } from './home-trials';
export {
  ASSUMED_TEMP_C,
  DEFAULT_SETTINGS,
  NOTICING_RANGE,
  SETTING_RANGE,
  WIND_FROM,
  type Methods,
  type Settings,
  type WindFrom,
} from './settings';

export {
  alarmOf,
  appliedOf,
  NO_PRIORS,
  noticingOf,
  PRIOR_NAMES,
  priorsOf,
  type Applied,
  type BedPrior,
  type HomePrior,
  type Noticing,
  type PriorName,
  type Priors,
} from './priors';

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
export {
  PLACE_WATERS,
  type KeptRead,
  type PlaceAt,
  type PlaceWater,
  type ReadPlace,
} from './reads';

// What was done: outings, tries, what the plan said, what happened.
export {
  INSTANTS_MS,
  instantIn,
  openOutingAt,
  READING_SOURCES,
  readingSaying,
  saysSomething,
  type Outing,
  type Reading,
  type ReadingSource,
} from './outings';
export { DREW_BLANK, TRIES_AT_HAND, type Try } from './tries';
export {
  EMPTY_SNAPSHOT,
  readSnapshot,
  type ConstantsMark,
  type TempSource,
  type TrySnapshot,
} from './snapshot';
// Apart from the shape: it carries the hash of every guess, which a page that only reads need not load.
export { constantsMark, writeSnapshot } from './write-snapshot';
export { CONSTANTS_HASH, constantsHashOf } from './constants';
export {
  codesWhere,
  EVENT_CODES,
  eventsThatEnd,
  hadFly,
  isOver,
  mayCast,
  meaningOf,
  possibleEvents,
  pressedAt,
  type Emptied,
  type EventCode,
  type EventMeaning,
  type FlyAnswer,
  type Heard,
  type TryState,
} from './event-table';
export { triesAt, type WorkedAt } from './tries-at';
export { lookOfTry } from './look-of-try';
export {
  CHANGED,
  FELL_AT,
  foldTry,
  HOOKED_IN,
  LOSS_CAUSES,
  MISS_CAUSES,
  MISSED_SIZES,
  standing,
  type Catch,
  type Changed,
  type FellAt,
  type HookedIn,
  type LossCause,
  type MissCause,
  type MissedSize,
  type StandingEvent,
  type TryEvent,
  type TryFold,
} from './events';

// The log as devices share it.
export { applyChanges, EMPTY_LOG, type LogChange, type OutingLog } from './log-changes';
export {
  lastReading,
  ofOuting,
  openTry,
  tallyOf,
  warmingCph,
  type OutingTally,
} from './outing-tally';

export { READING_COLUMNS, readingLine, readReadingLine, type ReadingLine } from './reading-table';
export { readTryLine, TRY_COLUMNS, tryLine, type LineRead, type TryLine } from './try-table';

// What the tries of a day say.
export {
  blankWeight,
  depthPattern,
  type PatternPrior,
  LEAST_FOUND,
  type DepthPattern,
  type Look,
  type Spread,
} from './depth-pattern';

// What is told for planning a day.
export {
  FACT_KINDS,
  HOME,
  NO_BEAT_FACTS,
  NO_DATE_FACTS,
  NO_FACTS,
  NO_STREAM_FACTS,
  STAY_OUT,
  wayId,
  type BeatFacts,
  type DateFacts,
  type DayFacts,
  type FactKind,
  type StayOut,
  type StreamFacts,
  type WayFacts,
} from './day-facts';
export { changedFields } from './changed-fields';
export { mergeChange, type Lost } from './merge';
export { unsoundSetting, wholeSettings } from './whole-settings';
