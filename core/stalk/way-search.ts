import type { Place } from '../grid/index';
import { POSTURE, POSTURES } from '../sight/index';
import { ALARM, ALARM_WORTH_S, CHANGE_S, CLIMB, EFFORT_S_PER_M, WADING } from './guesses';
import { carriedTo, gaitOf } from './footfall';
import { leastCost, type Graph } from './least-cost';
import { seenAt, type SeenField } from './seen-field';
import { cellAt, cellPlace, type WalkGrid } from './walk-grid';

/** How a way is weighed. */
export interface Weighing {
  wading: 'never-unless' | 'for-the-angle';
  hiding: 'creep' | 'screen';
  tauS: number;
  footfall: number;
  /** Weight of each fish, in the order of the field's views. */
  weights: readonly number[];
}

/**
 * Everything a step costs, one array a posture. Nodes are (stage * postures + posture) * cells +
 * cell; a stage ends at a waypoint.
 */
export interface Costs {
  grid: WalkGrid;
  /** Weighed sum over fish of max(0, E + footfall - threshold). */
  alarm: Float64Array[];
  /** Cost of a second, and of a metre, in a cell. */
  perS: Float64Array[];
  perM: Float64Array[];
  /** Seconds a metre takes in a cell. */
  sPerM: Float64Array[];
}

const N = POSTURES.length;

export function costsOf(grid: WalkGrid, seen: SeenField, how: Weighing): Costs {
  const cells = grid.nx * grid.ny;
  const make = () => POSTURES.map(() => new Float64Array(cells));
  const costs: Costs = {
    grid,
    alarm: make(),
    perS: make(),
    perM: make(),
    sPerM: make(),
  };
  const worth = ALARM_WORTH_S[how.hiding] / how.tauS;
  for (let k = 0; k < cells; k++) {
    if (grid.closed[k]) continue;
    const place = cellPlace(grid, k);
    const wadeCost = wadingCost(grid, k, how);
    for (let p = 0; p < N; p++) {
      let alarm = 0;
      for (let f = 0; f < seen.fish.length; f++)
        alarm += how.weights[f]! * noticed(grid, seen, k, place, f, p, how.footfall);
      costs.sPerM[p]![k] = 1 / paceAt(grid, k, p);
      costs.alarm[p]![k] = alarm;
      costs.perS[p]![k] = 1 + alarm * worth;
      costs.perM[p]![k] = EFFORT_S_PER_M[p]! + wadeCost;
    }
  }
  return costs;
}

/** What one fish notices of a step, above the threshold. */
export function noticed(
  grid: WalkGrid,
  seen: SeenField,
  cell: number,
  place: Place,
  fish: number,
  posture: number,
  footfall: number,
): number {
  const { fish: at, roughness } = seen.fish[fish]!.view;
  const d = Math.hypot(place.xM - at.xM, place.yM - at.yM);
  const heard = footfall * grid.loud[cell]! * gaitOf(POSTURES[posture]!) * carriedTo(d, roughness);
  return Math.max(0, seenAt(seen, fish, posture, place) + heard - ALARM.threshold);
}

function wadingCost(grid: WalkGrid, cell: number, how: Weighing): number {
  const wade = grid.wade[cell]!;
  if (wade === 0) return 0;
  const screened = how.hiding === 'screen' && grid.broken[cell]! > WADING.screenFromRoughness;
  const table =
    how.wading === 'for-the-angle' || screened ? WADING.forTheAngle : WADING.neverUnless;
  return wade === 1 ? table.H1 : table.H2;
}

export const paceAt = (grid: WalkGrid, cell: number, posture: number): number =>
  POSTURE[POSTURES[posture]!].paceMps * grid.footing[cell]! * (grid.wade[cell] ? WADING.pace : 1);

/** Seconds from a cell to its neighbour, with what is climbed. */
export function stepSeconds(
  grid: WalkGrid,
  from: number,
  to: number,
  posture: number,
  lengthM: number,
): number {
  return (
    0.5 * lengthM * (1 / paceAt(grid, from, posture) + 1 / paceAt(grid, to, posture)) +
    climbS(grid, from, to)
  );
}

