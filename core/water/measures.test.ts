import fc from 'fast-check';
import {
  dischargeByFloat,
  dischargeFromStage,
  dischargeMidSection,
  frictionCoefficient,
  jowettClass,
  MATERIALS,
  variablePowerRatio,
  wideChannelSpeedMps,
} from './index';

describe('mid-section discharge (ISO 748; USGS TM 3-A8)', () => {
  const b = [0, 0.5, 1, 1.5, 2, 2.5, 3, 3.5, 4];
  const d = [0, 0.18, 0.3, 0.42, 0.45, 0.38, 0.25, 0.12, 0];
  const v = [0, 0.22, 0.41, 0.55, 0.6, 0.48, 0.3, 0.15, 0];
  const verticals = b.map((offsetM, i) => ({ offsetM, depthM: d[i]!, speedMps: v[i]! }));

  it('gives the worked example, with its warning', () => {
    const q = dischargeMidSection(verticals);
    expect(q.dischargeM3s).toBeCloseTo(0.4695, 5);
    expect(q.areaM2).toBeCloseTo(1.05, 6);
    expect(q.largestShare).toBeCloseTo(0.2875, 4);
    expect(q.quality).toBe('coarse');
  });
  it('is silent when no panel holds more than 5 %, and milder up to 10 %', () => {
    const even = (n: number) =>
      dischargeMidSection(
        Array.from({ length: n }, (_, i) => ({ offsetM: i, depthM: 0.4, speedMps: 0.5 })),
      ).quality;
    expect(even(30)).toBe('good');
    expect(even(14)).toBe('fair');
    expect(even(8)).toBe('coarse');
  });
  it('is exact for water of even speed and linear depth, wherever the verticals are (property)', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.05, max: 1, noNaN: true }), { minLength: 3, maxLength: 12 }),
        (steps) => {
          let offsetM = 0;
          const taken = [{ offsetM: 0, depthM: 0.5, speedMps: 0.7 }];
          for (const s of steps)
            taken.push({ offsetM: (offsetM += s), depthM: 0.5, speedMps: 0.7 });
          expect(dischargeMidSection(taken).dischargeM3s).toBeCloseTo(0.35 * offsetM, 9);
        },
      ),
    );
  });
  it('refuses offsets that go back, and two verticals', () => {
    expect(() => dischargeMidSection(verticals.slice(0, 2))).toThrow('got 2');
    const back = verticals.map((s, i) => (i === 4 ? { ...s, offsetM: 1 } : s));
    expect(() => dischargeMidSection(back)).toThrow('offsets must grow, got 1.5 then 1');
  });
});

it('a float: surface speed times .85 times the area (Rantz 1982)', () => {
  expect(dischargeByFloat({ distanceM: 6, seconds: 10, areaM2: 2 })).toBeCloseTo(1.02, 9);
  expect(() => dischargeByFloat({ distanceM: 6, seconds: 0, areaM2: 2 })).toThrow('0 s');
});

it('hydraulic geometry: exponents .26, .40, .34 that add to 1 (Leopold & Maddock 1953)', () => {
  expect(dischargeFromStage(1, 'depth', 0.4, 0.4 * 2 ** 0.4)).toBeCloseTo(2, 9);
  expect(dischargeFromStage(1, 'width', 6, 6 * 0.5 ** 0.26)).toBeCloseTo(0.5, 9);
  expect(dischargeFromStage(1, 'speed', 0.5, 0.5 * 4 ** 0.34)).toBeCloseTo(4, 9);
});

describe('friction', () => {
  it.each([
    [0.5, 1.2219],
    [1, 2.3334],
    [2, 4.1244],
    [5, 7.0288],
  ])('variable-power law at depth %f D84 is %f (Ferguson 2007)', (x, ratio) => {
    expect(variablePowerRatio(x)).toBeCloseTo(ratio, 4);
  });
  it('is Manning in deep water and over fine beds, the stones where they stand high', () => {
    const manning = (h: number) => (9.81 * 0.04 ** 2) / Math.cbrt(h);
    expect(frictionCoefficient(2, 0.04, 0.13)).toBeCloseTo(manning(2), 12);
    expect(frictionCoefficient(0.2, 0.04, 0.001)).toBeCloseTo(manning(0.2), 12);
    expect(frictionCoefficient(0.13, 0.04, 0.13)).toBeCloseTo(1 / 2.3334 ** 2, 4);
    expect(frictionCoefficient(0.13, 0.04, 0.13)).toBeGreaterThan(4 * manning(0.13));
  });
  it('never makes deeper water of one slope slower (property)', () => {
    const depth = fc.double({ min: 0.02, max: 2, noNaN: true });
    fc.assert(
      fc.property(depth, depth, (a, b) => {
        const speed = (h: number) => wideChannelSpeedMps(h, 0.01, 0.04, 0.13);
        const [lo, hi] = a < b ? [a, b] : [b, a];
        expect(speed(hi)).toBeGreaterThanOrEqual(speed(lo) - 1e-12);
      }),
    );
  });
  it('every material lies within its range of n (Chow 1959: .025 to .070)', () => {
    for (const { n } of Object.values(MATERIALS)) {
      expect(n).toBeGreaterThanOrEqual(0.025);
      expect(n).toBeLessThanOrEqual(0.07);
    }
  });
});

it('classes by Froude number (Jowett 1993)', () => {
  expect(jowettClass(0.2, 0.6)).toBe('pool');
  expect(jowettClass(0.4, 0.4)).toBe('run');
  expect(jowettClass(0.8, 0.2)).toBe('riffle');
});
