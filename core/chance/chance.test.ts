import fc from 'fast-check';
import { createRandom } from '../grid/index';
import { madeFlow } from '../water/fixtures/waters';
import { reactionDistanceCm } from '../fish/index';
import type { Fish } from '../sight/index';
import { DEFAULT_RIG } from '../rig/index';
import {
  aimsFor,
  bandOf,
  CHANCE,
  chanceOf,
  coverCalm,
  dwellAt,
  freeMap,
  homeAfter,
  hookedIfTaken,
  landingSigmaM,
  scatterAt,
  linedByChord,
  linedChance,
  lookAt,
  lookTable,
  markAtHome,
  nextCover,
  normalCdf,
  placeIn,
  reachOf,
  satisfied,
  scoreOf,
  shareAt,
  strikeKind,
  withinCovers,
  zoneOf,
  type CastFacts,
} from './index';
import { facts, trout } from './fixtures/casts';

/** A run of .4 m/s at the surface or so, and the water behind a rock, that turns. */
const run = madeFlow(() => -0.35);
const eddy = madeFlow(
  (x, y) => 0.25 * y * Math.exp(-((x - 10) ** 2 + y * y) / 2),
  (x, y) => -0.25 * (x - 10) * Math.exp(-((x - 10) ** 2 + y * y) / 2),
);

describe('where it takes, and what it needs', () => {
  it('by hand: 8 mm fly, 24 cm fork, .3 m deep: ahead sqrt(RD^2 - z^2) (Hughes & Dill 1990)', () => {
    const r = reachOf(run, trout(), { fly: 'dry' });
    const rd = reactionDistanceCm(8, 25 / 1.04) / 100;
    expect(r.aheadM).toBeCloseTo(Math.sqrt(rd * rd - 0.09), 9);
    expect(r.needS).toBeCloseTo(0.3 / 0.35 + 0.3, 9);
    expect(r.asideM).toBeLessThan(r.aheadM);
    expect(zoneOf(r, 10.3, 0)).toBe(2);
    expect(zoneOf(r, 9.9, 0)).toBe(1);
    expect(zoneOf(r, 10.3, 1.3)).toBe(0);
  });
  it('a deeper fish, a smaller fly, stained water: less of it', () => {
    const ahead = (fish: Partial<Fish>, o: Parameters<typeof reachOf>[2]) =>
      reachOf(run, trout(fish), o).aheadM;
    const usual = ahead({}, { fly: 'dry' });
    expect(ahead({ fishDepthM: 0.7 }, { fly: 'dry' })).toBeLessThan(usual);
    expect(ahead({}, { fly: 'sunk' })).toBeLessThan(usual);
    expect(ahead({}, { fly: 'dry', turbidityNtu: 25 })).toBeLessThan(usual);
  });
  it('what falls heavier frightens more, as the fourth root of its mass, never beyond the range', () => {
    const usual = reachOf(run, trout(), { fly: 'dry' }).splash;
    const heavy = (times: number) =>
      reachOf(run, trout(), { fly: 'dry', landsMg: times * DEFAULT_RIG.landsMg }).splash;
    expect(heavy(1)).toBe(usual);
    expect(heavy(4) / usual).toBeCloseTo(Math.SQRT2, 6);
    expect([heavy(1e-6), heavy(1e6)]).toEqual(CHANCE.splashRange);
    const draws = reachOf(run, trout(), { fly: 'dry', landsMg: 900, landingDraws: true });
    expect(draws.splash).toBe(0);
  });

  it('a dwell as long as any natural one satisfies all it can; none under a twentieth of a second', () => {
    const r = reachOf(run, trout(), { fly: 'dry' });
    expect(satisfied(r, 3, 3)).toBe(1);
    expect(satisfied(r, 0.04, 3)).toBe(0);
    // Log-normal, .4: at the need itself half the fish.
    expect(satisfied(r, r.needS, 1e6)).toBeCloseTo(0.5, 6);
  });
});

