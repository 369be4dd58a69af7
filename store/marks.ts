import { sql } from 'kysely';
import type { Db } from './open';

export type Surety = 'sure' | 'likely' | 'maybe';

/** A fish that was seen. Metres in the plan; `fishDepthM` below the surface. */
export interface StoredMark {
  id: string;
  beatId: string;
  xM: number;
  yM: number;
  fishDepthM: number;
  headingRad: number;
  totalLengthCm: number;
  surety: Surety;
}

export async function listMarks(db: Db, beatId: string): Promise<StoredMark[]> {
  const rows = await db
    .selectFrom('marks')
    .selectAll()
    .where('beat_id', '=', beatId)
    .where('struck', '=', 0)
    // In the order they were marked, which the clock alone may not tell: numbers must not change.
    .orderBy('created_ms')
    .orderBy(sql`rowid`)
    .execute();
  return rows.map((r) => ({
    id: r.id,
    beatId: r.beat_id,
    xM: r.x_m,
    yM: r.y_m,
    fishDepthM: r.depth_m,
    headingRad: r.heading_rad,
    totalLengthCm: r.total_length_cm,
    surety: r.surety as Surety,
  }));
}

/** Keeps a mark or its new state; the id is the client's, so repeating is harmless. */
export async function putMark(db: Db, mark: StoredMark, nowMs: number): Promise<void> {
  const values = {
    x_m: mark.xM,
    y_m: mark.yM,
    depth_m: mark.fishDepthM,
    heading_rad: mark.headingRad,
    total_length_cm: mark.totalLengthCm,
    surety: mark.surety,
  };
  await db
    .insertInto('marks')
    .values({ id: mark.id, beat_id: mark.beatId, created_ms: nowMs, struck: 0, ...values })
    .onConflict((c) => c.column('id').doUpdateSet({ ...values, struck: 0 }))
    .execute();
}

/** Struck, not deleted: tries go on pointing at it. */
export async function strikeMark(db: Db, id: string): Promise<void> {
  await db.updateTable('marks').set({ struck: 1 }).where('id', '=', id).execute();
}
