import { FACT_KINDS, NO_FACTS, type DayFacts, type FactKind } from '../core/log/index';
import type { Db } from './db';
import { writing } from './transact';
import { parsed, readable } from './unreadable';
import { FACT_SHAPES } from './unreadable-rows';

/** All that was told for planning days. */
export async function listFacts(db: Db): Promise<DayFacts> {
  const rows = await db.selectFrom('day_facts').selectAll().execute();
  const out = structuredClone(NO_FACTS) as Record<FactKind, Record<string, unknown>>;
  const known = rows.filter(({ kind }) => (FACT_KINDS as readonly string[]).includes(kind));
  for (const { kind, id, fact } of readable(known, (r) => ({
    ...r,
    fact: parsed<unknown>(FACT_SHAPES[r.kind]!, r.json),
  })))
    out[kind as FactKind][id] = fact;
  return out as unknown as DayFacts;
}

/** Keeps what was told of one thing, in place of what was told before: repeating is harmless. */
export async function putFact(db: Db, kind: FactKind, id: string, fact: object): Promise<void> {
  const json = JSON.stringify(fact);
  await writing(db, (trx) =>
    trx
      .insertInto('day_facts')
      .values({ kind, id, json })
      .onConflict((c) => c.columns(['kind', 'id']).doUpdateSet({ json }))
      .execute(),
  );
}
