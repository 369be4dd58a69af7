import { Kysely, sql } from 'kysely';
import type { Db } from './db';
import { isPostgres } from './dialect';
import { ImmediateSqliteDialect } from './immediate-dialect';
import type { Database } from './schema';
import { openSqlite } from './sqlite';
import { reading } from './transact';

/**
 * The book at one moment, for something that reads for minutes: on SQLite over a connection of its own,
 * so that everything else goes on meanwhile.
 */
export async function readingApart<T>(db: Db, look: (trx: Db) => Promise<T>): Promise<T> {
  if (isPostgres(db)) return reading(db, look);
  const { rows } = await sql<{ file: string }>`pragma database_list`.execute(db);
  const { file } = rows[0]!;
  const apart = new Kysely<Database>({
    dialect: new ImmediateSqliteDialect(() => openSqlite(file, { readonly: true })),
  });
  try {
    return await reading(apart, look);
  } finally {
    await apart.destroy();
  }
}
