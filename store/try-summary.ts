import { foldTry, isOver, type TryEvent, type TrySnapshot } from '../core/log/index';
import type { Db } from './db';
import { writing } from './transact';
import { eventOf } from './try-rows';
import { snapshotIn } from './unreadable';

/** Raised when what a summary says changes: every try is then summed up anew at the next start. */
export const SUMMARY_VERSION = 1;

/** The columns that Learn asks for, from what the plan said and what happened. */
export function summaryOf(fly: string, snapshot: TrySnapshot, events: readonly TryEvent[]) {
  const fold = foldTry(fly, events);
  const { target, cast } = snapshot;
  return {
    summary_version: SUMMARY_VERSION,
    closed_ms: isOver(fold.state) ? (fold.last?.clientMs ?? null) : null,
    state: fold.state,
    casts: fold.casts,
    last_fly: fold.fly,
    landed_cm: fold.landedCm,
    species: snapshot.rated.species,
    lie_kind: target?.kind ?? null,
    rating: target?.rating ?? null,
    depth_m: target?.depthM ?? null,
    surface_speed_mps: target?.surfaceSpeedMps ?? null,
    mean_speed_mps: target?.meanSpeedMps ?? null,
    water_temp_c: snapshot.water.tempC,
    lay_kind: cast?.lay.kind ?? null,
    fly_kind: cast?.rig.fly ?? null,
    chance: snapshot.predicted.chance?.value ?? null,
  };
}

/** Sums one try up anew, in the transaction that changed it. */
export async function summariseTry(trx: Db, tryId: string): Promise<void> {
  const t = await trx
    .selectFrom('tries')
    .select(['fly', 'snapshot_json'])
    .where('id', '=', tryId)
    .executeTakeFirstOrThrow();
  const events = await trx
    .selectFrom('try_events')
    .selectAll()
    .where('try_id', '=', tryId)
    .execute();
  const snapshot = snapshotIn(t.snapshot_json);
  await trx
    .updateTable('tries')
    .set(summaryOf(t.fly, snapshot, events.map(eventOf)))
    .where('id', '=', tryId)
    .execute();
}

/** Tries whose summary is older than what it says now, or that have none. */
export async function summariseTries(db: Db): Promise<void> {
  const old = await db
    .selectFrom('tries')
    .select('id')
    .where('summary_version', '<', SUMMARY_VERSION)
    .execute();
  if (old.length === 0) return;
  await writing(db, async (trx) => {
    for (const { id } of old) await summariseTry(trx, id);
  });
}
