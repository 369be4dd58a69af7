import { madeFlow } from './fixtures/waters';
import {
  sampleFlow,
  sampleSurface,
  surfaceAtM,
  surfaceCurrent,
  surfaceFactor,
  thalweg,
  traceStreamline,
} from './index';

const out = () => ({ depthM: 0, u: 0, v: 0 });

describe('sampling', () => {
  const flow = madeFlow(
    (_x, y) => -0.3 + 0.02 * y,
    (x) => 0.01 * x,
  );
  it('is exact on a plane of velocity', () => {
    expect(sampleFlow(flow, 3.37, -1.21, out()).u).toBeCloseTo(-0.3 - 0.0242, 9);
    expect(sampleFlow(flow, 3.37, -1.21, out()).v).toBeCloseTo(0.0337, 9);
  });
  it('is nothing outside', () => {
    expect(sampleFlow(flow, 400, 0, out())).toEqual({ depthM: 0, u: 0, v: 0 });
    expect(surfaceAtM(flow, 400, 0)).toBeNull();
  });
  it('weighs velocity by wet cells only: a shore does not slow the water beside it', () => {
    const shore = madeFlow(() => -0.5);
    for (let k = 0; k < shore.depthM.length; k++) {
      if (Math.floor(k / shore.nx) < 50) continue;
      shore.depthM[k] = 0;
      shore.u[k] = 0;
    }
    const y = shore.y0M + 49.4 * shore.cellM;
    expect(sampleFlow(shore, 0, y, out()).u).toBeCloseTo(-0.5, 12);
    expect(sampleFlow(shore, 0, y, out()).depthM).toBeLessThan(0.5);
    expect(sampleSurface(surfaceCurrent(shore), 0, y + 0.3, out()).depthM).toBe(0);
  });
  it('the surface runs quicker than the mean, by the factor of the profile', () => {
    const s = sampleSurface(surfaceCurrent(flow), 1, 1, out());
    expect(s.u / sampleFlow(flow, 1, 1, out()).u).toBeCloseTo(surfaceFactor(0.5, 0.05), 9);
    expect(surfaceCurrent(flow)).toBe(surfaceCurrent(flow));
  });
});

describe('streamlines', () => {
  it('go round a vortex and come back (exact: circles)', () => {
    const vortex = madeFlow(
      (_x, y) => -0.2 * y,
      (x) => 0.2 * (x - 10),
    );
    const line = traceStreamline(
      vortex,
      { xM: 13, yM: 0 },
      { direction: 'down', maxM: 2 * Math.PI * 3 },
    );
    const end = line.places[line.places.length - 1]!;
    expect(Math.hypot(end.xM - 13, end.yM)).toBeLessThan(0.15);
    for (const p of line.places) expect(Math.hypot(p.xM - 10, p.yM)).toBeCloseTo(3, 1);
    expect(line.timeS[line.timeS.length - 1]).toBeCloseTo((2 * Math.PI) / 0.2, 0);
  });
  it('say why they end', () => {
    const even = madeFlow(() => -0.4);
    expect(traceStreamline(even, { xM: 5, yM: 0 }, { direction: 'down', maxM: 2 }).end).toBe(
      'length',
    );
    expect(traceStreamline(even, { xM: 2, yM: 0 }, { direction: 'down', maxM: 9 }).end).toBe(
      'edge',
    );
    expect(
      traceStreamline(
        madeFlow(() => 0),
        { xM: 2, yM: 0 },
        { direction: 'down', maxM: 9 },
      ).end,
    ).toBe('slack');
    even.depthM.fill(0);
    expect(traceStreamline(even, { xM: 2, yM: 0 }, { direction: 'up', maxM: 9 }).end).toBe('dry');
  });
});

it('the thalweg follows the deepest line, and not over a rock', () => {
  const flow = madeFlow(() => -0.4);
  for (let k = 0; k < flow.depthM.length; k++) {
    const x = flow.x0M + (k % flow.nx) * flow.cellM;
    const y = flow.y0M + Math.floor(k / flow.nx) * flow.cellM;
    flow.depthM[k] = Math.max(0, 0.8 - 0.1 * Math.abs(y - 0.1 * x));
  }
  const line = thalweg(flow);
  expect(line).toHaveLength(flow.nx);
  for (let i = 10; i < line.length - 10; i += 40)
    expect(Math.abs(line[i]!.yM - 0.1 * line[i]!.xM)).toBeLessThan(0.25);
  const j = Math.round((0 - flow.y0M) / flow.cellM);
  const open = thalweg(flow)[150]!.yM;
  // A rock on the deepest line and toward true right: what is over it does not count.
  for (let i = 135; i < 166; i++) for (let r = 0; r < 8; r++) flow.solid[(j + r) * flow.nx + i] = 1;
  expect(thalweg(flow)[150]!.yM).toBeLessThan(open - flow.cellM);
});
