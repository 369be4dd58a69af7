import type { Place } from '../grid/index';
import type { FlowField } from './flow-field';

export interface Ridge {
  places: Place[];
  /** Mean of the field along it. */
  strength: number;
}

export interface RidgeRules {
  /** A ridge starts where the field is at least this ... */
  start: number;
  /** ... and goes on while it is at least this. */
  keep: number;
  minLengthM: number;
}

/** A ridge cell is at least as high as the field this far to either side of it, cells. */
const SIDE_CELLS = 1.5;
const SLACK_MPS = 0.02;

/**
 * Ridges of a field that run with the current: cells that are no lower than the field to the left
 * and right of the current, joined down- and up-current, strongest first. Each as a line in order
 * up-current. Deterministic.
 */
export function traceRidges(flow: FlowField, field: Float64Array, rules: RidgeRules): Ridge[] {
  const { nx, ny } = flow;
  const isRidge = ridgeCells(flow, field, rules.keep);
  const starts: number[] = [];
  for (let k = 0; k < nx * ny; k++) if (isRidge[k] && field[k]! >= rules.start) starts.push(k);
  starts.sort((a, b) => field[b]! - field[a]! || a - b);
  const used = new Uint8Array(nx * ny);
  const out: Ridge[] = [];
  for (const k of starts) {
    if (used[k]) continue;
    const up = follow(flow, isRidge, used, k, 1);
    const down = follow(flow, isRidge, used, k, -1);
    const cells = [...down.reverse(), k, ...up];
    for (const c of cells) markRound(flow, used, c);
    const places = smoothLine(cells.map((c) => centre(flow, c)));
    if (lengthOf(places) < rules.minLengthM) continue;
    const strength = cells.reduce((sum, c) => sum + field[c]!, 0) / cells.length;
    out.push({ places, strength });
  }
  return out;
}

const centre = (flow: FlowField, k: number): Place => ({
  xM: flow.x0M + (k % flow.nx) * flow.cellM,
  yM: flow.y0M + Math.floor(k / flow.nx) * flow.cellM,
});

function ridgeCells(flow: FlowField, field: Float64Array, least: number): Uint8Array {
  const { nx, ny, u, v, depthM } = flow;
  const out = new Uint8Array(nx * ny);
  for (let j = 2; j < ny - 2; j++) {
    for (let i = 2; i < nx - 2; i++) {
      const k = j * nx + i;
      if (field[k]! < least || depthM[k]! <= 0) continue;
      const speed = Math.hypot(u[k]!, v[k]!);
      // Where the water stands, a seam still runs along the valley.
      const nxDir = speed < SLACK_MPS ? 0 : -v[k]! / speed;
      const nyDir = speed < SLACK_MPS ? 1 : u[k]! / speed;
      const a = at(flow, field, i + SIDE_CELLS * nxDir, j + SIDE_CELLS * nyDir);
      const b = at(flow, field, i - SIDE_CELLS * nxDir, j - SIDE_CELLS * nyDir);
      if (field[k]! >= a && field[k]! >= b && field[k]! > Math.min(a, b)) out[k] = 1;
    }
  }
  return out;
}

function at(flow: FlowField, field: Float64Array, gx: number, gy: number): number {
  const i = Math.floor(gx);
  const j = Math.floor(gy);
  const fx = gx - i;
  const fy = gy - j;
  const k = j * flow.nx + i;
  return (
    (1 - fy) * ((1 - fx) * field[k]! + fx * field[k + 1]!) +
    fy * ((1 - fx) * field[k + flow.nx]! + fx * field[k + flow.nx + 1]!)
  );
}

/** Joins ridge cells one column at a time; a gap of one column is stepped over. */
function follow(
  flow: FlowField,
  isRidge: Uint8Array,
  used: Uint8Array,
  from: number,
  way: 1 | -1,
): number[] {
  const { nx, ny } = flow;
  const out: number[] = [];
  let here = from;
  for (;;) {
    const i = here % nx;
    const j = (here - i) / nx;
    let next = -1;
    for (const [di, reach] of [
      [1, 1],
      [2, 2],
    ] as const) {
      for (const dj of reach === 1 ? [0, 1, -1] : [0, 1, -1, 2, -2]) {
        const ii = i + way * di;
        const jj = j + dj;
        if (ii < 0 || jj < 0 || ii >= nx || jj >= ny) continue;
        const k = jj * nx + ii;
        if (isRidge[k] && !used[k]) {
          next = k;
          break;
        }
      }
      if (next >= 0) break;
    }
    if (next < 0) return out;
    out.push(next);
    here = next;
  }
}

/** A ridge takes its neighbours with it, so that no twin runs beside it. */
function markRound(flow: FlowField, used: Uint8Array, k: number): void {
  const { nx, ny } = flow;
  const i = k % nx;
  const j = (k - i) / nx;
  for (let dj = -2; dj <= 2; dj++)
    for (let di = -1; di <= 1; di++)
      if (i + di >= 0 && i + di < nx && j + dj >= 0 && j + dj < ny) used[k + dj * nx + di] = 1;
}

function smoothLine(places: Place[]): Place[] {
  let line = places;
  for (let pass = 0; pass < 3; pass++) {
    line = line.map((p, i) => {
      if (i === 0 || i === line.length - 1) return p;
      const a = line[i - 1]!;
      const b = line[i + 1]!;
      return { xM: (a.xM + 2 * p.xM + b.xM) / 4, yM: (a.yM + 2 * p.yM + b.yM) / 4 };
    });
  }
  return line;
}

function lengthOf(line: Place[]): number {
  let sum = 0;
  for (let i = 1; i < line.length; i++)
    sum += Math.hypot(line[i]!.xM - line[i - 1]!.xM, line[i]!.yM - line[i - 1]!.yM);
  return sum;
}
