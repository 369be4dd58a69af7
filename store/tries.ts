import { isDeepStrictEqual } from 'node:util';
import type { Outing, Try, TryEvent } from '../core/log/index';
import { grouped } from './grouped';
import type { Db } from './db';
import { nextOrd } from './dialect';
import { eventOf, eventRow, tryOf, tryRow } from './try-rows';
import { summariseTry } from './try-summary';
import { writing } from './transact';

/** The tries of a beat in the order they were opened, each with its events in the order they came in; `most`: only the newest. */
export async function listTries(db: Db, beatId: string, most?: number): Promise<Try[]> {
  const newest = await db
    .selectFrom('tries')
    .selectAll()
    .where('beat_id', '=', beatId)
    .orderBy('opened_ms', 'desc')
    .orderBy('ord', 'desc')
    .orderBy('id', 'desc')
    .$if(most !== undefined, (q) => q.limit(most!))
    .execute();
  const tries = newest.reverse();
  const events = await db
    .selectFrom('try_events')
    .innerJoin('tries', 'tries.id', 'try_events.try_id')
    .selectAll('try_events')
    .where('tries.beat_id', '=', beatId)
    .$if(most !== undefined && tries.length > 0, (q) =>
      q.where('tries.opened_ms', '>=', tries[0]!.opened_ms),
    )
    .orderBy('seq')
    .orderBy('device')
    .execute();
  const ofTry = grouped(events, (e) => e.try_id);
  return tries.map((t) => tryOf(t, (ofTry.get(t.id) ?? []).map(eventOf)));
}

/** Every try of the book, as it was opened, with what happened. */
export async function listAllTries(db: Db): Promise<Try[]> {
  const tries = await db.selectFrom('tries').selectAll().orderBy('opened_ms').execute();
  const events = await db.selectFrom('try_events').selectAll().execute();
  const ofTry = grouped(events, (e) => e.try_id);
  return tries.map((t) => tryOf(t, (ofTry.get(t.id) ?? []).map(eventOf)));
}

/** Tries of which the feed tells a change after a number, as they are now. */
export async function triesChangedAfter(db: Db, after: number): Promise<Try[]> {
  const changed = db
    .selectFrom('feed')
    .select('id')
    .where('seq', '>', after)
    .where('kind', '=', 'try')
    .union(
      db
        .selectFrom('feed')
        .innerJoin('try_events', 'try_events.id', 'feed.id')
        .select('try_events.try_id as id')
        .where('feed.seq', '>', after)
        .where('feed.kind', '=', 'event'),
    );
  const tries = await db.selectFrom('tries').selectAll().where('id', 'in', changed).execute();
  const events = await db
    .selectFrom('try_events')
    .selectAll()
    .where('try_id', 'in', changed)
    .execute();
  const ofTry = grouped(events, (e) => e.try_id);
  return tries.map((t) => tryOf(t, (ofTry.get(t.id) ?? []).map(eventOf)));
}

/** Opens a try, and its outing if that is new. Repeating changes nothing; another try of the same id is told. */
export async function openTry(
  db: Db,
  t: Omit<Try, 'events'>,
  outing: Outing,
): Promise<'kept' | 'id taken'> {
  return writing(db, async (trx) => {
    await trx
      .insertInto('outings')
      .values({
        id: outing.id,
        start_ms: outing.startMs,
        end_ms: outing.endMs,
        time_zone: outing.timeZone,
        note: outing.note,
      })
      .onConflict((c) => c.column('id').doNothing())
      .execute();
    const made = await trx
      .insertInto('tries')
      .values({ ...tryRow(t), outing_id: outing.id, ord: nextOrd('tries') })
      .onConflict((c) => c.column('id').doNothing())
      .returning('id')
      .executeTakeFirst();
    if (made) {
      await summariseTry(trx, t.id);
      return 'kept';
    }
    const known = await trx
      .selectFrom('tries')
      .select(['beat_id', 'opened_ms'])
      .where('id', '=', t.id)
      .executeTakeFirstOrThrow();
    const same = known.beat_id === t.beatId && known.opened_ms === t.openedMs;
    return same ? 'kept' : 'id taken';
  });
}

export type AppendOutcome =
  | 'kept'
  | 'already kept'
  | 'no such try'
  | 'sequence taken'
  /** An event of this id is there, of another try or with another content. */
  | 'id taken';

/**
 * Appends one event and sums its try up anew. Events of one try from two devices both stand, even
 * under the same number; one device may use a number once.
 */
export async function appendEvent(db: Db, tryId: string, event: TryEvent): Promise<AppendOutcome> {
  const { id } = event;
  return writing(db, async (trx): Promise<AppendOutcome> => {
    if (!(await trx.selectFrom('tries').select('id').where('id', '=', tryId).executeTakeFirst()))
      return 'no such try';
    const kept = await trx
      .insertInto('try_events')
      .values(eventRow(tryId, event))
      .onConflict((c) => c.doNothing())
      .returning('id')
      .executeTakeFirst();
    if (kept) {
      await summariseTry(trx, tryId);
      return 'kept';
    }
    const known = await trx
      .selectFrom('try_events')
      .selectAll()
      .where('id', '=', id)
      .executeTakeFirst();
    if (!known) return 'sequence taken';
    const same = known.try_id === tryId && isDeepStrictEqual(eventOf(known), withoutAbsent(event));
    return same ? 'already kept' : 'id taken';
  });
}

/** As it comes back from JSON. */
const withoutAbsent = (event: TryEvent) => JSON.parse(JSON.stringify(event)) as TryEvent;

export const hasTry = async (db: Db, id: string): Promise<boolean> =>
  (await db.selectFrom('tries').select('id').where('id', '=', id).executeTakeFirst()) !== undefined;
