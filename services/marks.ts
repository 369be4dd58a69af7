import { findBeat, findMark, putMark, strikeMark, type MarkRow } from '../store/index';
import { book } from './book';
import { keepChange, takeOut, TOLD_WHOLE, type Change } from './change';
import { nowMs } from './clock';
import { refused, type Outcome } from './outcome';

type Later = 'behaviour' | 'note' | 'photoId' | 'seenMs';
type MarkToKeep = Omit<MarkRow, Later> & { [K in Later]?: MarkRow[K] | undefined };

/** Keeps a mark or its new state. The id is the client's: repeating is harmless. */
export async function keepMark(
  mark: MarkToKeep,
  change: Change = TOLD_WHOLE,
): Promise<Outcome<null>> {
  const db = await book();
  if (!(await findBeat(db, mark.beatId)))
    return refused('not-found', `There is no beat "${mark.beatId}" in this book.`, 'beatId');
  // What a mark is until more is said of it.
  const { behaviour = 'holding', note = '', photoId = null, seenMs = 0 } = mark;
  return keepChange(change, {
    what: 'the fish',
    now: { ...mark, behaviour, note, photoId, seenMs },
    current: (trx) => findMark(trx, mark.id),
    keep: (trx, value) => putMark(trx, value, nowMs()),
  });
}

/** Takes a mark off the plan; tries at it stay. Repeating is harmless. */
export function removeMark(id: string, change: Change = TOLD_WHOLE): Promise<Outcome<null>> {
  return takeOut(change, (trx) => strikeMark(trx, id));
}
