import type { Place } from '../../core/grid/index';
import { shownWay, targetOf } from '../state/selectors';
import type { WorkspaceState } from '../state/state';

/** How much of a long way is shown from its beginning, m. */
const FIRST_OF_WAY_M = 2;

/**
 * What the step speaks of: the chosen fish or lie, and where it is watched, walked to and cast at from.
 * `key` changes when something else is spoken of.
 */
export function spokenOf(s: WorkspaceState): { key: string; places: Place[] } {
  const target = targetOf(s);
  const places: Place[] = [];
  if (target) places.push(target);
  if (s.step === 'spot' && s.viewer) places.push(s.viewer);
  if (s.step === 'stalk' || s.step === 'cast') {
    if (s.stand) places.push(s.stand);
    if (s.stand && s.landing && s.step === 'cast') places.push(s.landing);
  }
  if (s.step === 'stalk' && s.stand)
    places.push(...firstOf(shownWay(s)?.moments.map((m) => m.place)));
  const key = `${s.step} ${target?.id} ${places.map((p) => `${p.xM.toFixed(2)},${p.yM.toFixed(2)}`).join(' ')}`;
  return { key, places };
}

/** The beginning of a way, and its middle. */
function firstOf(way: readonly Place[] | undefined): Place[] {
  const start = way?.[0];
  if (!start) return [];
  const end = way.find((p) => Math.hypot(p.xM - start.xM, p.yM - start.yM) > FIRST_OF_WAY_M);
  // And its middle, where a waypoint is taken from.
  return [start, end ?? way[way.length - 1]!, way[Math.floor(way.length / 2)]!];
}
