import { findBeat, putMark, strikeMark, type MarkRow } from '../store/index';
import { book } from './book';
import { nowMs } from './clock';
import { done, refused, type Outcome } from './outcome';

type Later = 'behaviour' | 'note' | 'photoId' | 'seenMs';
type MarkToKeep = Omit<MarkRow, Later> & { [K in Later]?: MarkRow[K] | undefined };

/** Keeps a mark or its new state. The id is the client's: repeating is harmless. */
export async function keepMark(mark: MarkToKeep): Promise<Outcome<null>> {
  const db = await book();
  if (!(await findBeat(db, mark.beatId)))
    return refused('not-found', `There is no beat "${mark.beatId}" in this book.`, 'beatId');
  // What a mark is until more is said of it.
  const { behaviour = 'holding', note = '', photoId = null, seenMs = 0 } = mark;
  await putMark(db, { ...mark, behaviour, note, photoId, seenMs }, nowMs());
  return done(null);
}

/** Takes a mark off the plan; tries at it stay. Repeating is harmless. */
export async function removeMark(id: string): Promise<Outcome<null>> {
  await strikeMark(await book(), id);
  return done(null);
}
