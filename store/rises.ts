import type { KeptRise } from '../core/log/index';
import type { Db } from './db';
import { writing } from './transact';

/** A ring with the beat it was tapped on. */
export type RiseRow = KeptRise & { beatId: string };

export async function putRise(db: Db, rise: RiseRow): Promise<void> {
  const values = { seq: rise.seq, at_ms: rise.atMs, x_m: rise.xM, y_m: rise.yM };
  await writing(db, (trx) =>
    trx
      .insertInto('rises')
      .values({ id: rise.id, beat_id: rise.beatId, ...values })
      .onConflict((c) => c.column('id').doUpdateSet({ ...values, dropped: 0 }))
      .execute(),
  );
}

/** In the order of the taps. */
export async function listRises(db: Db, beatId: string): Promise<RiseRow[]> {
  const rows = await db
    .selectFrom('rises')
    .selectAll()
    .where('beat_id', '=', beatId)
    .where('dropped', '=', 0)
    .orderBy('seq')
    .execute();
  return rows.map((r) => ({
    id: r.id,
    beatId: r.beat_id,
    seq: r.seq,
    atMs: r.at_ms,
    xM: r.x_m,
    yM: r.y_m,
  }));
}

/** Dropped, not deleted: keeping it again brings it back. */
export async function dropRise(db: Db, id: string): Promise<void> {
  await writing(db, (trx) =>
    trx.updateTable('rises').set({ dropped: 1 }).where('id', '=', id).execute(),
  );
}
