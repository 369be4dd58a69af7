import type { Db } from './db';

/** Keeps what was prepared of a beat, in place of what was prepared of it before. */
export async function putPack(
  db: Db,
  pack: { inputHash: string; beatId: string; json: string; createdMs: number },
): Promise<void> {
  await db.transaction().execute(async (trx) => {
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
