import { madeFlow } from '../water/fixtures/waters';
import { surfaceFactor } from '../water/index';
import type { Fish } from '../sight/index';
import {
  aimsFor,
  bandOf,
  chanceOf,
  comesAt,
  coverCalm,
  dwellAt,
  freeMap,
  hookedIfTaken,
  isWithin,
  landingSigmaM,
  linedByChord,
  linedChance,
  lookAt,
  lookTable,
  markAtHome,
  nextCover,
  normalCdf,
  normalQuantile,
  placeIn,
  reachOf,
  satisfied,
  scatterAt,
  scoreOf,
  shareAt,
  shotChance,
  strikeKind,
  tightFromSlackS,
  withinCovers,
  zoneOf,
  type Reach,
} from './index';
import { facts, trout } from './fixtures/casts';
import { dragsWithin, placeAt } from './free-map';
import { splashOf } from './reach';

/** The factors of the chance against sums done by hand, each figure written out from its relation. */

describe('a cover', () => {
  it('a still angler who casts: arms for 2 s of 6, the body of 4', () => {
    // Hand 1 m/s at 8 m: 7.16 deg/s, which counts whole: odds .4 / .6 times 1 + 2 x .3 = 1.0667.
    const casting = 1.6 * (0.4 / 0.6);
    const dose = 2 * (casting / (1 + casting) - 0.1) + 4 * (0.4 - 0.1);
    expect(coverCalm(0.4, 8, 6)).toBeCloseTo(Math.exp(-dose / 6), 12);
    // At 20 m: 2.86 deg/s, a part of 5.
    const slower = (1 + (0.6 * ((1 / 20) * 180)) / Math.PI / 5) * (0.4 / 0.6);
    const less = 2 * (slower / (1 + slower) - 0.1) + 4 * (0.4 - 0.1);
    expect(coverCalm(0.4, 20, 6)).toBeCloseTo(Math.exp(-less / 6), 12);
    // Nearer than half a metre is half a metre; what is under a tenth is not noticed.
    expect(coverCalm(0.4, 0.1, 6)).toBe(coverCalm(0.4, 0.5, 6));
    expect(coverCalm(0.05, 8, 6)).toBe(1);
    expect(coverCalm(1, 8, 6)).toBeGreaterThan(0);
  });
  it('three covers: what casts share makes the later ones half as new', () => {
    const [look, still] = [0.4, 0.8];
    const by = [0.4, 0.6 * still * 0.2, 0.6 * 0.8 * still ** 2 * 0.2];
    expect(withinCovers(look, still, 1)).toBeCloseTo(by[0]!, 12);
    expect(withinCovers(look, still, 3)).toBeCloseTo(by[0]! + by[1]! + by[2]!, 12);
    expect(withinCovers(look, still, 0)).toBe(0);
    expect(nextCover({ look, undisturbed: still }, 1)).toBeCloseTo(by[1]!, 12);
    expect(nextCover({ look, undisturbed: still }, 2)).toBeCloseTo(by[2]!, 12);
  });
  it('of a cast: each factor where it belongs', () => {
    const f = facts();
    const seen = coverCalm(0.1, 8, 6);
    const c = chanceOf({ presented: 0.7, drag: 0.1, splash: 0.02 }, 0.8, 0.2, f);
    expect(c.parts).toEqual({
      home: 0.9,
      calm: 0.95,
      seen: Math.sqrt(seen),
      lands: 0.8,
      clean: 0.7 / 0.8,
      lined: 0.95,
    });
    const own = 0.7 * 0.95 * Math.sqrt(seen);
    expect(c.look).toBeCloseTo(own, 12);
    expect(c.undisturbed).toBeCloseTo(seen * 0.95 * 0.98 * (1 - 0.2 * 0.1), 12);
    expect(c.value).toBeCloseTo(0.85 * 0.95 * withinCovers(own, c.undisturbed, 3), 12);
    expect(c.found).toBeCloseTo(0.9 * c.value, 12);
    expect(c.first).toBeCloseTo(0.9 * 0.85 * 0.95 * own, 12);
    expect({ low: c.low, high: c.high }).toEqual(bandOf(c.found));
    expect(c).toMatchObject({ sigmaM: 0.2, crossMps: 0, drag: 0.1, splash: 0.02, tightS: 0.3 });
    expect(c.hooked).toBe(hookedIfTaken(0.3, f.strike.kind));
  });
  it('what is presented is no more than what lands; where nothing lands nothing is clean', () => {
    const more = chanceOf({ presented: 0.9, drag: 0, splash: 0 }, 0.8, 0.2, facts());
    expect(more.parts.clean).toBe(1);
    const none = chanceOf({ presented: 0, drag: 0, splash: 0 }, 0, 0.2, facts());
    expect(none.parts.clean).toBe(0);
    expect(none.value).toBe(0);
  });
  it('the splash puts down, and so does drag', () => {
    const of = (look: { drag: number; splash: number }) =>
      chanceOf({ presented: 0.7, ...look }, 0.8, 0.2, facts()).value;
    expect(of({ drag: 0, splash: 0.4 })).toBeLessThan(of({ drag: 0, splash: 0 }));
    expect(of({ drag: 0.9, splash: 0 })).toBeLessThan(of({ drag: 0, splash: 0 }));
  });
  it('a band has no room at nought and one', () => {
    expect(bandOf(0)).toEqual({ low: 0, high: 0 });
    expect(bandOf(1)).toEqual({ low: 1, high: 1 });
    const odds = (p: number) => Math.log(p / (1 - p));
    expect(odds(bandOf(0.3).low) - odds(0.3)).toBeCloseTo(-0.9, 9);
    expect(odds(bandOf(0.3).high) - odds(0.3)).toBeCloseTo(0.5, 9);
  });
});

