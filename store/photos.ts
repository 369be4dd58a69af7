import type { Db } from './db';
import { writing } from './transact';

export interface StoredPhoto {
  id: string;
  bytes: Uint8Array;
  width: number;
  height: number;
}

export async function putPhoto(db: Db, photo: StoredPhoto, nowMs: number): Promise<void> {
  await writing(db, (trx) =>
    trx
      .insertInto('photos')
      .values({ ...photo, bytes: Buffer.from(photo.bytes), created_ms: nowMs })
      .onConflict((c) => c.column('id').doNothing())
      .execute(),
  );
}

export async function findPhoto(db: Db, id: string): Promise<StoredPhoto | undefined> {
  const row = await db.selectFrom('photos').selectAll().where('id', '=', id).executeTakeFirst();
  return (
    row && { id: row.id, bytes: new Uint8Array(row.bytes), width: row.width, height: row.height }
  );
}
