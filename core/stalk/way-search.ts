import type { Place } from '../grid/index';
import { POSTURE, POSTURES } from '../sight/index';
import {
  ALARM,
  ALARM_WORTH_S,
  CHANGE_EFFORT_S,
  CHANGE_S,
  CLIMB,
  EFFORT_S_PER_M,
  OWN_MUD,
  WADING,
  type HidingSchool,
  type WadingSchool,
} from './guesses';
import { gaitOf, heardFrom } from './footfall';
import { leastCost, type Graph } from './least-cost';
import { seenInto, type SeenField } from './seen-field';
import { cellAt, type WalkGrid } from './walk-grid';

/** How a way is weighed. */
export interface Weighing {
  wading: WadingSchool;
  hiding: HidingSchool;
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
  /** The same for the first fish alone, unweighed: what its own calm hangs on. */
  alarmOfFirst: Float64Array[];
  /** Cost of a second, and of a metre, in a cell. */
  perS: Float64Array[];
  perM: Float64Array[];
  /** Seconds a metre takes in a cell. */
  sPerM: Float64Array[];
}

const N = POSTURES.length;
// Own copies for the inner loop.
const CLIMB_FREE_M = CLIMB.freeM;
const CLIMB_S_PER_M = CLIMB.sPerM;
const CLIMB_MOST_M = CLIMB.most;

export function costsOf(grid: WalkGrid, seen: SeenField, how: Weighing): Costs {
  const cells = grid.nx * grid.ny;
  const make = () => POSTURES.map(() => new Float64Array(cells));
  const costs: Costs = {
    grid,
    alarm: make(),
    alarmOfFirst: make(),
    perS: make(),
    perM: make(),
    sPerM: make(),
  };
  const worth = ALARM_WORTH_S[how.hiding] / how.tauS;
  const gaits = POSTURES.map(gaitOf);
  const e = new Float64Array(N);
  for (let k = 0; k < cells; k++) {
    if (grid.closed[k]) continue;
    const xM = grid.x0M + (k % grid.nx) * grid.cellM;
    const yM = grid.y0M + Math.floor(k / grid.nx) * grid.cellM;
    for (let f = 0; f < seen.fish.length; f++) {
      seenInto(seen, f, xM, yM, e);
      const { fish, roughness } = seen.fish[f]!.view;
      const away = Math.sqrt((xM - fish.xM) ** 2 + (yM - fish.yM) ** 2);
      const mud = seen.mud ? seen.mud[f]![k]! : 1;
      const heard = heardFrom(grid.loud[k]!, away, roughness, how.footfall);
      for (let p = 0; p < N; p++) {
        const alarm = Math.max(0, mud * e[p]! + heard * gaits[p]! - ALARM.threshold);
        costs.alarm[p]![k]! += how.weights[f]! * alarm;
        if (f === 0) costs.alarmOfFirst[p]![k] = alarm;
      }
    }
    const wadeCost = wadingCost(grid, seen, k, how);
    for (let p = 0; p < N; p++) {
      costs.sPerM[p]![k] = 1 / paceAt(grid, k, p);
      costs.perS[p]![k] = 1 + costs.alarm[p]![k]! * worth;
      costs.perM[p]![k] = EFFORT_S_PER_M[p]! + wadeCost;
    }
  }
  return costs;
}

function wadingCost(grid: WalkGrid, seen: SeenField, cell: number, how: Weighing): number {
  const wade = grid.wade[cell]!;
  if (wade === 0) return 0;
  const screened =
    (how.hiding === 'screen' && grid.broken[cell]! > WADING.screenFromRoughness) ||
    (seen.mud?.some((m) => m[cell]! < OWN_MUD.screensBelow) ?? false);
  const table =
    how.wading === 'for-the-angle' || screened ? WADING.forTheAngle : WADING.neverUnless;
  return wade === 1 ? table.H1 : table.H2;
}

export const paceAt = (grid: WalkGrid, cell: number, posture: number): number =>
  POSTURE[POSTURES[posture]!].walkSpeedMps *
  grid.footing[cell]! *
  (grid.wade[cell] ? WADING.pace : 1);

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
  const left = gates.map(() => new Float64Array(cells));
  let beyond = 0;
  for (let stage = gates.length - 1; stage >= 0; stage--) {
    const gate = gates[stage]!;
    for (let k = 0; k < cells; k++)
      left[stage]![k] = LEAST_PER_M * (apartM(grid, k, gate) + beyond);
    if (stage > 0) beyond += apartM(grid, gates[stage - 1]!, gate);
  }
  const nearest = left[0]!;
  return leastCost(
    { size: layer * gates.length, visit },
    starts,
    via.length * layer + endPosture * cells + goal,
    via.length === 0
      ? (node) => nearest[node % cells]!
      : (node) => left[Math.floor(node / layer)]![node % cells]!,
  );
}

/** No metre costs less than walking it upright on gravel, unseen. */
const LEAST_PER_M = 1 / POSTURE.stand.walkSpeedMps + EFFORT_S_PER_M[0];

/** Between two cells, by steps along and across the grid, m: never more than a way takes. */
function apartM({ nx, cellM }: WalkGrid, a: number, b: number): number {
  const di = Math.abs((a % nx) - (b % nx));
  const dj = Math.abs(Math.floor(a / nx) - Math.floor(b / nx));
  return cellM * (Math.max(di, dj) + (Math.SQRT2 - 1) * Math.min(di, dj));
}

/** Calls `edge` for every neighbour of a node of one stage: eight steps, and a change of posture. */
export function visitNeighbours(
  costs: Costs,
  node: number,
  edge: (to: number, cost: number) => void,
): void {
  const { grid, alarm } = costs;
  const { nx, ny, closed, wade, groundM, cellM } = grid;
  const cells = nx * ny;
  const p = Math.floor(node / cells);
  const cell = node - p * cells;
  const i = cell % nx;
  const j = (cell - i) / nx;
  const perS = costs.perS[p]!;
  const perM = costs.perM[p]!;
  const sPerM = costs.sPerM[p]!;
  const ground = groundM[cell]!;
  for (let dj = -1; dj <= 1; dj++) {
    if (j + dj < 0 || j + dj >= ny) continue;
    for (let di = -1; di <= 1; di++) {
      if ((di === 0 && dj === 0) || i + di < 0 || i + di >= nx) continue;
      const next = cell + dj * nx + di;
      // No cutting corners past something closed.
      if (closed[next] || closed[cell + di] || closed[cell + dj * nx]) continue;
      const rise = Math.abs(groundM[next]! - ground);
      if (rise > CLIMB_MOST_M && wade[cell] === 0 && wade[next] === 0) continue;
      const lengthM = di !== 0 && dj !== 0 ? cellM * Math.SQRT2 : cellM;
      const climb = rise > CLIMB_FREE_M ? CLIMB_S_PER_M * (rise - CLIMB_FREE_M) : 0;
      const seconds = 0.5 * lengthM * (sPerM[cell]! + sPerM[next]!) + climb;
      edge(
        p * cells + next,
        0.5 * (perS[cell]! + perS[next]!) * seconds + 0.5 * (perM[cell]! + perM[next]!) * lengthM,
      );
    }
  }
  for (let q = 0; q < N; q++) {
    if (q === p) continue;
    const dearest = alarm[q]![cell]! > alarm[p]![cell]! ? costs.perS[q]! : perS;
    edge(q * cells + cell, CHANGE_EFFORT_S + CHANGE_S * dearest[cell]!);
  }
}
