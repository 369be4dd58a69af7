import { entriesOf, writeGpx, type BeatPlan } from '../../../core/formats/index';
import { numberOfMark, shownWay } from '../../state/selectors';
import type { WorkspaceState } from '../../state/state';

/** Marks, stand and way as GPX 1.1; null for a beat that has no place on the map. */
export function wayGpx(plan: BeatPlan, s: WorkspaceState): string | null {
  if (!plan.anchor) return null;
  const way = shownWay(s);
  return writeGpx(plan, {
    waypoints: [
      ...entriesOf(plan).map((place) => ({ place, name: 'Entry' })),
      ...s.marks.map((m) => ({
        place: m,
        name: `Fish ${numberOfMark(s, m.id)}, ${m.surety}`,
      })),
      ...(s.stand ? [{ place: s.stand, name: `Stand, ${s.posture}` }] : []),
    ],
    ...(way && { way: { name: 'Stalk', places: way.moments.map((m) => m.place) } }),
  });
}
