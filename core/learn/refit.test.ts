import { NO_PRIORS, type PriorName } from '../log/index';
import { NO_SIGNAL, season, type Truth } from './fixtures/seasons';
import {
  answeredFirst,
  calibration,
  judged,
  priorsFrom,
  refitted,
  saidOf,
  settle,
  stopFound,
  stopsTold,
  type Refit,
  type TryFact,
} from './index';
import { kept } from '../../testing/kept';

const TOLD = { untilMs: 1, beds: [], depth: {} };
const keptRefit = (facts: TryFact[]) =>
  kept('learn', ['refit', facts], () => judged(refitted(facts)));
const refitOf = (seed: number, tries: number, truth: Truth) =>
  keptRefit(season(seed, tries, truth));
const part = (refits: readonly Refit[], name: PriorName, of = '') =>
  refits.find((r) => r.name === name)!.parts.find((p) => p.of === of)!;

describe('the likeliest values and their spread', () => {
  it('of normal draws: the mean, drawn to the prior as the books say', () => {
    const draws = [1.2, 0.7, 1.9, 1.4];
    const { best, spread } = settle(
      ([m]) => draws.reduce((log, d) => log - 0.5 * ((d - m!) / 0.5) ** 2, 0),
      [{ mean: 0, spread: 2 }],
    );
    // Precision 4/.25 of the draws, 1/4 of the prior.
    expect(best[0]).toBeCloseTo((16 * 1.3) / 16.25, 6);
    expect(spread[0]).toBeCloseTo(1 / Math.sqrt(16.25), 6);
  });
  it('two figures that hang together: the spread of their sum is told too', () => {
    const { best, spread, spreadOf } = settle(
      ([a, b]) => -0.5 * ((a! + b! - 3) / 0.1) ** 2,
      [
        { mean: 0, spread: 1 },
        { mean: 0, spread: 1 },
      ],
    );
    expect(best[0]! + best[1]!).toBeCloseTo(3 * (2 / 2.01), 4);
    expect(spread[0]).toBeGreaterThan(0.6);
    // Variance of the sum: 1/(1/.01 + 1/2).
    expect(spreadOf([0, 1])).toBeCloseTo(Math.sqrt(1 / 100.5), 4);
  });
});

describe('fifty records of which the truth is known', () => {
  const SEEDS = 50;
  const TRIES = 450;
  const TRUTH: Truth = {
    ...NO_SIGNAL,
    home: { slope: 0.7, shift: -0.4, waters: { first: 0.5, second: -0.6 } },
    noticing: 1.5,
    alarm: 0.6,
    answer: 0.7,
    hook: -0.6,
    scatter: { near: 1.25, far: 1.5, wind: 1.6 },
  };
  const WANTED: readonly (readonly [PriorName, string, number])[] = [
    ['home', 'slope', 0.7],
    ['home', 'first', 0.1],
    ['home', 'second', -1],
    ['noticing', '', Math.log(1.5)],
    ['alarm', '', Math.log(0.6)],
    ['answer', '', Math.log(0.7)],
    ['hook', '', -0.6],
    ['scatter', 'near', Math.log(1.25)],
    ['scatter', 'far', Math.log(1.5)],
    ['scatter', 'wind', Math.log(1.6)],
  ];
  const seeds = Array.from({ length: SEEDS }, (_, i) => i + 1);
  const refits = seeds.map((s) => refitOf(s, TRIES, TRUTH));
  const plain = seeds.map((s) => refitOf(s, TRIES, NO_SIGNAL));

  it.each(WANTED)(
    '%s %s: the truth lies in its interval, nine times of ten',
    (name, of, wanted) => {
      const within = refits.filter((r) => {
        const { low, high } = part(r, name, of);
        return low <= wanted && wanted <= high;
      });
      expect(within.length / SEEDS).toBeGreaterThanOrEqual(0.88);
    },
  );
  it('what was guessed right moves nothing, 95 records of 100', () => {
    const moved = plain.filter((r) => r.some((x) => x.verdict === 'moved'));
    expect(moved.length / SEEDS).toBeLessThanOrEqual(0.1);
    for (const r of plain)
      if (r.every((x) => x.verdict !== 'moved')) expect(priorsFrom(r, [], TOLD)).toBe(NO_PRIORS);
  });
  it('casts that scatter wider are found each time', () => {
    expect(refits.filter((r) => part(r, 'scatter', 'far').moved).length).toBe(SEEDS);
  });
  it('after the refit what is said comes as often as it is said, and better is better: slope .9 to 1.1', () => {
    const told = seeds.map((s, i) => {
      const priors = priorsFrom(refits[i]!, [], TOLD);
      const held = season(1000 + s, 3000, TRUTH).flatMap((f) => {
        const came = answeredFirst(f);
        const [then, now] = [saidOf(f).answered, saidOf(f, priors).answered];
        return came === null || then === null || now === null ? [] : [{ came, then, now }];
      });
      const mean = (of: (h: (typeof held)[number]) => number) =>
        held.reduce((sum, h) => sum + of(h), 0) / held.length;
      const share = mean((h) => (h.came ? 1 : 0));
      return {
        slope: calibration(held.map((h) => ({ chance: h.now, came: h.came })))!.slope,
        offBefore: Math.abs(mean((h) => h.then) - share),
        offAfter: Math.abs(mean((h) => h.now) - share),
      };
    });
    const mean = (of: (t: (typeof told)[number]) => number) =>
      told.reduce((sum, t) => sum + of(t), 0) / SEEDS;
    expect(mean((t) => t.slope)).toBeGreaterThan(0.9);
    expect(mean((t) => t.slope)).toBeLessThan(1.1);
    expect(mean((t) => t.offAfter)).toBeLessThan(0.35 * mean((t) => t.offBefore));
  });
});

