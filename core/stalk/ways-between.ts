import { saying } from '../grid/index';
import { POSTURES, type Posture } from '../sight/index';
import type { Place } from '../grid/index';
import { ALARM, CHANGE_S } from './guesses';
import { gaitOf, heardFrom } from './footfall';
import { leastCosts } from './least-cost';
import { weighingOf, type StalkContext, type StalkQuestion } from './plan-stalk';
import { seenInto } from './seen-field';
import { cellAt, cellPlace, stepM, type WalkGrid } from './walk-grid';
import { costsOf, stepSeconds, visitNeighbours } from './way-search';

/** Where somebody stands, or will. */
export interface Standing {
  place: Place;
  posture: Posture;
}

/** Ways from a number of places to a number of stands; Infinity seconds: none leads. */
export interface WaysBetween {
  from: number;
  to: number;
  fish: number;
  /** Index from * to + to. */
  seconds: Float32Array;
  wadedM: Float32Array;
  /** Share of the alarm time that each fish gathers on the way, weighed by nobody: (from * to + to) * fish + fish. */
  dose: Float32Array;
}

/**
 * The least costly ways between stands, with what each of them shows to every fish by itself (as
 * `planStalk`, on the context's own grid). Yields the share that is done.
 */
export function* waysBetween(
  { grid, seen }: StalkContext,
  input: StalkQuestion,
  from: readonly Standing[],
  to: readonly Standing[],
): Generator<number, WaysBetween> {
  const how = weighingOf(input);
  const costs = costsOf(grid, seen, how);
  const cells = grid.nx * grid.ny;
  const fish = seen.fish.length;
  const out: WaysBetween = {
    from: from.length,
    to: to.length,
    fish,
    seconds: new Float32Array(from.length * to.length).fill(Infinity),
    wadedM: new Float32Array(from.length * to.length),
    dose: new Float32Array(from.length * to.length * fish),
  };
  const nodeOf = ({ place, posture }: Standing) => {
    const cell = cellAt(grid, place);
    return cell < 0 || grid.closed[cell] ? -1 : POSTURES.indexOf(posture) * cells + cell;
  };
  const goals = to.map(nodeOf);
  const alarms = alarmTable(grid, seen, how.footfall);
  for (const [a, standing] of from.entries()) {
    yield a / from.length;
    const start = nodeOf(standing);
    if (start < 0) continue;
    const { cost, before } = yield* saying(
      a / from.length,
      leastCosts(
        {
          size: POSTURES.length * cells,
          visit: (node, edge) => visitNeighbours(costs, node, edge),
        },
        [start],
      ),
    );
    for (const [b, goal] of goals.entries()) {
      if (goal < 0 || cost[goal] === Infinity) continue;
      const at = a * to.length + b;
      let seconds = 0;
      let waded = 0;
      for (let node = goal; before[node]! >= 0; node = before[node]!) {
        const last = before[node]!;
        const q = Math.floor(node / cells);
        const [c, d] = [last % cells, node % cells];
        const m = c === d ? 0 : stepM(grid, c, d);
        const s = c === d ? CHANGE_S : stepSeconds(grid, c, d, q, m);
        seconds += s;
        if (grid.wade[d]) waded += m;
        for (let f = 0; f < fish; f++) out.dose[at * fish + f]! += (s * alarms(f, q, d)) / how.tauS;
      }
      out.seconds[at] = seconds;
      out.wadedM[at] = waded;
    }
  }
  return out;
}

/** What one fish notices of somebody walking in a cell, beyond the threshold; worked out when first asked. */
function alarmTable(grid: WalkGrid, seen: StalkContext['seen'], footfall: number | undefined) {
  const cells = grid.nx * grid.ny;
  const known = seen.fish.map(() => new Float32Array(POSTURES.length * cells).fill(-1));
  const gaits = POSTURES.map(gaitOf);
  const e = new Float64Array(POSTURES.length);
  return (f: number, posture: number, cell: number): number => {
    const table = known[f]!;
    const held = table[posture * cells + cell]!;
    if (held >= 0) return held;
    const at = cellPlace(grid, cell);
    seenInto(seen, f, at.xM, at.yM, e);
    const { fish, roughness } = seen.fish[f]!.view;
    const away = Math.hypot(at.xM - fish.xM, at.yM - fish.yM);
    const mud = seen.mud ? seen.mud[f]![cell]! : 1;
    const heard = heardFrom(grid.loud[cell]!, away, roughness, footfall ?? ALARM.footfall);
    for (let p = 0; p < POSTURES.length; p++)
      table[p * cells + cell] = Math.max(0, mud * e[p]! + heard * gaits[p]! - ALARM.threshold);
    return table[posture * cells + cell]!;
  };
}
