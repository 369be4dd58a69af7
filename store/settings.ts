import type { Db } from './db';
import { writing } from './transact';
import { jsonIn, readable } from './unreadable';

export async function readSettings(db: Db): Promise<Record<string, unknown>> {
  const rows = await db.selectFrom('settings').selectAll().execute();
  return Object.fromEntries(readable(rows, (r) => [r.key, jsonIn(r.value)] as const));
}

export async function writeSettings(db: Db, values: Record<string, unknown>): Promise<void> {
  await writing(db, async (trx) => {
    for (const [key, value] of Object.entries(values)) {
      const text = JSON.stringify(value);
      await trx
        .insertInto('settings')
        .values({ key, value: text })
        .onConflict((c) => c.column('key').doUpdateSet({ value: text }))
        .execute();
    }
  });
}
