import { sql } from 'kysely';
import type { Db } from './db';
import { nextOrd } from './dialect';
import { summariseTries } from './try-summary';
import { reading, writing } from './transact';

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
} as const;
export type BookTable = keyof typeof BOOK_TABLES;
export type BookRows = Record<BookTable, Record<string, unknown>[]>;

/** Every row of the book as it is at one moment, whoever writes meanwhile; bytes as base64. */
export async function readWholeBook(db: Db): Promise<BookRows> {
  return reading(db, async (trx) => {
    const out = {} as BookRows;
    for (const table of Object.keys(BOOK_TABLES) as BookTable[]) {
      const order = BOOK_TABLES[table].map((c) => `"${c}"`).join(', ');
      const { rows } = await sql
        .raw<Record<string, unknown>>(`select * from ${table} order by ${order}`)
        .execute(trx);
      out[table] = rows.map((row) =>
        Object.fromEntries(
          Object.entries(row)
            .filter(([column]) => !(LEFT_OUT[table] ?? []).includes(column))
            .map(([column, value]) => [
              column,
              value instanceof Uint8Array ? base64(value) : value,
            ]),
        ),
      );
    }
    return out;
  });
}

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

export interface TableReport {
  table: BookTable;
  taken: number;
  /** Already here, the same. */
  known: number;
  /** Here under the same id but different: what is here stays. */
  differing: number;
}

class DryRun extends Error {}

/**
 * Adds what is missing; what is here stays as it is. All or nothing, and with `dry` nothing: the
 * report is the same. Events keep their order.
 */
export async function addToBook(db: Db, rows: BookRows, dry: boolean): Promise<TableReport[]> {
  const report: TableReport[] = [];
  try {
    await writing(db, async (trx) => {
      for (const table of Object.keys(BOOK_TABLES) as BookTable[])
        report.push(await addTable(trx, table, rows[table] ?? []));
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
  rows: Record<string, unknown>[],
): Promise<TableReport> {
  const out: TableReport = { table, taken: 0, known: 0, differing: 0 };
  for (const row of rows) {
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
        return (value instanceof Uint8Array ? base64(value) : value) === row[c];
      });
      if (same) out.known++;
      else out.differing++;
      continue;
    }
    const columns = Object.keys(row);
    const values: unknown[] = columns.map((c) =>
      table === 'photos' && c === 'bytes' ? Buffer.from(String(row[c]), 'base64') : row[c],
    );
    if (table === 'beats' || table === 'marks' || table === 'tries') {
      columns.push('ord');
      values.push(nextOrd(table));
    }
    await sql`insert into ${sql.table(table)} (${sql.join(columns.map((c) => sql.ref(c)))}) values (${sql.join(values)})`.execute(
      trx,
    );
    out.taken++;
  }
  return out;
}
