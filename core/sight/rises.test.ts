import { createRandom, type Random } from '../grid/index';
import { flowOf } from '../water/fixtures/flows';
import { overFishS, readRises, riseChances, timedCast, trueLie, type Rise } from './index';

const normal = (random: Random) =>
  Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

/** A fish that rises every `every` s, give or take; rings tapped with noise about its place. */
function riser(
  random: Random,
  o: { every: number; spread: number; n: number; x: number; y: number; from?: number },
): Rise[] {
  let t = o.from ?? 0;
  return Array.from({ length: o.n }, () => {
    t += Math.max(2, o.every * (1 + o.spread * normal(random)));
    return {
      seq: 0,
      atMs: 1000 * t,
      xM: o.x + 0.3 * normal(random),
      yM: o.y + 0.3 * normal(random),
    };
  });
}
const inOrder = (rises: Rise[]) =>
  [...rises].sort((a, b) => a.atMs - b.atMs).map((r, i) => ({ ...r, seq: i + 1 }));

describe('rises of one fish', () => {
  it('interval, spread and place are recovered from simulated risers (100 seeded)', () => {
    const random = createRandom(8);
    let interval = 0;
    let place = 0;
    let called = 0;
    for (let n = 0; n < 100; n++) {
      const every = 15 + 40 * random();
      const r = readRises(inOrder(riser(random, { every, spread: 0.2, n: 9, x: 10, y: 1 })));
      expect(r.risers).toHaveLength(r.twoFish > 0.5 ? 2 : 1);
      if (r.risers.length !== 1) continue;
      const only = r.risers[0]!;
      interval += Math.abs(only.intervalS! / every - 1) / 100;
      place += Math.hypot(only.place.xM - 10, only.place.yM - 1) / 100;
      if (only.regular) called++;
    }
    expect(interval).toBeLessThan(0.08);
    expect(place).toBeLessThan(0.2);
    expect(called).toBeGreaterThan(85);
  });
  it('an irregular riser is not called regular', () => {
    const random = createRandom(3);
    const taps = inOrder(
      Array.from({ length: 12 }, (_, i) => ({
        seq: i,
        atMs: 1000 * (60 * i + 55 * random()),
        xM: 4,
        yM: 0,
      })).filter((_, i) => i % 5 !== 2),
    );
    expect(readRises(taps).risers[0]!.spreadS!).toBeGreaterThan(10);
  });
  it('a fish that works up-current shows as drift', () => {
    const taps = Array.from({ length: 8 }, (_, i) => ({
      seq: i + 1,
      atMs: 30_000 * i,
      xM: 5 + 0.25 * i,
      yM: 1,
    }));
    const [fish] = readRises(taps).risers;
    expect(fish!.driftMPerMin!.x).toBeCloseTo(0.5, 6);
    expect(fish!.driftMPerMin!.y).toBeCloseTo(0, 6);
  });
  it('a clock set back is named, and its interval left out', () => {
    const taps: Rise[] = [0, 30, 60, 20, 50, 80].map((s, i) => ({
      seq: i + 1,
      atMs: 1000 * s,
      xM: 3,
      yM: 0,
    }));
    const r = readRises(taps);
    expect(r.backwards).toEqual([4]);
    expect(r.risers[0]!.intervalS).toBeCloseTo(30, 9);
  });
  it('nothing tapped, one tapped: no interval is made up', () => {
    expect(readRises([])).toEqual({ risers: [], twoFish: 0, backwards: [] });
    const one = readRises([{ seq: 1, atMs: 5, xM: 1, yM: 1 }]);
    expect(one.risers[0]).toMatchObject({ intervalS: null, regular: false, driftMPerMin: null });
    expect(timedCast(one.risers[0]!, 2)).toBeNull();
  });
});

it('two fish are told from one by place and rhythm (200 seeded): at least nine in ten right', () => {
  const random = createRandom(21);
  let right = 0;
  for (let n = 0; n < 200; n++) {
    const two = n % 2 === 0;
    const first = riser(random, { every: 25, spread: 0.2, n: two ? 6 : 11, x: 10, y: 0 });
    const second = two
      ? riser(random, { every: 35, spread: 0.2, n: 5, x: 11.6, y: 0.7, from: 8 })
      : [];
    const r = readRises(inOrder([...first, ...second]));
    if (r.risers.length === (two ? 2 : 1)) right++;
  }
  expect(right).toBeGreaterThan(180);
});

