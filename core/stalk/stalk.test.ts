import fc from 'fast-check';
import { searchWay, visitNeighbours, type Costs } from './way-search';
import type { WalkGrid } from './walk-grid';
import {
  leastCost,
  mayWade,
  rescdamGoodM2s,
  rescdamNormalM2s,
  rescdamPoorM2s,
  wadingClass,
} from './index';

it.each([
  [0.3, 1, 'H1'],
  [0.4, 1.2, 'H2'],
  [0.6, 0.9, 'H3'],
  [0.6, 1.4, 'H4'],
  [0.5, 2.1, 'H5'],
  [1.5, 3, 'H6'],
] as const)('%f m at %f m/s is %s (ARR/AIDR 2017)', (depthM, speedMps, expected) => {
  expect(wadingClass(depthM, speedMps)).toBe(expected);
});

it('RESCDAM limits of a body of 1.8 m and 80 kg (Karvonen et al. 2000)', () => {
  expect(rescdamGoodM2s(1.8, 80)).toBeCloseTo(1.164, 3);
  expect(rescdamNormalM2s(1.8, 80)).toBeCloseTo(0.776, 3);
  expect(rescdamPoorM2s(1.8, 80)).toBeCloseTo(0.388, 3);
});

it('wading is refused past any one limit, and where depth is not known', () => {
  const body = { heightM: 1.75, massKg: 78, maxWadeM: 0.7 };
  expect(mayWade(0.3, 0.5, body)).toBe(true);
  expect(mayWade(NaN, 0.1, body)).toBe(false);
  expect(mayWade(0.75, 0, body)).toBe(false); // own limit, and H3 depth
  expect(mayWade(0.45, 1.0, body)).toBe(false); // depth x speed with its margin
  expect(mayWade(0.3, 0.5, { ...body, maxWadeM: 0.25 })).toBe(false);
});

/** Bellman-Ford relaxation over every edge: slow, and right by construction. */
function exhaustive(n: number, edges: [number, number, number][]): number[] {
  const cost = new Array<number>(n).fill(Infinity);
  cost[0] = 0;
  for (let round = 0; round < n; round++)
    for (const [a, b, c] of edges) cost[b] = Math.min(cost[b]!, cost[a]! + c);
  return cost;
}

it('the least cost agrees with an exhaustive search to 1e-9 (seeded properties)', () => {
  const edge = fc.tuple(
    fc.integer({ min: 0, max: 11 }),
    fc.integer({ min: 0, max: 11 }),
    fc.double({ min: 0, max: 10, noNaN: true }),
  );
  fc.assert(
    fc.property(fc.array(edge, { maxLength: 50 }), (edges) => {
      const expected = exhaustive(12, edges);
      for (const to of [3, 7, 11]) {
        const found = leastCost(
          { size: 12, visit: (node, add) => edges.forEach(([a, b, c]) => a === node && add(b, c)) },
          0,
          to,
        );
        if (expected[to] === Infinity) expect(found).toBeNull();
        else {
          expect(Math.abs(found!.cost - expected[to]!)).toBeLessThan(1e-9);
          expect(found!.path[0]).toBe(0);
          expect(found!.path[found!.path.length - 1]).toBe(to);
        }
      }
    }),
    { numRuns: 200, seed: 5 },
  );
});

it('the bounds of the hazard classes (ARR/AIDR 2017) bind to a fiftieth', () => {
  // Depth x speed just under and just over each limit, then depth itself.
  const cases: [number, number, string][] = [
    [0.29, 1.02, 'H1'],
    [0.29, 1.05, 'H2'],
    [0.49, 1.21, 'H2'],
    [0.49, 1.24, 'H4'],
    [0.51, 0.5, 'H3'],
    [0.9, 0.66, 'H3'],
    [0.9, 0.68, 'H4'],
    [1.22, 0.4, 'H4'],
    [0.31, 0.5, 'H2'],
    [0.2, 2.02, 'H5'],
  ];
  for (const [depth, speed, name] of cases) expect(wadingClass(depth, speed)).toBe(name);
});

/** A little land of random costs, some cells closed, some wet. */
function madeCosts(random: () => number): Costs {
  const [nx, ny] = [6, 5];
  const cells = nx * ny;
  const fill = (make: () => number) => Float64Array.from({ length: cells }, make);
  const grid: WalkGrid = {
    nx,
    ny,
    cellM: 0.25,
    x0M: 0,
    y0M: 0,
    closed: Uint8Array.from({ length: cells }, () => (random() < 0.2 ? 1 : 0)),
    wade: Uint8Array.from({ length: cells }, () => (random() < 0.3 ? 1 : 0)),
    depthM: fill(() => 0),
    groundM: fill(() => random()),
    footing: fill(() => 0.5 + 0.5 * random()),
    loud: fill(() => 0),
    broken: fill(() => 0),
  };
  grid.closed[0] = grid.closed[cells - 1] = 0;
  const four = (make: () => number) => [0, 1, 2, 3].map(() => fill(make));
  // No metre may be cheaper than the bound of the search: 1/.7 + .5.
  return {
    grid,
    alarm: four(random),
    alarmOfFirst: four(random),
    perS: four(() => 1 + 5 * random()),
    perM: four(() => 0.5 + random()),
    sPerM: four(() => 1 / 0.7 + 3 * random()),
  };
}

it('the way on a grid of four postures agrees with an exhaustive search to 1e-9', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 1e6 }),
      fc.integer({ min: 0, max: 3 }),
      (seed, posture) => {
        let state = seed;
        const random = () => (state = (state * 16807) % 2147483647) / 2147483647;
        const costs = madeCosts(random);
        const cells = costs.grid.nx * costs.grid.ny;
        const edges: [number, number, number][] = [];
        for (let n = 0; n < 4 * cells; n++)
          if (!costs.grid.closed[n % cells])
            visitNeighbours(costs, n, (to, cost) => edges.push([n, to, cost]));
        const expected = exhaustive(4 * cells, edges)[posture * cells + cells - 1]!;
        const found = searchWay(costs, [0], [], cells - 1, posture);
        if (expected === Infinity) expect(found).toBeNull();
        else expect(Math.abs(found!.cost - expected)).toBeLessThan(1e-9);
      },
    ),
    { numRuns: 40, seed: 11 },
  );
});
