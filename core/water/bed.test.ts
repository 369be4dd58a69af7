import type { BeatFeature, BeatPlan } from '../formats/index';
import {
  buildBed,
  createChannel,
  MATERIALS,
  noseSpeedMps,
  profileRatio,
  SOLID,
  surfaceFactor,
  type Bed,
} from './index';

const line = (...points: [number, number][]) => ({
  type: 'LineString' as const,
  line: points.map(([xM, yM]) => ({ xM, yM })),
});
const area = (...points: [number, number][]) => ({
  type: 'Polygon' as const,
  ring: points.map(([xM, yM]) => ({ xM, yM })),
});
const point = (xM: number, yM: number) => ({ type: 'Point' as const, place: { xM, yM } });

/** A straight channel 20 m long from y -3 to 3, one section deep to the right of the middle. */
function plan(...more: BeatFeature[]): BeatPlan {
  return {
    version: 1,
    name: 'Rill',
    lengthM: 20,
    slope: 0.01,
    bearingDeg: 0,
    levels: [{ name: 'Fair', dischargeM3s: 1, how: 'float' }],
    surveyedLevel: 'Fair',
    features: [
      { kind: 'bank', side: 'left', form: 'sloping', shape: line([0, -3], [20, -3]) },
      { kind: 'bank', side: 'right', form: 'cut', heightM: 1, shape: line([0, 3], [20, 3]) },
      {
        kind: 'section',
        shape: line([10, -3], [10, 3]),
        stations: [
          { offsetM: 0, depthM: 0 },
          { offsetM: 4, depthM: 0.6 },
          { offsetM: 5.8, depthM: 0.4 },
        ],
      },
      ...more,
    ],
  };
}
const at = (bed: Bed, x: number, y: number) =>
  Math.round((y - bed.y0M) / bed.cellM) * bed.nx + Math.round((x - bed.x0M) / bed.cellM);
const depthAt = (bed: Bed, x: number, y: number) =>
  bed.surveyedSurfaceM[at(bed, x, y)]! - bed.bedM[at(bed, x, y)]!;

describe('from depths to bed', () => {
  const bed = buildBed(plan(), 0.2);
  it('meets the depths that were taken, and is the same along an even channel', () => {
    expect(bed.depths.depthM(10, 1)).toBeCloseTo(0.6, 9);
    expect(bed.depths.depthM(3, 1)).toBeCloseTo(0.6, 9);
    expect(bed.depths.depthM(10, -1)).toBeCloseTo(0.3, 9);
  });
  it('keeps depth at a cut bank and none at a sloping one', () => {
    expect(bed.depths.depthM(10, 2.99)).toBeCloseTo(0.4, 2);
    expect(bed.depths.depthM(10, -2.99)).toBeLessThan(0.01);
  });
  it('rises to the height of a cut bank within a cell, slowly up a sloping one', () => {
    expect(depthAt(bed, 10, 3.3)).toBeCloseTo(-1, 6);
    expect(depthAt(bed, 10, -3.3)).toBeGreaterThan(-0.2);
  });
  it('repeats the end sections for one wetted width outside the beat', () => {
    expect(bed.extraColumns * bed.cellM).toBeGreaterThanOrEqual(6);
    expect(depthAt(bed, -4, 1)).toBeCloseTo(depthAt(bed, 1, 1), 6);
    expect(bed.surveyedSurfaceM[at(bed, -4.1, 1)]!).toBeLessThan(0);
  });
  it('a sounding bends the depth near it, not far away', () => {
    const deeper = buildBed(plan({ kind: 'sounding', depthM: 0.9, shape: point(10, 1) }), 0.2);
    expect(deeper.depths.depthM(10, 1)).toBeGreaterThan(0.85);
    expect(deeper.depths.depthM(16, 1)).toBeCloseTo(0.6, 2);
  });
});

