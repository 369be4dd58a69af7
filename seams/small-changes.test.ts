import 'fake-indexeddb/auto';
import { orderOfFish, USUAL_ANGLER } from '../core/cast/index';
import { CHANCE, chanceOf, coverOf, withinCovers, type CastFacts } from '../core/chance/index';
import { DOUBT, quickRead, type QuickAnswers } from '../core/lies/index';
import { POCKETS } from '../core/lies/fixtures/beats';
import { DEFAULT_SETTINGS, NO_PRIORS } from '../core/log/index';
import { homeOfMark, packBeat, watchersOf, type PackOrder } from '../core/outing/index';
import { DEFAULT_RIG } from '../core/rig/index';
import { createScene } from '../core/sight/index';
import { plan as evenPlan, overcast, stream } from '../core/stalk/fixtures/streams';
import { homeOf } from '../outing/next-thing';
import { keepBank, keepFeedRow, loadBank, openBankDb } from '../sync/bank-store';
import { kept } from '../testing/kept';
import { answered } from '../workspace/fixtures/answered';
import { stateWith } from '../workspace/fixtures/state';
import { benchQuestion } from '../workspace/steps/bench/questions';
import { flow, lies, mark, NOW, settings } from './fixtures/pockets';

/** Small changes of one thing that the checks of each room once let live: each is worked out here by hand. */
/** Seen half an hour ago, and not for certain. */
const known = mark('known', 11.5, { surety: 'likely', seenMs: NOW - 1_800_000 });
const order = (homeOffset: number): PackOrder => ({
  beatId: 'b',
  streamName: 'Thrum',
  planHash: 'p',
  plan: POCKETS,
  flow,
  level: POCKETS.surveyedLevel,
  marks: [known],
  settings,
  homeOffset,
  water: { tempC: 12, source: 'read' },
  nowMs: NOW,
});
const packed = (homeOffset: number) =>
  kept('outing', ['pack', order(homeOffset)], () => packBeat(order(homeOffset)));

it('a lie that may look on weighs three tenths of its rating', () => {
  const [fish, ...others] = watchersOf([mark('m', 11.5)], null, lies.lies, 25);
  expect(fish!.weight).toBeUndefined();
  expect(others.length).toBeGreaterThan(0);
  for (const o of others) {
    const lie = lies.lies.find((l) => l.id === o.id)!;
    expect(o.weight).toBeCloseTo((0.3 * lie.rating) / 100, 12);
  }
});

it('a marked fish of a pack is home by how it was seen, not for certain', () => {
  const { snapshot, shot } = packed(0).targets.find((t) => t.markId === 'known')!;
  const home = homeOfMark(known, packed(0).targets as never, NOW);
  expect(home).toBeLessThan(0.95);
  expect(snapshot.predicted.chance!.parts.home).toBeGreaterThan(0.2);
  expect(snapshot.predicted.chance!.parts.home).toBeLessThan(0.95);
  // Three covers, by hand.
  const { parts, value } = snapshot.predicted.chance!;
  const three = withinCovers(shot!.cover.look, shot!.cover.undisturbed, 3);
  expect(value).toBeCloseTo(parts.home! * parts.calm! * CHANCE.leftOut * three, 9);
});

it('a pack rates by the water’s own constant, and says so', () => {
  const [plain, better] = [packed(0), packed(1.2)];
  const best = (p: typeof plain) => Math.max(...p.targets.map((t) => t.rating ?? 0));
  expect(best(better)).toBeGreaterThan(best(plain) + 3);
  expect(better.targets[0]!.snapshot.rated.homeOffset).toBe(1.2);
});

it('a splash leaves less of the fish’s peace', () => {
  const facts: CastFacts = {
    home: 1,
    calmWay: 1,
    exposure: 0.1,
    tauS: 10,
    distanceToFishM: 8,
    distanceM: 8,
    sureM: 10,
    crossMps: 0,
    placeM: 0.2,
    cleanS: 3,
    lined: 0,
    strike: { kind: 'trout', tightS: 0.5 } as never,
  };
  const at = (splash: number) =>
    coverOf(chanceOf({ presented: 0.5, splash, drag: 0 }, 0.6, 0.3, facts)).undisturbed;
  expect(at(0.2) / at(0)).toBeCloseTo(0.8, 12);
});

