import { getPosition } from 'suncalc';
import {
  exposure,
  rayToFish,
  reflectance,
  sunAt,
  sunDay,
  windowRadiusM,
  CRITICAL_RAD,
} from './index';

const DEG = 180 / Math.PI;

describe('window and ray (Snell, n = 1.333)', () => {
  it('critical angle and radius', () => {
    expect(CRITICAL_RAD * DEG).toBeCloseTo(48.6066, 4);
    expect(windowRadiusM(1)).toBeCloseTo(1.134542, 6);
  });
  it.each([
    [8, 1.8, 0.6, 0.63847, 46.7792],
    [5, 1.2, 0.6, 0.6287, 46.3379],
    [3, 0.9, 0.3, 0.30384, 45.3643],
  ])('d %f, h %f, z %f crosses at %f m, %f deg', (distanceM, heightM, fishDepthM, x, zenith) => {
    const ray = rayToFish({ distanceM, heightM, fishDepthM });
    expect(ray.crossingM).toBeCloseTo(x, 5);
    expect(ray.zenithRad * DEG).toBeCloseTo(zenith, 4);
    // Snell holds at the crossing.
    const air = Math.sin(Math.PI / 2 - ray.elevationRad);
    expect(air - 1.333 * Math.sin(ray.zenithRad)).toBeCloseTo(0, 12);
  });
  it('elevation and squeeze at the edge', () => {
    const ray = rayToFish({ distanceM: 10, heightM: 1.8, fishDepthM: 0.5 });
    expect(ray.crossingM).toBeCloseTo(0.5451, 4);
    expect(ray.elevationRad * DEG).toBeCloseTo(10.779, 3);
    expect(ray.aboveEdgeRad * DEG).toBeCloseTo(1.134, 3);
  });
});

it.each([
  [0, 0.02037, 0.02037],
  [30, 0.02144, 0.01194],
  [45, 0.0279, 0.00281],
  [60, 0.05969, 0.00431],
  [70, 0.13348, 0.04728],
  [80, 0.34792, 0.23882],
])('Fresnel reflectance at %i degrees', (deg, mean, p) => {
  const r = reflectance(deg / DEG);
  expect(r.mean).toBeCloseTo(mean, 5);
  expect(r.p).toBeCloseTo(p, 5);
});

it('nothing is reflected in p at Brewster 53.1232 degrees', () => {
  expect(reflectance(53.1232 / DEG).p).toBeLessThan(1e-11);
});

it.each([
  ['stand', 1.8, 3, 0.977],
  ['stand', 1.8, 5, 0.889],
  ['stand', 1.8, 8, 0.538],
  ['stand', 1.8, 12, 0.142],
  ['kneel', 0.9, 8, 0.081],
])(
  'exposure of a %s angler %f m high at %f m is %f (+-.01, contract)',
  (_, topM, distanceM, expected) => {
    const e = exposure({
      distanceM,
      fishDepthM: 0.6,
      topM,
      hiddenBelowM: 0,
      contrast: 0.545,
      roughness: 0.25,
      offRad: 0,
    });
    expect(Math.abs(e - expected)).toBeLessThanOrEqual(0.01);
  },
);

it('exposure falls behind the fish, with a screen, over rough water; rises with motion', () => {
  const base = {
    distanceM: 6,
    fishDepthM: 0.6,
    topM: 1.8,
    hiddenBelowM: 0,
    contrast: 0.545,
    roughness: 0.25,
    offRad: 1,
  };
  const e = exposure(base);
  expect(exposure({ ...base, offRad: Math.PI })).toBeLessThan(0.3 * e);
  expect(exposure({ ...base, hiddenBelowM: 1.2 })).toBeLessThan(e);
  expect(exposure({ ...base, hiddenBelowM: 1.9 })).toBe(0);
  expect(exposure({ ...base, roughness: 1 })).toBeLessThan(e);
  expect(exposure({ ...base, motionMps: 0.7 })).toBeGreaterThan(e);
});

describe('sun', () => {
  it.each([
    [46.2, 8.1, '2026-06-21T11:30:00Z', 67.237, 180.349],
    [46.2, 8.1, '2026-09-23T15:00:00Z', 23.187, 243.042],
    [46.2, 8.1, '2026-12-21T11:00:00Z', 20.118, 173.736],
    [40.5, -105.5, '2026-07-15T15:00:00Z', 34.728, 90.392],
  ])('%f, %f at %s (table of reference.md section 6)', (latDeg, lonDeg, at, altitude, azimuth) => {
    const sun = sunAt({ latDeg, lonDeg, utcMs: Date.parse(at) });
    expect(Math.abs(sun.altitudeRad * DEG - altitude)).toBeLessThan(0.02);
    expect(Math.abs(sun.azimuthRad * DEG - azimuth)).toBeLessThan(0.03);
  });

  it('rise and set agree with the table to twelve seconds, and the azimuth with an independent library', () => {
    const day = sunDay({
      latDeg: 46.2,
      lonDeg: 8.1,
      dayStartMs: Date.parse('2026-06-21T00:00:00Z'),
    });
    if (day.kind !== 'rises') throw new Error(day.kind);
    expect(Math.abs(day.riseMs - Date.parse('2026-06-21T03:35:57Z'))).toBeLessThan(12000);
    expect(Math.abs(day.setMs - Date.parse('2026-06-21T19:22:51Z'))).toBeLessThan(12000);
    for (const hour of [6, 9, 13, 17]) {
      const utcMs = Date.parse('2026-05-04T00:00:00Z') + hour * 3600000;
      const theirs = getPosition(new Date(utcMs), 47, 9); // degrees, from north, with refraction
      const ours = sunAt({ latDeg: 47, lonDeg: 9, utcMs });
      expect(Math.abs(ours.azimuthRad * DEG - theirs.azimuth)).toBeLessThan(0.2);
      expect(Math.abs(ours.altitudeRad * DEG - theirs.altitude)).toBeLessThan(0.3);
    }
  });

  it('knows days without a sunrise', () => {
    const at = (iso: string) =>
      sunDay({ latDeg: 70, lonDeg: 20, dayStartMs: Date.parse(iso) }).kind;
    expect(at('2026-06-21T00:00:00Z')).toBe('never sets');
    expect(at('2026-12-21T00:00:00Z')).toBe('never rises');
  });
});
