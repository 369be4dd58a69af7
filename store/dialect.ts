import { sql, type RawBuilder } from 'kysely';
import type { Db } from './db';
import type { Database } from './schema';

/**
 * Marks what all connections and transactions of one book share. The server and its pages are built
 * apart, each with its own copy of this package: a class of one is not known to the other.
 */
const ENGINE = Symbol.for('pebble-lane.engine');
const shared = (db: Db) => db.getExecutor().adapter as { [ENGINE]?: 'postgres' };

export const markPostgres = (db: Db): void => void (shared(db)[ENGINE] = 'postgres');

/** Whether the book lies on PostgreSQL; else it is SQLite's one file. */
export const isPostgres = (db: Db): boolean => shared(db)[ENGINE] === 'postgres';

/** A text of a JSON column by its key, in either engine; null where there is none. */
export const jsonText = (db: Db, column: string, key: string): RawBuilder<string | null> =>
  isPostgres(db)
    ? sql`${sql.ref(column)}::jsonb ->> ${key}`
    : sql`json_extract(${sql.ref(column)}, ${`$.${key}`})`;

/** The number of a row being made, after all that were made before it; where two are equal, ids decide. */
export const nextOrd = (table: 'beats' | 'marks' | 'tries' | 'solves'): RawBuilder<number> =>
  sql`(select coalesce(max(ord), 0) + 1 from ${sql.table(table satisfies keyof Database)})`;