it('a fish that nobody rated is home as often as not', () => {
  expect(homeOf({ rating: null } as never)).toBe(0.5);
  expect(homeOf({ rating: 70 } as never)).toBe(0.7);
});

it('the order goes by what each fish is worth', () => {
  const scene = createScene(evenPlan(), stream(0.4, 0.6));
  const fish = [
    mark('lower', 11, { yM: 0, headingRad: 0 }),
    mark('upper', 12.2, { yM: 0, headingRad: 0 }),
  ];
  const how = {
    from: { xM: 2, yM: -6 },
    to: { xM: 5, yM: -5 },
    endPosture: 'kneel' as const,
    fish,
    angler: { heightM: 1.75, massKg: 75, maxWadeM: 0.9 },
    conditions: overcast,
    via: [],
  };
  const first = (worth: Record<string, number>) => {
    const asked = { angler: USUAL_ANGLER, fly: 'dry' as const, rig: DEFAULT_RIG, worth };
    const { order: o } = orderOfFish(scene, fish, how, asked);
    return fish[o[0]!]!.id;
  };
  expect([first({ lower: 30, upper: 1 }), first({ lower: 1, upper: 30 })]).toEqual([
    'lower',
    'upper',
  ]);
});

it('a quick read’s band holds what depth and pace may be, both of them', () => {
  const told: QuickAnswers = {
    species: 'brown',
    forkLengthCm: 24,
    waterTempC: 11,
    depthM: 0.5,
    surfacePaceMps: 0.6,
    edge: 'none',
    cover: 'none',
    coverDistanceM: 1,
    bottom: 'gravel',
    foam: false,
    colour: 'clear',
    shaded: false,
  };
  const read = (more: Partial<QuickAnswers>) => {
    const r = quickRead({ ...told, ...more });
    if (!r.ok) throw new Error(r.problems.join());
    return r;
  };
  const corners = [-1, 1].flatMap((d) =>
    [-1, 1].map(
      (p) =>
        read({
          depthM: told.depthM * (1 + d * DOUBT.depthShare),
          surfacePaceMps: told.surfacePaceMps * (1 + p * DOUBT.paceShare),
        }).rating,
    ),
  );
  const { band, rating } = read({});
  expect(band).toEqual({ low: Math.min(rating, ...corners), high: Math.max(rating, ...corners) });
  // At this pace it is the pace that is doubted most.
  const byDepth = [-1, 1].map(
    (d) => read({ depthM: told.depthM * (1 + d * DOUBT.depthShare) }).rating,
  );
  expect(band.high - band.low).toBeGreaterThan(Math.max(...byDepth) - Math.min(...byDepth));
});

it('the Bench begins from what the record says of sinking', () => {
  const priors = { ...NO_PRIORS, sink: { lnM: 0.2, spread: 0.08 }, untilMs: NOW };
  const state = (told: typeof NO_PRIORS) =>
    stateWith({
      settings: { ...DEFAULT_SETTINGS, priors: told },
      flow,
      marks: [mark('m1', 11.5)],
      markId: 'm1',
      ...answered({ lies }),
    });
  expect(benchQuestion(POCKETS, state(priors))!.before).toMatchObject({ lnM: 0.2, spread: 0.08 });
  expect(benchQuestion(POCKETS, state(NO_PRIORS))!.before).toBeUndefined();
});

it('a book that was had anew keeps none of the rows that the feed had told of the one before', async () => {
  const db = await openBankDb('small-changes');
  const bank = (end: number) => ({ bank: { end } as never, fetchedMs: 1 });
  const row = (seq: number) => ({
    seq,
    mark: `m${seq}`,
    change: { kind: 'reading-dropped', id: 'r' },
  });
  await keepBank(db, bank(3));
  for (const seq of [4, 5, 6]) await keepFeedRow(db, row(seq) as never);
  await keepBank(db, bank(5));
  expect((await loadBank(db)).feed.map((f) => f.seq)).toEqual([6]);
  await keepBank(db, bank(2), { goesOn: false });
  expect((await loadBank(db)).feed).toEqual([]);
  db.close();
});
