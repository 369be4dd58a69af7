import { createRandom } from '../grid/index';
import {
  criticalDepthM,
  jowettClass,
  manningSpeedMps,
  MATERIALS,
  profileRatio,
  solveShallowWater,
  type ShallowWaterResult,
} from './index';
import { equivalentManningN } from './resistance';

describe('handbook values', () => {
  it('Manning in a rectangle 4 x 0.4 m, n .04, S .01', () => {
    const radius = (4 * 0.4) / (4 + 2 * 0.4);
    expect(radius).toBeCloseTo(0.33333, 5);
    const speed = manningSpeedMps(radius, 0.01, 0.04);
    expect(speed * 4 * 0.4).toBeCloseTo(1.923, 3);
    expect(speed / Math.sqrt(9.81 * 0.4)).toBeCloseTo(0.6067, 4);
  });
  it('critical depth (q^2/g)^(1/3)', () => {
    expect(criticalDepthM(0.25)).toBeCloseTo(0.18538, 5);
    expect(criticalDepthM(1)).toBeCloseTo(0.46714, 5);
  });
  it('stony beds are as rough as steep mountain streams: within Jarrett (1984), two standard errors of 28 %', () => {
    // n = .3225 S^.38 R^-.16, for slopes of .002 to .04.
    const jarrett = (slope: number, r: number) => 0.3225 * slope ** 0.38 * r ** -0.16;
    for (const [material, slope] of [
      ['cobble', 0.008],
      ['broken-rock', 0.012],
    ] as const) {
      for (const depth of [0.25, 0.4, 0.6]) {
        const { n, d84M } = MATERIALS[material];
        const ratio = equivalentManningN(depth, n, d84M) / jarrett(slope, depth);
        expect(ratio).toBeGreaterThan(1 - 0.56);
        expect(ratio).toBeLessThan(1 + 0.56);
      }
    }
  });
  it('the profile is the log law: u(z)/U at h .4, ks .1 within 8 % near the bed, 2 % above', () => {
    // u* .19809, U 1.8299; u(.02) .8657, u(.1) 1.6433, u(.4) 2.3131. z0 = ks/30 = .1 D84.
    const d84M = 0.1 / 30 / 0.1;
    for (const [z, u, within] of [
      [0.02, 0.8657, 0.08],
      [0.1, 1.6433, 0.02],
      [0.4, 2.3131, 0.02],
    ] as const)
      expect(Math.abs(profileRatio(z, 0.4, d84M) / (u / 1.8299) - 1)).toBeLessThan(within);
  });
});

describe('a round rock of 1 m in a current of .7 m/s, cells of .1 m (the study: jets 1.41, cushion .5 to .6, eddy 1 to 3 D)', () => {
  const [nx, ny, cellM] = [150, 64, 0.1];
  const depth = 0.4;
  const speed = 0.71;
  const slope = (0.04 * speed) ** 2 / depth ** (4 / 3);
  const centre = { x: 10.5, y: 3.2 };
  let flow: ShallowWaterResult;
  const at = (x: number, y: number, field: Float64Array) =>
    field[Math.round(y / cellM - 0.5) * nx + Math.round(x / cellM - 0.5)]!;

  beforeAll(() => {
    const bedM = Float64Array.from({ length: nx * ny }, (_, k) => {
      const x = ((k % nx) + 0.5) * cellM;
      const y = (Math.floor(k / nx) + 0.5) * cellM;
      const inRock = Math.hypot(x - centre.x, y - centre.y) < 0.5;
      return slope * x + (inRock ? 2 : 0);
    });
    flow = solveShallowWater({
      nx,
      ny,
      cellM,
      bedM,
      manningN: 0.04,
      inflow: { edge: 'xMax', dischargeM3s: speed * depth * ny * cellM },
      outflow: { edge: 'xMin', kind: 'normal-depth', slope },
      options: { wallDrag: true, maxS: 90 },
    });
  });

  it('runs round it half as quick again, stands up before it, turns back behind it', () => {
    let jet = 0;
    for (let x = centre.x - 0.6; x <= centre.x + 0.6; x += cellM)
      for (const side of [1, -1])
        for (let off = 0.6; off < 1; off += cellM)
          jet = Math.max(jet, -at(x, centre.y + side * off, flow.u) / speed);
    expect(jet).toBeGreaterThan(1.2);
    expect(jet).toBeLessThan(1.5);
    // Half a diameter ahead of the rim; without friction it would be .75 there (potential flow).
    const cushion = -at(centre.x + 0.95, centre.y, flow.u) / speed;
    expect(cushion).toBeGreaterThan(0.5);
    expect(cushion).toBeLessThan(0.68);
    let eddyM = 0;
    for (let x = centre.x - 0.55; x > 1; x -= cellM) {
      if (at(x, centre.y, flow.u) <= 0) break;
      eddyM = centre.x - 0.5 - x;
    }
    expect(eddyM).toBeGreaterThan(1);
    expect(eddyM).toBeLessThan(3);
    expect(flow.clampedM3).toBe(0);
  });
});

it('what flows in flows out over any bed (seeded property): status said, nothing clamped, mass within 1 %', () => {
  for (let seed = 1; seed <= 8; seed++) {
    const random = createRandom(seed);
    const [nx, ny, cellM] = [60, 16, 0.4];
    const bumps = Array.from({ length: 10 }, () => ({
      x: 24 * random(),
      y: 6.4 * random(),
      h: 0.5 * random() - 0.15,
      r: 0.5 + 1.2 * random(),
    }));
    const bedM = Float64Array.from({ length: nx * ny }, (_, k) => {
      const x = ((k % nx) + 0.5) * cellM;
      const y = (Math.floor(k / nx) + 0.5) * cellM;
      const rise = bumps.reduce(
        (z, b) => z + b.h * Math.exp(-((x - b.x) ** 2 + (y - b.y) ** 2) / b.r ** 2),
        0,
      );
      return 0.01 * x + 0.2 * Math.abs(y - 3.2) + rise;
    });
    const r = solveShallowWater({
      nx,
      ny,
      cellM,
      bedM,
      manningN: 0.045,
      d84M: new Float64Array(nx * ny).fill(0.13),
      inflow: { edge: 'xMax', dischargeM3s: 0.4 + random() },
      outflow: { edge: 'xMin', kind: 'normal-depth', slope: 0.01 },
      options: { maxS: 300 },
    });
    expect(['converged', 'averaged']).toContain(r.status);
    expect(r.massError).toBeLessThan(0.01);
    expect(r.clampedM3).toBe(0);
    expect(r.depthM.every((d) => d >= 0 && Number.isFinite(d))).toBe(true);
  }
});

it('the bounds of Jowett (1993) lie at .18 and .41, not a twentieth off', () => {
  const at = (froude: number) => jowettClass(froude * Math.sqrt(9.81 * 0.5), 0.5);
  expect([0.176, 0.184, 0.405, 0.415].map(at)).toEqual(['pool', 'run', 'run', 'riffle']);
});

it('pace in the profile, by hand: h .5 m, D84 .13, z0 .013, z .1', () => {
  // a = 38.46, m = (39.46 ln 39.46 - 38.46)/38.46 = 2.7710; ln(1 + .1/.013)/m = .7804.
  expect(profileRatio(0.1, 0.5, 0.13)).toBeCloseTo(0.7804, 3);
});
