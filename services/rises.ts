import { dropRise, findBeat, putRise, type RiseRow } from '../store/index';
import { book } from './book';
import { done, refused, type Outcome } from './outcome';

/** Keeps a ring. The id is the client's: repeating is harmless. */
export async function keepRise(rise: RiseRow): Promise<Outcome<null>> {
  const db = await book();
  if (!(await findBeat(db, rise.beatId)))
    return refused('not-found', `There is no beat "${rise.beatId}" in this book.`, 'beatId');
  await putRise(db, rise);
  return done(null);
}

export async function takeRiseBack(id: string): Promise<Outcome<null>> {
  await dropRise(await book(), id);
  return done(null);
}
