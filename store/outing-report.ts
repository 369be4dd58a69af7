import type { Outing, Reading, Try } from '../core/log/index';
import type { Db } from './db';
import { grouped } from './grouped';
import { listReadings, outingOf } from './outings';
import { eventOf, tryOf } from './try-rows';

/** One outing, whole; null when there is none of that id. */
export async function readOuting(
  db: Db,
  id: string,
): Promise<{
  outing: Outing;
  tries: Try[];
  readings: Reading[];
  beats: { id: string; name: string }[];
} | null> {
  const row = await db.selectFrom('outings').selectAll().where('id', '=', id).executeTakeFirst();
  if (!row) return null;
  const tries = await db
    .selectFrom('tries')
    .selectAll()
    .where('outing_id', '=', id)
    .orderBy('opened_ms')
    .execute();
  const events = await db
    .selectFrom('try_events')
    .innerJoin('tries', 'tries.id', 'try_events.try_id')
    .selectAll('try_events')
    .where('tries.outing_id', '=', id)
    .execute();
  const byTry = grouped(events, (e) => e.try_id);
  const ids = [...new Set(tries.flatMap((t) => t.beat_id ?? []))];
  const beats = await db
    .selectFrom('beats')
    .select(['id', 'name'])
    .where('id', 'in', ids.length > 0 ? ids : [''])
    .execute();
  return {
    outing: outingOf(row),
    tries: tries.map((t) => tryOf(t, (byTry.get(t.id) ?? []).map(eventOf))),
    readings: await listReadings(db, id),
    beats,
  };
}

/** Outings in which something happened, newest first. */
export async function listOutingsOf(
  db: Db,
  most: number,
): Promise<{ outing: Outing; tries: number; landed: number; readings: number }[]> {
  const rows = await db
    .selectFrom('outings')
    .selectAll('outings')
    .select((b) => [
      b
        .selectFrom('tries')
        .whereRef('tries.outing_id', '=', 'outings.id')
        .select(b.fn.countAll<number>().as('n'))
        .as('tries'),
      b
        .selectFrom('tries')
        .whereRef('tries.outing_id', '=', 'outings.id')
        .where('state', '=', 'landed')
        .select(b.fn.countAll<number>().as('n'))
        .as('landed'),
      b
        .selectFrom('readings')
        .whereRef('readings.outing_id', '=', 'outings.id')
        .where('dropped', '=', 0)
        .select(b.fn.countAll<number>().as('n'))
        .as('readings'),
    ])
    .orderBy('start_ms', 'desc')
    .limit(most)
    .execute();
  return rows
    .map((r) => ({
      outing: outingOf(r),
      tries: Number(r.tries ?? 0),
      landed: Number(r.landed ?? 0),
      readings: Number(r.readings ?? 0),
    }))
    .filter((r) => r.tries + r.readings > 0);
}
