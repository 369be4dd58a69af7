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

/**
 * Steady concentration of a passive tracer: upwind, non-conservative advection (a maximum
 * principle holds on averaged velocities), spreading, source toward a ceiling, and sink.
 * Each cell is the weighted mean of its neighbours, by sweeps that run with the current.
 */
export function settleTracer(flow: FlowField, open: Uint8Array, terms: TracerTerms): Float64Array {
  const { nx, ny, cellM, u, v, depthM } = flow;
  const cells = nx * ny;
  const c = new Float64Array(cells);
  const make = () => new Float64Array(cells);
  // c = (fed + w c_west + e c_east + s c_south + n c_north) / all, the same in every sweep.
  const [fed, west, east, south, north, perAll] = [make(), make(), make(), make(), make(), make()];
  // Open cells, up-current column first: water comes from high x.
  const order = new Int32Array(cells);
  let count = 0;
  for (let i = nx - 1; i >= 0; i--) {
    for (let j = 0; j < ny; j++) {
      const k = j * nx + i;
      if (!open[k]) continue;
      c[k] = terms.from ? terms.from[k]! : terms.inlet;
      const source = terms.source(k);
      const speed = Math.hypot(u[k]!, v[k]!);
      const spread =
        SPREAD_PER_UH * speed * depthM[k]! +
        SPREAD_PER_SHEAR_M2 * shearRate(flow, open, k) +
        SPREAD_FLOOR_M2S;
      const d = spread / cellM ** 2;
      fed[k] = source * terms.ceiling;
      let all = source + terms.sink(k);
      if (i > 0 && open[k - 1]) all += west[k] = Math.max(0, u[k]!) / cellM + d;
      if (i === nx - 1) {
        const inflow = Math.max(0, -u[k]!) / cellM;
        all += inflow;
        fed[k]! += inflow * terms.inlet;
      } else if (open[k + 1]) all += east[k] = Math.max(0, -u[k]!) / cellM + d;
      if (j > 0 && open[k - nx]) all += south[k] = Math.max(0, v[k]!) / cellM + d;
      if (j < ny - 1 && open[k + nx]) all += north[k] = Math.max(0, -v[k]!) / cellM + d;
      if (all <= 0) continue;
      perAll[k] = 1 / all;
      order[count++] = k;
    }
  }
  // A cell is looked at again only once one beside it has moved: the thread settles long before the eddies.
  const awake = new Uint8Array(cells).fill(1);
  // A place outside the array is never fed from: its factor is 0, its own value stands in.
  for (let sweep = 0; sweep < MAX_SWEEPS; sweep++) {
    let change = 0;
    for (let n = 0; n < count; n++) {
      const k = order[n]!;
      if (awake[k] === 0) continue;
      awake[k] = 0;
      const own = c[k]!;
      const next =
        (fed[k]! +
          west[k]! * (west[k] ? c[k - 1]! : own) +
          east[k]! * (east[k] ? c[k + 1]! : own) +
          south[k]! * (south[k] ? c[k - nx]! : own) +
          north[k]! * (north[k] ? c[k + nx]! : own)) *
        perAll[k]!;
      const step = next > own ? next - own : own - next;
      if (step > change) change = step;
      c[k] = next;
      if (step < STILL) continue;
      if (k > 0) awake[k - 1] = 1;
      if (k < cells - 1) awake[k + 1] = 1;
      if (k >= nx) awake[k - nx] = 1;
      if (k < cells - nx) awake[k + nx] = 1;
    }
    if (change < TOLERANCE) break;
    // Four ways over the grid in turn: eddies run up the valley.
    if (sweep % 2 === 1) turnColumns(order, count, nx);
    order.subarray(0, count).reverse();
  }
  return c;
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

/** Turns the cells of each column round, so that sweeps alternate across the stream. */
function turnColumns(order: Int32Array, count: number, nx: number): void {
  let from = 0;
  while (from < count) {
    const column = order[from]! % nx;
    let to = from + 1;
    while (to < count && order[to]! % nx === column) to++;
    order.subarray(from, to).reverse();
    from = to;
  }
}
