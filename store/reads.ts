import { instantIn, type KeptRead } from '../core/log/index';
import type { Db } from './db';
import type { Database } from './schema';
import type { Selectable } from 'kysely';
import { writing } from './transact';
import { parsed, readable } from './unreadable';

/** Throws `Unreadable`. */
export const readOf = (r: Selectable<Database['reads']>): KeptRead => ({
  id: r.id,
  beatId: r.beat_id,
  xM: r.x_m,
  yM: r.y_m,
  takenMs: instantIn(r.taken_ms),
  zoneOffsetMin: r.zone_offset_min,
  answers: parsed('answers', r.answers_json),
  result: parsed('result', r.result_json),
  note: r.note,
  place: r.place_json === null ? null : parsed('place', r.place_json),
});

/** Kept again under the same id replaces it: a repeated letter does no harm. */
export async function putRead(db: Db, read: KeptRead): Promise<void> {
  const values = {
    beat_id: read.beatId,
    x_m: read.xM,
    y_m: read.yM,
    taken_ms: read.takenMs,
    zone_offset_min: read.zoneOffsetMin,
    answers_json: JSON.stringify(read.answers),
    result_json: JSON.stringify(read.result),
    note: read.note,
    place_json: read.place ? JSON.stringify(read.place) : null,
  };
  await writing(db, (trx) =>
    trx
      .insertInto('reads')
      .values({ id: read.id, ...values })
      .onConflict((c) => c.column('id').doUpdateSet({ ...values, dropped: 0 }))
      .execute(),
  );
}

/** A read, and whether it was thrown away. */
export async function findRead(
  db: Db,
  id: string,
): Promise<{ value: KeptRead; gone: boolean } | null> {
  const row = await db.selectFrom('reads').selectAll().where('id', '=', id).executeTakeFirst();
  const [value] = row ? readable([row], readOf) : [];
  return row && value ? { value, gone: row.dropped !== 0 } : null;
}

/** Newest first; of one beat, or of all. */
export async function listReads(db: Db, beatId?: string): Promise<KeptRead[]> {
  let query = db.selectFrom('reads').selectAll().where('dropped', '=', 0);
  if (beatId !== undefined) query = query.where('beat_id', '=', beatId);
  return readable(await query.orderBy('taken_ms', 'desc').execute(), readOf);
}

/** Dropped, not deleted: keeping it again brings it back. */
export async function dropRead(db: Db, id: string): Promise<void> {
  await writing(db, (trx) =>
    trx.updateTable('reads').set({ dropped: 1 }).where('id', '=', id).execute(),
  );
}
