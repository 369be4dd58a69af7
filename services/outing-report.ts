import { readTryLine, type Outing, type Reading, type Try } from '../core/log/index';
import {
  appendEvent,
  findBeat,
  hasTry,
  listOutingsOf,
  listTryLog,
  openTry,
  readOuting,
  type TryFilter,
} from '../store/index';
import { book } from './book';
import { done, refused, type Outcome } from './outcome';

export interface OutingReport {
  outing: Outing;
  tries: Try[];
  readings: Reading[];
  beats: { id: string; name: string }[];
}

/** Everything of one outing. */
export async function outingReport(id: string): Promise<Outcome<OutingReport>> {
  const found = await readOuting(await book(), id);
  return found ? done(found) : refused('not-found', `There is no outing "${id}" in this book.`);
}

/** Outings that hold a try or a reading, newest first, with what each came to. */
export async function outingList() {
  return listOutingsOf(await book(), MOST);
}
const MOST = 200;

/** So many of the tries that a filter leaves are listed, the newest. */
const MOST_TRIES = 300;

export async function tryLog(filter: TryFilter) {
  return listTryLog(await book(), filter, MOST_TRIES);
}

export interface TriesTaken {
  dry: boolean;
  taken: number;
  known: number;
  problems: string[];
}

/**
 * Tries from a table. A dry run says what would be taken, and takes nothing. What is in the book
 * already stays as it is; every line that is left has its sentence.
 */
export async function takeTries(
  lines: readonly { line: number; cells: Record<string, string> }[],
  dry: boolean,
): Promise<Outcome<TriesTaken>> {
  const db = await book();
  const out: TriesTaken = { dry, taken: 0, known: 0, problems: [] };
  const read = lines.map(({ line, cells }) => ({ line, ...readTryLine(cells, line) }));
  const seen = new Set<string>();
  for (const { line, attempt, outing, problem } of read) {
    if (!attempt || !outing) {
      out.problems.push(problem ?? `Line ${line} cannot be read.`);
      continue;
    }
    if (attempt.beatId !== null && !(await findBeat(db, attempt.beatId))) {
      out.problems.push(`Line ${line}: there is no beat "${attempt.beatId}" in this book.`);
      continue;
    }
    const isKnown = seen.has(attempt.id) || (await hasTry(db, attempt.id));
    seen.add(attempt.id);
    if (isKnown) {
      out.known++;
      continue;
    }
    out.taken++;
    if (dry) continue;
    const { events, ...plain } = attempt;
    await openTry(db, plain, outing);
    for (const event of events) await appendEvent(db, attempt.id, event);
  }
  return done(out);
}
