/** Tries: what a worked fish did, kept as events that are never overwritten. */
export {
  EVENT_CODES,
  EVENT_WORDS,
  foldTry,
  possibleEvents,
  type EventCode,
  type TryEvent,
  type TryFold,
  type TryState,
} from './try-events';
export {
  blankWeight,
  depthPattern,
  LEAST_FOUND,
  type DepthPattern,
  type Look,
  type Spread,
} from './depth-pattern';
