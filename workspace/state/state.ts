import type { Address } from './address';
import { NO_ANSWERS, type Answers } from './answer';
import type { DocumentState } from './document';
import { FRESH_SESSION, type SessionState } from './session';
import {
  FRESH_CAST,
  FRESH_DAY,
  FRESH_LEARN,
  FRESH_READ,
  FRESH_SPOT,
  FRESH_STALK,
  type CastSlice,
  type DaySlice,
  type LearnSlice,
  type ReadSlice,
  type SpotSlice,
  type StalkSlice,
} from './slices';

/**
 * Document (saved) · address (what a link holds) · session and one slice a step (on the page only) ·
 * answers (computed from the water: never stored by hand, kept marked stale while the next comes).
 */
export interface WorkspaceState
  extends
    Address,
    DocumentState,
    SessionState,
    DaySlice,
    ReadSlice,
    SpotSlice,
    StalkSlice,
    CastSlice,
    LearnSlice {
  answers: Answers;
}

/** All but document and address, before anything has been asked or answered. */
export const freshState = (): Omit<WorkspaceState, keyof Address | keyof DocumentState> => ({
  ...FRESH_SESSION,
  ...FRESH_DAY,
  daySiteId: '',
  ...FRESH_READ,
  ...FRESH_SPOT,
  ...FRESH_STALK,
  ...FRESH_CAST,
  ...FRESH_LEARN,
  answers: NO_ANSWERS,
});
