import { randomUUID } from 'node:crypto';
import { planHash, type BeatPlan } from '../core/formats/index';
import type { Db } from './db';
import { nextOrd } from './dialect';
import { writing } from './transact';
import { parsed, readable } from './unreadable';

/** What a beat was made from beside its plan: the sketch, or the photograph a survey was traced over. */
export type MadeFrom = { kind: 'sketch'; sketch: unknown } | { kind: 'survey'; photo: unknown };

export interface StoredBeat {
  id: string;
  streamName: string;
  plan: BeatPlan;
  planHash: string;
  madeFrom: MadeFrom | null;
}

export interface ListedBeat {
  id: string;
  name: string;
  streamId: string;
  streamName: string;
  plan: BeatPlan;
  putAway: boolean;
  deleted: boolean;
  madeBy: 'sketch' | 'survey';
}

/** Every beat, the deleted ones marked, in order of making. */
export async function listBeats(db: Db): Promise<ListedBeat[]> {
  const rows = await db
    .selectFrom('beats')
    .innerJoin('streams', 'streams.id', 'beats.stream_id')
    .select([
      'beats.id',
      'beats.name',
      'stream_id',
      'streams.name as streamName',
      'plan_json',
      'put_away',
      'beats.deleted_ms',
      'made_from_json',
    ])
    // In the order they were made, which the clock alone may not tell.
    .orderBy('beats.created_ms')
    .orderBy('beats.ord')
    .orderBy('beats.id')
    .execute();
  return readable(rows, (r) => ({
    id: r.id,
    name: r.name,
    streamId: r.stream_id,
    streamName: r.streamName,
    plan: parsed<BeatPlan>('plan', r.plan_json),
    putAway: r.put_away === 1,
    deleted: r.deleted_ms !== null,
    madeBy: madeFromIn(r.made_from_json)?.kind ?? 'survey',
  }));
}

/** A beat that has not been deleted. */
export async function findBeat(db: Db, id: string): Promise<StoredBeat | undefined> {
  const row = await db
    .selectFrom('beats')
    .innerJoin('streams', 'streams.id', 'beats.stream_id')
    .select(['beats.id', 'streams.name as streamName', 'plan_json', 'plan_hash', 'made_from_json'])
    .where('beats.id', '=', id)
    .where('beats.deleted_ms', 'is', null)
    .executeTakeFirst();
  if (!row) return undefined;
  return readable([row], (r) => ({
    id: r.id,
    streamName: r.streamName,
    plan: parsed<BeatPlan>('plan', r.plan_json),
    planHash: r.plan_hash,
    madeFrom: madeFromIn(r.made_from_json),
  }))[0];
}

/** What a beat was made from; one that cannot be read is as one that was surveyed without a photograph. */
function madeFromIn(text: string | null): MadeFrom | null {
  return text === null
    ? null
    : (readable([text], (t) => parsed<MadeFrom>('made from', t))[0] ?? null);
}

export interface BeatToKeep {
  id: string;
  streamName: string;
  plan: BeatPlan;
  /** Absent: what is kept stays. */
  madeFrom?: MadeFrom | null;
  nowMs: number;
}

/**
 * Keeps a beat under its stream, made if it is new; the plan it replaces is kept as a version.
 * Repeating changes nothing. A draft named goes with it, in the same step.
 */
export async function putBeat(db: Db, beat: BeatToKeep, draftId: string | null): Promise<void> {
  await writing(db, async (trx) => {
    const streamId = await streamNamed(trx, beat.streamName);
    const hash = planHash(beat.plan);
    const values = {
      stream_id: streamId,
      name: beat.plan.name,
      plan_json: JSON.stringify(beat.plan),
      plan_hash: hash,
    };
    const madeFrom = beat.madeFrom && JSON.stringify(beat.madeFrom);
    const known = await trx
      .selectFrom('beats')
      .select(['plan_hash', 'plan_json', 'made_from_json'])
      .where('id', '=', beat.id)
      .executeTakeFirst();
    if (!known) {
      await trx
        .insertInto('beats')
        .values({
          id: beat.id,
          ord: nextOrd('beats'),
          created_ms: beat.nowMs,
          deleted_ms: null,
          made_from_json: madeFrom ?? null,
          ...values,
        })
        .execute();
    }
    const made_from_json = madeFrom === undefined ? (known?.made_from_json ?? null) : madeFrom;
    if (known && (known.plan_hash !== hash || known.made_from_json !== made_from_json)) {
      await trx
        .insertInto('beat_versions')
        .values({ beat_id: beat.id, replaced_ms: beat.nowMs, ...known })
        .onConflict((c) => c.doNothing())
        .execute();
      await trx
        .updateTable('beats')
        .set({ ...values, made_from_json })
        .where('id', '=', beat.id)
        .execute();
    }
    if (draftId !== null)
      await trx.updateTable('drafts').set({ dropped: 1 }).where('id', '=', draftId).execute();
  });
}

/** The stream of that name, made if there is none. */
async function streamNamed(db: Db, name: string): Promise<string> {
  const made = await db
    .insertInto('streams')
    .values({ id: `stream-${randomUUID()}`, name, deleted_ms: null })
    .onConflict((c) => c.column('name').doNothing())
    .returning('id')
    .executeTakeFirst();
  if (made) return made.id;
  const known = await db
    .selectFrom('streams')
    .select('id')
    .where('name', '=', name)
    .executeTakeFirstOrThrow();
  return known.id;
}

export interface BeatChange {
  name?: string;
  streamName?: string;
  putAway?: boolean;
  deleted?: boolean;
}

/** false when there is no such beat. A rename goes into the plan as well. */
export async function changeBeat(
  db: Db,
  id: string,
  change: BeatChange,
  nowMs: number,
): Promise<boolean> {
  return writing(db, async (trx) => {
    const row = await trx
      .selectFrom('beats')
      .select(['plan_json'])
      .where('id', '=', id)
      .executeTakeFirst();
    if (!row) return false;
    const renamed =
      change.name === undefined
        ? null
        : { ...parsed<BeatPlan>('plan', row.plan_json), name: change.name };
    await trx
      .updateTable('beats')
      .set({
        ...(renamed && {
          name: renamed.name,
          plan_json: JSON.stringify(renamed),
          plan_hash: planHash(renamed),
        }),
        ...(change.streamName !== undefined && {
          stream_id: await streamNamed(trx, change.streamName),
        }),
        ...(change.putAway !== undefined && { put_away: change.putAway ? 1 : 0 }),
        ...(change.deleted !== undefined && { deleted_ms: change.deleted ? nowMs : null }),
        id,
      })
      .where('id', '=', id)
      .execute();
    return true;
  });
}

/** Streams that hold a beat, and those made and still empty. */
export async function listStreams(db: Db): Promise<{ id: string; name: string }[]> {
  return db
    .selectFrom('streams')
    .select(['id', 'name'])
    .where('deleted_ms', 'is', null)
    .orderBy('name')
    .execute();
}

/** false when another stream has that name. */
export async function renameStream(db: Db, id: string, name: string): Promise<boolean> {
  return writing(db, async (trx) => {
    const other = await trx
      .selectFrom('streams')
      .select('id')
      .where('name', '=', name)
      .where('id', '!=', id)
      .executeTakeFirst();
    if (other) return false;
    await trx.updateTable('streams').set({ name }).where('id', '=', id).execute();
    return true;
  });
}
