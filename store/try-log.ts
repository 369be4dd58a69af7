import { sql } from 'kysely';
import type { Db } from './db';

/** What the log of tries is narrowed to; absent: all. */
export interface TryFilter {
  beatId?: string;
  state?: string;
  lieKind?: string;
  fromMs?: number;
  toMs?: number;
  /** In the fly's name. */
  fly?: string;
}

/** One try as the log lists it. */
export interface TryLogRow {
  id: string;
  outingId: string;
  beatName: string | null;
  openedMs: number;
  zoneOffsetMin: number;
  timeZone: string;
  state: string;
  casts: number;
  fly: string;
  landedCm: number | null;
  lieKind: string | null;
  rating: number | null;
  waterTempC: number | null;
  chance: number | null;
}

/** The newest tries that a filter leaves, how many there are, and how many of them were landed. */
export async function listTryLog(
  db: Db,
  filter: TryFilter,
  most: number,
): Promise<{ rows: TryLogRow[]; count: number; landed: number }> {
  const where = db
    .selectFrom('tries')
    .$if(filter.beatId !== undefined, (q) => q.where('tries.beat_id', '=', filter.beatId!))
    .$if(filter.state !== undefined, (q) => q.where('tries.state', '=', filter.state!))
    .$if(filter.lieKind !== undefined, (q) => q.where('tries.lie_kind', '=', filter.lieKind!))
    .$if(filter.fromMs !== undefined, (q) => q.where('tries.opened_ms', '>=', filter.fromMs!))
    .$if(filter.toMs !== undefined, (q) => q.where('tries.opened_ms', '<', filter.toMs!))
    // Whatever is typed is looked for as it is: nothing in it stands for anything else.
    .$if(filter.fly !== undefined && filter.fly !== '', (q) =>
      q.where(
        sql<boolean>`replace(lower(tries.last_fly), ${filter.fly!.toLowerCase()}, '') <> lower(tries.last_fly)`,
      ),
    );
  const total = await where
    .select((b) => [
      b.fn.countAll<number>().as('count'),
      sql<number>`coalesce(sum(case when tries.state = 'landed' then 1 else 0 end), 0)`.as(
        'landed',
      ),
    ])
    .executeTakeFirstOrThrow();
  const rows = await where
    .innerJoin('outings', 'outings.id', 'tries.outing_id')
    .leftJoin('beats', 'beats.id', 'tries.beat_id')
    .select([
      'tries.id',
      'tries.outing_id',
      'beats.name as beat_name',
      'tries.opened_ms',
      'tries.zone_offset_min',
      'outings.time_zone',
      'tries.state',
      'tries.casts',
      'tries.last_fly',
      'tries.landed_cm',
      'tries.lie_kind',
      'tries.rating',
      'tries.water_temp_c',
      'tries.chance',
    ])
    .orderBy('tries.opened_ms', 'desc')
    .limit(most)
    .execute();
  return {
    count: Number(total.count),
    landed: Number(total.landed),
    rows: rows.map((r) => ({
      id: r.id,
      outingId: r.outing_id,
      beatName: r.beat_name,
      openedMs: r.opened_ms,
      zoneOffsetMin: r.zone_offset_min,
      timeZone: r.time_zone,
      state: r.state,
      casts: r.casts,
      fly: r.last_fly ?? '',
      landedCm: r.landed_cm,
      lieKind: r.lie_kind,
      rating: r.rating,
      waterTempC: r.water_temp_c,
      chance: r.chance,
    })),
  };
}
