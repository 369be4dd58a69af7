import { cellIndex } from '../grid/index';
import type { FlowField } from '../water/index';
import type { Lie, LieField } from './rate-lies';

/** One place on two days: ratings 0-100 at the place itself, from each day's field. */
export interface DayChange {
  xM: number;
  yM: number;
  then: number;
  now: number;
  /** The lie of now, or of then where now lists none. */
  lie: Lie;
  /** Listed on both days, only now, or only then. */
  seen: 'both' | 'new' | 'gone';
}

export interface RatedDay {
  flow: FlowField;
  lies: LieField;
}

/** Lies of two days within this are one place, m. */
const SAME_PLACE_M = 1.3;

/**
 * What rose and what faded between two days on the same beat (temperature, level or hour changed),
 * largest change first. A lie that moved within a step is one place, rated where it lies each day.
 */
export function compareDays(then: RatedDay, now: RatedDay): DayChange[] {
  const taken = new Set<string>();
  const out: DayChange[] = now.lies.lies.map((lie) => {
    const before = nearest(lie, then.lies.lies, taken);
    if (before) taken.add(before.id);
    const place = before ?? lie;
    return {
      xM: lie.xM,
      yM: lie.yM,
      then: before ? before.rating : fieldAt(then.flow, then.lies.field, place.xM, place.yM),
      now: lie.rating,
      lie,
      seen: before ? 'both' : 'new',
    };
  });
  for (const lie of then.lies.lies) {
    if (taken.has(lie.id)) continue;
    out.push({
      xM: lie.xM,
      yM: lie.yM,
      then: lie.rating,
      now: fieldAt(now.flow, now.lies.field, lie.xM, lie.yM),
      lie,
      seen: 'gone',
    });
  }
  return out.sort((a, b) => Math.abs(b.now - b.then) - Math.abs(a.now - a.then));
}

/** Rating of a place on a field, 0-100; 0 outside. */
function fieldAt(flow: FlowField, field: Float64Array, xM: number, yM: number): number {
  const k = cellIndex(flow, xM, yM);
  return k < 0 ? 0 : 100 * field[k]!;
}

function nearest(lie: Lie, list: readonly Lie[], taken: ReadonlySet<string>): Lie | null {
  let best: Lie | null = null;
  let least = SAME_PLACE_M;
  for (const other of list) {
    const d = Math.hypot(other.xM - lie.xM, other.yM - lie.yM);
    if (d >= least || taken.has(other.id)) continue;
    least = d;
    best = other;
  }
  return best;
}
