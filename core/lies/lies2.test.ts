import { cellIndex, createRandom } from '../grid/index';
import type { BeatFeature, BeatPlan } from '../formats/index';
import { flowOf } from '../water/fixtures/flows';
import { BARE, flowOfBeat, GLIDE, GULLY, lineOf, POCKETS, TONGUE } from './fixtures/beats';
import {
  COLOUR_NTU,
  fitHome,
  homeChance,
  ntuOfSight,
  quickRead,
  seasonAt,
  sightM,
  waterForFish,
  type FishOptions,
  type HomeTrial,
  type QuickAnswers,
} from './index';
import { fishDay } from './fish-day';
import { largestHere } from './largest';
import { ratingAt } from './needs-field';
import { keptFlow, keptLies } from '../../testing/solved';

/** Acceptance checks of the second model of lies: relations of common practice, on beats built for it. */
const TROUT: FishOptions = { species: 'brown', forkLengthCm: 24, waterTempC: 11 };

/** A log reaching from the left bank: water turns back behind it. */
const LOG: BeatPlan = {
  ...TONGUE,
  name: 'Log',
  features: [
    ...TONGUE.features,
    {
      kind: 'log',
      diameterM: 0.4,
      clearanceM: 0,
      shape: lineOf([11, -5.2], [10.6, -1.2]),
    } as BeatFeature,
  ],
};
const rate = (plan: BeatPlan, more: Partial<FishOptions> = {}, times = 1) =>
  keptLies(plan, flowOfBeat(plan, times, 0.2), { ...TROUT, ...more });
const evenWater = (depthM: number, paceMps: number) =>
  flowOf(() => ({ depth: depthM, u: -paceMps }));
/** Rating of the middle of even water, 0-100. */
const even = (depthM: number, paceMps: number, more: Partial<FishOptions>) => {
  const flow = evenWater(depthM, paceMps);
  const water = waterForFish(BARE, flow);
  return (
    100 * ratingAt(water, fishDay(water, { ...TROUT, ...more }), 'energy-budget', 10 * 40 + 20)
  );
};

describe('cold water (2)', () => {
  const at3 = (h: number, v = 0.2) => even(h, v, { waterTempC: 3 });
  it('the deep holds them: .75 m is under .4 of 1.2 m, and 2.5 ft far under 4 ft', () => {
    expect(at3(0.75)).toBeLessThan(0.4 * at3(1.2));
    expect(at3(1.22)).toBeGreaterThan(2 * at3(0.76));
  });
  it('a slow walking pace over 1.2 m is at least half of standing water', () => {
    // Surface .5 m/s is a mean of about .42.
    expect(at3(1.2, 0.42)).toBeGreaterThan(0.5 * at3(1.2, 0.17));
  });
  it('no cliff between 4 and 5.5 °C', () => {
    const t = (c: number) => even(1.2, 0.42, { waterTempC: c });
    expect(Math.abs(t(5.5) - t(4))).toBeLessThan(30);
  });
  it('at 12 °C nothing changes by the cold: the season and the hour alone speak', () => {
    const day = fishDay(waterForFish(BARE, evenWater(0.6, 0.3)), { ...TROUT, waterTempC: 12 });
    expect(day.base.cold).toBe(0);
    expect(day.base.idle).toBe(0);
  });
  it('fish gather: where a deep pool lies near, fewer places hold them, and deep ones', () => {
    const cold = rate(TONGUE, { waterTempC: 3, season: 'winter' });
    const mild = rate(TONGUE, { waterTempC: 11 });
    expect(cold.lies.length).toBeLessThan(mild.lies.length);
    expect(cold.lies[0]!.depthM).toBeGreaterThan(0.85);
  });
  it('the schools meet in the cold: a fish that does not feed asks one thing', () => {
    const by = (method: 'feed-lane' | 'soft-water') =>
      rate(TONGUE, { waterTempC: 2, method }).lies.map((l) => [l.xM, l.yM]);
    expect(by('feed-lane')[0]).toEqual(by('soft-water')[0]);
  });
});

