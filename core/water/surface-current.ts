import { memoizeByObject } from '../grid/index';
import type { FlowField, FlowSample } from './flow-field';
import { surfaceFactor } from './profile';

/** What a leaf feels: depth-mean velocity times the surface factor, on the flow's cells; 0 where dry. */
export interface SurfaceCurrent {
  flow: FlowField;
  u: Float64Array;
  v: Float64Array;
  /** 1 where there is water, else 0. */
  wet: Float64Array;
}

/** Made once a flow; a flow is never changed after it is solved. */
export const surfaceCurrent = memoizeByObject((flow: FlowField): SurfaceCurrent => {
  const u = new Float64Array(flow.depthM.length);
  const v = new Float64Array(flow.depthM.length);
  const wet = new Float64Array(flow.depthM.length);
  for (let k = 0; k < u.length; k++) {
    if (flow.depthM[k]! <= 0) continue;
    const factor = surfaceFactor(flow.depthM[k]!, flow.d84M[k]!);
    u[k] = flow.u[k]! * factor;
    v[k] = flow.v[k]! * factor;
    wet[k] = 1;
  }
  return { flow, u, v, wet };
});

/**
 * Bilinear over wet cells only; 0 and depth 0 where the nearest water is more than half a cell off.
 * `depthM` here tells wet (1) from dry (0). Writes and returns `out`.
 */
export function sampleSurface(
  current: SurfaceCurrent,
  xM: number,
  yM: number,
  out: FlowSample,
): FlowSample {
  const { flow, u, v, wet } = current;
  const { nx, ny, cellM } = flow;
  const gx = (xM - flow.x0M) / cellM;
  const gy = (yM - flow.y0M) / cellM;
  out.depthM = 0;
  out.u = 0;
  out.v = 0;
  if (!(gx >= -0.5 && gy >= -0.5 && gx <= nx - 0.5 && gy <= ny - 0.5)) return out;
  let i = Math.floor(gx);
  let j = Math.floor(gy);
  i = i < 0 ? 0 : i > nx - 2 ? nx - 2 : i;
  j = j < 0 ? 0 : j > ny - 2 ? ny - 2 : j;
  const fx = gx < i ? 0 : gx > i + 1 ? 1 : gx - i;
  const fy = gy < j ? 0 : gy > j + 1 ? 1 : gy - j;
  const k = j * nx + i;
  // u and v are 0 where dry, so only the weights ask what is wet.
  const w11 = fx * fy;
  const w10 = fx - w11;
  const w01 = fy - w11;
  const w00 = 1 - fx - w01;
  const share = w00 * wet[k]! + w10 * wet[k + 1]! + w01 * wet[k + nx]! + w11 * wet[k + nx + 1]!;
  if (share < 0.25) return out;
  out.depthM = 1;
  out.u = (w00 * u[k]! + w10 * u[k + 1]! + w01 * u[k + nx]! + w11 * u[k + nx + 1]!) / share;
  out.v = (w00 * v[k]! + w10 * v[k + 1]! + w01 * v[k + nx]! + w11 * v[k + nx + 1]!) / share;
  return out;
}
