import type { Db } from './db';
import { writing } from './transact';

/** Keeps what was prepared of a beat, in place of what was prepared of it before. */
export async function putPack(
  db: Db,
  pack: { inputHash: string; beatId: string; json: string; createdMs: number },
): Promise<void> {
  await writing(db, async (trx) => {
    await trx.deleteFrom('packs').where('beat_id', '=', pack.beatId).execute();
    await trx
      .insertInto('packs')
      .values({
        input_hash: pack.inputHash,
        beat_id: pack.beatId,
        json: pack.json,
        created_ms: pack.createdMs,
      })
      .execute();
  });
}

/** JSON text of what was prepared from exactly these inputs; null when nobody did. */
export async function findPack(db: Db, inputHash: string): Promise<string | null> {
  const row = await db
    .selectFrom('packs')
    .select('json')
    .where('input_hash', '=', inputHash)
    .executeTakeFirst();
  return row?.json ?? null;
}

/** What was prepared last of each beat that is still in the book. */
export async function listPacks(db: Db): Promise<string[]> {
  const rows = await db
    .selectFrom('packs')
    .innerJoin('beats', 'beats.id', 'packs.beat_id')
    .select('packs.json')
    .where('beats.deleted_ms', 'is', null)
    .orderBy('packs.created_ms')
    .execute();
  return rows.map((r) => r.json);
}
