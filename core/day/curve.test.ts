import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { CURVE_GUESS, dayShape, fitCurve, type CurveReading } from './curve';
import { BALANCES, simulatedDay } from './fixtures/heat-balance';
import { normalCdf } from '../chance/index';
import { fitLapse, lapsePairs, USUAL_LAPSE } from './lapse';
import { airOfSeason, curvePrior, type DayWater } from './regimes';
import { overByReading, stopTime } from './stop';

const toC = (f: number) => ((f - 32) * 5) / 9;
const toF = (c: number) => (9 * c) / 5 + 32;
const clock = (text: string) => Number(text.split(':')[0]) + Number(text.split(':')[1]) / 60;

/** The warm freestone of the page: air 21.5 ± 8.5 C, cloud and shade .2, .45 m, sunrise 5:54. */
const WARM: DayWater = {
  regime: 'freestone',
  air: { lowC: 13, highC: 30, sdC: 0 },
  cloud: 0.2,
  shade: 0.2,
  depthM: 0.45,
  sun: { riseH: 5.9, setH: 21, neverSets: false },
  winter: false,
  levelC: 0,
};
const prior = curvePrior(WARM);
const read = (h: number, tempC: number, more: Partial<CurveReading> = {}): CurveReading => ({
  id: `at ${h}`,
  h,
  tempC,
  priorMeanC: prior.meanC,
  swingRatio: 1,
  aboveHm: 0,
  site: null,
  daysBefore: 0,
  ...more,
});
const READ = [read(7, toC(65)), read(12, toC(68.5)), read(16.5, toC(69))];
const LIGHT = { from: 5.4, to: 21.5 };
const fitted = (n: number) => fitCurve(prior, READ.slice(0, n), USUAL_LAPSE);

describe('the day of a warm freestone (common practice: 65 °F at dawn, 68 to 69 by noon)', () => {
  it.each([
    [0, '13:40', '9:10', null, 69.5, 63.4, 75.6, 2.5, 16.4, 1.4],
    [1, '11:00', '9:40', '13:30', 72.9, 69.1, 76.6, 2.3, 16.4, 1.4],
    [2, '11:40', '10:50', '12:00', 71.6, 69.6, 73.7, 2.0, 16.8, 1.3],
    [3, '11:40', '10:50', '12:40', 69.2, 68.6, 69.9, 1.3, 15.6, 1.2],
  ] as const)(
    'from %i readings: 20.0 °C, and four in the afternoon',
    (n, best, early, late, at16, low, high, swing, warmest, warmestSd) => {
      const curve = fitted(n);
      const stop = stopTime(curve, 20, READ.slice(0, n), LIGHT.from, LIGHT.to);
      const within = (h: number | null, text: string | null) =>
        text === null
          ? expect(h).toBeNull()
          : expect(Math.abs(h! - clock(text))).toBeLessThan(11 / 60);
      within(stop.bestH, best);
      within(stop.earlyH, early);
      within(stop.lateH, late);
      const { lowC, bestC, highC } = curve.at(16);
      expect(Math.abs(toF(bestC) - at16)).toBeLessThan(0.3);
      expect(Math.abs(toF(lowC) - low)).toBeLessThan(0.3);
      expect(Math.abs(toF(highC) - high)).toBeLessThan(0.3);
      expect(curve.swingC.best).toBeCloseTo(swing, 1);
      expect(curve.warmestH.best).toBeCloseTo(warmest, 1);
      expect(curve.warmestH.sd).toBeCloseTo(warmestSd, 1);
    },
  );

  it('before any reading .63 of such days reach 20 °C at all', () => {
    expect(stopTime(fitted(0), 20, [], LIGHT.from, LIGHT.to).most).toBeCloseTo(0.63, 2);
  });

  it('a reading at the limit is over, whatever the curve says, until a later one is under it', () => {
    const stop = (limit: number, n: number) =>
      stopTime(fitted(n), limit, READ.slice(0, n), LIGHT.from, LIGHT.to).overSinceH;
    expect(stop(20, 2)).toBe(12);
    expect(stop(20, 1)).toBeNull();
    expect(stop(toC(65), 1)).toBe(7);
    expect(
      overByReading(
        [
          { h: 12, tempC: 20 },
          { h: 20, tempC: 18 },
        ],
        20,
      ),
    ).toBeNull();
    // Yesterday's heat says nothing of this morning.
    expect(overByReading([{ h: -5, tempC: 21 }], 20)).toBeNull();
  });

  it('the limits are met exactly in both units', () => {
    for (const [limit, over, under] of [
      [toC(65), 18.33, 18.32],
      [20, 20, 19.99],
      [toC(68), 20, 19.99],
    ] as const) {
      expect(overByReading([{ h: 9, tempC: over }], limit)).toBe(9);
      expect(overByReading([{ h: 9, tempC: under }], limit)).toBeNull();
    }
  });
});

