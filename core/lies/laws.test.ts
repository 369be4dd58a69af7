import fc from 'fast-check';
import { SPECIES } from '../fish/index';
import type { FlowField } from '../water/index';
import { flowOf } from '../water/fixtures/flows';
import {
  compareDays,
  expectedFish,
  fishProblems,
  methodDifference,
  METHODS,
  rateLies,
  sensitivity,
  waterForFish,
  whatIf,
  type FishOptions,
} from './index';
import { fishDay } from './fish-day';
import { canHold, createPlaceNeeds, placeNeedsInto, rated } from './needs';
import { needsField, ratingAt, ratingField } from './needs-field';
import { pulls, ratingOf } from './methods';
import { BARE, flowOfBeat, GULLY, lineOf } from './fixtures/beats';
import type { BeatPlan } from '../formats/index';

const TROUT: FishOptions = { species: 'brown', forkLengthCm: 24, waterTempC: 11 };
/** An uneven made-up water: a thread off the middle, depth growing across. */
const uneven = flowOf((_x, y) => ({
  depth: 0.25 + 0.12 * y,
  u: -0.15 - 0.7 * Math.exp(-((y - 1.8) ** 2)),
}));

describe('laws of the needs (seeded properties)', () => {
  const water = waterForFish(BARE, uneven);
  const cells = fc.integer({ min: 0, max: uneven.nx * uneven.ny - 1 });
  const fish = fc.record({
    species: fc.constantFrom(...SPECIES),
    forkLengthCm: fc.double({ min: 9, max: 50, noNaN: true }),
    waterTempC: fc.double({ min: 1, max: 24, noNaN: true }),
    turbidityNtu: fc.double({ min: 0, max: 60, noNaN: true }),
  });
  const at = (k: number, o: FishOptions, w = water) => {
    const day = fishDay(w, o);
    return canHold(w, day.at(k), k) ? { ...placeNeedsInto(w, day, k, createPlaceNeeds()) } : null;
  };
  const holds = (name: string, law: (k: number, o: FishOptions, by: number) => void) =>
    it(name, () =>
      fc.assert(fc.property(cells, fish, fc.double({ min: 0, max: 1, noNaN: true }), law), {
        numRuns: 150,
        seed: 4,
      }),
    );

  holds('more cover never lowers Shelter', (k, o, by) => {
    const more = { ...water, cover: water.cover.map((c) => c + by * (1 - c)) };
    const before = at(k, o);
    if (before) expect(at(k, o, more)!.shelter).toBeGreaterThanOrEqual(before.shelter - 1e-12);
  });
  holds('a nearer bolt-hole never lowers Shelter', (k, o, by) => {
    const nearer = { ...water, toBoltM: water.toBoltM.map((d) => Math.min(d, 9) * by) };
    const before = at(k, o);
    if (before) expect(at(k, o, nearer)!.shelter).toBeGreaterThanOrEqual(before.shelter - 1e-12);
  });
  holds('shade never lowers Shelter and touches nothing else', (k, o, by) => {
    const before = at(k, o);
    const after = at(k, { ...o, shade: new Float64Array(water.open.length).fill(by) });
    if (!before) return;
    expect(after!.shelter).toBeGreaterThanOrEqual(before.shelter - 1e-12);
    expect(after!.profitJph).toBe(before.profitJph);
  });
  holds('warmer past the optimum never raises Air', (k, o, by) => {
    const from = Math.max(14, o.waterTempC);
    const cool = at(k, { ...o, waterTempC: from });
    const warm = at(k, { ...o, waterTempC: from + by * (24 - from) });
    if (!cool) return;
    const air = (n: typeof cool) => n.oxygen * n.temperature;
    expect(air(warm!)).toBeLessThanOrEqual(air(cool) + 1e-12);
  });
  holds('more drift never lowers Food; quicker at the nose never costs less', (k, o) => {
    const spring = at(k, { ...o, season: 'spring' });
    if (!spring) return;
    expect(at(k, { ...o, season: 'winter' })!.food).toBeLessThanOrEqual(spring.food + 1e-12);
    const quick = { ...water, pace: water.pace.map((v) => 1.3 * v) };
    expect(at(k, o, quick)!.costJph).toBeGreaterThanOrEqual(spring.costJph);
  });
  holds('a higher beat never has more Air', (k, o, by) => {
    const low = at(k, o);
    if (low)
      expect(at(k, { ...o, altitudeM: 3000 * by })!.oxygen).toBeLessThanOrEqual(low.oxygen + 1e-12);
  });
  holds('every need is 0-1, every rating too, and the pulls share out one', (k, o) => {
    const n = at(k, o);
    if (!n) return;
    for (const v of [n.food, n.ease, n.shelter, n.oxygen, n.profit, n.temperature])
      expect(v >= 0 && v <= 1).toBe(true);
    for (const m of METHODS) {
      expect(rated(n, m) >= 0 && rated(n, m) <= 1).toBe(true);
      expect(Object.values(pulls(n, m)).reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
    }
  });
});

it('energy by hand: 25 cm brown of standard weight at 11 C, nose .2 m/s', () => {
  // W = 10^(-4.867 + 2.960 log10 250) = 170.2 g; R = .0013 W^-.269 e^(.0938 11) e^(.0234 20) gO2/g/d.
  const w = 10 ** (-4.867 + 2.96 * Math.log10(250));
  const r = 0.0013 * w ** -0.269 * Math.exp(0.0938 * 11) * Math.exp(0.0234 * 20);
  const water = waterForFish(
    BARE,
    flowOf(() => ({ depth: 0.5, u: -0.3 })),
  );
  const day = fishDay(water, { ...TROUT, forkLengthCm: 25 / 1.04 });
  const n = placeNeedsInto(water, day, 10 * 40 + 20, createPlaceNeeds());
  const byHand = 0.0013 * w ** -0.269 * Math.exp(0.0938 * 11 + 2.34 * n.noseMps);
  expect(n.costJph).toBeCloseTo((byHand * w * 13560) / 24, 6);
  expect((r * w * 13560) / 24).toBeCloseTo(140.6, 0);
  expect(n.profitJph).toBeCloseTo(0.65 * n.intakeJph - n.costJph, 9);
  expect(n.profitJph).toBeLessThan(2 * day.base.restCostJph);
});

it('the worst need limits: a weighted power mean, checked by hand', () => {
  const even = {
    food: 0.5,
    ease: 0.5,
    shelter: 0.5,
    shelterNear: 0.5,
    oxygen: 0.5,
    profit: 0.5,
    idle: 0,
  };
  for (const m of METHODS) expect(ratingOf(even, 1, m)).toBeCloseTo(0.5, 12);
  // Energy budget: .12/.64 + .28/.04 + .15/1 + .45/.36 = 8.5875; 1/sqrt = .3412.
  const n = { food: 1, ease: 0.8, shelter: 0.2, shelterNear: 0.7, oxygen: 1, profit: 0.6, idle: 0 };
  expect(ratingOf(n, 1, 'energy-budget')).toBeCloseTo(0.34124, 4);
  expect(ratingOf(n, 0.5, 'energy-budget')).toBeCloseTo(0.7 * 0.34124, 4);
  // Resting: .45/.04 + .40/.64 + .15/1 = 12.025; 1/sqrt = .28837, whatever the school.
  for (const m of METHODS) expect(ratingOf({ ...n, idle: 1 }, 1, m)).toBeCloseTo(0.28837, 4);
});

describe('turning and mirroring', () => {
  const mirrored = (f: FlowField): FlowField =>
    flowOf((x, y) => {
      const k = Math.round((5 - y - f.y0M) / f.cellM) * f.nx + Math.round((x - f.x0M) / f.cellM);
      return { depth: f.depthM[k]!, u: f.u[k]!, v: -f.v[k]! };
    });
  it('the mirrored water has the mirrored lies', () => {
    const own = rateLies(BARE, uneven, TROUT).lies;
    const other = rateLies(BARE, mirrored(uneven), TROUT).lies;
    expect(own.length).toBeGreaterThan(0);
    expect(other.length).toBe(own.length);
    own.forEach((lie) => {
      const twin = other.find((o) => Math.hypot(o.xM - lie.xM, o.yM - (5 - lie.yM)) < 0.3)!;
      expect(Math.abs(twin.rating - lie.rating)).toBeLessThanOrEqual(1);
    });
  });
  it('a quarter turn changes no need', () => {
    const turned = flowOf(
      (x, y) => {
        const k =
          Math.round((x - uneven.y0M) / 0.25) * uneven.nx + Math.round((y - uneven.x0M) / 0.25);
        return { depth: uneven.depthM[k]!, u: uneven.v[k]!, v: uneven.u[k]! };
      },
      { nx: 20, ny: 40 },
    );
    const still = (f: FlowField) => {
      const w = waterForFish(BARE, f);
      const ones = new Float64Array(w.open.length).fill(1);
      const far = ones.map(() => 9);
      return {
        ...w,
        drift: ones,
        floating: ones,
        aeration: ones,
        cover: ones.map(() => 0),
        toBankM: far,
        toBoltM: far,
        toSolidM: far,
        scratch: {},
        reachable: new Map(),
      };
    };
    const a = still(uneven);
    const b = still(turned);
    const na = needsField(a, fishDay(a, TROUT));
    const nb = needsField(b, fishDay(b, TROUT));
    for (let j = 0; j < 20; j++) {
      for (let i = 0; i < 40; i++) {
        expect(nb.food[i * 20 + j]!).toBeCloseTo(na.food[j * 40 + i]!, 9);
        expect(nb.ease[i * 20 + j]!).toBeCloseTo(na.ease[j * 40 + i]!, 9);
      }
    }
  });
});

describe('asking one place again and again', () => {
  const flow = flowOfBeat(GULLY);
  const water = waterForFish(GULLY, flow);
  const day = fishDay(water, TROUT);
  const lies = rateLies(GULLY, flow, TROUT).lies;
  const cell = (l: { xM: number; yM: number }) =>
    Math.round((l.yM - flow.y0M) / flow.cellM) * flow.nx +
    Math.round((l.xM - flow.x0M) / flow.cellM);
  it('one cell asked alone is the field there', () => {
    const field = ratingField(water, needsField(water, day), 'energy-budget');
    for (const l of lies)
      expect(ratingAt(water, day, 'energy-budget', cell(l))).toBeCloseTo(field[cell(l)]!, 12);
  });
  it('sensitivity: sorted by span, and each end is the rating asked again', () => {
    const s = sensitivity(GULLY, flow, TROUT, cell(lies[0]!));
    expect(s.inputs).toHaveLength(7);
    expect(Math.round(s.rating)).toBe(lies[0]!.rating);
    const spans = s.inputs.map((i) => Math.abs(i.high - i.low));
    expect(spans).toEqual([...spans].sort((a, b) => b - a));
    expect(spans[0]!).toBeGreaterThan(1);
    const t = s.inputs.find((i) => i.input === 'temperature')!;
    const warmer = rateLies(GULLY, flow, { ...TROUT, waterTempC: t.to });
    expect(t.high).toBeCloseTo(100 * warmer.field[cell(lies[0]!)]!, 6);
  });
  it('what would change it names the degrees, the shade and a level at hand', () => {
    const changes = whatIf(GULLY, flow, TROUT, lies[0]!, [{ name: 'Thin', flow }]);
    expect(changes.map((c) => c.change)).toEqual(['warmer', 'cooler', 'shade', 'stained', 'level']);
    expect(changes.find((c) => c.change === 'level')!.rating).toBeCloseTo(lies[0]!.rating, -0.5);
    const shade = changes.find((c) => c.change === 'shade')!;
    expect(shade.rating).toBeGreaterThanOrEqual(lies[0]!.rating - 0.5);
  });
  it('the same day compared with itself changes nothing; a cold one fades most lies', () => {
    const now = { flow, lies: rateLies(GULLY, flow, TROUT) };
    expect(compareDays(now, now).every((c) => c.then === c.now && c.seen === 'both')).toBe(true);
    const cold = { flow, lies: rateLies(GULLY, flow, { ...TROUT, waterTempC: 3 }) };
    const faded = compareDays(now, cold);
    expect(faded.filter((c) => c.now < c.then).length).toBeGreaterThan(faded.length / 2);
    expect(new Set(faded.map((c) => c.lie.id)).size).toBe(faded.length);
  });
  it('methods share most of their best, and say why where they part', () => {
    const d = methodDifference(GULLY, flow, TROUT, 'energy-budget', 'cover-first');
    expect(d.of).toBeGreaterThan(2);
    expect(d.shared).toBeGreaterThan(0);
    expect(d.shared).toBeLessThan(d.of);
    const self = methodDifference(GULLY, flow, TROUT, 'soft-water', 'soft-water');
    expect(self.partings).toEqual([]);
    expect(self.shared).toBe(self.of);
    for (const p of d.partings) expect(p.ratings.own).toBeGreaterThan(0);
  });
  it('expected fish: between none and all, more with better lies', () => {
    const e = expectedFish(lies);
    expect(e.low <= e.mean && e.mean <= e.high && e.high <= lies.length).toBe(true);
    expect(expectedFish([{ rating: 100 }, { rating: 100 }]).mean).toBeCloseTo(2, 9);
  });
});

describe('bad questions', () => {
  const flow = flowOf(() => ({ depth: 0.5 }));
  it.each([
    [
      { species: 'carp' },
      'Species "carp" is not known: it must be one of brown, rainbow, brook, cutthroat.',
    ],
    [{ forkLengthCm: 0 }, 'Length 0 cm is no trout that lies are rated for: 8 to 60 cm.'],
    [{ forkLengthCm: 300 / 1.04 }, 'Length 300 cm is no trout'],
    [{ waterTempC: 68 }, 'Water of 68 °C is outside 0 to 25 °C. Was 68 °F meant, which is 20 °C?'],
    [{ waterTempC: NaN }, 'Water of NaN °C is outside 0 to 25 °C.'],
    [{ turbidityNtu: -1 }, 'Clarity -1 NTU is outside 0 to 200 NTU.'],
    [{ method: 'luck' }, 'Method "luck" is not known'],
  ])('%j is named', (bad, sentence) => {
    const asked = { ...TROUT, ...bad } as FishOptions;
    expect(fishProblems(asked)[0]).toContain(sentence);
    expect(() => rateLies(BARE, flow, asked)).toThrow(RangeError);
  });
  it.each([
    ['no-water', () => flowOf(() => ({ depth: 0 })), 11],
    ['too-shallow', () => flowOf(() => ({ depth: 0.06 })), 11],
    ['too-warm', () => flowOf(() => ({ depth: 0.2, u: -0.9 })), 25],
    ['none-good-enough', () => flowOf(() => ({ depth: 0.16, u: -1.4 })), 11],
  ] as const)('no lie at all says why: %s', (reason, water, waterTempC) => {
    const rated = rateLies(BARE, water(), { ...TROUT, waterTempC });
    expect(rated.lies).toEqual([]);
    expect(rated.nothing).toBe(reason);
  });
});

it('a spring cools a warm lie and names its mouth', () => {
  const flow = flowOf(() => ({ depth: 0.5, u: -0.2 }));
  const withSpring: BeatPlan = {
    ...BARE,
    features: [
      ...BARE.features,
      {
        kind: 'spring',
        note: 'cold',
        tempC: 9,
        shape: { type: 'Point', place: { xM: 7, yM: 4.2 } },
      },
    ],
  };
  const warm = { ...TROUT, waterTempC: 22 };
  const spring = rateLies(withSpring, flow, warm);
  const plain = rateLies(BARE, flow, warm);
  expect(spring.lies[0]!.rating).toBeGreaterThan((plain.lies[0]?.rating ?? 0) + 5);
  expect(spring.lies[0]!.kind).toBe('spring-mouth');
  expect(spring.lies[0]!.why.find((w) => w.what === 'spring-water')!.value).toBeLessThan(20);
});

it('the three trouts that borrow from brown say so', () => {
  const flow = flowOf(() => ({ depth: 0.5, u: -0.25 }));
  for (const species of SPECIES) {
    const lie = rateLies(BARE, flow, { ...TROUT, species }).lies[0]!;
    expect(lie.why.some((w) => w.what === 'borrowed')).toBe(species !== 'brown');
  }
});

it('a lane ends where a fly can be landed: 3.5 m up, or beyond the boughs', () => {
  const flow = flowOf(() => ({ depth: 0.5, u: -0.3 }), { nx: 60 });
  const boughs: BeatPlan = {
    ...BARE,
    lengthM: 15,
    features: [
      { kind: 'bank', side: 'left', form: 'sloping', shape: lineOf([0, 0], [15, 0]) },
      { kind: 'bank', side: 'right', form: 'sloping', shape: lineOf([0, 5], [15, 5]) },
      {
        kind: 'overhang',
        clearanceM: 0.4,
        shape: {
          type: 'Polygon',
          ring: [
            { xM: 3, yM: 0 },
            { xM: 9, yM: 0 },
            { xM: 9, yM: 2.5 },
            { xM: 3, yM: 2.5 },
          ],
        },
      },
    ],
  };
  for (const lie of rateLies(boughs, flow, TROUT).lies) {
    const end = lie.lane.at(-1)!;
    const under = end.xM > 3.1 && end.xM < 8.9 && end.yM < 2.4;
    expect(under).toBe(false);
    if (lie.xM < 10) expect(end.xM - lie.xM).toBeGreaterThanOrEqual(3.4);
  }
});
