import { flySeen, MIRRORED, type SpottingView } from './index';

const view = (distanceM: number, mirrored: number, change: Partial<SpottingView> = {}) => ({
  eyeHeightM: 1.5,
  distanceM,
  fishDepthM: 0.5,
  totalLengthCm: 25,
  mirrored,
  sky: 'overcast' as const,
  skyLight: 1,
  sun: null,
  sunOnFish: 0,
  sunOnSurface: 0,
  windMps: 0,
  broken: 0,
  turbidityNtu: 1,
  polarised: true,
  ...change,
});
const white = { albedo: 0.7, mm2: 14 };
const foam = { albedo: 0.04, mm2: 40 };
const small = { albedo: 0.7, mm2: 6 };

it('one’s own fly: light before a dark bank, dark against a mirrored sky, size at distance', () => {
  const at = (fly: typeof white, mirrored: number) =>
    [5, 8, 12].map((d) => Math.round(100 * flySeen(view(d, mirrored), fly).share));
  const near = (own: number[], told: number[], within: number) =>
    own.forEach((p, i) => expect(Math.abs(p - told[i]!)).toBeLessThanOrEqual(within));
  near(at(white, MIRRORED.bank), [100, 100, 82], 6);
  near(at(foam, MIRRORED.bank), [100, 97, 76], 6);
  near(at(foam, MIRRORED.sky.overcast), [100, 99, 84], 6);
  near(at(small, MIRRORED.bank), [100, 91, 27], 10);
  // Before a grey sky a white post goes: gone at 12 m, and hardly there at 8.
  const grey = at(white, MIRRORED.sky.overcast);
  expect(grey[1]).toBeLessThan(30);
  expect(grey[2]).toBeLessThan(2);
});

it('the sun behind the angler lights its face; against it there is glitter', () => {
  const sun = (awayRad: number) => ({
    sky: 'clear' as const,
    sunOnSurface: 1,
    sunOnFish: 1,
    sun: { altitudeRad: 0.4, awayRad },
  });
  const behind = flySeen(view(8, MIRRORED.bank, sun(Math.PI)), white);
  const before = flySeen(view(8, MIRRORED.bank, { ...sun(0), windMps: 3 }), white);
  expect(behind.contrast).toBeGreaterThan(before.contrast);
});