describe('free flies round a fish', () => {
  const map = freeMap(run, reachOf(run, trout(), { fly: 'dry' }));
  it('from its lane up-current they come through its reach, from behind never', () => {
    const at = (x: number, y: number) => placeIn(map, x, y);
    expect(dwellAt(map, at(11, 0), 8)).toBeGreaterThan(1);
    expect(dwellAt(map, at(9.6, 0), 8)).toBe(0);
    expect(placeIn(map, 40, 0)).toBe(-1);
  });
  it('drag ends it: half the clean seconds, no longer a stay', () => {
    const k = placeIn(map, 11, 0);
    let last = -1;
    for (let s = 0; s <= 8; s += 0.25) {
      const d = dwellAt(map, k, s);
      expect(d).toBeGreaterThanOrEqual(last);
      last = d;
    }
    expect(shareAt(map, k, 0.2)).toBeLessThan(shareAt(map, k, 4));
  });
  it('in water that turns a fly stays, from any side', () => {
    const turned = freeMap(eddy, reachOf(eddy, trout(), { fly: 'dry' }));
    expect(turned.reach.anySide).toBe(true);
    expect(turned.naturalS).toBeGreaterThan(4);
    expect(dwellAt(turned, placeIn(turned, 9.8, 0.2), 8)).toBeGreaterThan(4);
  });
  it('aims are water, apart, and up-current of the fish where it runs', () => {
    const aims = aimsFor(map, 0.25, { xM: 11.6, yM: 0 });
    expect(aims.length).toBeGreaterThan(0);
    expect(aims.length).toBeLessThanOrEqual(3);
    for (const a of aims) {
      expect(placeIn(map, a.xM, a.yM)).toBeGreaterThanOrEqual(0);
      expect(a.xM).toBeGreaterThan(10);
      for (const b of aims)
        if (a !== b) expect(Math.hypot(a.xM - b.xM, a.yM - b.yM)).toBeGreaterThan(0.29);
    }
  });
});

describe('the look', () => {
  const map = freeMap(run, reachOf(run, trout(), { fly: 'dry' }));
  const aim = { xM: 10.8, yM: 0 };
  it('by table as reckoned: within five points at worst', () => {
    const table = lookTable(map, aim);
    const random = createRandom(4);
    for (let n = 0; n < 60; n++) {
      const s = 7 * random();
      const sigma = 0.1 + 0.9 * random();
      expect(
        Math.abs(table.at(s, sigma).presented - lookAt(map, aim, s, sigma).presented),
      ).toBeLessThan(0.045);
    }
  });
  it('agrees with landing places and clean seconds drawn by chance: bias under .03', () => {
    const random = createRandom(9);
    const gauss = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
    for (const [cleanS, sigma] of [
      [1.5, 0.2],
      [3, 0.3],
      [5, 0.5],
    ] as const) {
      let sum = 0;
      const runs = 6000;
      for (let n = 0; n < runs; n++) {
        const x = aim.xM + sigma * gauss();
        const y = aim.yM + sigma * gauss();
        const off = Math.hypot(x - 10, y);
        const k = placeIn(map, x, y);
        const seconds = cleanS * Math.exp(CHANCE.cleanSpread * gauss());
        if (k >= 0)
          sum += shareAt(map, k, seconds) * (1 - CHANCE.splash * Math.exp(-((off / 0.3) ** 2)));
      }
      expect(Math.abs(lookAt(map, aim, cleanS, sigma).presented - sum / runs)).toBeLessThan(0.03);
    }
  });
});

