import { lerp, memoizeByObject, smoothInto } from '../grid/index';
import { brokenWater } from './broken-water';
import type { FlowField } from './flow-field';
import { traceRidges, type Ridge } from './ridges';
import { settleTracer } from './tracer';

/** Change of pace across the current that a person sees as a seam, per second, and goes on seeing (our guesses). */
const SEAM_START = 0.45;
const SEAM_KEEP = 0.28;
const LEAST_LENGTH_M = 1.6;
/** Smoothing of the pace before its change is taken, passes of 1-2-1. */
const PACE_PASSES = 2;
/** Water shallower than this shows its stones, not a seam, m. */
const SEAM_DEPTH_M = 0.08;

/** Foam: made in broken water, per second; lost by its own life, and where the water stands (our guesses). */
const FOAM_FROM_BROKEN = 0.25;
const FOAM_LIFE_S = { broken: 40, even: 240 };
const FOAM_START = 0.25;
const FOAM_KEEP = 0.14;

/** Where quick water meets slow: ridges of the change of pace across the current, 1/s. */
export function seams(flow: FlowField): Ridge[] {
  return traceRidges(flow, shear(flow), {
    start: SEAM_START,
    keep: SEAM_KEEP,
    minLengthM: LEAST_LENGTH_M,
  });
}

/** Change of the pace across the current, 1/s; 0 at the shore and in film. */
export function shear(flow: FlowField): Float64Array {
  const { nx, ny, cellM, u, v, depthM } = flow;
  const cells = nx * ny;
  const open = new Uint8Array(cells);
  const raw = new Float64Array(cells);
  for (let k = 0; k < cells; k++) {
    if (depthM[k]! < SEAM_DEPTH_M) continue;
    open[k] = 1;
    raw[k] = Math.hypot(u[k]!, v[k]!);
  }
  const pace = smoothInto(nx, ny, raw, open, PACE_PASSES, new Float64Array(cells));
  const out = new Float64Array(cells);
  for (let j = 1; j < ny - 1; j++) {
    for (let i = 1; i < nx - 1; i++) {
      const k = j * nx + i;
      if (!(open[k] && open[k - 1] && open[k + 1] && open[k - nx] && open[k + nx])) continue;
      const speed = Math.max(1e-6, raw[k]!);
      const dx = (pace[k + 1]! - pace[k - 1]!) / (2 * cellM);
      const dy = (pace[k + nx]! - pace[k - nx]!) / (2 * cellM);
      out[k] = Math.abs((-v[k]! * dx + u[k]! * dy) / speed);
    }
  }
  return out;
}

/** Foam on the water, 0-1: made where the surface breaks, carried and spread, dying with time. */
export function foam(flow: FlowField): Float64Array {
  const open = Uint8Array.from(flow.depthM, (d) => (d > 0 ? 1 : 0));
  const broken = flow.depthM.map((h, k) =>
    h > 0 ? brokenWater(Math.sqrt(flow.speedSqM2s2[k]! / (9.81 * h)), h, flow.d84M[k]!) : 0,
  );
  const perS = { broken: 1 / FOAM_LIFE_S.broken, even: 1 / FOAM_LIFE_S.even };
  return settleTracer(flow, open, {
    inlet: 0,
    source: (k) => FOAM_FROM_BROKEN * broken[k]! ** 2,
    ceiling: 1,
    sink: (k) => lerp(perS.even, perS.broken, broken[k]!),
  });
}

/** Foam and drift lines: ridges of the foam across the current. */
export const foamLines = memoizeByObject((flow: FlowField): Ridge[] =>
  traceRidges(flow, foam(flow), {
    start: FOAM_START,
    keep: FOAM_KEEP,
    minLengthM: 1.5 * LEAST_LENGTH_M,
  }),
);
