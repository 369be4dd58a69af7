import { chmodSync, existsSync, linkSync, mkdirSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { Kysely, Migrator } from 'kysely';
import { BookUnopened, unopened } from './book-unopened';
import { keepCopyBefore } from './copy-before';
import { ImmediateSqliteDialect } from './immediate-dialect';
import { MIGRATIONS } from './migrations';
import type { Db } from './db';
import { isPostgresUrl, openPostgres } from './postgres';
import type { Database } from './schema';
import { openSqlite, type Sqlite } from './sqlite';
import { summariseTries } from './try-summary';

export type { Db };

export const DATABASE_FILE = 'pebble-lane.sqlite';
/** Books up to this size are looked through whole when they are opened, bytes: some tenths of a second. */
const LOOKED_THROUGH_BYTES = 256e6;
/** SQLite itself waits this long for a lock, ms: everything waits with it. */
const SHORT_MS = 200;
const OWNER_ONLY_FOLDER = 0o700;
const OWNER_ONLY_FILE = 0o600;

/**
 * Opens the book: in a database of PostgreSQL where an address is given, else in a folder, making it
 * if need be. In a folder: WAL, foreign keys, synchronous FULL: what is acknowledged survives a
 * power cut. The steps from an older version are one transaction: a kill leaves the old book or the
 * new one. A copy of the old one is kept beside it first, and no copy is ever written over. Throws
 * `BookUnopened`, whose sentence says what is wrong and what to do; nothing has changed then.
 */
export async function openStore(where: string): Promise<Db> {
  return isPostgresUrl(where) ? openPostgres(where) : openFolder(where);
}

async function openFolder(folder: string): Promise<Db> {
  const path = join(folder, DATABASE_FILE);
  try {
    mkdirSync(folder, { recursive: true, mode: OWNER_ONLY_FOLDER });
    if (!existsSync(path)) await beginBook(path);
    return await openBook(path, folder);
  } catch (error) {
    throw unopened(path, error);
  }
}

/** A new book appears whole: until it is, it has another name. Of two that begin one at once, the first stands. */
async function beginBook(path: string): Promise<void> {
  const begun = `${path}.begun-${process.pid}`;
  const forget = () => {
    for (const end of ['', '-wal', '-shm']) rmSync(`${begun}${end}`, { force: true });
  };
  forget();
  const db = connect(begun);
  await migrate(db);
  chmodSync(begun, OWNER_ONLY_FILE);
  await db.destroy();
  try {
    linkSync(begun, path);
  } catch (error) {
    if ((error as { code?: string }).code !== 'EEXIST') throw error;
  } finally {
    forget();
  }
}

async function openBook(path: string, folder: string): Promise<Db> {
  if (statSync(path).size === 0) throw new BookUnopened(path, 'it is empty: a file of 0 bytes');
  // The files that SQLite lays beside it take its rights.
  chmodSync(path, OWNER_ONLY_FILE);
  lookThrough(path);
  const db = connect(path);
  try {
    const pending = (await migrator(db).getMigrations()).filter((m) => m.executedAt === undefined);
    if (pending.length > 0)
      beside(path, (sqlite) =>
        keepCopyBefore(sqlite, path, join(folder, `before-${pending[0]!.name}`)),
      );
    await migrate(db);
    await summariseTries(db);
    return db;
  } catch (error) {
    await db.destroy();
    throw error;
  }
}

/** A connection that keeps what it acknowledges through a power cut. */
function connection(path: string): Sqlite {
  // Whoever has to wait for a lock waits outside of SQLite, where others go on (`immediate-dialect.ts`).
  const sqlite = openSqlite(path, { timeout: SHORT_MS });
  sqlite.pragma('journal_mode = WAL');
  sqlite.pragma('synchronous = FULL');
  sqlite.pragma('foreign_keys = ON');
  return sqlite;
}

function connect(path: string): Db {
  return new Kysely<Database>({ dialect: new ImmediateSqliteDialect(() => connection(path)) });
}

/** What is damaged is said before anything is written to it. */
function lookThrough(path: string): void {
  if (statSync(path).size > LOOKED_THROUGH_BYTES) return;
  const found = beside(path, (sqlite) => String(sqlite.pragma('quick_check(1)', { simple: true })));
  if (found !== 'ok') throw new BookUnopened(path, `it is damaged (${found.slice(0, 120)})`);
}

/** Something done over a connection of its own. */
function beside<T>(path: string, work: (sqlite: Sqlite) => T): T {
  const sqlite = connection(path);
  try {
    return work(sqlite);
  } finally {
    sqlite.close();
  }
}

const migrator = (db: Db) =>
  new Migrator({ db, provider: { getMigrations: async () => MIGRATIONS } });

async function migrate(db: Db): Promise<void> {
  const { error } = await migrator(db).migrateToLatest();
  if (error) throw error;
}
