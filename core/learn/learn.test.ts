import { jStat } from 'jstat';
import { createRandom } from '../grid/index';
import { EMPTY_SNAPSHOT, type Try, type TryEvent } from '../log/index';
import { NO_SIGNAL, season } from './fixtures/seasons';
import {
  calibration,
  chiSquareQuantile,
  difference,
  learn,
  pool,
  shrunk,
  tryFact,
  wilson,
} from './index';

describe('shares and their intervals', () => {
  it('Wilson by hand (1927): 8 of 10, none of 10', () => {
    expect(wilson(8, 10).low).toBeCloseTo(0.49016, 4);
    expect(wilson(8, 10).high).toBeCloseTo(0.94332, 4);
    expect(wilson(0, 10).low).toBeCloseTo(0, 9);
    expect(wilson(0, 10).high).toBeCloseTo(0.27753, 4);
    expect(wilson(0, 0)).toMatchObject({ low: 0, high: 1 });
  });
  it('the difference of two shares by Newcombe (1998), his example: 56 of 70 against 48 of 80 (from memory)', () => {
    const d = difference({ k: 56, n: 70 }, { k: 48, n: 80 });
    expect(d.best).toBeCloseTo(0.2, 9);
    expect(d.low).toBeCloseTo(0.0524, 3);
    expect(d.high).toBeCloseTo(0.3339, 3);
    expect(difference({ k: 0, n: 0 }, { k: 1, n: 2 })).toMatchObject({ low: -1, high: 1 });
  });
  it('a uniform prior and 2 of 20 has the mean .13636, and the quantiles of a library (jstat)', () => {
    const even = shrunk({ k: 2, n: 20 }, { mean: 0.5, strength: 2 });
    expect(even.best).toBeCloseTo(0.13636, 5);
    expect(even.low).toBeCloseTo(jStat.beta.inv(0.025, 3, 19), 3);
    expect(even.high).toBeCloseTo(jStat.beta.inv(0.975, 3, 19), 3);
    for (const [k, n, mean, strength] of [
      [9, 12, 0.4, 16],
      [1, 40, 0.2, 64],
    ] as const) {
      const rate = shrunk({ k, n }, { mean, strength });
      const [a, b] = [strength * mean + k, strength * (1 - mean) + n - k];
      expect(rate.low).toBeCloseTo(jStat.beta.inv(0.025, a, b), 2);
      expect(rate.high).toBeCloseTo(jStat.beta.inv(0.975, a, b), 2);
    }
  });
  it('groups that are alike are drawn together, groups that differ are left', () => {
    const alike = pool([
      { k: 10, n: 30 },
      { k: 11, n: 30 },
      { k: 9, n: 30 },
    ]);
    const apart = pool([
      { k: 2, n: 30 },
      { k: 15, n: 30 },
      { k: 28, n: 30 },
    ]);
    expect(alike.strength).toBeGreaterThan(4 * apart.strength);
    const few = shrunk({ k: 2, n: 2 }, alike);
    expect(few.best).toBeLessThan(0.5);
    expect(shrunk({ k: 28, n: 30 }, apart).best).toBeGreaterThan(0.8);
  });
  it('the quantile of a chi-square, against a library (jstat)', () => {
    for (const [share, figures] of [
      [0.95, 1],
      [0.95, 5],
      [0.998, 5],
      [0.9, 3],
    ] as const)
      expect(chiSquareQuantile(share, figures) / jStat.chisquare.inv(share, figures)).toBeCloseTo(
        1,
        1,
      );
  });
  it('a calibration finds the slope and shift that were put in', () => {
    const random = createRandom(5);
    const said = Array.from({ length: 4000 }, () => {
      const chance = 0.05 + 0.9 * random();
      const x = Math.log(chance / (1 - chance));
      return { chance, came: random() < 1 / (1 + Math.exp(-(0.4 + 0.6 * x))) };
    });
    const fit = calibration(said)!;
    expect(Math.abs(fit.slope - 0.6)).toBeLessThan(2.5 * fit.slopeSd);
    expect(Math.abs(fit.shift - 0.4)).toBeLessThan(2.5 * fit.shiftSd);
    expect(fit.slopeSd).toBeLessThan(0.05);
    expect(calibration([])).toBeNull();
  });
});

