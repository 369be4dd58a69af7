import type { BeatFeature, BeatPlan } from '../formats/index';
import { madeFlow } from '../water/fixtures/waters';
import { boulderIsSolved, waterForFish, type RateOptions } from './index';
import { fishDay, fishToday } from './fish-day';
import { canHold, createPlaceNeeds, placeNeedsInto, rated } from './needs';
import { settleTracer } from '../water/index';
import { keptLies } from '../../testing/solved';

const line = (...points: [number, number][]) => ({
  type: 'LineString' as const,
  line: points.map(([xM, yM]) => ({ xM, yM })),
});
/** 60 x 20 m of formula water needs banks that span it; the beat's own length does not matter here. */
const plan = (...features: BeatFeature[]): BeatPlan => ({
  version: 1,
  name: 'Made',
  lengthM: 30,
  slope: 0.005,
  bearingDeg: 0,
  levels: [{ name: 'Fair', dischargeM3s: 1, how: 'guessed' }],
  surveyedLevel: 'Fair',
  features: [
    { kind: 'bank', side: 'left', form: 'sloping', shape: line([0, -9.5], [30, -9.5]) },
    { kind: 'bank', side: 'right', form: 'sloping', shape: line([0, 9.5], [30, 9.5]) },
    ...features,
  ],
});
const TROUT: RateOptions = { species: 'brown', forkLengthCm: 24, waterTempC: 11 };

/** A tongue down the middle: .9 m/s, .1 at the sides. */
const tongue = madeFlow((_x, y) => -(0.1 + 0.8 * Math.exp(-((y / 1.5) ** 2))));
const cellAt = (x: number, y: number) =>
  Math.round((y - tongue.y0M) / 0.2) * tongue.nx + Math.round((x - tongue.x0M) / 0.2);

describe('needs in a tongue (common practice)', () => {
  const water = waterForFish(plan(), tongue);
  const needsOf = (y: number, more: Partial<RateOptions> = {}) =>
    placeNeedsInto(water, fishDay(water, { ...TROUT, ...more }), cellAt(0, y), createPlaceNeeds());
  const rate = (y: number) => {
    const n = needsOf(y);
    return { ...n, rating: rated(n, 'energy-budget') };
  };
  it('the edge outranks both the middle and the dead slack', () => {
    const edge = Math.max(...[1.4, 1.8, 2.2, 2.6].map((y) => rate(y).rating));
    expect(edge).toBeGreaterThan(rate(0).rating);
    expect(edge).toBeGreaterThan(rate(7).rating);
  });
  it('the quick middle costs more, the slack feeds less', () => {
    expect(rate(0).costJph).toBeGreaterThan(rate(2.2).costJph);
    expect(rate(0).ease).toBeLessThan(rate(2.2).ease);
    expect(rate(7).intakeJph).toBeLessThan(rate(2.2).intakeJph);
  });
  it('every need is 0-1 and profit is what is kept less what is spent', () => {
    for (let y = -8; y <= 8; y += 0.5) {
      const n = rate(y);
      for (const need of [n.food, n.ease, n.shelter, n.oxygen, n.profit, n.rating])
        expect(need >= 0 && need <= 1).toBe(true);
      expect(n.profitJph).toBeCloseTo(0.65 * n.intakeJph - n.costJph, 9);
    }
  });
  it('a large fish asks for more shelter, and none holds where it has no depth', () => {
    expect(needsOf(2, { forkLengthCm: 45 }).shelter).toBeLessThan(rate(2).shelter);
    const shallow = madeFlow(() => -0.3);
    shallow.depthM.fill(0.08);
    expect(canHold(waterForFish(plan(), shallow), fishToday(TROUT), 500)).toBe(false);
  });
  it('mirrors: the same rating on the other side', () => {
    expect(rate(2.1).rating).toBeCloseTo(rate(-2.1).rating, 5);
  });
});

describe('by temperature', () => {
  const rateAt = (waterTempC: number) => keptLies(plan(), tongue, { ...TROUT, waterTempC });
  it('a warm, still place has less air than a cool one', () => {
    const air = (tempC: number) => {
      const water = waterForFish(plan(), tongue);
      const day = fishDay(water, { ...TROUT, waterTempC: tempC, altitudeM: 600 });
      return placeNeedsInto(water, day, cellAt(0, 3), createPlaceNeeds()).oxygen;
    };
    expect(air(21)).toBeLessThan(air(12));
  });
  it('little rates in water that kills trout, and warmer than that is asked back', () => {
    expect(rateAt(25).lies[0]?.rating ?? 0).toBeLessThan(rateAt(12).lies[0]!.rating / 2);
    expect(() => rateAt(28)).toThrow('Water of 28 °C is outside 0 to 25 °C.');
  });
  it('brook trout suffer from warmth before brown', () => {
    const best = (species: 'brown' | 'brook') =>
      keptLies(plan(), tongue, { ...TROUT, species, waterTempC: 21 }).lies[0]?.rating ?? 0;
    expect(best('brook')).toBeLessThan(best('brown'));
  });
});

describe('the tracer', () => {
  it('keeps between the inlet and the ceiling, and spreads from a source down-current only', () => {
    const open = new Uint8Array(tongue.depthM.length).fill(1);
    const at = cellAt(0, 0);
    const c = settleTracer(tongue, open, {
      inlet: 1,
      ceiling: 1.6,
      source: (k) => (k === at ? 5 : 0),
      sink: () => 0,
    });
    for (const v of c) expect(v >= 1 - 1e-6 && v <= 1.6 + 1e-6).toBe(true);
    expect(c[cellAt(-2, 0)]!).toBeGreaterThan(1.01);
    expect(c[cellAt(2, 0)]!).toBeLessThan(1.01);
  });
  it('settles out in slack water', () => {
    const slack = madeFlow(() => -0.05);
    const open = new Uint8Array(slack.depthM.length).fill(1);
    const c = settleTracer(slack, open, {
      inlet: 1,
      ceiling: 1.6,
      source: () => 0,
      sink: () => 0.01,
    });
    expect(c[cellAt(-25, 0)]!).toBeLessThan(0.5 * c[cellAt(25, 0)]!);
  });
});

describe('cover and small rocks', () => {
  it('boughs give cover and something to bolt to', () => {
    const ring = [
      [-2, -2],
      [2, -2],
      [2, 2],
      [-2, 2],
    ].map(([xM, yM]) => ({ xM: xM!, yM: yM! }));
    const water = waterForFish(
      plan({ kind: 'overhang', clearanceM: 0.5, shape: { type: 'Polygon', ring } }),
      tongue,
    );
    expect(water.cover[cellAt(0, 0)]!).toBeGreaterThan(0.5);
    expect(water.cover[cellAt(8, 0)]!).toBe(0);
    expect(water.toBoltM[cellAt(0, 0)]).toBe(0);
    expect(water.toBoltM[cellAt(5, 0)]!).toBeCloseTo(3, 0);
  });
  it('a boulder under five cells is drawn but not solved', () => {
    expect(boulderIsSolved(1, 0.2)).toBe(true);
    expect(boulderIsSolved(0.98, 0.2)).toBe(false);
  });
});
