import type { Db } from './db';

export async function readSettings(db: Db): Promise<Record<string, unknown>> {
  const rows = await db.selectFrom('settings').selectAll().execute();
  return Object.fromEntries(rows.map((r) => [r.key, JSON.parse(r.value)]));
}

export async function writeSettings(db: Db, values: Record<string, unknown>): Promise<void> {
  await db.transaction().execute(async (trx) => {
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