describe('where the fly lands', () => {
  it('arm and wind, each by itself and together', () => {
    expect(landingSigmaM(6, 12, 0)).toBeCloseTo(0.279 / 2, 12);
    expect(landingSigmaM(6, 12, 2)).toBeCloseTo(0.279 / 2, 12);
    const wind = (0.02 * (5 - 2) * 6) / 10;
    expect(landingSigmaM(6, 12, 5)).toBeCloseTo(Math.hypot(0.279 / 2, wind), 12);
    expect(landingSigmaM(6, 12, -5)).toBe(landingSigmaM(6, 12, 5));
    expect(landingSigmaM(0.5, 12, 0)).toBe(0.08);
    expect(landingSigmaM(1, 0, 0)).toBeCloseTo(2.79, 12);
  });
  it('an own scatter between six and twelve metres, and between two and five of wind', () => {
    const own = { near: 2, far: 3, wind: 4 };
    expect(scatterAt(own, 7.5, 0)).toBeCloseTo(2 ** 0.75 * 3 ** 0.25, 12);
    expect(scatterAt(own, 6, 3.5)).toBeCloseTo(2 * 4 ** 0.5, 12);
    expect(landingSigmaM(6, 12, -5, own)).toBeCloseTo(8 * landingSigmaM(6, 12, 5), 12);
  });
});

describe('line over a fish', () => {
  const rig = { tippetM: 1, leaderM: 3 };
  const fish = { xM: 0, yM: 0 };
  const water = { roughness: 0.4 };
  const sigma = 0.2;
  const s2 = 0.35 ** 2 + 2 * sigma ** 2;
  const shown = (1 - 0.5 * 0.4) * (0.35 / Math.sqrt(s2));
  const spared = (p: number, x: number) => 1 - p * shown * Math.exp(-(x * x) / s2);
  it('tippet, leader and line by how near each comes', () => {
    // Laid along x = .3, fly at y = 4: tippet to y 3, leader to y 1, the line to y -4.
    const laid = Array.from({ length: 17 }, (_, i) => ({ xM: 0.3, yM: 4 - 0.5 * i }));
    const by = [
      spared(0.2, Math.hypot(0.3, 3)),
      spared(0.35, Math.hypot(0.3, 1)),
      spared(0.6, 0.3),
    ];
    expect(linedChance(laid, 0.5, rig, fish, sigma, water)).toBeCloseTo(
      1 - by[0]! * by[1]! * by[2]!,
      12,
    );
    expect(
      linedByChord({ xM: 0.3, yM: 4 }, { xM: 0.3, yM: -4 }, rig, fish, sigma, water),
    ).toBeCloseTo(1 - by[0]! * by[1]! * by[2]!, 12);
  });
  it('a cast shorter than its leader lays no line', () => {
    const short = linedByChord({ xM: 0, yM: 2 }, { xM: 0, yM: 0.5 }, rig, fish, sigma, water);
    expect(short).toBeCloseTo(1 - spared(0.2, 1) * spared(0.35, 0.5), 12);
    const tippet = linedByChord({ xM: 0, yM: 2 }, { xM: 0, yM: 1.2 }, rig, fish, sigma, water);
    expect(tippet).toBeCloseTo(1 - spared(0.2, 1.2), 12);
    expect(linedByChord(fish, fish, rig, fish, sigma, water)).toBeCloseTo(1 - spared(0.2, 0), 12);
  });
});