describe('one number', () => {
  const look = (presented: number) => ({ presented, drag: 0.1, splash: 0.02 });
  const of = (more: Partial<CastFacts> = {}, presented = 0.7) =>
    chanceOf(look(presented), 0.8, 0.2, facts(more));
  it('any factor of nought is nought; each factor more is never less', () => {
    expect(of({ home: 0 }).found).toBe(0);
    expect(of({ calmWay: 0 }).value).toBe(0);
    expect(of({}, 0).value).toBe(0);
    expect(of({ lined: 1 }).value).toBe(0);
    fc.assert(
      fc.property(
        fc.record({
          home: fc.double({ min: 0, max: 1, noNaN: true }),
          calmWay: fc.double({ min: 0, max: 1, noNaN: true }),
          exposure: fc.double({ min: 0, max: 0.99, noNaN: true }),
          lined: fc.double({ min: 0, max: 1, noNaN: true }),
        }),
        (f) => {
          const c = of(f);
          expect(c.found).toBeGreaterThanOrEqual(0);
          expect(c.found).toBeLessThanOrEqual(1);
          expect(of({ ...f, lined: f.lined / 2 }).value).toBeGreaterThanOrEqual(c.value - 1e-12);
          expect(of({ ...f, exposure: f.exposure / 2 }).value).toBeGreaterThanOrEqual(
            c.value - 1e-12,
          );
        },
      ),
      { seed: 5, numRuns: 200 },
    );
  });
  it('a better caster is never lower, a cross wind never higher', () => {
    for (const sure of [5, 8, 12, 18])
      expect(landingSigmaM(8, sure + 1, 0)).toBeLessThanOrEqual(landingSigmaM(8, sure, 0));
    for (const cross of [0, 3, 6, 9])
      expect(landingSigmaM(8, 12, cross + 1)).toBeGreaterThanOrEqual(landingSigmaM(8, 12, cross));
    // Half a metre at the sure distance is 8 casts of 10: sigma = .5/sqrt(-2 ln .2) = .279.
    expect(1 - Math.exp(-0.5 * (0.5 / landingSigmaM(12, 12, 0)) ** 2)).toBeCloseTo(0.8, 2);
  });
  it('an angler whose casts scatter wider: near as near, far as far, between by how far, in wind by the wind', () => {
    const own = { near: 1.2, far: 1.8, wind: 1.5 };
    expect(landingSigmaM(5, 12, 0, own) / landingSigmaM(5, 12, 0)).toBeCloseTo(1.2, 9);
    expect(landingSigmaM(13, 12, 0, own) / landingSigmaM(13, 12, 0)).toBeCloseTo(1.8, 9);
    expect(scatterAt(own, 9, 0)).toBeCloseTo(Math.sqrt(1.2 * 1.8), 9);
    expect(scatterAt(own, 5, 5)).toBeCloseTo(1.2 * 1.5, 9);
    expect(scatterAt(own, 5, 1)).toBeCloseTo(1.2, 9);
    expect(landingSigmaM(8, 12, 3, { near: 1, far: 1, wind: 1 })).toBe(landingSigmaM(8, 12, 3));
  });
  it('a record of takes shifts the hook in its logit; never stays never', () => {
    const plain = strikeKind('dry', 'brown', 25);
    const shifted = strikeKind('dry', 'brown', 25, -0.6);
    const odds = (p: number) => Math.log(p / (1 - p));
    expect(odds(hookedIfTaken(0.3, shifted)) - odds(hookedIfTaken(0.3, plain))).toBeCloseTo(
      -0.6,
      9,
    );
    expect(hookedIfTaken(Infinity, shifted)).toBe(0);
    expect(strikeKind('dry', 'brown', 25, 0)).toEqual(plain);
  });
  it('three covers are more than one and less than three; frightened water gives less', () => {
    expect(withinCovers(0.3, 1, 3)).toBeGreaterThan(0.3);
    expect(withinCovers(0.3, 1, 3)).toBeLessThan(0.9);
    expect(withinCovers(0.3, 0.5, 3)).toBeLessThan(withinCovers(0.3, 1, 3));
    expect(withinCovers(0.3, 1, 1)).toBeCloseTo(0.3, 12);
  });
  it('each cover more brings less, the sooner the surer the first was', () => {
    const brings = (look: number, undisturbed: number) =>
      [0, 1, 2, 3].map((done) => nextCover({ look, undisturbed }, done));
    for (const [look, undisturbed] of [
      [0.2, 1],
      [0.6, 0.9],
    ] as const) {
      const by = brings(look, undisturbed);
      for (let i = 1; i < by.length; i++) expect(by[i]!).toBeLessThan(by[i - 1]!);
    }
    expect(brings(0.6, 1)[1]! / 0.6).toBeLessThan(brings(0.2, 1)[1]! / 0.2);
  });
  it('the band lies round it, and what holds it back is its least part', () => {
    expect(bandOf(0.61).low).toBeCloseTo(0.39, 2);
    expect(bandOf(0.61).high).toBeCloseTo(0.72, 2);
    expect(of({ calmWay: 0.2 }).heldBack).toBe('calm');
    expect(of({ home: 0.1 }).heldBack).toBe('home');
    expect(of({}, 0.1).heldBack).toBe('clean');
  });
  it('casting is seen more than standing still, near by more than far off', () => {
    expect(coverCalm(0, 8, 6)).toBe(1);
    expect(coverCalm(0.4, 4, 6)).toBeLessThan(coverCalm(0.4, 15, 6));
    expect(coverCalm(0.4, 8, 6)).toBeLessThan(coverCalm(0.2, 8, 6));
  });
  it('line near the fish frightens more than tippet, far off not at all', () => {
    const rig = { tippetM: 1.2, leaderM: 2.7 };
    const water = { roughness: 0.25 };
    const straight = (yFly: number) =>
      linedByChord(
        { xM: 11, yM: yFly },
        { xM: 11, yM: yFly - 9 },
        rig,
        { xM: 10, yM: -6 },
        0.2,
        water,
      );
    expect(straight(0)).toBeGreaterThan(0.001);
    const over = (from: number) =>
      linedByChord(
        { xM: 10, yM: from },
        { xM: 10, yM: from - 9 },
        rig,
        { xM: 10, yM: 0 },
        0.2,
        water,
      );
    expect(over(5)).toBeGreaterThan(over(0.5));
    const laid = Array.from({ length: 19 }, (_, i) => ({ xM: 10, yM: 5 - 0.5 * i }));
    expect(linedChance(laid, 0.5, rig, { xM: 10, yM: 0 }, 0.2, water)).toBeCloseTo(over(5), 2);
  });
});

