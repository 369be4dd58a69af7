import { onceEach } from '../grid/index';
import type { FlowField, FlowSample } from './flow-field';
import { surfaceFactor } from './profile';

/** What a leaf feels: depth-mean velocity times the surface factor, on the flow's cells. */
export interface SurfaceCurrent {
  flow: FlowField;
  u: Float64Array;
  v: Float64Array;
}

/** Made once a flow; a flow is never changed after it is solved. */
export const surfaceCurrent = onceEach((flow: FlowField): SurfaceCurrent => {
  const u = new Float64Array(flow.depthM.length);
  const v = new Float64Array(flow.depthM.length);
  for (let k = 0; k < u.length; k++) {
    if (flow.depthM[k]! <= 0) continue;
    const factor = surfaceFactor(flow.depthM[k]!, flow.d84M[k]!);
    u[k] = flow.u[k]! * factor;
    v[k] = flow.v[k]! * factor;
  }
  return { flow, u, v };
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
  const { flow, u, v } = current;
  const { nx, ny, depthM, cellM } = flow;
  const gx = (xM - flow.x0M) / cellM;
  const gy = (yM - flow.y0M) / cellM;
  out.depthM = 0;
  out.u = 0;
  out.v = 0;
  if (!(gx >= -0.5 && gy >= -0.5 && gx <= nx - 0.5 && gy <= ny - 0.5)) return out;
  const i = Math.min(nx - 2, Math.max(0, Math.floor(gx)));
  const j = Math.min(ny - 2, Math.max(0, Math.floor(gy)));
  const fx = Math.min(1, Math.max(0, gx - i));
  const fy = Math.min(1, Math.max(0, gy - j));
  const k = j * nx + i;
  const w00 = depthM[k]! > 0 ? (1 - fx) * (1 - fy) : 0;
  const w10 = depthM[k + 1]! > 0 ? fx * (1 - fy) : 0;
  const w01 = depthM[k + nx]! > 0 ? (1 - fx) * fy : 0;
  const w11 = depthM[k + nx + 1]! > 0 ? fx * fy : 0;
  const wet = w00 + w10 + w01 + w11;
  if (wet < 0.25) return out;
  out.depthM = 1;
  out.u = (w00 * u[k]! + w10 * u[k + 1]! + w01 * u[k + nx]! + w11 * u[k + nx + 1]!) / wet;
  out.v = (w00 * v[k]! + w10 * v[k + 1]! + w01 * v[k + nx]! + w11 * v[k + nx + 1]!) / wet;
  return out;
}
