import type { Db } from './db';
import { writing } from './transact';
import { parsed, readable } from './unreadable';

export type DraftKind = 'sketch' | 'survey';

/** A beat being made. `body` belongs to the interface; `beatId` when it changes one that is kept. */
export interface StoredDraft {
  id: string;
  kind: DraftKind;
  streamName: string;
  beatId: string | null;
  body: unknown;
  updatedMs: number;
}

const shown = (r: {
  id: string;
  kind: string;
  stream_name: string;
  beat_id: string | null;
  body_json: string;
  updated_ms: number;
}): StoredDraft => ({
  id: r.id,
  kind: r.kind as DraftKind,
  streamName: r.stream_name,
  beatId: r.beat_id,
  body: parsed<unknown>(r.kind === 'sketch' ? 'sketch' : 'survey', r.body_json),
  updatedMs: r.updated_ms,
});

export async function putDraft(db: Db, draft: StoredDraft): Promise<void> {
  const values = {
    kind: draft.kind,
    stream_name: draft.streamName,
    beat_id: draft.beatId,
    body_json: JSON.stringify(draft.body),
    updated_ms: draft.updatedMs,
  };
  await writing(db, (trx) =>
    trx
      .insertInto('drafts')
      .values({ id: draft.id, ...values })
      .onConflict((c) => c.column('id').doUpdateSet({ ...values, dropped: 0 }))
      .execute(),
  );
}

export async function findDraft(db: Db, id: string): Promise<StoredDraft | undefined> {
  const row = await db
    .selectFrom('drafts')
    .selectAll()
    .where('id', '=', id)
    .where('dropped', '=', 0)
    .executeTakeFirst();
  return row && readable([row], shown)[0];
}

export async function listDrafts(db: Db): Promise<StoredDraft[]> {
  const rows = await db
    .selectFrom('drafts')
    .selectAll()
    .where('dropped', '=', 0)
    .orderBy('updated_ms', 'desc')
    .execute();
  return readable(rows, shown);
}

/** Dropped, not deleted: keeping it again brings it back. */
export async function dropDraft(db: Db, id: string): Promise<void> {
  await writing(db, (trx) =>
    trx.updateTable('drafts').set({ dropped: 1 }).where('id', '=', id).execute(),
  );
}