describe('the strike', () => {
  it('the later the line is tight, the fewer are hooked; three casts tell for small char', () => {
    const dry = strikeKind('dry', 'brown', 25);
    const char = strikeKind('dry', 'brook', 18);
    const nymph = strikeKind('sunk', 'brown', 25);
    for (const tight of [0, 0.2, 0.4, 0.8])
      for (const kind of [dry, char, nymph])
        expect(hookedIfTaken(tight + 0.1, kind)).toBeLessThan(hookedIfTaken(tight, kind));
    // Of the study: held .04 s: .83, .76, .57; straight .37 s: .67, .45, .25.
    expect(hookedIfTaken(0.04, dry)).toBeCloseTo(0.83, 1);
    expect(hookedIfTaken(0.37, dry)).toBeCloseTo(0.67, 1);
    expect(hookedIfTaken(0.37, char)).toBeCloseTo(0.45, 1);
    expect(hookedIfTaken(0.37, nymph)).toBeCloseTo(0.25, 1);
    expect(hookedIfTaken(Infinity, dry)).toBe(0);
  });
});

describe('home', () => {
  it('a sure mark is worth more, a riser is sooner gone, none falls under its lie', () => {
    expect(markAtHome('sure', 0, false, 0.5)).toBe(0.95);
    expect(markAtHome('maybe', 0, false, 0)).toBe(0.45);
    expect(markAtHome('sure', 15, true, 0)).toBeCloseTo(0.475, 9);
    expect(markAtHome('sure', 15, false, 0)).toBeGreaterThan(0.8);
    expect(markAtHome('sure', 1e6, true, 0.5)).toBeCloseTo(0.3, 6);
  });
  it('covers without an answer tell against it (Bayes)', () => {
    expect(homeAfter(0.9, [], 0.9)).toBeCloseTo(0.9, 12);
    expect(homeAfter(0.9, [0.5], 1)).toBeCloseTo((0.9 * 0.5) / (0.1 + 0.45), 12);
    // Three casts tell: small char answer nine looks of ten.
    expect(homeAfter(0.5, [0.7, 0.7, 0.7], 0.9)).toBeLessThan(0.1);
  });
});

it('the normal distribution to its published error (Abramowitz & Stegun 26.2)', () => {
  for (const [x, p] of [
    [0, 0.5],
    [1, 0.841344746],
    [1.959964, 0.975],
    [-2.326348, 0.01],
  ] as const)
    expect(normalCdf(x)).toBeCloseTo(p, 6);
});

describe('what it says happens as often as it says', () => {
  /** Tries simulated from the models' own noise: place, landing, clean seconds, need, alarm, line, home. */
  const map = freeMap(run, reachOf(run, trout(), { fly: 'dry' }));
  const random = createRandom(5);
  const gauss = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  const aims = aimsFor(map, 0.3, null);
  const said = Array.from({ length: 2000 }, () => {
    const aim = aims[Math.floor(aims.length * random())]!;
    const f = facts({
      home: 0.3 + 0.7 * random(),
      calmWay: 0.5 + 0.5 * random(),
      exposure: 0.4 * random(),
      cleanS: 0.4 + 5 * random(),
      lined: 0.3 * random(),
    });
    const sigma = 0.1 + 0.4 * random();
    const blur = Math.hypot(sigma, f.placeM);
    const look = lookAt(map, aim, f.cleanS, blur);
    const c = chanceOf(look, lookAt(map, aim, 8, blur).presented, sigma, f);
    // One cover, drawn.
    const x = aim.xM + blur * gauss();
    const y = aim.yM + blur * gauss();
    const k = placeIn(map, x, y);
    const seconds = f.cleanS * Math.exp(CHANCE.cleanSpread * gauss());
    const splash = CHANCE.splash * Math.exp(-((Math.hypot(x - 10, y) / CHANCE.splashM) ** 2));
    const share = k < 0 ? 0 : shareAt(map, k, seconds) * (1 - splash);
    const happened =
      random() < f.home &&
      random() < CHANCE.leftOut &&
      random() < f.calmWay &&
      random() < Math.sqrt(coverCalm(f.exposure, f.distanceToFishM, f.tauS)) &&
      random() < 1 - f.lined &&
      random() < share;
    return { chance: c.first, happened };
  });
  const score = scoreOf(said);
  it('slope within .15 of 1 (two standard errors of 2,000), each fifth within seven points (2,000 simulated tries)', () => {
    expect(Math.abs(score.slope - 1)).toBeLessThan(0.15);
    expect(Math.abs(score.offset)).toBeLessThan(0.2);
    for (const b of score.bins) expect(Math.abs(b.said - b.happened)).toBeLessThan(0.07);
    expect(score.brier).toBeLessThan(0.2);
  });
  it('and beats saying the same of every try', () => {
    const mean = said.filter((s) => s.happened).length / said.length;
    expect(score.brier).toBeLessThan(mean * (1 - mean));
  });
});
