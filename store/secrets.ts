import type { Db } from './db';
import { writing } from './transact';

/** A key that whoever serves the book has in common; null before it is made. */
export async function findSecret(db: Db, name: string): Promise<string | null> {
  const row = await db
    .selectFrom('secrets')
    .select('value')
    .where('name', '=', name)
    .executeTakeFirst();
  return row?.value ?? null;
}

/** Puts a key in place of the one that was known; false, and nothing changed, where another did so first. */
export async function swapSecret(
  db: Db,
  name: string,
  known: string | null,
  value: string,
): Promise<boolean> {
  return writing(db, async (trx) => {
    if ((await findSecret(trx, name)) !== known) return false;
    await trx
      .insertInto('secrets')
      .values({ name, value })
      .onConflict((c) => c.column('name').doUpdateSet({ value }))
      .execute();
    return true;
  });
}
