import type { TryEvent } from './events';
import type { TrySnapshot } from './snapshot';

/** One fish or lie actually worked: what the plan said, and what happened. */
export interface Try {
  id: string;
  outingId: string;
  /** null: a place without a beat. */
  beatId: string | null;
  /** null: a lie, or a place, in which no fish was seen. */
  markId: string | null;
  /** A place as told, where nothing was drawn; absent or null: none. */
  readId?: string | null | undefined;
  fly: string;
  openedMs: number;
  zoneOffsetMin: number;
  snapshot: TrySnapshot;
  events: TryEvent[];
}

/** A beat is opened with as many of its tries, the newest; all of them are in the log of the book. */
export const TRIES_AT_HAND = 250;

/** The note of a try that says only that nobody was home. */
export const DREW_BLANK = 'Drew blank.';