describe('what a place keeps, and what comes to feed (3)', () => {
  const largestOn = (plan: BeatPlan, x: number, y: number, more: Partial<FishOptions> = {}) => {
    const flow = flowOfBeat(plan, 1, 0.2);
    const water = waterForFish(plan, flow);
    return largestHere(water, fishDay(water, { ...TROUT, ...more }), cellIndex(flow, x, y));
  };
  const places: [number, number][] = [];
  for (let x = 3; x < 20; x += 2.5) for (let y = -3; y <= 3; y += 1) places.push([x, y]);

  it('feeds at least what it keeps; more as the light goes', () => {
    for (const [x, y] of places) {
      const [bright, soft, dusk] = (['bright', 'soft', 'dusk'] as const).map(
        (feedLight) => largestOn(GLIDE, x, y, { feedLight }).feedsCm ?? 0,
      );
      const keeps = largestOn(GLIDE, x, y).keepsCm ?? 0;
      expect(bright).toBeGreaterThanOrEqual(keeps);
      expect(soft).toBeGreaterThanOrEqual(bright!);
      expect(dusk).toBeGreaterThanOrEqual(soft!);
    }
  });
  it('large fish leave the covered edge for thin water at dusk: that place of the glide keeps small ones', () => {
    const out = largestOn(GLIDE, 11, -1);
    expect(out.keepsCm ?? 0).toBeLessThan(30);
    expect(out.duskCm!).toBeGreaterThan(45);
    expect(out.shelterM!).toBeGreaterThan(2);
    expect(['holding', 'feeding', 'small']).toContain(out.class);
  });
  it('who fishes thin seams finds them rated by the light, and nothing else where no shelter is near', () => {
    const flow = flowOfBeat(GLIDE, 1, 0.2);
    const water = waterForFish(GLIDE, flow);
    const rated = (method: 'feed-lane' | 'thin-seams', feedLight: 'bright' | 'soft' | 'dusk') => {
      const day = fishDay(water, { ...TROUT, forkLengthCm: 38, method, feedLight });
      return ratingAt(water, day, method, cellIndex(flow, 11, -1));
    };
    const lane = rated('feed-lane', 'soft');
    expect(rated('thin-seams', 'bright')).toBeLessThan(rated('thin-seams', 'soft'));
    expect(rated('thin-seams', 'soft')).toBeLessThan(rated('thin-seams', 'dusk'));
    expect(rated('thin-seams', 'dusk')).toBeGreaterThan(1.5 * lane);
    const even = evenWater(0.3, 0.3);
    const bare = waterForFish(BARE, even);
    const k = 10 * 40 + 20;
    const onBare = (method: 'feed-lane' | 'thin-seams') =>
      ratingAt(bare, fishDay(bare, { ...TROUT, method, feedLight: 'dusk' }), method, k);
    expect(onBare('thin-seams')).toBe(onBare('feed-lane'));
  });
  it('with no shelter within 40 m it feeds what it keeps; more cover never keeps less', () => {
    const flow = evenWater(0.3, 0.3);
    const bare = waterForFish(BARE, flow);
    const day = fishDay(bare, TROUT);
    const k = 10 * 40 + 20;
    const open = largestHere(bare, day, k);
    expect(open.duskCm).toBe(open.keepsCm);
    let last = open.keepsCm ?? 0;
    for (const cover of [0.2, 0.5, 0.8]) {
      const covered = {
        ...bare,
        cover: bare.cover.map(() => cover),
        scratch: {},
        reachable: new Map(),
      };
      const kept = largestHere(covered, fishDay(covered, TROUT), k).keepsCm ?? 0;
      expect(kept).toBeGreaterThanOrEqual(last);
      last = kept;
    }
  });
});

