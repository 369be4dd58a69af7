import type { Db } from './db';
import { jsonText } from './dialect';

/** A temperature with its beat. */
export interface BeatTemp {
  id: string;
  beatId: string;
  takenMs: number;
  waterTempC: number;
}
/** Clarity read on a day on which a try says at what level. */
export interface LevelColour {
  beatId: string;
  level: string;
  turbidityNtu: number;
}

/** So far back pairs of readings are looked for, ms. */
const YEARS_BACK_MS = 3 * 366 * 86_400_000;
/** A try so near a reading speaks of its water, ms. */
const SAME_WATER_MS = 6 * 3_600_000;

/** What readings say for a day that ends before `endMs`: temperatures of beats, and clarity by level. */
export async function readingsForDay(
  db: Db,
  endMs: number,
): Promise<{ temps: BeatTemp[]; colours: LevelColour[] }> {
  const temps = await db
    .selectFrom('readings')
    .select(['id', 'beat_id', 'taken_ms', 'water_temp_c'])
    .where('dropped', '=', 0)
    .where('beat_id', 'is not', null)
    .where('water_temp_c', 'is not', null)
    .where('taken_ms', '<', endMs)
    .where('taken_ms', '>', endMs - YEARS_BACK_MS)
    .orderBy('taken_ms')
    .execute();
  const colours = await db
    .selectFrom('readings')
    .innerJoin('tries', 'tries.outing_id', 'readings.outing_id')
    .select([
      'readings.id',
      'tries.beat_id as beatId',
      'readings.turbidity_ntu as turbidityNtu',
      jsonText(db, 'tries.snapshot_json', 'level').as('level'),
    ])
    .where('readings.dropped', '=', 0)
    .where('readings.turbidity_ntu', 'is not', null)
    .where('tries.beat_id', 'is not', null)
    .whereRef('tries.opened_ms', '>', (b) => b('readings.taken_ms', '-', SAME_WATER_MS))
    .whereRef('tries.opened_ms', '<', (b) => b('readings.taken_ms', '+', SAME_WATER_MS))
    .execute();
  // One reading speaks once of a level, however many tries stand beside it.
  const once = new Map(colours.map((c) => [`${c.id} ${c.level}`, c]));
  return {
    temps: temps.map((t) => ({
      id: t.id,
      beatId: t.beat_id!,
      takenMs: t.taken_ms,
      waterTempC: t.water_temp_c!,
    })),
    colours: [...once.values()]
      .filter((c) => c.level !== null)
      .map((c) => ({ beatId: c.beatId!, level: c.level!, turbidityNtu: c.turbidityNtu! })),
  };
}
