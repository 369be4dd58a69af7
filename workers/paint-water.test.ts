import { paintWater } from './paint-water';
import type { FlowField } from '../core/water/index';

function strip(): FlowField {
  const nx = 20;
  const ny = 10;
  const cells = nx * ny;
  const wet = (k: number) => Math.floor(k / nx) < 6;
  const make = (f: (k: number) => number) => Float64Array.from({ length: cells }, (_, k) => f(k));
  return {
    nx,
    ny,
    cellM: 0.2,
    x0M: 0.1,
    y0M: 0.1,
    dischargeM3s: 1,
    bedM: make((k) => (wet(k) ? -0.1 - 0.09 * (k % nx) : 0.5)),
    depthM: make((k) => (wet(k) ? 0.1 + 0.09 * (k % nx) : 0)),
    u: make((k) => (wet(k) ? -0.4 : 0)),
    v: make(() => 0),
    surfaceM: make((k) => (wet(k) ? 0 : NaN)),
    speedSqM2s2: make(() => 0.16),
    d84M: make(() => 0.05),
    solid: new Uint8Array(cells),
    status: 'converged',
    massError: 0,
    calibrated: false,
    depthMisfitM: 0,
    iterations: 1,
  };
}

it('deep water is darker than shallow, land keeps its colour, and the picture is the same every time', () => {
  const ramp = Float64Array.from([90, 0, 0, 34, 0, 0]);
  const job = {
    flow: strip(),
    quantity: 'depth' as const,
    pxPerM: 20,
    ramp,
    rampFullAt: 1.2,
    dim: false,
    land: [88, 0, 0] as const,
    landWet: [70, 0, 0] as const,
  };
  const a = paintWater(job);
  expect([a.width, a.height]).toEqual([80, 40]);
  const mean = (col: number, row: number) => {
    let sum = 0;
    for (let dx = 0; dx < 8; dx++)
      for (let dy = 0; dy < 8; dy++) sum += a.rgba[4 * ((row + dy) * a.width + col + dx)]!;
    return sum / 64;
  };
  expect(mean(4, 26)).toBeGreaterThan(mean(40, 26) + 20);
  expect(a.rgba[4 * (2 * a.width + 40)]).toBeGreaterThan(190);
  expect(paintWater(job).rgba).toEqual(a.rgba);
});
