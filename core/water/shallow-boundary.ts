import { PAD as PADDING, WET_FACE_M as WET_FACE, type ShallowState } from './shallow-state';

/** Where water comes in and goes out: ghost columns beyond the ends, set before each step. */

// Own copies, as in the kernel.
const PAD = PADDING;
const WET_FACE_M = WET_FACE;

/** Outflow column: stage or zero depth gradient, zero-gradient velocity. */
export function setGhosts(state: ShallowState): void {
  const { nx, ny, stride, h, eta, zb, u, v, qx, qy, outflow, hasInflow } = state;
  for (let j = 0; j < ny; j++) {
    const first = (j + PAD) * stride + PAD;
    if (outflow) {
      const g = first - 1;
      h[g] = outflow.kind === 'stage' ? Math.max(0, outflow.surfaceM - zb[g]!) : h[first]!;
      eta[g] = zb[g]! + h[g]!;
      u[g - 1] = u[g]!;
      qx[g - 1] = qx[g]!;
      v[g] = v[first]!;
      qy[g] = qy[first]!;
    }
    if (hasInflow) {
      const g = first + nx;
      h[g] = h[g - 1]!;
      eta[g] = eta[g - 1]!;
      u[g] = u[g - 1]!;
      qx[g] = qx[g - 1]!;
    }
  }
}

/** q_j proportional to h^(5/3)/n, scaled to exactly Q (flow toward -i). */
export function setInflow(state: ShallowState): void {
  if (!state.hasInflow) return;
  const { nx, ny, stride, h, n, u, cellM } = state;
  let conveyance = 0;
  for (let j = 0; j < ny; j++) {
    const k = (j + PAD) * stride + PAD + nx - 1;
    if (h[k]! > WET_FACE_M) conveyance += h[k]! ** (5 / 3) / Math.max(n[k]!, 1e-6);
  }
  for (let j = 0; j < ny; j++) {
    const k = (j + PAD) * stride + PAD + nx - 1;
    const wet = h[k]! > WET_FACE_M && conveyance > 0;
    const q = wet
      ? ((h[k]! ** (5 / 3) / Math.max(n[k]!, 1e-6)) * state.inflowM3s) / (conveyance * cellM)
      : 0;
    u[k] = wet ? -q / h[k]! : 0;
  }
}

/** The discharge just set, on the faces of the inflow column. */
export function fixInflowFlux(state: ShallowState): void {
  const { nx, ny, stride, h, u, hu, qx } = state;
  for (let j = 0; j < ny; j++) {
    const k = (j + PAD) * stride + PAD + nx - 1;
    hu[k] = h[k]!;
    qx[k] = h[k]! * u[k]!;
  }
}
