import { copyFileSync, existsSync, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { Kysely, Migrator } from 'kysely';
import { ImmediateSqliteDialect } from './immediate-dialect';
import { MIGRATIONS } from './migrations';
import type { Db } from './db';
import { isPostgresUrl, openPostgres } from './postgres';
import type { Database } from './schema';
import { openSqlite } from './sqlite';
import { summariseTries } from './try-summary';

export type { Db };

export const DATABASE_FILE = 'pebble-lane.sqlite';

/**
 * Opens the book: in a database of PostgreSQL where an address is given, else in a folder, making it
 * if need be. In a folder: WAL, foreign keys, synchronous FULL: what is
 * acknowledged survives a power cut. Before a migration of an existing book a copy is kept beside
 * it. Throws with the migration's error; the copy then holds the old book.
 */
export async function openStore(where: string): Promise<Db> {
  return isPostgresUrl(where) ? openPostgres(where) : openFolder(where);
}

async function openFolder(folder: string): Promise<Db> {
  mkdirSync(folder, { recursive: true });
  const path = join(folder, DATABASE_FILE);
  const existed = existsSync(path);
  const sqlite = openSqlite(path);
  sqlite.pragma('journal_mode = WAL');
  sqlite.pragma('synchronous = FULL');
  sqlite.pragma('foreign_keys = ON');
  sqlite.pragma('busy_timeout = 5000');
  const db = new Kysely<Database>({ dialect: new ImmediateSqliteDialect({ database: sqlite }) });
  const migrator = new Migrator({ db, provider: { getMigrations: async () => MIGRATIONS } });
  const pending = (await migrator.getMigrations()).filter((m) => m.executedAt === undefined);
  if (existed && pending.length > 0) {
    sqlite.pragma('wal_checkpoint(TRUNCATE)');
    copyFileSync(path, join(folder, `before-${pending[0]!.name}.sqlite`));
  }
  const { error } = await migrator.migrateToLatest();
  if (error) {
    await db.destroy();
    throw error;
  }
  await summariseTries(db);
  return db;
}