const climbS = (grid: WalkGrid, from: number, to: number) =>
  CLIMB.sPerM * Math.max(0, Math.abs(grid.groundM[to]! - grid.groundM[from]!) - CLIMB.freeM);

const tooSteep = (grid: WalkGrid, a: number, b: number) =>
  grid.wade[a] === 0 &&
  grid.wade[b] === 0 &&
  Math.abs(grid.groundM[a]! - grid.groundM[b]!) > CLIMB.most;

/** The nodes of the least costly way from any of the starts, through the waypoints, to the goal. */
export function searchWay(
  costs: Costs,
  starts: readonly number[],
  via: readonly Place[],
  goal: number,
  endPosture: number,
): { path: number[]; cost: number } | null {
  const { grid } = costs;
  const cells = grid.nx * grid.ny;
  const layer = N * cells;
  const gates = [...via.map((p) => cellAt(grid, p)), goal];
  const visit: Graph['visit'] =
    via.length === 0
      ? (node, edge) => visitNeighbours(costs, node, edge)
      : (node, edge) => {
          const stage = Math.floor(node / layer);
          const base = stage * layer;
          visitNeighbours(costs, node - base, (to, cost) => edge(base + to, cost));
          if (stage < via.length && node % cells === gates[stage]) edge(node + layer, 0);
        };
  // What is left, at the best pace and with nobody looking: straight to the next gate, and on.
  const beyond = new Float64Array(gates.length);
  for (let i = gates.length - 2; i >= 0; i--)
    beyond[i] = beyond[i + 1]! + apartM(grid, gates[i]!, gates[i + 1]!);
  return leastCost(
    { size: layer * gates.length, visit },
    starts,
    via.length * layer + endPosture * cells + goal,
    (node) => {
      const stage = Math.floor(node / layer);
      return LEAST_PER_M * (apartM(grid, node % cells, gates[stage]!) + beyond[stage]!);
    },
  );
}

/** No metre costs less than walking it upright on gravel, unseen. */
const LEAST_PER_M = 1 / POSTURE.stand.paceMps + EFFORT_S_PER_M[0];

/** Between two cells, by steps along and across the grid, m: never more than a way takes. */
function apartM({ nx, cellM }: WalkGrid, a: number, b: number): number {
  const di = Math.abs((a % nx) - (b % nx));
  const dj = Math.abs(Math.floor(a / nx) - Math.floor(b / nx));
  return cellM * (Math.max(di, dj) + (Math.SQRT2 - 1) * Math.min(di, dj));
}

export function visitNeighbours(
  costs: Costs,
  node: number,
  edge: (to: number, cost: number) => void,
): void {
  const { grid, alarm } = costs;
  const { nx, ny, closed, cellM } = grid;
  const cells = nx * ny;
  const p = Math.floor(node / cells);
  const cell = node - p * cells;
  const i = cell % nx;
  const j = (cell - i) / nx;
  const perS = costs.perS[p]!;
  const perM = costs.perM[p]!;
  const sPerM = costs.sPerM[p]!;
  for (let dj = -1; dj <= 1; dj++) {
    if (j + dj < 0 || j + dj >= ny) continue;
    for (let di = -1; di <= 1; di++) {
      if ((di === 0 && dj === 0) || i + di < 0 || i + di >= nx) continue;
      const next = cell + dj * nx + di;
      // No cutting corners past something closed.
      if (closed[next] || closed[cell + di] || closed[cell + dj * nx]) continue;
      if (tooSteep(grid, cell, next)) continue;
      const lengthM = di !== 0 && dj !== 0 ? cellM * Math.SQRT2 : cellM;
      const seconds = 0.5 * lengthM * (sPerM[cell]! + sPerM[next]!) + climbS(grid, cell, next);
      edge(
        p * cells + next,
        0.5 * (perS[cell]! + perS[next]!) * seconds + 0.5 * (perM[cell]! + perM[next]!) * lengthM,
      );
    }
  }
  for (let q = 0; q < N; q++) {
    if (q === p) continue;
    const dearest = alarm[q]![cell]! > alarm[p]![cell]! ? costs.perS[q]! : perS;
    edge(q * cells + cell, CHANGE_S * dearest[cell]!);
  }
}
