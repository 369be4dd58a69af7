import { FACT_KINDS, NO_FACTS, type DayFacts, type FactKind } from '../core/log/index';
import type { Db } from './db';
import { writing } from './transact';

/** All that was told for planning days. */
export async function listFacts(db: Db): Promise<DayFacts> {
  const rows = await db.selectFrom('day_facts').selectAll().execute();
  const out = structuredClone(NO_FACTS) as Record<FactKind, Record<string, unknown>>;
  for (const { kind, id, json } of rows)
    if ((FACT_KINDS as readonly string[]).includes(kind))
      out[kind as FactKind][id] = JSON.parse(json);
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
