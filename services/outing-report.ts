import type { Outing, Reading, Try } from '../core/log/index';
import { listOutingsOf, listTryLog, readOuting, type TryFilter } from '../store/index';
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
