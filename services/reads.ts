import { dropRead, findBeat, findRead, listReads, putRead } from '../store/index';
import { quickRead } from '../core/lies/index';
import type { KeptRead } from '../core/log/index';
import { book } from './book';
import { keepChange, takeOut, TOLD_WHOLE, type Change } from './change';
import { refused, type Outcome } from './outcome';
import { checkShape } from './shape';

/** Keeps a quick read. What was told must be something that can be rated; its beat must exist. */
export async function keepRead(
  read: KeptRead,
  change: Change = TOLD_WHOLE,
): Promise<Outcome<null>> {
  for (const sound of [
    checkShape('answers', read.answers, 'What was told', 'answers'),
    checkShape('result', read.result, 'The rating', 'result'),
    checkShape('place', read.place ?? null, 'The place', 'place'),
  ])
    if (!sound.ok) return sound;
  const rated = quickRead(read.answers);
  if (!rated.ok) return refused('invalid', rated.problems.join(' '), 'answers');
  const db = await book();
  if (read.beatId !== null && !(await findBeat(db, read.beatId)))
    return refused('not-found', `There is no beat "${read.beatId}" in this book.`);
  return keepChange(change, {
    what: 'the quick read',
    now: read,
    current: (trx) => findRead(trx, read.id),
    keep: putRead,
  });
}

export async function readsInBook(beatId?: string): Promise<KeptRead[]> {
  return listReads(await book(), beatId);
}

export function throwReadAway(id: string, change: Change = TOLD_WHOLE): Promise<Outcome<null>> {
  return takeOut(change, (trx) => dropRead(trx, id));
}
