import type { Selectable } from 'kysely';
import type { Db } from './db';
import type { Database } from './schema';
import { writing } from './transact';

/** A device that was let in by a code. */
export interface Phone {
  id: string;
  name: string;
  pairedMs: number;
  seenMs: number;
  /** null while it may come in. */
  thrownOutMs: number | null;
}

export async function putPhone(db: Db, phone: Phone): Promise<void> {
  await writing(db, (trx) =>
    trx
      .insertInto('phones')
      .values({
        id: phone.id,
        name: phone.name,
        paired_ms: phone.pairedMs,
        seen_ms: phone.seenMs,
        thrown_out_ms: phone.thrownOutMs,
      })
      .execute(),
  );
}

/** Newest first. */
export async function listPhones(db: Db): Promise<Phone[]> {
  const rows = await db.selectFrom('phones').selectAll().orderBy('paired_ms', 'desc').execute();
  return rows.map(phoneOf);
}

export async function findPhone(db: Db, id: string): Promise<Phone | null> {
  const row = await db.selectFrom('phones').selectAll().where('id', '=', id).executeTakeFirst();
  return row ? phoneOf(row) : null;
}

/** False when there is no such phone. */
export async function changePhone(
  db: Db,
  id: string,
  change: { name?: string; seenMs?: number; thrownOutMs?: number },
): Promise<boolean> {
  const { numUpdatedRows } = await writing(db, (trx) =>
    trx
      .updateTable('phones')
      .set({
        ...(change.name !== undefined && { name: change.name }),
        ...(change.seenMs !== undefined && { seen_ms: change.seenMs }),
        ...(change.thrownOutMs !== undefined && { thrown_out_ms: change.thrownOutMs }),
      })
      .where('id', '=', id)
      .executeTakeFirst(),
  );
  return numUpdatedRows > 0n;
}

const phoneOf = (r: Selectable<Database['phones']>): Phone => ({
  id: r.id,
  name: r.name,
  pairedMs: r.paired_ms,
  seenMs: r.seen_ms,
  thrownOutMs: r.thrown_out_ms,
});
