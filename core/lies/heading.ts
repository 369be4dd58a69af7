import type { FlowField } from '../water/index';

/** The way a fish in cell `k` faces: against the mean velocity of the 3 x 3 cells round it; in an eddy that is down-valley. */
export function headingAt(flow: FlowField, k: number): number {
  const { nx, ny, u, v } = flow;
  const ci = k % nx;
  const cj = (k - ci) / nx;
  let su = 0;
  let sv = 0;
  for (let j = Math.max(0, cj - 1); j <= Math.min(ny - 1, cj + 1); j++) {
    for (let i = Math.max(0, ci - 1); i <= Math.min(nx - 1, ci + 1); i++) {
      su += u[j * nx + i]!;
      sv += v[j * nx + i]!;
    }
  }
  return su === 0 && sv === 0 ? 0 : Math.atan2(-sv, -su);
}
