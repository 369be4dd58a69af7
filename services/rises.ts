import { dropRise, findBeat, putRise, type RiseRow } from '../store/index';
import { book } from './book';
import { once, takeOut, TOLD_WHOLE, type Change } from './change';
import { done, refused, type Outcome } from './outcome';

/** Keeps a ring. The id is the client's: repeating is harmless. */
export async function keepRise(
  rise: RiseRow,
  { id: name }: Change = TOLD_WHOLE,
): Promise<Outcome<null>> {
  const db = await book();
  if (!(await findBeat(db, rise.beatId)))
    return refused('not-found', `There is no beat "${rise.beatId}" in this book.`, 'beatId');
  return once(name, async (trx) => {
    await putRise(trx, rise);
    return done(null);
  });
}

export function takeRiseBack(id: string, change: Change = TOLD_WHOLE): Promise<Outcome<null>> {
  return takeOut(change, (trx) => dropRise(trx, id));
}
