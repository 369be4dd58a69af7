import type { FlowField } from './flow-field';

export interface TracerTerms {
  inlet: number;
  /** Per second, toward `ceiling`. */
  source(k: number): number;
  ceiling: number;
  /** Per second. */
  sink(k: number): number;
}

/** Sideways spreading: share of U h, and a floor, m2/s (our guesses). */
const SPREAD_PER_UH = 0.015;
const SPREAD_FLOOR_M2S = 0.001;
const MAX_SWEEPS = 200;
const TOLERANCE = 1e-4;

/**
 * Steady concentration of a passive tracer: upwind, non-conservative advection (a maximum
 * principle holds on averaged velocities), spreading, source toward a ceiling, and sink.
 * Each cell is the weighted mean of its neighbours, by sweeps that run with the current.
 */
export function settleTracer(flow: FlowField, open: Uint8Array, terms: TracerTerms): Float64Array {
  const { nx, ny, cellM, u, v, depthM } = flow;
  const cells = nx * ny;
  const c = new Float64Array(cells);
  const source = new Float64Array(cells);
  const loss = new Float64Array(cells);
  const spread = new Float64Array(cells);
  for (let k = 0; k < cells; k++) {
    if (!open[k]) continue;
    c[k] = terms.inlet;
    source[k] = terms.source(k);
    loss[k] = terms.sink(k);
    const speed = Math.hypot(u[k]!, v[k]!);
    spread[k] = (SPREAD_PER_UH * speed * depthM[k]! + SPREAD_FLOOR_M2S) / cellM ** 2;
  }
  for (let sweep = 0; sweep < MAX_SWEEPS; sweep++) {
    let change = 0;
    for (let n = 0; n < nx; n++) {
      const i = nx - 1 - n; // water comes from high x
      for (let m = 0; m < ny; m++) {
        const j = sweep % 2 === 0 ? m : ny - 1 - m;
        const k = j * nx + i;
        if (!open[k]) continue;
        const d = spread[k]!;
        let weight = source[k]! + loss[k]!;
        let sum = source[k]! * terms.ceiling;
        const west = i > 0 && open[k - 1] ? Math.max(0, u[k]!) / cellM + d : 0;
        if (west > 0) {
          weight += west;
          sum += west * c[k - 1]!;
        }
        if (i === nx - 1) {
          const inflow = Math.max(0, -u[k]!) / cellM;
          weight += inflow;
          sum += inflow * terms.inlet;
        } else if (open[k + 1]) {
          const east = Math.max(0, -u[k]!) / cellM + d;
          weight += east;
          sum += east * c[k + 1]!;
        }
        if (j > 0 && open[k - nx]) {
          const south = Math.max(0, v[k]!) / cellM + d;
          weight += south;
          sum += south * c[k - nx]!;
        }
        if (j < ny - 1 && open[k + nx]) {
          const north = Math.max(0, -v[k]!) / cellM + d;
          weight += north;
          sum += north * c[k + nx]!;
        }
        if (weight <= 0) continue;
        const next = sum / weight;
        const step = Math.abs(next - c[k]!);
        if (step > change) change = step;
        c[k] = next;
      }
    }
    if (change < TOLERANCE) break;
  }
  return c;
}
