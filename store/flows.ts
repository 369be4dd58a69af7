import type { Db } from './db';
import { writing } from './transact';

export async function findFlow(db: Db, inputHash: string): Promise<Uint8Array | undefined> {
  const row = await db
    .selectFrom('flows')
    .select('blob')
    .where('input_hash', '=', inputHash)
    .executeTakeFirst();
  return row && new Uint8Array(row.blob);
}

export async function saveFlow(
  db: Db,
  flow: { inputHash: string; beatId: string; blob: Uint8Array; createdMs: number },
): Promise<void> {
  await writing(db, (trx) =>
    trx
      .insertInto('flows')
      .values({
        input_hash: flow.inputHash,
        beat_id: flow.beatId,
        blob: Buffer.from(flow.blob),
        created_ms: flow.createdMs,
      })
      .onConflict((c) => c.column('input_hash').doNothing())
      .execute(),
  );
}

export async function hasFlow(db: Db, inputHash: string): Promise<boolean> {
  const row = await db
    .selectFrom('flows')
    .select('input_hash')
    .where('input_hash', '=', inputHash)
    .executeTakeFirst();
  return row !== undefined;
}
