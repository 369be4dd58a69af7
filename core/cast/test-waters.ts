import type { FlowField } from '../water/index';

/** Flow given by a formula, for tests and benches: depth .5 m, 60 x 20 m unless said. Not solved. */
export function madeFlow(
  uAt: (xM: number, yM: number) => number,
  vAt: (xM: number, yM: number) => number = () => 0,
): FlowField {
  const nx = 300;
  const ny = 100;
  const cellM = 0.2;
  const cells = nx * ny;
  const flow: FlowField = {
    nx,
    ny,
    cellM,
    x0M: -30 + cellM / 2,
    y0M: -10 + cellM / 2,
    dischargeM3s: 1,
    bedM: new Float64Array(cells).fill(-0.5),
    depthM: new Float64Array(cells).fill(0.5),
    u: new Float64Array(cells),
    v: new Float64Array(cells),
    surfaceM: new Float64Array(cells),
    speedSqM2s2: new Float64Array(cells),
    d84M: new Float64Array(cells).fill(0.05),
    solid: new Uint8Array(cells),
    status: 'converged',
    massError: 0,
    calibrated: false,
    depthMisfitM: 0,
    iterations: 0,
  };
  for (let j = 0; j < ny; j++) {
    for (let i = 0; i < nx; i++) {
      const k = j * nx + i;
      const x = flow.x0M + i * cellM;
      const y = flow.y0M + j * cellM;
      flow.u[k] = uAt(x, y);
      flow.v[k] = vAt(x, y);
      flow.speedSqM2s2[k] = flow.u[k]! ** 2 + flow.v[k]! ** 2;
    }
  }
  return flow;
}
