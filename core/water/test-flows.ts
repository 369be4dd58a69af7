import type { FlowField } from './flow-field';

/** A made-up flow for tests: 40 x 20 cells of .25 m unless said, running toward -x. */
export function flowOf(
  at: (xM: number, yM: number) => { depth: number; u?: number; v?: number; solid?: number },
  size: { nx?: number; ny?: number; cellM?: number } = {},
): FlowField {
  const { nx = 40, ny = 20, cellM = 0.25 } = size;
  const make = () => new Float64Array(nx * ny);
  const flow: FlowField = {
    nx,
    ny,
    cellM,
    x0M: cellM / 2,
    y0M: cellM / 2,
    dischargeM3s: 1,
    bedM: make(),
    depthM: make(),
    u: make(),
    v: make(),
    surfaceM: make(),
    speedSqM2s2: make(),
    d84M: make().fill(0.13),
    solid: new Uint8Array(nx * ny),
    status: 'converged',
    massError: 0,
    calibrated: false,
    depthMisfitM: 0,
    iterations: 1,
  };
  for (let j = 0; j < ny; j++) {
    for (let i = 0; i < nx; i++) {
      const k = j * nx + i;
      const here = at(flow.x0M + i * cellM, flow.y0M + j * cellM);
      flow.depthM[k] = here.depth;
      flow.u[k] = here.depth > 0 ? (here.u ?? -0.5) : 0;
      flow.v[k] = here.depth > 0 ? (here.v ?? 0) : 0;
      flow.speedSqM2s2[k] = flow.u[k]! ** 2 + flow.v[k]! ** 2;
      flow.surfaceM[k] = here.depth > 0 ? 0 : NaN;
      flow.bedM[k] = -here.depth;
      flow.solid[k] = here.solid ?? 0;
    }
  }
  return flow;
}
