import type { FlowField } from './flow-field';

export interface TracerTerms {
  inlet: number;
  /** Per second, toward `ceiling`. */
  source(k: number): number;
  ceiling: number;
  /** Per second. */
  sink(k: number): number;
  /** Where the sweeps begin: an answer near this one settles sooner. */
  from?: Float64Array;
}

/**
 * Sideways spreading, m2/s: a share of U h (transverse mixing is .15-.6 h u*, Fischer et al. 1979),
 * mixing length squared times the shear (derived from the exchange of dead zones, W/(k U) with
 * k .02-.03, Uijttewaal et al. 2001), and a floor.
 */
const SPREAD_PER_UH = 0.03;
const SPREAD_PER_SHEAR_M2 = 0.015;
const SPREAD_FLOOR_M2S = 0.001;
const MAX_SWEEPS = 200;
const TOLERANCE = 1e-4;
/** A change that wakes no neighbour. */
const STILL = TOLERANCE / 10;
/** The open cells of a flow in the order of its sweeps, and how each is fed by those beside it. */
interface TracerCells {
  /** Up-current column first: water comes from high x. */
  cell: Int32Array;
  /** Places in `cell` of west, east, south and north, four to a cell; its own where there is none. */
  beside: Int32Array;
  /** Per second, from each of them, and from what comes in at the head. */
  pull: Float64Array;
  inflow: Float64Array;
  /** The same cells with each column turned round, so that sweeps alternate across the stream. */
  across: Int32Array;
}

const known = new WeakMap<Uint8Array, TracerCells>();

/** Kept by what is open: four tracers of one water are carried by the same current. */
function cellsOf(flow: FlowField, open: Uint8Array): TracerCells {
  const kept = known.get(open);
  if (kept) return kept;
  const { nx, ny, cellM, u, v, depthM } = flow;
  const place = new Int32Array(nx * ny).fill(-1);
  const cell: number[] = [];
  const across: number[] = [];
  for (let i = nx - 1; i >= 0; i--) {
    const first = cell.length;
    for (let j = 0; j < ny; j++) {
      const k = j * nx + i;
      if (!open[k]) continue;
      place[k] = cell.length;
      cell.push(k);
    }
    for (let n = cell.length - 1; n >= first; n--) across.push(n);
  }
  const beside = new Int32Array(4 * cell.length);
  const pull = new Float64Array(4 * cell.length);
  const inflow = new Float64Array(cell.length);
  cell.forEach((k, n) => {
    const i = k % nx;
    const speed = Math.hypot(u[k]!, v[k]!);
    const spread =
      SPREAD_PER_UH * speed * depthM[k]! +
      SPREAD_PER_SHEAR_M2 * shearRate(flow, open, k) +
      SPREAD_FLOOR_M2S;
    const d = spread / cellM ** 2;
    const from = (side: number, other: number, inside: boolean, carried: number) => {
      const there = inside ? place[other]! : -1;
      beside[4 * n + side] = there < 0 ? n : there;
      if (there >= 0) pull[4 * n + side] = Math.max(0, carried) / cellM + d;
    };
    from(0, k - 1, i > 0, u[k]!);
    from(1, k + 1, i < nx - 1, -u[k]!);
    from(2, k - nx, k >= nx, v[k]!);
    from(3, k + nx, k + nx < nx * ny, -v[k]!);
    if (i === nx - 1) inflow[n] = Math.max(0, -u[k]!) / cellM;
  });
  const made = {
    cell: Int32Array.from(cell),
    beside,
    pull,
    inflow,
    across: Int32Array.from(across),
  };
  known.set(open, made);
  return made;
}

/**
 * Steady concentration of a passive tracer: upwind, non-conservative advection (a maximum
 * principle holds on averaged velocities), spreading, source toward a ceiling, and sink.
 * Each cell is the weighted mean of its neighbours, by sweeps that run with the current.
 */
export function settleTracer(flow: FlowField, open: Uint8Array, terms: TracerTerms): Float64Array {
  const { cell, beside, pull, inflow, across } = cellsOf(flow, open);
  const count = cell.length;
  const c = new Float64Array(count);
  // c = fed + share of each neighbour's, the same in every sweep.
  const fed = new Float64Array(count);
  const share = new Float64Array(4 * count);
  for (let n = 0; n < count; n++) {
    const k = cell[n]!;
    const m = 4 * n;
    c[n] = terms.from ? terms.from[k]! : terms.inlet;
    const source = terms.source(k);
    const all =
      source + terms.sink(k) + inflow[n]! + pull[m]! + pull[m + 1]! + pull[m + 2]! + pull[m + 3]!;
    if (all <= 0) {
      fed[n] = c[n]!;
      continue;
    }
    fed[n] = (source * terms.ceiling + inflow[n]! * terms.inlet) / all;
    for (let side = 0; side < 4; side++) share[m + side] = pull[m + side]! / all;
  }
  // A cell is looked at again only once one beside it has moved: the thread settles long before the eddies.
  const awake = new Uint8Array(count).fill(1);
  for (let sweep = 0; sweep < MAX_SWEEPS; sweep++) {
    let change = 0;
    // Four ways over the grid in turn: eddies run up the valley.
    const down = sweep % 2 === 0;
    const turned = sweep % 4 > 1;
    for (let s = 0; s < count; s++) {
      const at = down ? s : count - 1 - s;
      const n = turned ? across[at]! : at;
      if (awake[n] === 0) continue;
      awake[n] = 0;
      const m = 4 * n;
      const w = beside[m]!;
      const e = beside[m + 1]!;
      const a = beside[m + 2]!;
      const b = beside[m + 3]!;
      const next =
        fed[n]! +
        share[m]! * c[w]! +
        share[m + 1]! * c[e]! +
        share[m + 2]! * c[a]! +
        share[m + 3]! * c[b]!;
      const own = c[n]!;
      const step = next > own ? next - own : own - next;
      if (step > change) change = step;
      c[n] = next;
      if (step < STILL) continue;
      awake[w] = 1;
      awake[e] = 1;
      awake[a] = 1;
      awake[b] = 1;
    }
    if (change < TOLERANCE) break;
  }
  const out = new Float64Array(open.length);
  for (let n = 0; n < count; n++) out[cell[n]!] = c[n]!;
  return out;
}

/** Size of the velocity's change across either axis, 1/s. */
function shearRate(flow: FlowField, open: Uint8Array, k: number): number {
  const { nx, u, v, cellM } = flow;
  const i = k % nx;
  const change = (of: Float64Array, step: number, inside: boolean) => {
    const a = k - step;
    const b = k + step;
    if (!inside || !open[a] || !open[b]) return 0;
    return (of[b]! - of[a]!) / (2 * cellM);
  };
  const du = change(u, nx, k >= nx && k + nx < open.length);
  const dv = change(v, 1, i > 0 && i < nx - 1);
  return Math.abs(du + dv);
}