describe('seasons of which the truth is known', () => {
  const SEEDS = 50;
  const seeds = Array.from({ length: SEEDS }, (_, i) => i + 1);
  const half = seeds.slice(0, SEEDS / 2);
  /** Anything that is said to be more or less than the rest. */
  const found = (l: ReturnType<typeof learn>) =>
    [...l.factors, ...l.spooks].flatMap((f) =>
      f.groups
        .filter((g) => g.verdict === 'more' || g.verdict === 'less')
        .map((g) => `${f.factor} ${g.name}`),
    );
  it('without a signal nothing is found, 95 times of 100', () => {
    const alarms = seeds.filter((s) => found(learn(season(s, 400, NO_SIGNAL))).length > 0);
    expect(alarms.length / SEEDS).toBeLessThanOrEqual(0.1);
  });
  it('deep water that takes five of six looks, against a third, is found, and no other', () => {
    const told = half.map((s) => found(learn(season(s, 600, { ...NO_SIGNAL, deepest: 2.4 }))));
    expect(
      told.filter((t) => t.includes('depth over')).length / half.length,
    ).toBeGreaterThanOrEqual(0.8);
    expect(
      told.filter((t) => t.some((x) => !x.startsWith('depth'))).length / half.length,
    ).toBeLessThan(0.15);
  });
  it('homes that hold less than was said are told less; those that hold as said are even', () => {
    const verdicts = (shift: number) =>
      half.map(
        (s) =>
          learn(season(s, 400, { ...NO_SIGNAL, home: { slope: 1, shift, waters: {} } })).plan.home
            .all!.verdict,
      );
    expect(verdicts(0).filter((v) => v === 'even').length / half.length).toBeGreaterThan(0.88);
    expect(verdicts(-1).filter((v) => v === 'less').length / half.length).toBeGreaterThan(0.9);
  });
  it('what was said right of looks, calm and drag is even; a slower fish is told so', () => {
    const plans = half.map((s) => learn(season(s, 400, NO_SIGNAL)).plan);
    for (const name of ['look', 'calm', 'drag'] as const)
      expect(plans.filter((p) => p[name]!.verdict === 'even').length / half.length).toBeGreaterThan(
        0.85,
      );
    const shy = half.map((s) => learn(season(s, 400, { ...NO_SIGNAL, answer: 0.5 })).plan.look!);
    expect(shy.filter((t) => t.verdict === 'less').length / half.length).toBeGreaterThan(0.9);
    const alarmed = half.map((s) => learn(season(s, 400, { ...NO_SIGNAL, alarm: 0.4 })).plan.calm!);
    expect(alarmed.filter((t) => t.verdict === 'less').length / half.length).toBeGreaterThan(0.9);
  });
});

describe('few, one and none', () => {
  it('no tries: nothing is said, and nothing fails', () => {
    const none = learn([]);
    expect(none).toMatchObject({ tries: 0, looks: 0, unsaid: 0, odd: 0, misses: [], months: [] });
    expect(none.plan).toEqual({
      home: { bins: [], all: null },
      look: null,
      calm: null,
      drag: null,
      sink: null,
    });
    expect(none.factors.every((f) => f.groups.length === 0)).toBe(true);
  });
  it('one try, and all blank: too few, each', () => {
    const one = learn(season(3, 1, NO_SIGNAL));
    expect(one.plan.look!.verdict).toBe('too few');
    const blank = season(1, 60, NO_SIGNAL).map((f) => ({
      ...f,
      shown: false,
      looked: false,
      took: false,
      hooked: false,
      landed: false,
      answeredAt: null,
      downAt: null,
      casts: 6,
      misses: [],
    }));
    expect(learn(blank).plan.home.all!.verdict).toBe('less');
    expect(learn(blank).factors.every((f) => f.groups.length === 0)).toBe(true);
  });
  it('tries from before there were predictions count in what works, and in no plan', () => {
    const old = season(1, 40, NO_SIGNAL).map((f) => ({
      ...f,
      parts: null,
      homeSaid: null,
      calmSaid: null,
    }));
    const told = learn(old);
    expect(told.unsaid).toBe(40);
    expect(told.plan.look).toBeNull();
    expect(told.factors.some((f) => f.groups.length > 0)).toBe(true);
  });
});

