import type { Selectable } from 'kysely';
import type { Db } from './db';
import { nextOrd } from './dialect';
import type { Database } from './schema';
import { writing } from './transact';

export type SolveState = 'waiting' | 'solving' | 'done' | 'failed' | 'stopped';

/** One level of one beat that was asked to be solved. */
export interface QueuedSolve {
  hash: string;
  beatId: string;
  level: string;
  dischargeM3s: number;
  state: SolveState;
  progress: number;
  message: string | null;
}

/** Who solves and has not said so for this long is taken to have ended, ms. */
export const SOLVER_SILENT_MS = 15_000;
/** Finished ones are forgotten beyond this many. */
const KEPT = 200;

const queuedOf = (r: Selectable<Database['solves']>): QueuedSolve => ({
  hash: r.hash,
  beatId: r.beat_id,
  level: r.level,
  dischargeM3s: r.discharge_m3s,
  state: r.state as SolveState,
  progress: r.progress,
  message: r.message,
});

/** In the order of asking. */
export async function listSolves(db: Db): Promise<QueuedSolve[]> {
  return (await db.selectFrom('solves').selectAll().orderBy('ord').execute()).map(queuedOf);
}

/** Puts a level at the end of the queue; one that waits or is being solved stays where it is. */
export async function queueSolve(
  db: Db,
  asked: Omit<QueuedSolve, 'state' | 'progress' | 'message'>,
): Promise<QueuedSolve> {
  return writing(db, async (trx) => {
    const known = await trx
      .selectFrom('solves')
      .selectAll()
      .where('hash', '=', asked.hash)
      .executeTakeFirst();
    if (known && (known.state === 'waiting' || known.state === 'solving')) return queuedOf(known);
    const values = {
      beat_id: asked.beatId,
      level: asked.level,
      discharge_m3s: asked.dischargeM3s,
      state: 'waiting',
      progress: 0,
      message: null,
      worker: null,
      alive_ms: 0,
    };
    await trx.deleteFrom('solves').where('hash', '=', asked.hash).execute();
    await trx
      .insertInto('solves')
      .values({ hash: asked.hash, ord: nextOrd('solves'), ...values })
      .execute();
    const old = await trx
      .selectFrom('solves')
      .select('hash')
      .where('state', 'not in', ['waiting', 'solving'])
      .orderBy('ord', 'desc')
      .offset(KEPT)
      .limit(KEPT)
      .execute();
    if (old.length > 0)
      await trx
        .deleteFrom('solves')
        .where(
          'hash',
          'in',
          old.map((o) => o.hash),
        )
        .execute();
    return { ...asked, state: 'waiting', progress: 0, message: null };
  });
}

/** The next that waits, or whose process has fallen silent, now this process's own; null when there is none. */
export async function takeSolve(
  db: Db,
  worker: string,
  nowMs: number,
): Promise<QueuedSolve | null> {
  return writing(db, async (trx) => {
    const next = await trx
      .selectFrom('solves')
      .selectAll()
      .where((w) =>
        w.or([
          w('state', '=', 'waiting'),
          w.and([w('state', '=', 'solving'), w('alive_ms', '<', nowMs - SOLVER_SILENT_MS)]),
        ]),
      )
      .orderBy('ord')
      .limit(1)
      .executeTakeFirst();
    if (!next) return null;
    await trx
      .updateTable('solves')
      .set({ state: 'solving', worker, alive_ms: nowMs, progress: 0 })
      .where('hash', '=', next.hash)
      .execute();
    return { ...queuedOf(next), state: 'solving' };
  });
}

/** Says how far a solve is, or how it ended; false when it is no longer this process's to solve. */
export async function saySolve(
  db: Db,
  hash: string,
  worker: string,
  nowMs: number,
  said: { progress?: number; state?: SolveState; message?: string },
): Promise<boolean> {
  const { numUpdatedRows } = await writing(db, (trx) =>
    trx
      .updateTable('solves')
      .set({ ...said, alive_ms: nowMs })
      .where('hash', '=', hash)
      .where('worker', '=', worker)
      .where('state', '=', 'solving')
      .executeTakeFirst(),
  );
  return numUpdatedRows > 0n;
}

/** Stops one that waits or is being solved: who solves it finds out with its next word. False when there is none. */
export async function stopQueuedSolve(db: Db, hash: string): Promise<boolean> {
  return writing(db, async (trx) => {
    const known = await trx
      .selectFrom('solves')
      .select('hash')
      .where('hash', '=', hash)
      .executeTakeFirst();
    await trx
      .updateTable('solves')
      .set({ state: 'stopped' })
      .where('hash', '=', hash)
      .where('state', 'in', ['waiting', 'solving'])
      .execute();
    return known !== undefined;
  });
}