describe('the reach', () => {
  const pace = 0.35;
  const run = madeFlow(() => -pace / surfaceFactor(0.5, 0.05));
  const reach = (more: Partial<Fish> = {}, how = {}) =>
    reachOf(run, trout(more), { fly: 'dry', ...how });
  it('how far behind, how long, how wide', () => {
    const r = reach();
    expect(r.anySide).toBe(false);
    // It drops back .85 of the pace through the rise, and two of its lengths.
    expect(r.behindM).toBeCloseTo((0.85 * r.paceMps * 0.3) / 0.35 + 0.5, 9);
    expect(r.needS).toBeCloseTo(0.3 / 0.35 + 0.3, 12);
    expect(r.asideM).toBeGreaterThanOrEqual(0.35);
    expect(r.asideM).toBeLessThanOrEqual(1.2);
    expect(reach({ fishDepthM: 3 })).toMatchObject({ aheadM: 0.35, asideM: 0.35 });
    expect(reach({}, { waterTempC: 4 }).asideM).toBeLessThanOrEqual(r.asideM);
  });
  it('in slow water from any side, the farther behind the slower', () => {
    const at = (mps: number) =>
      reachOf(
        madeFlow(() => -mps / surfaceFactor(0.5, 0.05)),
        trout(),
        { fly: 'dry' },
      );
    expect(at(0.05).anySide).toBe(true);
    expect(at(0.3).anySide).toBe(false);
    const slow = at(0.05);
    expect(slow.behindM).toBeCloseTo(slow.aheadM * (1 - slow.paceMps / 0.15), 9);
    expect(at(0.02).behindM).toBeGreaterThan(slow.behindM);
  });
  it('ahead an ellipse, behind a strip, by the way that it faces', () => {
    const r: Reach = { ...reach(), aheadM: 1, asideM: 0.5, behindM: 0.4 };
    expect(zoneOf(r, 11, 0)).toBe(2);
    expect(zoneOf(r, 11.01, 0)).toBe(0);
    expect(zoneOf(r, 10.5, 0.43)).toBe(2);
    expect(zoneOf(r, 10.5, 0.44)).toBe(0);
    expect(zoneOf(r, 10, 0.5)).toBe(2);
    expect(zoneOf(r, 9.61, 0.49)).toBe(1);
    expect(zoneOf(r, 9.59, 0)).toBe(0);
    expect(zoneOf(r, 9.8, -0.51)).toBe(0);
    const across: Reach = { ...r, fish: { xM: 10, yM: 0, headingRad: Math.PI / 2 } };
    expect(zoneOf(across, 10, 0.99)).toBe(2);
    expect(zoneOf(across, 10.4, 0.1)).toBe(2);
    expect(zoneOf(across, 10, -0.39)).toBe(1);
    expect(isWithin(across, { xM: 10, yM: -0.39 })).toBe(true);
    expect(isWithin(across, { xM: 10, yM: -0.41 })).toBe(false);
  });
  it('a splash by the fourth root of what falls, within its range', () => {
    const usual = reach().splash;
    expect(usual).toBeCloseTo(0.3, 12);
    expect(splashOf(0)).toBe(0.1);
    expect(reach({}, { landingDraws: true, landsMg: 100 }).splash).toBe(0);
  });
  it('what a dwell satisfies, of what a natural one does', () => {
    const r = reach();
    const share = (s: number) => normalCdf(Math.log(s / r.needS) / 0.4);
    expect(satisfied(r, 1, 2)).toBeCloseTo(share(1) / share(2), 12);
    expect(satisfied(r, 2, 1)).toBe(1);
    expect(satisfied(r, 0.05, 2)).toBeGreaterThan(0);
    expect(satisfied(r, 2, 0.04)).toBe(0);
  });
});