describe('a try as a fact', () => {
  const event = (seq: number, code: TryEvent['code'], more: Partial<TryEvent> = {}): TryEvent => ({
    id: `e${seq}`,
    device: 'd',
    seq,
    code,
    clientMs: seq,
    zoneOffsetMin: 120,
    ...more,
  });
  const attempt = (events: TryEvent[], more: Partial<Try> = {}): Try => ({
    id: 't',
    outingId: 'o',
    beatId: 'b',
    markId: null,
    fly: '',
    openedMs: Date.parse('2026-06-13T07:30:00Z'),
    zoneOffsetMin: 120,
    snapshot: EMPTY_SNAPSHOT,
    events,
    ...more,
  });
  it('counts what stands: an undone take is none, an undo undone is one', () => {
    const taken = [event(1, 'cast'), event(2, 'hook'), event(3, 'undo', { undoes: 'e2' })];
    expect(tryFact(attempt(taken))).toMatchObject({ hooked: false, casts: 1, hour: 9.5 });
    const again = [...taken, event(4, 'undo', { undoes: 'e3' })];
    expect(tryFact(attempt(again))).toMatchObject({ hooked: true, took: true, looked: true });
  });
  it('a fish that was landed was on, though the take was taken back: it counts, and is told as odd', () => {
    const torn = [
      event(1, 'cast'),
      event(2, 'hook'),
      event(3, 'landing', { lengthCm: 22 }),
      event(4, 'undo', { undoes: 'e2' }),
    ];
    expect(tryFact(attempt(torn))).toMatchObject({ hooked: true, landed: true, odd: true });
    expect(tryFact(attempt(torn.slice(0, 3)))).toMatchObject({ hooked: true, odd: false });
  });
  it('covers are counted to the first answer, and to the put-down; on the way is none', () => {
    expect(tryFact(attempt([event(1, 'cast'), event(2, 'look'), event(3, 'hook')]))).toMatchObject({
      answeredAt: 2,
      downAt: null,
    });
    expect(tryFact(attempt([event(1, 'spook')]))).toMatchObject({ downAt: 0, answeredAt: null });
    expect(tryFact(attempt([event(1, 'cast'), event(2, 'spook')]))).toMatchObject({ downAt: 1 });
  });
  it('where casts fell, whether they dragged, and what was felt are counted', () => {
    const told = tryFact(
      attempt([
        event(1, 'cast', { fellAt: 'on', dragged: false }),
        event(2, 'bottom', { fellAt: 'short', dragged: true }),
        event(3, 'clear'),
      ]),
    );
    expect(told).toMatchObject({
      fell: { on: 1, off: 1 },
      dragged: { yes: 1, no: 1 },
      felt: { touched: 1, clear: 1 },
    });
  });
  it('a season is that of its own half of the earth', () => {
    const june = { openedMs: Date.parse('2026-06-13T07:40:00Z') };
    expect(tryFact({ ...attempt([event(1, 'cast')]), ...june })!.season).toBe('summer');
    expect(tryFact({ ...attempt([event(1, 'cast')]), ...june }, true)!.season).toBe('winter');
  });
  it('what never happened says nothing; what was guessed is not told as read', () => {
    expect(tryFact(attempt([]))).toBeNull();
    const guessed = {
      ...EMPTY_SNAPSHOT,
      water: { tempC: 11, tempSource: 'assumed' as const, turbidityNtu: 1 },
    };
    expect(tryFact(attempt([event(1, 'cast')], { snapshot: guessed }))).toMatchObject({
      tempC: null,
      homeSaid: null,
      parts: null,
    });
  });
  it('misses and losses come with their causes', () => {
    const told = tryFact(
      attempt([
        event(1, 'miss', { missed: 'late' }),
        event(2, 'hook'),
        event(3, 'loss', { lost: 'slack-line' }),
      ]),
    );
    expect(told).toMatchObject({ misses: ['late'], loss: 'slack-line', landed: false });
  });
});