describe('the true lie', () => {
  const at = (pace: number, depth: number) =>
    trueLie(
      flowOf(() => ({ depth, u: -pace }), { nx: 60 }),
      { xM: 4, yM: 2.5 },
    )!;
  it('lies up-current of the ring, further in deeper and in quicker water', () => {
    const lie = at(0.5, 0.6);
    expect(lie.place.xM).toBeGreaterThan(4.3);
    expect(lie.place.yM).toBeCloseTo(2.5, 6);
    expect(lie.place.xM - 4).toBeCloseTo(lie.backM, 1);
    expect(at(0.5, 0.9).backM).toBeGreaterThan(lie.backM);
    expect(at(0.8, 0.6).backM).toBeGreaterThan(lie.backM);
    expect(lie.band.low < lie.backM && lie.backM < lie.band.high).toBe(true);
  });
  it('is of the order of two metres in knee-to-thigh-deep moving water (common practice)', () => {
    const lie = at(0.6, 0.65);
    expect(lie.band.low).toBeLessThan(2);
    expect(lie.band.high).toBeGreaterThan(1.7);
    expect(lie.byRule.xM - 4).toBeCloseTo(2, 1);
  });
  it('there is none on dry ground', () => {
    expect(
      trueLie(
        flowOf(() => ({ depth: 0 })),
        { xM: 4, yM: 2 },
      ),
    ).toBeNull();
  });
  it('is recovered from simulated rises with noise (200 seeded)', () => {
    const random = createRandom(5);
    const flow = flowOf(() => ({ depth: 0.6, u: -0.45 }), { nx: 60 });
    let error = 0;
    for (let n = 0; n < 200; n++) {
      // The truth: a fish at x 8 that rises at its own pace from its own depth, and a late tap.
      const surface = 0.45 * 1.2;
      const back =
        surface *
        ((0.85 * (0.3 + 0.15 * random())) / (0.25 + 0.2 * random()) + 0.5 + 0.6 * random());
      const ring = { xM: 8 - back + 0.3 * normal(random), yM: 2.5 + 0.2 * normal(random) };
      const lie = trueLie(flow, ring)!;
      error += Math.hypot(lie.place.xM - 8, lie.place.yM - 2.5) / 200;
    }
    expect(error).toBeLessThan(0.5);
  });
});

describe('will a cast meet the next rise', () => {
  it('the share of time that the fly is there, at 1, 3, 6, 10 covers a minute', () => {
    expect(riseChances(2).map((c) => c.unwatched)).toEqual([2 / 60, 6 / 60, 12 / 60, 20 / 60]);
    expect(riseChances(10).at(-1)!.unwatched).toBe(1);
    expect(overFishS(0.5, 0.5)).toBeCloseTo(2, 9);
  });
  it('ten covers a minute beat one; a cast timed to a regular riser beats both', () => {
    const taps = Array.from({ length: 7 }, (_, i) => ({
      seq: i + 1,
      atMs: 1000 * (20 * i + (i % 2)),
      xM: 4,
      yM: 1,
    }));
    const fish = readRises(taps).risers[0]!;
    const timed = timedCast(fish, 2)!;
    expect(timed.chance).toBeGreaterThan(riseChances(2).at(-1)!.unwatched);
    expect(timed.wait).toBe(false);
  });
  it('after one or two rises it pays to watch another', () => {
    const taps = [0, 22, 41].map((s, i) => ({ seq: i + 1, atMs: 1000 * s, xM: 4, yM: 1 }));
    const timed = timedCast(readRises(taps).risers[0]!, 2)!;
    expect(timed.afterOneMore).toBeGreaterThan(timed.chance);
    expect(timed.wait).toBe(true);
  });
  it('agrees with simulated risers: the stated chance within .08 of what happens (2000 seeded)', () => {
    const random = createRandom(77);
    let stated = 0;
    let met = 0;
    let n = 0;
    for (let i = 0; i < 2000; i++) {
      const taps = inOrder(riser(random, { every: 30, spread: 0.15, n: 6, x: 5, y: 0 }));
      const r = readRises(taps);
      if (r.risers.length !== 1) continue;
      const fish = r.risers[0]!;
      stated += timedCast(fish, 6)!.chance;
      const next = 30 * (1 + 0.15 * normal(random));
      if (Math.abs(next - fish.intervalS!) <= 3) met++;
      n++;
    }
    expect(Math.abs(stated / n - met / n)).toBeLessThan(0.08);
  });
});
