import { sql, type RawBuilder } from 'kysely';
import type { Db } from './db';
import { nextOrd } from './dialect';
import { summariseTries } from './try-summary';
import { reading, writing } from './transact';
import { isUnreadableTable, whyUnreadable } from './unreadable-rows';

/**
 * The tables of a backup, parents before children, with what tells two rows apart. Solved flows are
 * left out: they are computed again.
 */
export const BOOK_TABLES = {
  settings: ['key'],
  streams: ['id'],
  beats: ['id'],
  beat_versions: ['beat_id', 'replaced_ms', 'plan_hash'],
  drafts: ['id'],
  photos: ['id'],
  marks: ['id'],
  reads: ['id'],
  sightings: ['mark_id', 'kept_ms', 'seen_ms'],
  rises: ['id'],
  outings: ['id'],
  readings: ['id'],
  day_facts: ['kind', 'id'],
  tries: ['id'],
  try_events: ['id'],
  taken_changes: ['id'],
} as const;
export type BookTable = keyof typeof BOOK_TABLES;
export type BookRows = Record<BookTable, Record<string, unknown>[]>;

/** Rows that are fetched at a time; of photographs, each by itself. */
const PAGE = 500;

/** The rows of a table in the order of their keys, a page at a time; bytes as they are. */
export async function* bookRows(
  trx: Db,
  table: BookTable,
): AsyncGenerator<Record<string, unknown>, void> {
  const key = BOOK_TABLES[table].map((c) => sql.ref(c));
  const page = table === 'photos' ? 1 : PAGE;
  let after: unknown[] | null = null;
  for (;;) {
    const from: RawBuilder<unknown> = after
      ? sql`where (${sql.join(key)}) > (${sql.join(after)})`
      : sql``;
    const { rows }: { rows: Record<string, unknown>[] } = await sql<Record<string, unknown>>`
      select * from ${sql.table(table)} ${from} order by ${sql.join(key)} limit ${sql.lit(page)}`.execute(
      trx,
    );
    for (const row of rows) {
      for (const column of LEFT_OUT[table] ?? []) delete row[column];
      yield row;
    }
    const last = rows.at(-1);
    if (!last || rows.length < page) return;
    after = BOOK_TABLES[table].map((c) => last[c]);
  }
}

/** Every row of the book as it is at one moment, in memory; bytes as base64. For books without many photographs. */
export async function readWholeBook(db: Db): Promise<BookRows> {
  return reading(db, async (trx) => {
    const out = {} as BookRows;
    for (const table of Object.keys(BOOK_TABLES) as BookTable[]) {
      out[table] = [];
      for await (const row of bookRows(trx, table))
        out[table].push(
          Object.fromEntries(
            Object.entries(row).map(([column, value]) => [
              column,
              value instanceof Uint8Array ? base64(value) : value,
            ]),
          ),
        );
    }
    return out;
  });
}

/** Where the rows of a backup come from; bytes as they are, or as base64. */
export type BookSource = (
  table: BookTable,
) => Iterable<Record<string, unknown>> | AsyncIterable<Record<string, unknown>>;

/** Places of rows, and what is derived: worked out again where a backup is restored. */
const LEFT_OUT: Partial<Record<BookTable, readonly string[]>> = {
  beats: ['ord'],
  marks: ['ord'],
  try_events: ['row'],
  tries: [
    'ord',
    'summary_version',
    'closed_ms',
    'state',
    'casts',
    'last_fly',
    'landed_cm',
    'species',
    'lie_kind',
    'rating',
    'depth_m',
    'surface_speed_mps',
    'mean_speed_mps',
    'water_temp_c',
    'lay_kind',
    'fly_kind',
    'chance',
  ],
};

const base64 = (bytes: Uint8Array) => Buffer.from(bytes).toString('base64');
const bytesIn = (value: unknown): Buffer =>
  value instanceof Uint8Array ? Buffer.from(value) : Buffer.from(String(value), 'base64');

export interface TableReport {
  table: BookTable;
  taken: number;
  /** Already here, the same. */
  known: number;
  /** Here under the same id but different: what is here stays. */
  differing: number;
  /** Taken as they are, though something in them cannot be read: the first of them, and why. */
  unreadable: { id: string; why: string }[];
}
const MOST_NAMED = 20;

class DryRun extends Error {}

/**
 * Adds what is missing; what is here stays as it is. All or nothing, and with `dry` nothing: the
 * report is the same. Events keep their order.
 */
export async function addToBook(db: Db, source: BookSource, dry: boolean): Promise<TableReport[]> {
  const report: TableReport[] = [];
  try {
    await writing(db, async (trx) => {
      for (const table of Object.keys(BOOK_TABLES) as BookTable[])
        report.push(await addTable(trx, table, source(table)));
      await summariseTries(trx);
      if (dry) throw new DryRun();
    });
  } catch (error) {
    if (!(error instanceof DryRun)) throw error;
  }
  return report;
}

async function addTable(
  trx: Db,
  table: BookTable,
  rows: ReturnType<BookSource>,
): Promise<TableReport> {
  const out: TableReport = { table, taken: 0, known: 0, differing: 0, unreadable: [] };
  for await (const row of rows) {
    const key = BOOK_TABLES[table];
    const where = sql.join(
      key.map((c) => sql`${sql.ref(c)} = ${row[c]}`),
      sql` and `,
    );
    const found = await sql<
      Record<string, unknown>
    >`select * from ${sql.table(table)} where ${where}`.execute(trx);
    const here = found.rows[0];
    if (here) {
      const same = Object.keys(row).every((c) => {
        const value = here[c];
        return value instanceof Uint8Array
          ? Buffer.from(value).equals(bytesIn(row[c]))
          : value === row[c];
      });
      if (same) out.known++;
      else out.differing++;
      continue;
    }
    const columns = Object.keys(row);
    const values: unknown[] = columns.map((c) =>
      table === 'photos' && c === 'bytes' ? bytesIn(row[c]) : row[c],
    );
    if (table === 'beats' || table === 'marks' || table === 'tries') {
      columns.push('ord');
      values.push(nextOrd(table));
    }
    await sql`insert into ${sql.table(table)} (${sql.join(columns.map((c) => sql.ref(c)))}) values (${sql.join(values)})`.execute(
      trx,
    );
    out.taken++;
    const why = isUnreadableTable(table) ? whyUnreadable(table, row) : null;
    if (why && out.unreadable.length < MOST_NAMED)
      out.unreadable.push({ id: String(row[BOOK_TABLES[table].at(-1)!]), why });
  }
  return out;
}