describe('stain without a cliff (4)', () => {
  it('sight and clarity are one: round trip to 1e-9; eight inches are 26 NTU', () => {
    for (const cm of [5, 15, 40, 120, 300])
      expect(100 * sightM(ntuOfSight(cm / 100))).toBeCloseTo(cm, 9);
    expect(ntuOfSight(0.2032)).toBeCloseTo(25.9, 1);
  });
  it('a soft edge falls with stain, never to under .4 of itself a step; muddy water still has lies', () => {
    const stains = [1, 8, 25, 80];
    const worth = stains.map((turbidityNtu) => {
      const flow = evenWater(0.45, 0.2);
      const water = waterForFish(BARE, flow);
      const day = fishDay(water, { ...TROUT, turbidityNtu });
      return day.base.willing * 100 * ratingAt(water, day, 'energy-budget', 10 * 40 + 20);
    });
    for (let i = 1; i < worth.length; i++) {
      expect(worth[i]!).toBeLessThanOrEqual(worth[i - 1]! + 1);
      const doublings = Math.log2(stains[i]! / stains[i - 1]!);
      expect(worth[i]!).toBeGreaterThan(0.4 ** doublings * worth[i - 1]!);
    }
    for (const plan of [POCKETS, TONGUE, GLIDE, GULLY])
      for (const turbidityNtu of [COLOUR_NTU.muddy, 80])
        expect(rate(plan, { turbidityNtu }).lies.length).toBeGreaterThan(0);
  });
  it('shallow edges by one’s own feet gain most', () => {
    const gain = (depth: number) =>
      even(depth, 0.2, { turbidityNtu: 25 }) / even(depth, 0.2, { turbidityNtu: 1 });
    expect(gain(0.25)).toBeGreaterThan(gain(0.7));
  });
});

describe('back-eddies (5)', () => {
  const flow = keptFlow(LOG, { dischargeM3s: 1.1, cellM: 0.2 });
  const field = keptLies(LOG, flow, TROUT);
  const eddy = field.lies.filter((l) => {
    const k = cellIndex(flow, l.xM, l.yM);
    return flow.u[k]! > 0.03;
  });
  it('holds a lie that faces down-valley, and is fed by what floats', () => {
    expect(eddy.length).toBeGreaterThan(0);
    const best = eddy[0]!;
    expect(Math.cos(best.headingRad)).toBeLessThan(-0.6);
    expect(best.kind === 'eddy' || best.kind === 'log').toBe(true);
    const water = waterForFish(LOG, flow);
    const k = cellIndex(flow, best.xM, best.yM);
    expect(water.floating[k]!).toBeGreaterThan(2 * water.drift[k]!);
  });
  it('rates below the seam beside it', () => {
    expect(eddy[0]!.rating).toBeLessThan(field.lies[0]!.rating);
  });
});