describe('the form of a day (after Caissie 2006)', () => {
  it('is coldest and warmest at its hours, and the same a day later', () => {
    expect(dayShape(6, 6, 16)).toBeCloseTo(-1, 12);
    expect(dayShape(16, 6, 16)).toBeCloseTo(1, 12);
    expect(dayShape(11, 6, 16)).toBeCloseTo(0, 12);
    expect(dayShape(23, 6, 16)).toBeCloseTo(dayShape(-1, 6, 16), 12);
  });
  it('a symmetric one is the cosine of the handbook: 13 ± 2.5, warmest at 17 h (Caissie 2006)', () => {
    for (const [h, c] of [
      [5, 10.5],
      [8, 11.232],
      [14, 14.768],
    ] as const)
      expect(13 + 2.5 * dayShape(h, 5, 17)).toBeCloseTo(c, 3);
  });
});

it('with many readings and a wide prior it is what least squares finds (ml-levenberg-marquardt)', () => {
  const [m, a, phi] = [14.3, 2.2, 16.1];
  const hours = Array.from({ length: 49 }, (_, i) => i / 2);
  const y = hours.map((h, i) => m + a * dayShape(h, 6, phi) + 0.15 * Math.sin(12.9 * i));
  const library = levenbergMarquardt(
    { x: hours, y },
    ([mm, aa, pp]) =>
      (h: number) =>
        mm! + aa! * dayShape(h, 6, pp!),
    {
      initialValues: [13, 2, 15],
      damping: 1e-2,
      gradientDifference: 1e-3,
      maxIterations: 400,
      errorTolerance: 1e-9,
    },
  ).parameterValues;
  const wide = {
    meanC: 13,
    meanSd: 30,
    swingC: 2,
    swingShare: 0.35,
    warmestH: 16,
    warmestSd: 0.6,
    coldestH: 6,
  };
  const ours = fitCurve(
    wide,
    hours.map((h, i) => read(h, y[i]!, { priorMeanC: 13 })),
    USUAL_LAPSE,
  );
  expect(Math.abs(ours.meanC.best - library[0]!)).toBeLessThan(0.06);
  expect(Math.abs(ours.swingC.best - library[1]!)).toBeLessThan(0.12);
  expect(Math.abs(ours.warmestH.best - library[2]!)).toBeLessThan(0.25);
  for (const h of [6, 10, 16, 22])
    expect(
      Math.abs(ours.at(h).bestC - (library[0]! + library[1]! * dayShape(h, 6, library[2]!))),
    ).toBeLessThan(0.2);
});

describe('against two heat balances that are not the model', () => {
  const DAYS = 200;
  /** Three in the afternoon, and the hour at which a limit is met, over many days. */
  function held(kind: keyof typeof BALANCES, hours: readonly number[]) {
    let inBand = 0;
    let error = 0;
    let tooLate = 0;
    for (let seed = 1; seed <= DAYS; seed++) {
      const day = simulatedDay(seed, BALANCES[kind]);
      const curve = fitCurve(
        day.prior,
        hours.map((h) => day.reading(h)),
        USUAL_LAPSE,
      );
      const { lowC, bestC, highC } = curve.at(15);
      if (day.at(15) >= lowC && day.at(15) <= highC) inBand++;
      error += Math.abs(bestC - day.at(15)) / DAYS;
      const limitC = day.prior.meanC + 0.6 * day.prior.swingC;
      const { earlyH } = stopTime(curve, limitC, [], 5, 21);
      for (let h = 5; h < Math.min(21, earlyH ?? 21); h += 0.1)
        if (day.at(h) >= limitC) {
          tooLate++;
          break;
        }
    }
    return { inBand: inBand / DAYS, error, tooLate: tooLate / DAYS };
  }
  it.each([
    ['plain', [2.4, 1.6, 0.6, 0.6]],
    ['other', [2.6, 1, 1, 0.9]],
  ] as const)('the bands of a %s day hold, and one is off the water in time', (kind, errors) => {
    [[], [7], [7, 10], [7, 10, 12]].forEach((hours, i) => {
      const { inBand, error, tooLate } = held(kind, hours);
      expect(inBand).toBeGreaterThan(0.68);
      expect(error).toBeLessThan(errors[i]!);
      expect(tooLate).toBeLessThan(0.17);
    });
  });
});

