import { readRises, type Riser } from '../../../core/sight/index';
import { markOf, targetOf } from '../../state/selectors';
import type { WorkspaceState } from '../../state/state';

/** The rhythm of a fish that rises within this of the target, m. */
const SAME_RISER_M = 3;

/** The riser that the target is, by the rings that were tapped; null where there is none, or too few. */
export function riserOf(s: Pick<WorkspaceState, 'rises'>, target: ReturnType<typeof targetOf>) {
  if (!target || s.rises.length < 3) return null;
  const near = (r: Riser) =>
    Math.hypot(r.place.xM - target.xM, r.place.yM - target.yM) < SAME_RISER_M;
  return readRises(s.rises).risers.find(near) ?? null;
}

/** Where the target's ring shows: as it was tapped, else the place that the mark had before it was put back to its lie. */
export function ringOf(s: WorkspaceState): { xM: number; yM: number } | null {
  const riser = riserOf(s, targetOf(s));
  if (riser) return riser.place;
  const mark = markOf(s);
  if (mark?.behaviour !== 'rising') return null;
  const before = mark.history.at(-1);
  const moved = before && Math.hypot(before.xM - mark.xM, before.yM - mark.yM);
  return before && moved! > 0.1 && moved! < SAME_RISER_M ? { xM: before.xM, yM: before.yM } : null;
}