describe('ratings that mean something (6)', () => {
  it('the chance of one at home: .85 is 80 in 100, and more rating is never less', () => {
    expect(100 * homeChance(0.85)).toBeCloseTo(80, 0);
    expect(100 * homeChance(0.7)).toBeCloseTo(50, 9);
    let last = -1;
    for (let r = 0; r <= 1; r += 0.01) {
      expect(homeChance(r)).toBeGreaterThanOrEqual(last);
      last = homeChance(r);
    }
  });
  it('spreads: a fifth to a third between 70 and 86 no more, and fish are a fair stream’s', () => {
    const lies = [POCKETS, TONGUE, GLIDE, GULLY].flatMap((plan) => rate(plan).lies);
    const ratings = lies.map((l) => l.rating).sort((a, b) => a - b);
    const at = (q: number) => ratings[Math.floor(q * (ratings.length - 1))]!;
    expect(at(0.75) - at(0.25)).toBeGreaterThan(25);
    expect(ratings.filter((r) => r >= 70 && r <= 86).length / ratings.length).toBeLessThan(0.35);
  });

  /** Tries on water whose constant is `a`. */
  const tries = (a: number, count: number, seed: number): HomeTrial[] => {
    const random = createRandom(seed);
    return Array.from({ length: count }, () => {
      const chance = 0.1 + 0.8 * random();
      const p = 1 / (1 + Math.exp(-(Math.log(chance / (1 - chance)) + a)));
      const workings = 1 + Math.floor(3 * random());
      const home = random() < p;
      return { chance, offset: 0, workings, fish: home && random() < 1 - 0.6 ** workings };
    });
  };
  it('forty tries find the constant of a poor water, and the band holds it four times in five', () => {
    const runs = Array.from({ length: 60 }, (_, seed) => fitHome(tries(-1, 40, seed + 1)));
    const mean = runs.reduce((sum, r) => sum + r.offset, 0) / runs.length;
    expect(mean).toBeGreaterThan(-1.1);
    expect(mean).toBeLessThan(-0.65);
    const held = runs.filter((r) => r.low <= -1 && r.high >= -1).length / runs.length;
    expect(held).toBeGreaterThan(0.7);
    const rms = Math.sqrt(runs.reduce((s, r) => s + (r.offset + 1) ** 2, 0) / runs.length);
    expect(rms).toBeLessThan(0.6);
  });
  it('no try, no change; the same data, the same constant; each try counts at the constant it was told with', () => {
    expect(fitHome([])).toMatchObject({ offset: 0, trials: 0 });
    const some = tries(0.5, 20, 3);
    expect(fitHome(some)).toEqual(fitHome([...some]));
    const retold = some.map((t) => {
      const logit = Math.log(t.chance / (1 - t.chance)) + 0.7;
      return { ...t, chance: 1 / (1 + Math.exp(-logit)), offset: 0.7 };
    });
    expect(fitHome(retold).offset).toBeCloseTo(fitHome(some).offset, 6);
  });
  it('an even edge is told as one stretch', () => {
    const { stretches, lies } = rate(GLIDE);
    const edge = stretches.find((s) => s.kind === 'undercut');
    expect(edge!.lieIds.length).toBeGreaterThanOrEqual(3);
    expect(edge!.lengthM).toBeGreaterThan(5);
    expect(edge!.high).toBeLessThanOrEqual(edge!.lieIds.length);
    for (const id of edge!.lieIds) expect(lies.some((l) => l.id === id)).toBe(true);
  });
});

describe('quick read (7)', () => {
  const told: QuickAnswers = {
    species: 'brown',
    forkLengthCm: 24,
    waterTempC: 11,
    depthM: 0.3,
    surfacePaceMps: 0.25,
    edge: 'none',
    cover: 'none',
    coverDistanceM: 0,
    bottom: 'gravel',
    foam: false,
    colour: 'clear',
    shaded: false,
  };
  const rating = (more: Partial<QuickAnswers>) => {
    const r = quickRead({ ...told, ...more });
    if (!r.ok) throw new Error(r.problems.join(' '));
    return r.rating;
  };
  it('deep water a step away never lowers a rating over 8 °C, never raises one at 3 °C', () => {
    for (const depthM of [0.25, 0.4, 0.7])
      for (const deep of [0.4, 0.8, 1.5])
        for (const offM of [0.5, 1.5, 4]) {
          const deeper = { depthM: deep, offM };
          for (const waterTempC of [9, 13])
            expect(rating({ depthM, waterTempC, deeper })).toBeGreaterThanOrEqual(
              rating({ depthM, waterTempC }),
            );
          expect(rating({ depthM, waterTempC: 3, deeper })).toBeLessThanOrEqual(
            rating({ depthM, waterTempC: 3 }),
          );
        }
    expect(rating({ waterTempC: 13, deeper: { depthM: 0.8, offM: 1.5 } })).toBeGreaterThan(
      rating({ waterTempC: 13 }) + 3,
    );
  });
  it('winter feeds less than spring; the season turns round south of the line', () => {
    expect(rating({ depthM: 0.4, season: 'winter' })).toBeLessThan(
      rating({ depthM: 0.4, season: 'spring' }),
    );
    const july = Date.UTC(2026, 6, 10);
    expect([seasonAt(july, 'UTC', 47), seasonAt(july, 'UTC', -40)]).toEqual(['summer', 'winter']);
  });
  it('says which deeper water is possible', () => {
    expect(quickRead({ ...told, deeper: { depthM: 9, offM: 1 } })).toMatchObject({
      ok: false,
      problems: ['Deeper water 9 m is outside 0.02 to 3 m.'],
    });
  });
});