describe('ledges, boulders, timber, bed and weed', () => {
  it('the surface falls by the slope in all, a ledge taking its drop at its line', () => {
    const channel = createChannel(
      plan({ kind: 'ledge', dropM: 0.12, facing: 180, shape: line([8, -3], [9, 3]) }),
    );
    expect(channel.surveyedSurfaceM(20, 0)).toBeCloseTo(0.2, 9);
    expect(channel.surveyedSurfaceM(0, 0)).toBe(0);
    const step = channel.surveyedSurfaceM(8.6, 0) - channel.surveyedSurfaceM(8.4, 0);
    expect(step).toBeCloseTo(0.12 + 0.2 * channel.footSlope, 9);
  });
  it('a boulder is a cap, flat to .6 of its radius', () => {
    const bed = buildBed(
      plan({ kind: 'boulder', diameterM: 2, heightM: 0.5, shape: point(10, 0) }),
      0.1,
    );
    const foot = bed.channel.surveyedSurfaceM(10, 0) - bed.depths.depthM(10, 0);
    expect(bed.bedM[at(bed, 10.05, 0.05)]).toBeCloseTo(foot + 0.5, 6);
    expect(bed.bedM[at(bed, 10.5, 0.05)]).toBeCloseTo(foot + 0.5, 6);
    expect(bed.bedM[at(bed, 10.9, 0.05)]!).toBeLessThan(foot + 0.4);
    expect(bed.solid[at(bed, 10, 0)]).toBe(SOLID.boulder);
    expect(bed.solid[at(bed, 12, 0)]).toBe(SOLID.none);
  });
  it('a slanting log is joined edge to edge, so that it does not leak', () => {
    const bed = buildBed(
      plan({ kind: 'log', diameterM: 0.1, shape: line([6, -2.8], [9.7, 2.8]) }),
      0.2,
    );
    const cells: number[] = [];
    bed.solid.forEach((s, k) => s === SOLID.log && cells.push(k));
    const reached = new Set([cells[0]!]);
    const queue = [cells[0]!];
    while (queue.length > 0) {
      const k = queue.pop()!;
      for (const n of [k - 1, k + 1, k - bed.nx, k + bed.nx]) {
        if (bed.solid[n] === SOLID.log && !reached.has(n)) {
          reached.add(n);
          queue.push(n);
        }
      }
    }
    expect(reached.size).toBe(cells.length);
    expect(cells.length).toBeGreaterThan(25);
  });
  it('a log with room beneath is cover only', () => {
    const bed = buildBed(
      plan({ kind: 'log', diameterM: 0.4, clearanceM: 0.4, shape: line([8, -1], [8, 1]) }),
      0.2,
    );
    expect(bed.solid.some((s) => s === SOLID.log)).toBe(false);
  });
  it('the later bed polygon wins, and weed adds to n', () => {
    const all = area([0, -3], [20, -3], [20, 3], [0, 3]);
    const bed = buildBed(
      plan(
        { kind: 'bed', material: 'silt', shape: all },
        { kind: 'bed', material: 'boulders', shape: area([0, 0], [20, 0], [20, 3], [0, 3]) },
        { kind: 'weed', density: 'thick', shape: area([0, -3], [5, -3], [5, 3], [0, 3]) },
      ),
      0.2,
    );
    expect(bed.manningN[at(bed, 10, -1)]).toBe(MATERIALS.silt.n);
    expect(bed.manningN[at(bed, 10, 1)]).toBe(MATERIALS.boulders.n);
    expect(bed.manningN[at(bed, 2, 1)]).toBeCloseTo(MATERIALS.boulders.n + 0.08, 9);
    expect(bed.d84M[at(bed, 10, 1)]).toBe(0.4);
  });
  it('refuses a beat without depths, and a cell of no size', () => {
    const bare = { ...plan(), features: plan().features.slice(0, 2) };
    expect(() => buildBed(bare, 0.2)).toThrow('no section and no sounding');
    expect(() => buildBed(plan(), 0)).toThrow('got 0');
  });
});

describe('profile', () => {
  it('its mean over the depth is the depth mean, exactly', () => {
    const n = 4000;
    let sum = 0;
    for (let i = 0; i < n; i++) sum += profileRatio(((i + 0.5) / n) * 0.45, 0.45, 0.13) / n;
    expect(sum).toBeCloseTo(1, 4);
  });
  it('surface factor lies within 1.15-1.28 for h/ks of 60 to 3 (log law)', () => {
    for (const ratio of [3, 10, 30, 60]) {
      // ks = 30 z0 = 3 D84
      const factor = surfaceFactor(0.6, 0.6 / (3 * ratio));
      expect(factor).toBeGreaterThan(1.1);
      expect(factor).toBeLessThan(1.33);
    }
  });
  it('at the nose it is slower: near the bed, among stones, beside a rock', () => {
    const open = noseSpeedMps(0.6, 0.5, 0.05, 0.25, 5);
    expect(open).toBeLessThan(0.6);
    expect(noseSpeedMps(0.6, 0.5, 0.2, 0.25, 5)).toBeLessThan(open);
    expect(noseSpeedMps(0.6, 0.5, 0.05, 0.25, 0.1)).toBeLessThan(0.8 * open);
  });
});