describe('free flies, in even water of a known pace', () => {
  const run = madeFlow(() => -0.35);
  const reach = reachOf(run, trout(), { fly: 'dry' });
  const map = freeMap(run, reach);
  const lands = placeIn(map, 11.4, 0);
  it('lies round the fish: 2.2 m ahead, .8 behind, 1.2 aside, in cells of .1', () => {
    expect(map.x0M).toBeCloseTo(10 - 0.8, 9);
    expect(map.nx).toBe(8 + 22 + 1);
    expect(map.y0M).toBeCloseTo(-1.2, 9);
    expect(map.ny).toBe(25);
    expect(placeAt(map, lands)).toEqual({ xM: expect.closeTo(11.4, 9), yM: expect.closeTo(0, 9) });
    for (const [x, y] of [
      [9.1, 0],
      [12.3, 0],
      [10, 1.3],
      [10, -1.3],
    ] as const)
      expect(placeIn(map, x, y)).toBe(-1);
    expect(placeIn(map, 12.1, 1.1)).toBeGreaterThan(-1);
    expect(placeIn(map, 9.3, -1.1)).toBeGreaterThan(-1);
  });
  it('comes within reach, stays, leaves: by pace and reach', () => {
    const into = (11.4 - (10 + reach.aheadM)) / reach.paceMps;
    expect(Math.abs(comesAt(map, lands)! - Math.max(0, into))).toBeLessThan(0.11);
    const stays = (Math.min(11.4, 10 + reach.aheadM) - (10 - reach.behindM)) / reach.paceMps;
    expect(Math.abs(dwellAt(map, lands, 8) - stays)).toBeLessThan(0.21);
    expect(dwellAt(map, lands, comesAt(map, lands)! + 0.5)).toBeCloseTo(0.5, 9);
    expect(comesAt(map, placeIn(map, 9.3, 0))).toBeNull();
    expect(shareAt(map, lands, 8)).toBeCloseTo(
      satisfied(reach, dwellAt(map, lands, 8), map.naturalS),
      12,
    );
  });
  it('drags within reach until it has left it', () => {
    const left = comesAt(map, lands)! + dwellAt(map, lands, 8);
    expect(dragsWithin(map, lands, left - 0.05)).toBe(true);
    expect(dragsWithin(map, lands, left + 0.05)).toBe(false);
    expect(dragsWithin(map, placeIn(map, 9.3, 0), 1)).toBe(false);
  });
  it('a table between its columns is the mean of them, at its ends the ends', () => {
    const aim = { xM: 11, yM: 0 };
    const table = lookTable(map, aim);
    expect(table.aim).toBe(aim);
    for (const [s, sigma] of [
      [1, 0.2],
      [3.5, 0.08],
      [0, 0.6],
      [8, 1.1],
    ] as const)
      for (const key of ['presented', 'drag', 'splash'] as const)
        expect(table.at(s, sigma)[key]).toBeCloseTo(lookAt(map, aim, s, sigma)[key], 9);
    const mid = (a: number, b: number) => (a + b) / 2;
    const at = (s: number, sigma: number) => lookAt(map, aim, s, sigma).presented;
    expect(table.at(3.15, 0.2).presented).toBeCloseTo(mid(at(2.8, 0.2), at(3.5, 0.2)), 9);
    expect(table.at(2.8, 0.24).presented).toBeCloseTo(mid(at(2.8, 0.2), at(2.8, 0.28)), 9);
    expect(table.at(99, 9)).toEqual(table.at(8, 1.1));
    expect(table.at(-1, 0)).toEqual(table.at(0, 0.08));
  });
  it('the chance of a shot reads the table at its clean seconds and at scatter and place together', () => {
    const table = lookTable(map, { xM: 11, yM: 0 });
    const f = facts({ crossMps: 4, scatter: { near: 1.5, far: 1.5, wind: 1 } });
    const sigma = landingSigmaM(8, 12, 4, f.scatter);
    const blur = Math.hypot(sigma, 0.15);
    expect(shotChance(table, f)).toEqual(
      chanceOf(table.at(3, blur), table.at(8, blur).presented, sigma, f),
    );
  });
  it('what drags at once looks at none, and all of it drags within reach', () => {
    const look = lookAt(map, { xM: 10.8, yM: 0 }, 0.01, 0.08);
    expect(look.presented).toBe(0);
    expect(look.drag).toBeCloseTo(1, 9);
    // On its nose the splash is whole, a metre off it is none.
    expect(lookAt(map, { xM: 10, yM: 0 }, 3, 1e-6).splash).toBeCloseTo(reach.splash, 6);
    expect(lookAt(map, { xM: 11.2, yM: 0 }, 3, 1e-6).splash).toBeLessThan(1e-5);
  });
  it('aims: the best of each drift, apart; the lead beside them where it lies apart, or alone', () => {
    const aims = aimsFor(map, 0.25, null);
    const value = (p: { xM: number; yM: number }) => {
      const look = lookAt(map, p, 1, 0.25);
      return withinCovers(look.presented, 1 - look.splash, 3);
    };
    for (let j = 0; j < map.ny; j += 2)
      for (let i = 0; i < map.nx; i += 2)
        if (map.wet[j * map.nx + i])
          expect(value(placeAt(map, j * map.nx + i))).toBeLessThanOrEqual(value(aims[0]!) + 1e-12);
    const lead = { xM: 30, yM: 0 };
    expect(aimsFor(map, 0.25, lead).includes(lead)).toBe(aims.length < 3);
    expect(aimsFor(map, 0.25, aims[0]!)).toEqual(aims);
    // Casts that scatter over ten metres: no place is worth aiming at.
    expect(aimsFor(map, 10, null)).toEqual([]);
    expect(aimsFor(map, 10, lead)).toEqual([lead]);
  });
});

