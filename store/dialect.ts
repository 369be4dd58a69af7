import { PostgresAdapter, sql, type RawBuilder } from 'kysely';
import type { Db } from './db';
import type { Database } from './schema';

/** Whether the book lies on PostgreSQL; else it is SQLite's one file. */
export const isPostgres = (db: Db): boolean => db.getExecutor().adapter instanceof PostgresAdapter;

/** A text of a JSON column by its key, in either engine; null where there is none. */
export const jsonText = (db: Db, column: string, key: string): RawBuilder<string | null> =>
  isPostgres(db)
    ? sql`${sql.ref(column)}::jsonb ->> ${key}`
    : sql`json_extract(${sql.ref(column)}, ${`$.${key}`})`;

/** The number of a row being made, after all that were made before it; where two are equal, ids decide. */
export const nextOrd = (table: 'beats' | 'marks' | 'tries' | 'solves'): RawBuilder<number> =>
  sql`(select coalesce(max(ord), 0) + 1 from ${sql.table(table satisfies keyof Database)})`;
