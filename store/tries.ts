import { sql } from 'kysely';
import type { TryEvent } from '../core/log/index';
import type { Db } from './open';

export interface StoredTry {
  id: string;
  beatId: string;
  markId: string | null;
  fly: string;
  openedMs: number;
  zoneOffsetMin: number;
  snapshot: unknown;
  events: TryEvent[];
}

export async function listTries(db: Db, beatId: string): Promise<StoredTry[]> {
  const tries = await db
    .selectFrom('tries')
    .selectAll()
    .where('beat_id', '=', beatId)
    .orderBy('opened_ms')
    .orderBy(sql`rowid`)
    .execute();
  if (tries.length === 0) return [];
  const events = await db
    .selectFrom('try_events')
    .selectAll()
    .where(
      'try_id',
      'in',
      tries.map((t) => t.id),
    )
    .orderBy('seq')
    .execute();
  return tries.map((t) => ({
    id: t.id,
    beatId: t.beat_id,
    markId: t.mark_id,
    fly: t.fly,
    openedMs: t.opened_ms,
    zoneOffsetMin: t.zone_offset_min,
    snapshot: JSON.parse(t.snapshot_json),
    events: events
      .filter((e) => e.try_id === t.id)
      .map((e) => ({
        id: e.id,
        seq: e.seq,
        code: e.code,
        clientMs: e.client_ms,
        zoneOffsetMin: e.zone_offset_min,
        ...(JSON.parse(e.detail_json) as object),
      })) as TryEvent[],
  }));
}

/** Opens a try, and an outing for its beat and date if there is none. Repeating the id changes nothing. */
export async function openTry(
  db: Db,
  t: Omit<StoredTry, 'events'>,
  localDate: string,
): Promise<void> {
  await db.transaction().execute(async (trx) => {
    const outingId = `outing-${t.beatId}-${localDate}`;
    await trx
      .insertInto('outings')
      .values({ id: outingId, beat_id: t.beatId, local_date: localDate })
      .onConflict((c) => c.doNothing())
      .execute();
    await trx
      .insertInto('tries')
      .values({
        id: t.id,
        outing_id: outingId,
        beat_id: t.beatId,
        mark_id: t.markId,
        fly: t.fly,
        opened_ms: t.openedMs,
        zone_offset_min: t.zoneOffsetMin,
        snapshot_json: JSON.stringify(t.snapshot),
      })
      .onConflict((c) => c.column('id').doNothing())
      .execute();
  });
}

export type AppendOutcome = 'kept' | 'already kept' | 'no such try' | 'sequence taken';

export async function appendEvent(db: Db, tryId: string, event: TryEvent): Promise<AppendOutcome> {
  const { id, seq, code, clientMs, zoneOffsetMin, ...detail } = event;
  return db.transaction().execute(async (trx): Promise<AppendOutcome> => {
    if (!(await trx.selectFrom('tries').select('id').where('id', '=', tryId).executeTakeFirst()))
      return 'no such try';
    if (await trx.selectFrom('try_events').select('id').where('id', '=', id).executeTakeFirst())
      return 'already kept';
    const taken = await trx
      .selectFrom('try_events')
      .select('id')
      .where('try_id', '=', tryId)
      .where('seq', '=', seq)
      .executeTakeFirst();
    if (taken) return 'sequence taken';
    await trx
      .insertInto('try_events')
      .values({
        id,
        try_id: tryId,
        seq,
        code,
        client_ms: clientMs,
        zone_offset_min: zoneOffsetMin,
        detail_json: JSON.stringify(detail),
      })
      .execute();
    return 'kept';
  });
}
