import type { Outing, Reading, Try } from '../core/log/index';
import type { Db } from './db';
import { putOuting, putReading } from './outings';
import { summaryOf } from './try-summary';

/** Keeps outings with all that was read and tried on them, at once or not at all; what is there already stays. */
export async function putHistory(
  db: Db,
  told: { outings: readonly Outing[]; readings: readonly Reading[]; tries: readonly Try[] },
): Promise<void> {
  await db.transaction().execute(async (trx) => {
    for (const outing of told.outings) await putOuting(trx, outing);
    for (const reading of told.readings) await putReading(trx, reading);
    for (const t of told.tries) {
      const made = await trx
        .insertInto('tries')
        .values({
          id: t.id,
          outing_id: t.outingId,
          beat_id: t.beatId,
          mark_id: t.markId,
          read_id: t.readId ?? null,
          fly: t.fly,
          opened_ms: t.openedMs,
          zone_offset_min: t.zoneOffsetMin,
          snapshot_json: JSON.stringify(t.snapshot),
          ...summaryOf(t.fly, t.snapshot, t.events),
        })
        .onConflict((c) => c.column('id').doNothing())
        .returning('id')
        .executeTakeFirst();
      if (!made) continue;
      for (const { id, device, seq, code, clientMs, zoneOffsetMin, ...detail } of t.events)
        await trx
          .insertInto('try_events')
          .values({
            id,
            try_id: t.id,
            device,
            seq,
            code,
            client_ms: clientMs,
            zone_offset_min: zoneOffsetMin,
            detail_json: JSON.stringify(detail),
          })
          .execute();
    }
  });
}
