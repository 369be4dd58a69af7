import type { Db } from './db';

/** A change is remembered so long, ms: longer than a phone keeps what it sent, and than most backups are old. */
const REMEMBERED_MS = 180 * 86_400_000;

/** What was answered to a change that was taken: null where nothing more was to be said. */
export interface TakenChange {
  refusal: string | null;
}

/** Whether a change of this name was taken before; null where it was not. */
export async function findTakenChange(db: Db, id: string): Promise<TakenChange | null> {
  const row = await db
    .selectFrom('taken_changes')
    .select('refusal_json as refusal')
    .where('id', '=', id)
    .executeTakeFirst();
  return row ?? null;
}

/** Remembers a change, within the transaction that makes it. */
export async function rememberChange(
  trx: Db,
  id: string,
  refusal: string | null,
  nowMs: number,
): Promise<void> {
  await trx
    .deleteFrom('taken_changes')
    .where('at_ms', '<', nowMs - REMEMBERED_MS)
    .execute();
  await trx
    .insertInto('taken_changes')
    .values({ id, at_ms: nowMs, refusal_json: refusal })
    .execute();
}

/** Of these names, the ones that no change was taken under. */
export async function unknownChanges(db: Db, ids: readonly string[]): Promise<string[]> {
  if (ids.length === 0) return [];
  const rows = await db.selectFrom('taken_changes').select('id').where('id', 'in', ids).execute();
  const known = new Set(rows.map((r) => r.id));
  return ids.filter((id) => !known.has(id));
}