describe('what a day may bring', () => {
  const at = (water: Partial<DayWater>) => curvePrior({ ...WARM, ...water });
  it('springs and dams hold water cool on a warm day, and warm on a cold one', () => {
    const cold = { air: { lowC: -8, highC: 0, sdC: 0 } };
    for (const regime of ['spring-fed', 'tailwater'] as const) {
      expect(at({ regime }).meanC).toBeLessThan(at({}).meanC - 3);
      expect(at({ regime, ...cold }).meanC).toBeGreaterThan(at(cold).meanC + 3);
      expect(at({ regime }).swingC).toBeLessThan(at({}).swingC);
    }
    expect(at(cold).meanC).toBe(0);
  });
  it('depth, shade and cloud flatten it', () => {
    for (const water of [{ depthM: 0.8 }, { shade: 0.9 }, { cloud: 1 }])
      expect(at(water).swingC).toBeLessThan(at({}).swingC);
  });
  it('a sun that does not set or rise leaves a curve with numbers', () => {
    for (const neverSets of [true, false]) {
      const p = at({ sun: { riseH: null, setH: null, neverSets } });
      const curve = fitCurve(p, [], USUAL_LAPSE);
      for (let h = 0; h < 24; h++) expect(Number.isFinite(curve.at(h).bestC)).toBe(true);
    }
    const dark = at({ sun: { riseH: null, setH: null, neverSets: false } });
    expect(dark.swingC).toBeLessThan(
      at({ sun: { riseH: null, setH: null, neverSets: true } }).swingC / 2,
    );
  });
  it('one reading at dusk of the day before narrows the morning, not to a thermometer', () => {
    const bare = fitCurve(prior, [], USUAL_LAPSE).at(8);
    const dusk = fitCurve(prior, [read(-4, 17.2, { daysBefore: 1 })], USUAL_LAPSE).at(8);
    expect(dusk.sdC).toBeLessThan(bare.sdC * 0.75);
    expect(dusk.sdC).toBeGreaterThan(1);
  });
  it('readings that contradict each other are averaged, and the band stays', () => {
    const both = fitCurve(prior, [read(9, 14), read(9.2, 19)], USUAL_LAPSE).at(9.1);
    expect(both.bestC).toBeGreaterThan(15.5);
    expect(both.bestC).toBeLessThan(17.8);
  });
  it('readings far outside anything thought of still give numbers', () => {
    const far = fitCurve(prior, [read(7, 0.5), read(8, 0.2), read(16, 29)], USUAL_LAPSE);
    expect(far.at(16).bestC).toBeGreaterThan(20);
  });
  it('hundreds of lines of a logger are taken, and no number is refused by name', () => {
    const lines = Array.from({ length: 600 }, (_, i) =>
      read(i / 25, 15 + 2 * dayShape(i / 25, prior.coldestH, 16)),
    );
    expect(fitCurve(prior, lines, USUAL_LAPSE).at(16).bestC).toBeCloseTo(17, 0);
    expect(() => fitCurve(prior, [read(7, NaN)], USUAL_LAPSE)).toThrow('reading at 7');
  });
  it('air by the season: colder higher, and turned round in the south', () => {
    const mid = (a: { lowC: number; highC: number }) => (a.lowC + a.highC) / 2;
    expect(mid(airOfSeason(47, 600, 200))).toBeGreaterThan(mid(airOfSeason(47, 600, 15)) + 15);
    expect(mid(airOfSeason(47, 1600, 200))).toBeCloseTo(mid(airOfSeason(47, 600, 200)) - 6.5, 6);
    expect(mid(airOfSeason(-40, 300, 15))).toBeGreaterThan(mid(airOfSeason(-40, 300, 200)) + 10);
  });
});

describe('between beats', () => {
  it('a pair of readings at one hour moves the lapse: 200 m, 19.0 and 17.6', () => {
    const lapse = fitLapse([{ lowM: 0, lowC: 19, highM: 200, highC: 17.6 }]);
    expect(lapse.best).toBeCloseTo(0.575, 3);
    expect(lapse.sd).toBeCloseTo(0.1414, 3);
  });
  it('readings apart in time or at one height are no pair', () => {
    const r = (atMs: number, tempC: number, altitudeM: number | null) => ({
      atMs,
      tempC,
      altitudeM,
    });
    const min = 60_000;
    expect(lapsePairs([r(0, 19, 300), r(20 * min, 17.6, 500)])).toHaveLength(1);
    expect(lapsePairs([r(0, 19, 300), r(40 * min, 17.6, 500)])).toHaveLength(0);
    expect(lapsePairs([r(0, 19, 300), r(5 * min, 18.8, 305), r(0, 17, null)])).toHaveLength(0);
    expect(fitLapse([])).toEqual(USUAL_LAPSE);
  });
  it('a reading below is taken up the stream by its height, less surely', () => {
    const own = fitCurve(prior, [read(9, 17)], USUAL_LAPSE).at(9);
    const below = fitCurve(
      prior,
      [read(9, 17, { aboveHm: -3, site: 'low', priorMeanC: prior.meanC + 1.35 })],
      USUAL_LAPSE,
    ).at(9);
    expect(below.bestC).toBeCloseTo(own.bestC - 1.35, 0);
    expect(below.sdC).toBeGreaterThan(1.5 * own.sdC);
  });
});

it('the normal of the handbook (Abramowitz & Stegun 1964, table 26.1)', () => {
  expect(normalCdf(0)).toBeCloseTo(0.5, 6);
  expect(normalCdf(1)).toBeCloseTo(0.8413447, 6);
  expect(normalCdf(-1.96)).toBeCloseTo(0.0249979, 6);
  expect(CURVE_GUESS.residualH).toBe(3);
});