describe('a record that was corrected before', () => {
  const TRUTH: Truth = {
    ...NO_SIGNAL,
    noticing: 1.5,
    alarm: 0.6,
    answer: 0.7,
    hook: -0.6,
    scatter: { near: 1.25, far: 1.5, wind: 1.6 },
  };
  const applied = {
    noticing: 1.4,
    alarm: 0.7,
    answer: 0.75,
    hook: -0.5,
    scatter: { near: 1.2, far: 1.4, wind: 1.3 },
  };
  it('says the same of the constants as if nothing had been applied: what is in a prediction is taken out', () => {
    for (const seed of [1, 2, 3]) {
      const plain = refitOf(seed, 450, TRUTH);
      const again = keptRefit(season(seed, 450, TRUTH, applied));
      for (const r of plain)
        for (const p of r.parts) {
          const other = part(again, r.name, p.of);
          expect(Math.abs(other.best - p.best)).toBeLessThan(0.02 + 0.05 * p.spread);
        }
    }
  });
  it('tries from before and after it are counted together', () => {
    const mixed = [...season(4, 300, TRUTH), ...season(5, 300, TRUTH, applied)];
    const far = part(keptRefit(mixed), 'scatter', 'far');
    expect(Math.abs(far.best - Math.log(1.5))).toBeLessThan(2.5 * far.spread);
  });
  it('what was said then is as it was said; what would be said now takes the difference', () => {
    const [f] = season(6, 1, TRUTH, applied);
    const now = { ...NO_PRIORS, ...applied };
    expect(saidOf(f!).answered).toBeCloseTo(saidOf({ ...f!, homeSaid: null }, now).answered!, 9);
  });
});

describe('what goes into the reckoning', () => {
  const refits = refitOf(3, 450, {
    ...NO_SIGNAL,
    scatter: { near: 1.4, far: 1.8, wind: 1 },
    home: { slope: 1, shift: -1.2, waters: {} },
  });
  it('only what has moved; taken back it is as it was guessed, put back in it is as before', () => {
    const all = priorsFrom(refits, [], TOLD);
    expect(all.scatter.far).toBeGreaterThan(1.4);
    expect(all.scatter.wind).toBe(1);
    expect(all.home.all.offset).toBeLessThan(-0.5);
    const back = priorsFrom(refits, ['scatter', 'home'], TOLD);
    expect(back.scatter).toEqual(NO_PRIORS.scatter);
    expect(back.home).toEqual({ ...NO_PRIORS.home, live: false });
    expect(priorsFrom(refits, [], TOLD)).toEqual(all);
  });
  it('six tries move nothing, none fails', () => {
    const few = judged(refitted(season(1, 6, NO_SIGNAL)));
    for (const r of few) expect(r.verdict).toBe('too few');
    const none = judged(refitted([]));
    expect(none.every((r) => r.tries === 0 && r.sinceMs === null)).toBe(true);
    expect(priorsFrom(none, [], TOLD)).toBe(NO_PRIORS);
  });
});

describe('stop times held against the readings after', () => {
  const day = (temps: readonly (readonly [number, number])[], earlyH: number | null = 13) => ({
    said: {
      earlyH,
      bestH: earlyH === null ? null : earlyH + 1,
      lateH: earlyH === null ? null : earlyH + 2,
      most: 0.7,
    },
    readings: temps.map(([h, tempC]) => ({ h, tempC })),
    limitC: 18,
  });
  it('between two readings by how far the limit lies between them', () => {
    expect(
      stopFound(
        day([
          [10, 15],
          [13, 17],
          [15, 19],
        ]),
      ),
    ).toBeCloseTo(14, 9);
    expect(
      stopFound(
        day([
          [10, 15],
          [17, 16.5],
        ]),
      ),
    ).toBe('never');
    expect(
      stopFound(
        day([
          [10, 15],
          [13, 16.5],
        ]),
      ),
    ).toBeNull();
    expect(stopFound(day([[10, 19]]))).toBeNull();
  });
  it('counts days in the band, and how much later it came', () => {
    const told = stopsTold([
      day([
        [10, 15],
        [13, 17],
        [15, 19],
      ]),
      day([
        [10, 15],
        [16, 17],
        [17, 19],
      ]),
      day([
        [10, 15],
        [17, 16.5],
      ]),
      day([
        [10, 15],
        [13, 16.5],
      ]),
    ])!;
    expect(told.days).toBe(3);
    expect(told.within).toMatchObject({ k: 1, n: 2 });
    expect(told.reached.found).toMatchObject({ k: 2, n: 3 });
    expect(told.laterH).toBeCloseTo((0 + 2.5) / 2, 9);
    expect(stopsTold([])).toBeNull();
  });
});
