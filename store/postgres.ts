import { Kysely, Migrator, PostgresDialect, sql } from 'kysely';
import pg from 'pg';
import type { Db } from './db';
import { markPostgres } from './dialect';
import { MIGRATIONS } from './migrations';
import type { Database } from './schema';
import { triedAgain, writing } from './transact';
import { summariseTries } from './try-summary';

/** Connections of one process. */
const CONNECTIONS = 10;
/** A server that does not answer within this is said to be away, ms. */
const CONNECT_MS = 8_000;
/** PostgreSQL's numbers for whole numbers of 64 bit and for sums of them. */
const INT8 = 20;
const NUMERIC = 1700;

export const isPostgresUrl = (where: string): boolean => /^postgres(ql)?:\/\//.test(where);

/** An address without what opens it. */
export const withoutPassword = (url: string): string => url.replace(/:[^:@/]*@/, ':…@');

/**
 * Opens the book in a database of PostgreSQL, making its tables if need be; two servers may start at
 * once. Throws a sentence where the server is away, or acknowledges what a power cut could lose.
 */
export async function openPostgres(url: string): Promise<Db> {
  const pool = new pg.Pool({
    connectionString: url,
    max: CONNECTIONS,
    connectionTimeoutMillis: CONNECT_MS,
    application_name: 'pebble-lane',
    types: {
      // Whole numbers here are instants and counts: far below 2^53.
      getTypeParser: ((oid: number, format: 'text') =>
        oid === INT8 || oid === NUMERIC
          ? Number
          : pg.types.getTypeParser(oid, format)) as typeof pg.types.getTypeParser,
    },
  });
  // One that is lost in use says so to whoever uses it, and once more by itself: unheard, that would end the program.
  pool.on('connect', (client) => client.on('error', () => undefined));
  // A connection that is lost while nobody uses it is replaced with the next use.
  pool.on('error', (error) => console.error(`A connection to the book was lost: ${error.message}`));
  const db: Db = new Kysely<Database>({ dialect: new PostgresDialect({ pool }) });
  markPostgres(db);
  try {
    await refuseForgetful(db, url);
    const migrator = new Migrator({ db, provider: { getMigrations: async () => MIGRATIONS } });
    await triedAgain(async () => {
      const { error } = await migrator.migrateToLatest();
      if (error) throw error;
    });
    await writing(db, summariseTries);
  } catch (error) {
    await db.destroy();
    throw error;
  }
  return db;
}

/** A server that answers before it has kept would break the one promise of a log. */
async function refuseForgetful(db: Db, url: string): Promise<void> {
  const { rows } = await sql<{ fsync: string; commit: string }>`
    select current_setting('fsync') as fsync, current_setting('synchronous_commit') as commit`
    .execute(db)
    .catch((error: unknown) => {
      const said =
        error instanceof Error ? error.message || (error as { code?: string }).code : error;
      throw new Error(
        `DATABASE_URL is "${withoutPassword(url)}", and no book could be opened there: ${String(said)}.`,
      );
    });
  const { fsync, commit } = rows[0]!;
  if (fsync === 'off' || commit === 'off')
    throw new Error(
      `DATABASE_URL is "${withoutPassword(url)}", whose server has fsync ${fsync} and synchronous_commit ${commit}: a fish that was acknowledged could be lost. Both must be on.`,
    );
}
