import { entriesOf, type BeatPlan, type GpxContent } from '../../../core/formats/index';
import { lieName, capital } from '../../../words/names';
import { numberOfMark, shownWay } from '../../state/selectors';
import { valueOf } from '../../state/answer';
import type { WorkspaceState } from '../../state/state';

/** Everything of a beat that is a place, with the way to the stand: what a GIS or a handheld is given. */
export function carried(plan: BeatPlan, s: WorkspaceState): GpxContent {
  const lies = valueOf(s, 'lies')?.lies ?? [];
  const lookouts = valueOf(s, 'lookouts') ?? [];
  const way = shownWay(s);
  return {
    waypoints: [
      ...entriesOf(plan).map((place) => ({ place, name: 'Entry', kind: 'entry' })),
      ...s.marks.map((m) => ({
        place: m,
        name: `Fish ${numberOfMark(s, m.id)}`,
        kind: 'fish',
        comment: [`${m.surety}, ${m.behaviour}`, m.note].filter(Boolean).join('. '),
        ...(m.seenMs > 0 && { atMs: m.seenMs }),
      })),
      ...lies.map((lie) => ({
        place: lie,
        name: `${lie.rating} ${lieName(lie.kind)}`,
        kind: 'lie',
        comment: `home ${lie.rating} in 100, ${lie.depthM.toFixed(2)} m deep, ${lie.meanSpeedMps.toFixed(2)} m/s, ${s.level}`,
      })),
      ...lookouts.map((place, i) => ({
        place,
        name: `Lookout ${'ABCDEFGH'[i] ?? i + 1}`,
        kind: 'lookout',
      })),
      ...(s.stand
        ? [{ place: s.stand, name: 'Stand', kind: 'stand', comment: capital(s.posture) }]
        : []),
    ],
    ...(way && { way: { name: 'Stalk', places: way.moments.map((m) => m.place) } }),
  };
}
