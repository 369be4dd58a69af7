import type { GridFrame } from '../grid/index';
import type { SolveStatus } from './shallow-run';

/** Below this a cell is dry, m. */
export const DRY_M = 0.005;

/**
 * Flow over a beat. Arrays are row-major, index j * nx + i, cell centres; x0M, y0M the centre of
 * cell (0, 0). u along +x, so that ordinary water has u < 0. Heights in the beat's datum: the
 * surface at x = 0 at the surveyed level is 0. Dry: depth 0, u = v = 0, surface NaN.
 */
export interface FlowField extends GridFrame {
  dischargeM3s: number;
  bedM: Float64Array;
  depthM: Float64Array;
  /** Depth means, m/s. */
  u: Float64Array;
  v: Float64Array;
  surfaceM: Float64Array;
  /** Mean of u^2 + v^2: more than the square of the means where eddies are shed. */
  speedSqM2s2: Float64Array;
  d84M: Float64Array;
  /** 0 open, 1 boulder, 2 log (`SOLID`). */
  solid: Uint8Array;
  status: SolveStatus;
  massError: number;
  calibrated: boolean;
  /** Solved minus taken depths at the surveyed level, root mean square (`depthMisfit`), m. */
  depthMisfitM: number;
  iterations: number;
}

export interface FlowSample {
  depthM: number;
  u: number;
  v: number;
}

/** Bilinear; velocity is weighted by wet cells only, depth is 0 outside. Writes and returns `out`. */
export function sampleFlow(flow: FlowField, xM: number, yM: number, out: FlowSample): FlowSample {
  const { nx, ny, depthM, u, v } = flow;
  const gx = (xM - flow.x0M) / flow.cellM;
  const gy = (yM - flow.y0M) / flow.cellM;
  out.depthM = 0;
  out.u = 0;
  out.v = 0;
  if (gx < -0.5 || gy < -0.5 || gx > nx - 0.5 || gy > ny - 0.5) return out;
  const i = Math.min(nx - 2, Math.max(0, Math.floor(gx)));
  const j = Math.min(ny - 2, Math.max(0, Math.floor(gy)));
  const fx = Math.min(1, Math.max(0, gx - i));
  const fy = Math.min(1, Math.max(0, gy - j));
  const k = j * nx + i;
  const w00 = (1 - fx) * (1 - fy);
  const w10 = fx * (1 - fy);
  const w01 = (1 - fx) * fy;
  const w11 = fx * fy;
  const d00 = depthM[k]!;
  const d10 = depthM[k + 1]!;
  const d01 = depthM[k + nx]!;
  const d11 = depthM[k + nx + 1]!;
  out.depthM = w00 * d00 + w10 * d10 + w01 * d01 + w11 * d11;
  const s00 = d00 > 0 ? w00 : 0;
  const s10 = d10 > 0 ? w10 : 0;
  const s01 = d01 > 0 ? w01 : 0;
  const s11 = d11 > 0 ? w11 : 0;
  const wet = s00 + s10 + s01 + s11;
  if (wet > 0) {
    out.u = (s00 * u[k]! + s10 * u[k + 1]! + s01 * u[k + nx]! + s11 * u[k + nx + 1]!) / wet;
    out.v = (s00 * v[k]! + s10 * v[k + 1]! + s01 * v[k + nx]! + s11 * v[k + nx + 1]!) / wet;
  }
  return out;
}

/** Nearest cell's surface height where wet, else null. */
export function surfaceAtM(flow: FlowField, xM: number, yM: number): number | null {
  const i = Math.round((xM - flow.x0M) / flow.cellM);
  const j = Math.round((yM - flow.y0M) / flow.cellM);
  if (i < 0 || j < 0 || i >= flow.nx || j >= flow.ny) return null;
  const z = flow.surfaceM[j * flow.nx + i]!;
  return Number.isNaN(z) ? null : z;
}
