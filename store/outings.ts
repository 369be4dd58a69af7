import type { Selectable } from 'kysely';
import { instantIn, type Outing, type Reading } from '../core/log/index';
import { isTimeZone } from '../core/units/index';
import type { Db } from './db';
import type { Database } from './schema';
import { writing } from './transact';

/** Keeps an outing or its new state: repeating is harmless. */
export async function putOuting(db: Db, o: Outing): Promise<void> {
  const values = { start_ms: o.startMs, end_ms: o.endMs, time_zone: o.timeZone, note: o.note };
  await writing(db, (trx) =>
    trx
      .insertInto('outings')
      .values({ id: o.id, ...values })
      .onConflict((c) => c.column('id').doUpdateSet(values))
      .execute(),
  );
}

export async function findOuting(db: Db, id: string): Promise<Outing | null> {
  const row = await db.selectFrom('outings').selectAll().where('id', '=', id).executeTakeFirst();
  return row ? outingOf(row) : null;
}

/** Newest first. */
export async function listOutings(db: Db, most: number): Promise<Outing[]> {
  const rows = await db
    .selectFrom('outings')
    .selectAll()
    .orderBy('start_ms', 'desc')
    .limit(most)
    .execute();
  return rows.map(outingOf);
}

export const outingOf = (r: Selectable<Database['outings']>): Outing => ({
  id: r.id,
  startMs: instantIn(r.start_ms),
  endMs: r.end_ms === null ? null : instantIn(r.end_ms),
  timeZone: isTimeZone(r.time_zone) ? r.time_zone : 'UTC',
  note: r.note,
});

/** What an outing came to: the beats that were fished, how many tries, how many fish landed. */
export interface OutingSummary {
  outing: Outing;
  beats: { id: string; name: string }[];
  tries: number;
  landed: number;
}

/** The outing of the newest try; undefined before the first. */
export async function findLastOuting(db: Db): Promise<OutingSummary | undefined> {
  const last = await db
    .selectFrom('tries')
    .innerJoin('outings', 'outings.id', 'tries.outing_id')
    .selectAll('outings')
    .orderBy('tries.opened_ms', 'desc')
    .limit(1)
    .executeTakeFirst();
  if (!last) return undefined;
  const tries = await db
    .selectFrom('tries')
    .leftJoin('beats', 'beats.id', 'tries.beat_id')
    .select(['beat_id', 'beats.name as beatName', 'beats.deleted_ms as deletedMs', 'state'])
    .where('outing_id', '=', last.id)
    .orderBy('opened_ms')
    .execute();
  const beats = new Map<string, string>();
  for (const t of tries)
    if (t.beat_id !== null && t.beatName !== null && t.deletedMs === null)
      beats.set(t.beat_id, t.beatName);
  return {
    outing: outingOf(last),
    beats: [...beats].map(([id, name]) => ({ id, name })),
    tries: tries.length,
    landed: tries.filter((t) => t.state === 'landed').length,
  };
}

/** Keeps a reading or its new state: repeating is harmless. */
export async function putReading(db: Db, r: Reading): Promise<void> {
  const values = {
    outing_id: r.outingId,
    beat_id: r.beatId,
    taken_ms: r.takenMs,
    zone_offset_min: r.zoneOffsetMin,
    water_temp_c: r.waterTempC,
    air_temp_c: r.airTempC,
    turbidity_ntu: r.turbidityNtu,
    level_m: r.levelM,
    sky: r.sky,
    wind_mps: r.windMps,
    wind_from: r.windFrom,
    source: r.source,
    note: r.note,
  };
  await writing(db, (trx) =>
    trx
      .insertInto('readings')
      .values({ id: r.id, ...values })
      .onConflict((c) => c.column('id').doUpdateSet({ ...values, dropped: 0 }))
      .execute(),
  );
}

/** A reading, and whether it was taken back. */
export async function findReading(
  db: Db,
  id: string,
): Promise<{ value: Reading; gone: boolean } | null> {
  const row = await db.selectFrom('readings').selectAll().where('id', '=', id).executeTakeFirst();
  return row ? { value: readingOf(row), gone: row.dropped !== 0 } : null;
}

/** Oldest first. */
export async function listReadings(db: Db, outingId: string): Promise<Reading[]> {
  const rows = await db
    .selectFrom('readings')
    .selectAll()
    .where('outing_id', '=', outingId)
    .where('dropped', '=', 0)
    .orderBy('taken_ms')
    .execute();
  return rows.map(readingOf);
}

export const readingOf = (r: Selectable<Database['readings']>): Reading => ({
  id: r.id,
  outingId: r.outing_id,
  beatId: r.beat_id,
  takenMs: instantIn(r.taken_ms),
  zoneOffsetMin: r.zone_offset_min,
  waterTempC: r.water_temp_c,
  airTempC: r.air_temp_c,
  turbidityNtu: r.turbidity_ntu,
  levelM: r.level_m,
  sky: r.sky as Reading['sky'],
  windMps: r.wind_mps,
  windFrom: r.wind_from as Reading['windFrom'],
  source: r.source as Reading['source'],
  note: r.note,
});

/** Dropped, not deleted: keeping it again brings it back. */
export async function dropReading(db: Db, id: string): Promise<void> {
  await writing(db, (trx) =>
    trx.updateTable('readings').set({ dropped: 1 }).where('id', '=', id).execute(),
  );
}

/** Every reading of the book, oldest first; those that were dropped only where they are asked for. */
export async function listAllReadings(
  db: Db,
  { dropped = false }: { dropped?: boolean } = {},
): Promise<Reading[]> {
  const rows = await db
    .selectFrom('readings')
    .selectAll()
    .$if(!dropped, (q) => q.where('dropped', '=', 0))
    .orderBy('taken_ms')
    .execute();
  return rows.map(readingOf);
}
