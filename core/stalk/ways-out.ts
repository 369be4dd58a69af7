import { finish, type Place } from '../grid/index';
import { POSTURES, type Posture } from '../sight/index';
import { CHANGE_S } from './guesses';
import { leastCosts } from './least-cost';
import { weighingOf, type StalkContext, type StalkQuestion } from './plan-stalk';
import { cellAt, stepM, type WalkGrid } from './walk-grid';
import { costsOf, stepSeconds, visitNeighbours } from './way-search';

/**
 * The least costly ways from the starts to every place at once. Index: posture * cells + cell, with
 * posture in the order of POSTURES and cells as the grid has them.
 */
export interface WaysOut {
  grid: WalkGrid;
  /** What the way weighs, s; Infinity where none leads. */
  cost: Float64Array;
  /** Chance that nothing weighed has been alarmed on the way: e^(-weighed alarm/tau), 0-1. */
  calm: Float64Array;
  /** Chance that the first fish, whatever it is worth, has not been alarmed, 0-1. */
  calmOfFirst: Float64Array;
  seconds: Float64Array;
}

/**
 * As `planStalk`, but to every cell (Dijkstra 1959): which stands can be reached, and what getting
 * there costs. null when no start is open. Waypoints are not asked here.
 */
export const waysOut = (ground: StalkContext, input: StalkQuestion): WaysOut | null =>
  finish(waysOutSteps(ground, input));

/**
 * The same in steps of some milliseconds. With `until`, no further than those places in those postures:
 * what is told of others is nothing.
 */
export function* waysOutSteps(
  ground: StalkContext,
  input: StalkQuestion,
  until?: readonly { place: Place; posture: Posture }[],
): Generator<void, WaysOut | null> {
  const { grid, seen } = ground;
  const how = weighingOf(input);
  const costs = costsOf(grid, seen, how);
  const cells = grid.nx * grid.ny;
  const starts = ('xM' in input.from ? [input.from] : input.from)
    .map((p) => cellAt(grid, p))
    .filter((c) => c >= 0 && !grid.closed[c]);
  if (starts.length === 0) return null;
  yield;
  const { cost, before, order } = yield* leastCosts(
    { size: POSTURES.length * cells, visit: (node, edge) => visitNeighbours(costs, node, edge) },
    POSTURES.flatMap((_, p) => starts.map((c) => p * cells + c)),
    until?.flatMap(({ place, posture }) => {
      const cell = cellAt(grid, place);
      return cell < 0 ? [] : [POSTURES.indexOf(posture) * cells + cell];
    }),
  );
  const calm = new Float64Array(cost.length);
  const calmOfFirst = new Float64Array(cost.length);
  const seconds = new Float64Array(cost.length);
  yield;
  for (const node of order) {
    const last = before[node]!;
    if (last < 0) {
      calm[node] = 1;
      calmOfFirst[node] = 1;
      continue;
    }
    const p = Math.floor(last / cells);
    const q = Math.floor(node / cells);
    const [a, b] = [last % cells, node % cells];
    const s = a === b ? CHANGE_S : stepSeconds(grid, a, b, q, stepM(grid, a, b));
    const alarm = 0.5 * (costs.alarm[p]![a]! + costs.alarm[q]![b]!);
    seconds[node] = seconds[last]! + s;
    calm[node] = calm[last]! * Math.exp((-s * alarm) / how.tauS);
    const own = 0.5 * (costs.alarmOfFirst[p]![a]! + costs.alarmOfFirst[q]![b]!);
    calmOfFirst[node] = calmOfFirst[last]! * Math.exp((-s * own) / how.tauS);
  }
  return { grid, cost, calm, calmOfFirst, seconds };
}
