import { dropRead, findBeat, listReads, putRead } from '../store/index';
import { quickRead } from '../core/lies/index';
import type { KeptRead } from '../core/log/index';
import { book } from './book';
import { done, refused, type Outcome } from './outcome';

/** Keeps a quick read. What was told must be something that can be rated; its beat must exist. */
export async function keepRead(read: KeptRead): Promise<Outcome<null>> {
  const rated = quickRead(read.answers);
  if (!rated.ok) return refused('invalid', rated.problems.join(' '), 'answers');
  const db = await book();
  if (read.beatId !== null && !(await findBeat(db, read.beatId)))
    return refused('not-found', `There is no beat "${read.beatId}" in this book.`);
  await putRead(db, read);
  return done(null);
}

export async function readsInBook(beatId?: string): Promise<KeptRead[]> {
  return listReads(await book(), beatId);
}

export async function throwReadAway(id: string): Promise<Outcome<null>> {
  await dropRead(await book(), id);
  return done(null);
}
