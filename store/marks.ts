import type { Selectable } from 'kysely';
import { isOtherSighting, type Mark, type Sighting } from '../core/log/index';
import { grouped } from './grouped';
import type { Db } from './db';
import { nextOrd } from './dialect';
import type { Database } from './schema';
import { writing } from './transact';

/** A mark without what it was before. */
export type MarkRow = Omit<Mark, 'history'> & { beatId: string };

export async function listMarks(db: Db, beatId: string): Promise<(Mark & { beatId: string })[]> {
  const rows = await db
    .selectFrom('marks')
    .selectAll()
    .where('beat_id', '=', beatId)
    .where('struck', '=', 0)
    // In the order they were marked, which the clock alone may not tell: numbers must not change.
    .orderBy('created_ms')
    .orderBy('ord')
    .orderBy('id')
    .execute();
  const before = await db
    .selectFrom('sightings')
    .innerJoin('marks', 'marks.id', 'sightings.mark_id')
    .selectAll('sightings')
    .where('marks.beat_id', '=', beatId)
    .orderBy('sightings.kept_ms')
    .execute();
  return markRowsOf(rows, before);
}

/** A mark, and whether it was struck. */
export async function findMark(
  db: Db,
  id: string,
): Promise<{ value: MarkRow; gone: boolean } | null> {
  const row = await db.selectFrom('marks').selectAll().where('id', '=', id).executeTakeFirst();
  if (!row) return null;
  const { history: _history, ...value } = markRowsOf([row], [])[0]!;
  return { value, gone: row.struck !== 0 };
}

/** Marks with what each was before. */
export function markRowsOf(
  rows: readonly Selectable<Database['marks']>[],
  before: readonly Selectable<Database['sightings']>[],
): (Mark & { beatId: string })[] {
  const ofMark = grouped(before, (b) => b.mark_id);
  return rows.map((r) => ({
    ...sighting(r),
    id: r.id,
    beatId: r.beat_id,
    totalLengthCm: r.total_length_cm,
    note: r.note,
    photoId: r.photo_id,
    history: (ofMark.get(r.id) ?? []).map(sighting),
  }));
}

const sighting = (r: {
  x_m: number;
  y_m: number;
  depth_m: number;
  heading_rad: number;
  surety: string;
  behaviour: string;
  seen_ms: number;
}): Sighting => ({
  xM: r.x_m,
  yM: r.y_m,
  fishDepthM: r.depth_m,
  headingRad: r.heading_rad,
  surety: r.surety as Sighting['surety'],
  behaviour: r.behaviour as Sighting['behaviour'],
  seenMs: r.seen_ms,
});

/**
 * Keeps a mark or its new state; the id is the client's, so repeating is harmless. What it was
 * before is kept as a sighting where the place, the surety or what it did has changed.
 */
export async function putMark(db: Db, mark: MarkRow, nowMs: number): Promise<void> {
  const values = {
    x_m: mark.xM,
    y_m: mark.yM,
    depth_m: mark.fishDepthM,
    heading_rad: mark.headingRad,
    total_length_cm: mark.totalLengthCm,
    surety: mark.surety,
    behaviour: mark.behaviour,
    note: mark.note,
    photo_id: mark.photoId,
    seen_ms: mark.seenMs,
  };
  await writing(db, async (trx) => {
    const was = await trx
      .selectFrom('marks')
      .selectAll()
      .where('id', '=', mark.id)
      .executeTakeFirst();
    if (was && isOtherSighting(sighting(was), mark)) {
      await trx
        .insertInto('sightings')
        .values({
          mark_id: was.id,
          seen_ms: was.seen_ms,
          x_m: was.x_m,
          y_m: was.y_m,
          depth_m: was.depth_m,
          heading_rad: was.heading_rad,
          surety: was.surety,
          behaviour: was.behaviour,
          kept_ms: nowMs,
        })
        .onConflict((c) => c.doNothing())
        .execute();
    }
    await trx
      .insertInto('marks')
      .values({
        id: mark.id,
        beat_id: mark.beatId,
        created_ms: nowMs,
        struck: 0,
        ord: nextOrd('marks'),
        ...values,
      })
      .onConflict((c) => c.column('id').doUpdateSet({ ...values, struck: 0 }))
      .execute();
  });
}

/** Struck, not deleted: tries go on pointing at it. */
export async function strikeMark(db: Db, id: string): Promise<void> {
  await writing(db, (trx) =>
    trx.updateTable('marks').set({ struck: 1 }).where('id', '=', id).execute(),
  );
}
