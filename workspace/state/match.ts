import { metresApart, type Place } from '../../core/grid/index';
import type { Lie, LieField } from '../../core/lies/index';
import { SAME_LIE_M } from '../../core/terms/index';

/** The id, among lies rated anew, of the lie that was chosen before; null when it is gone. */
export function matchLie(before: Lie | null, lies: LieField): string | null {
  if (!before) return null;
  let id: string | null = null;
  let nearest = SAME_LIE_M;
  for (const lie of lies.lies) {
    const d = metresApart(lie, before);
    if (d >= nearest) continue;
    nearest = d;
    id = lie.id;
  }
  return id;
}

/** A place on the plan is kept to a centimetre: the same one within half of that. */
export const samePlace = (a: Place | null, b: Place | null) =>
  a !== null && b !== null && Math.abs(a.xM - b.xM) < 0.006 && Math.abs(a.yM - b.yM) < 0.006;
