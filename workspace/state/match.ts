import type { Place } from '../../core/grid/index';
import type { Lie, LieField } from '../../core/lies/index';

/** A lie rated anew, from a finer picture or another level, may have moved: within this it is the same, m. */
const SAME_LIE_M = 1.5;

/** The id, among lies rated anew, of the lie that was chosen before; null when it is gone. */
export function matchLie(before: Lie | null, lies: LieField): string | null {
  if (!before) return null;
  let id: string | null = null;
  let nearest = SAME_LIE_M;
  for (const lie of lies.lies) {
    const d = Math.hypot(lie.xM - before.xM, lie.yM - before.yM);
    if (d >= nearest) continue;
    nearest = d;
    id = lie.id;
  }
  return id;
}

/** A place on the plan is kept to a centimetre: the same one within half of that. */
export const samePlace = (a: Place | null, b: Place | null) =>
  a !== null && b !== null && Math.abs(a.xM - b.xM) < 0.006 && Math.abs(a.yM - b.yM) < 0.006;