describe('home, strike and score', () => {
  it('a mark falls to a share of its lie, by its half-time', () => {
    expect(markAtHome('likely', 120, false, 0.5)).toBeCloseTo(0.3 + 0.45 / 2, 12);
    expect(markAtHome('likely', 30, true, 0)).toBeCloseTo(0.75 / 4, 12);
    expect(markAtHome('maybe', 1e9, false, 1)).toBeCloseTo(0.45, 9);
    expect(markAtHome('sure', -5, true, 0)).toBe(0.95);
  });
  it('what is kept, how soon it is seen: by fly and kind', () => {
    expect(strikeKind('dry', 'brown', 20)).toEqual({ keepsS: 1, reactS: 0.35 });
    expect(strikeKind('dry', 'brook', 24.9)).toEqual({ keepsS: 0.7, reactS: 0.35 });
    expect(strikeKind('dry', 'brook', 25)).toEqual({ keepsS: 1, reactS: 0.35 });
    expect(strikeKind('sunk', 'brook', 20)).toEqual({ keepsS: 0.6, reactS: 0.35 });
    expect(strikeKind('indicator', 'brown', 20)).toEqual({ keepsS: 0.6, reactS: 0.45 });
    expect(strikeKind('dry', 'brown', 20, 0.2)).toMatchObject({ shift: 0.2 });
    expect(hookedIfTaken(0.65, { keepsS: 1, reactS: 0.35 })).toBeCloseTo(0.85 / 2, 9);
    expect(hookedIfTaken(-1, { keepsS: 1, reactS: 0.35 })).toBe(
      hookedIfTaken(0, { keepsS: 1, reactS: 0.35 }),
    );
    expect(tightFromSlackS(0)).toBe(0.02);
    expect(tightFromSlackS(1)).toBeCloseTo(0.26, 12);
  });
  it('the quantile is what the distribution inverts', () => {
    for (const share of [0.01, 0.1, 0.5, 0.9, 0.999])
      expect(normalCdf(normalQuantile(share))).toBeCloseTo(share, 9);
  });
  it('a score by hand: two tries of .2 and .8, one each, and one of each come true', () => {
    const said = [
      ...Array.from({ length: 10 }, (_, i) => ({ chance: 0.2, happened: i < 2 })),
      ...Array.from({ length: 10 }, (_, i) => ({ chance: 0.8, happened: i < 8 })),
    ];
    const score = scoreOf(said);
    expect(score.tries).toBe(20);
    expect(score.brier).toBeCloseTo(0.16, 12);
    expect(score.slope).toBeCloseTo(1, 6);
    expect(score.offset).toBeCloseTo(0, 6);
    expect(score.bins.map((b) => b.tries)).toEqual([4, 4, 4, 4, 4]);
    expect(score.bins[0]!.said).toBeCloseTo(0.2, 12);
    expect(score.bins[4]!.said).toBeCloseTo(0.8, 12);
    expect(score.bins[2]!.said).toBeCloseTo(0.5, 12);
    // Said too boldly by twice the logit: half the slope.
    const bold = scoreOf(said.map((s) => ({ ...s, chance: s.chance < 0.5 ? 1 / 17 : 16 / 17 })));
    expect(bold.slope).toBeCloseTo(0.5, 4);
    expect(scoreOf([])).toMatchObject({ tries: 0, brier: 0, slope: 1, offset: 0 });
    expect(scoreOf([{ chance: 1, happened: true }]).brier).toBe(0);
  });
});
