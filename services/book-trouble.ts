import { statfsSync } from 'node:fs';
import { isPostgres } from '../store/index';
import { book, dataFolder } from './book';
import type { BookTrouble } from './book-refusal';

/** What is told of the book when it cannot take anything: to whoever sent it, and under `/health`. */
export const TROUBLE_WORDS: Record<BookTrouble, string> = {
  away: 'The book cannot be reached just now.',
  full: 'The disk is full, and the book takes nothing until there is room.',
  held: 'Another program holds the book.',
  damaged: 'The book cannot be read or written where it lies; the log says more.',
};

/** A trouble that was met lately still stands, ms. */
const LATELY_MS = 30_000;
/** With less room than this the next write may fail, bytes. */
const LEAST_ROOM = 20e6;

const KEY = Symbol.for('pebble-lane.trouble');
type Held = typeof globalThis & { [KEY]?: { trouble: BookTrouble; atMs: number } };

export function noteTrouble(trouble: BookTrouble): void {
  (globalThis as Held)[KEY] = { trouble, atMs: Date.now() };
}

/** What is wrong with the book just now; null: nothing. Rejects where it cannot be opened at all. */
export async function troubleNow(): Promise<BookTrouble | null> {
  if (!isPostgres(await book())) {
    const { bavail, bsize } = statfsSync(dataFolder());
    if (bavail * bsize < LEAST_ROOM) return 'full';
  }
  const noted = (globalThis as Held)[KEY];
  return noted && Date.now() - noted.atMs < LATELY_MS ? noted.trouble : null;
}
