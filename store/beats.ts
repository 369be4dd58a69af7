import { planHash, type BeatPlan } from '../core/formats/index';
import type { Db } from './open';

export interface StoredBeat {
  id: string;
  streamName: string;
  plan: BeatPlan;
  planHash: string;
}

export async function listBeats(
  db: Db,
): Promise<{ id: string; name: string; streamName: string; plan: BeatPlan }[]> {
  const rows = await db
    .selectFrom('beats')
    .innerJoin('streams', 'streams.id', 'beats.stream_id')
    .select(['beats.id', 'beats.name', 'streams.name as streamName', 'plan_json'])
    .orderBy('beats.created_ms')
    .orderBy('beats.id')
    .execute();
  return rows.map((r) => ({
    id: r.id,
    name: r.name,
    streamName: r.streamName,
    plan: JSON.parse(r.plan_json) as BeatPlan,
  }));
}

export async function findBeat(db: Db, id: string): Promise<StoredBeat | undefined> {
  const row = await db
    .selectFrom('beats')
    .innerJoin('streams', 'streams.id', 'beats.stream_id')
    .select(['beats.id', 'streams.name as streamName', 'plan_json', 'plan_hash'])
    .where('beats.id', '=', id)
    .executeTakeFirst();
  return (
    row && {
      id: row.id,
      streamName: row.streamName,
      plan: JSON.parse(row.plan_json) as BeatPlan,
      planHash: row.plan_hash,
    }
  );
}

/** Keeps a beat under its stream, made if it is new. Repeating the same id changes nothing. */
export async function insertBeat(
  db: Db,
  beat: { id: string; streamName: string; plan: BeatPlan; createdMs: number },
): Promise<void> {
  await db.transaction().execute(async (trx) => {
    const known = await trx
      .selectFrom('streams')
      .select('id')
      .where('name', '=', beat.streamName)
      .executeTakeFirst();
    const streamId = known?.id ?? `stream-${beat.id}`;
    if (!known)
      await trx.insertInto('streams').values({ id: streamId, name: beat.streamName }).execute();
    await trx
      .insertInto('beats')
      .values({
        id: beat.id,
        stream_id: streamId,
        name: beat.plan.name,
        plan_json: JSON.stringify(beat.plan),
        plan_hash: planHash(beat.plan),
        created_ms: beat.createdMs,
      })
      .onConflict((c) => c.column('id').doNothing())
      .execute();
  });
}
