import { sql } from 'kysely';
import { unsoundSetting } from '../core/log/index';
import type { Db } from './db';
import { problemIn, type StoredShape } from './stored-shapes';
import { parsed, Unreadable } from './unreadable';
import { writing } from './transact';

/** A row that holds something that cannot be read, and why. */
export interface UnreadableRow {
  table: UnreadableTable;
  /** What tells it from the other rows of its table. */
  id: string;
  /** What it is called, where it says so. */
  name: string;
  why: string;
}

type Row = Record<string, unknown>;
interface Kind {
  /** Which rows are looked at: what was taken out already is not. */
  where: string;
  id: string;
  name: string;
  /** Its texts, with what each must be; null: any JSON. */
  texts(row: Row): Record<string, StoredShape | null>;
}

const KINDS = {
  settings: {
    where: `key <> 'record'`,
    id: 'key',
    name: 'key',
    texts: () => ({ value: null }),
  },
  beats: {
    where: 'deleted_ms is null',
    id: 'id',
    name: 'name',
    texts: (r) => ({
      plan_json: 'plan',
      ...(r.made_from_json !== null && { made_from_json: 'made from' }),
    }),
  },
  drafts: {
    where: 'dropped = 0',
    id: 'id',
    name: 'kind',
    texts: (r) => ({ body_json: r.kind === 'sketch' ? 'sketch' : 'survey' }),
  },
  reads: {
    where: 'dropped = 0',
    id: 'id',
    name: 'note',
    texts: (r) => ({
      answers_json: 'answers',
      result_json: 'result',
      ...(r.place_json !== null && { place_json: 'place' }),
    }),
  },
  day_facts: {
    where: '1 = 1',
    id: 'id',
    name: 'kind',
    texts: (r) => ({ json: FACT_SHAPES[String(r.kind)] ?? null }),
  },
  tries: {
    where: '1 = 1',
    id: 'id',
    name: 'fly',
    texts: () => ({ snapshot_json: 'snapshot' }),
  },
} satisfies Record<string, Kind>;
export type UnreadableTable = keyof typeof KINDS;
export const isUnreadableTable = (table: string): table is UnreadableTable => table in KINDS;
export const UNREADABLE_TABLES = Object.keys(KINDS) as UnreadableTable[];

export const FACT_SHAPES: Record<string, StoredShape> = {
  streams: 'stream facts',
  beats: 'beat facts',
  ways: 'way facts',
  dates: 'date facts',
};

/** Why a row cannot be read as it should be; null: it can. */
export function whyUnreadable(table: UnreadableTable, row: Row): string | null {
  const kind: Kind = KINDS[table];
  for (const [column, shape] of Object.entries(kind.texts(row))) {
    const why = problemOf(table, row, column, shape);
    if (why) return why;
  }
  return null;
}

function problemOf(
  table: UnreadableTable,
  row: Row,
  column: string,
  shape: StoredShape | null,
): string | null {
  const text = String(row[column]);
  try {
    if (shape && shape !== 'snapshot') {
      parsed(shape, text);
      return null;
    }
    const value: unknown = JSON.parse(text);
    if (table === 'settings') return unsoundSetting(String(row.key), value);
    // Tries of before snapshots had a version are read by a reader of their own.
    const isOfNow = typeof value === 'object' && value !== null && 'version' in value;
    const problem = shape && isOfNow ? problemIn(shape, value) : null;
    return problem && `${problem.part} ${problem.why}`;
  } catch (error) {
    return error instanceof Unreadable ? error.message : 'its text is cut off or damaged';
  }
}

/** Everything in the book that cannot be read. */
export async function listUnreadable(db: Db): Promise<UnreadableRow[]> {
  const out: UnreadableRow[] = [];
  for (const table of UNREADABLE_TABLES) {
    const kind: Kind = KINDS[table];
    const { rows } = await sql.raw<Row>(`select * from ${table} where ${kind.where}`).execute(db);
    for (const row of rows) {
      const why = whyUnreadable(table, row);
      if (why)
        out.push({
          table,
          id: String(row[kind.id]),
          name: String(row[kind.name]),
          why,
        });
    }
  }
  return out;
}

/**
 * Puts what cannot be read out of the way: a beat goes back to the newest plan before it that can be
 * read, or is deleted; a try stays with what happened and loses what the plan had said; the rest is
 * taken out. The text is kept in `laid_aside`, for a hand that can mend it. False: there is no such row.
 */
export async function layAside(
  db: Db,
  table: UnreadableTable,
  id: string,
  nowMs: number,
): Promise<boolean> {
  const kind: Kind = KINDS[table];
  return writing(db, async (trx) => {
    const { rows } =
      await sql<Row>`select * from ${sql.table(table)} where ${sql.ref(kind.id)} = ${id}`.execute(
        trx,
      );
    const row = rows.find((r) => whyUnreadable(table, r) !== null);
    if (!row) return false;
    await trx
      .insertInto('laid_aside')
      .values({ of_table: table, id, at_ms: nowMs, json: JSON.stringify(row) })
      .execute();
    await putRight(trx, table, id, row, nowMs);
    return true;
  });
}

async function putRight(
  trx: Db,
  table: UnreadableTable,
  id: string,
  row: Row,
  nowMs: number,
): Promise<void> {
  switch (table) {
    case 'settings':
      await trx.deleteFrom('settings').where('key', '=', id).execute();
      return;
    case 'day_facts':
      await trx
        .deleteFrom('day_facts')
        .where('kind', '=', String(row.kind))
        .where('id', '=', id)
        .execute();
      return;
    case 'drafts':
      await trx.updateTable('drafts').set({ dropped: 1 }).where('id', '=', id).execute();
      return;
    case 'reads':
      await trx.updateTable('reads').set({ dropped: 1 }).where('id', '=', id).execute();
      return;
    case 'tries':
      await trx.updateTable('tries').set({ snapshot_json: '{}' }).where('id', '=', id).execute();
      return;
    case 'beats': {
      const before = await trx
        .selectFrom('beat_versions')
        .selectAll()
        .where('beat_id', '=', id)
        .orderBy('replaced_ms', 'desc')
        .execute();
      const sound = [row, ...before].find(
        (v) => whyUnreadable('beats', { ...v, made_from_json: null }) === null,
      );
      const { plan_json, plan_hash } = (sound ?? {}) as { plan_json?: string; plan_hash?: string };
      await trx
        .updateTable('beats')
        .set(
          plan_json !== undefined && plan_hash !== undefined
            ? { plan_json, plan_hash, made_from_json: null }
            : { deleted_ms: nowMs },
        )
        .where('id', '=', id)
        .execute();
    }
  }
}
