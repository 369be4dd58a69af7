import { DEFAULT_RIG } from '../rig/index';
import { madeFlow } from '../water/fixtures/waters';
import { createScene, type Fish } from '../sight/index';
import { bank, plan, stream } from '../stalk/fixtures/streams';
import type { BeatFeature, BeatPlan } from '../formats/index';
import type { FlowField } from '../water/index';
import {
  createShotSearch,
  SEARCHED_LAYS,
  findShots,
  laneThrough,
  leadFor,
  landingFor,
  shotsInput,
  usefulDriftM,
  type ShotsFound,
  type ShotsQuestion,
} from './index';
import { keptShots } from '../../testing/solved';

/** A tongue down the middle and a soft edge by the far bank, where the fish lies. */
function tongueStream(side: 1 | -1 = 1): FlowField {
  const flow = stream(0.35, 0.5);
  for (let k = 0; k < flow.depthM.length; k++) {
    const y = flow.y0M + Math.floor(k / flow.nx) * flow.cellM;
    if (flow.depthM[k]! <= 0) continue;
    flow.u[k] = -(0.3 + 0.4 / (1 + Math.exp((side * y - 1.2) / 0.25)));
    if (side * y < -3) flow.depthM[k] = 0.25;
  }
  return flow;
}
const trout = (side: 1 | -1 = 1): Fish => ({
  id: 'one',
  xM: 12,
  yM: 2.4 * side,
  fishDepthM: 0.3,
  headingRad: 0,
  totalLengthCm: 28,
  surety: 'sure',
});
const entry = (side: 1 | -1): BeatFeature => ({
  kind: 'entry',
  note: '',
  shape: { type: 'Point', place: { xM: 1, yM: -7 * side } },
});
const beat = (side: 1 | -1 = 1, ...more: BeatFeature[]): BeatPlan => plan(entry(side), ...more);
const ask = (q: Partial<ShotsQuestion> = {}, side: 1 | -1 = 1) =>
  keptShots(beat(side), tongueStream(side), {
    rig: DEFAULT_RIG,
    target: trout(side),
    standStepM: 1,
    ...q,
  });
const found = (q: Partial<ShotsQuestion> = {}, side: 1 | -1 = 1): ShotsFound => {
  const r = ask(q, side);
  if (r.kind !== 'shots') throw new Error(r.reason);
  return r;
};

describe('a handful of shots', () => {
  const r = found();
  it('is ranked, truly different, and each says what speaks for and against it', () => {
    expect(r.shots.length).toBeGreaterThanOrEqual(3);
    for (let i = 1; i < r.shots.length; i++)
      expect(r.shots[i]!.order).toBeLessThanOrEqual(r.shots[i - 1]!.order);
    for (const a of r.shots) {
      expect(a.for.length + a.against.length).toBeGreaterThan(0);
      for (const share of Object.values(a.chance.parts)) {
        expect(share).toBeGreaterThanOrEqual(0);
        expect(share).toBeLessThanOrEqual(1);
      }
      // None that drags at once, none with no chance worth the name.
      expect(a.chance.value).toBeGreaterThanOrEqual(0.1);
      expect(a.facts.dwellS).toBeGreaterThan(0.5);
      expect(a.chance.low).toBeLessThanOrEqual(a.chance.found);
      expect(a.chance.found).toBeLessThanOrEqual(a.chance.high);
      const alike = r.shots.filter(
        (b) =>
          b !== a &&
          b.lay.kind === a.lay.kind &&
          Math.hypot(a.stand.xM - b.stand.xM, a.stand.yM - b.stand.yM) < 3,
      );
      expect(alike).toHaveLength(0);
      expect(a.cleanS.low).toBeLessThanOrEqual(a.cleanS.best);
      expect(a.cleanS.best).toBeLessThanOrEqual(a.cleanS.high);
    }
  });
  it('stands on land or where wading is allowed, off straight below and above, within reach', () => {
    for (const s of r.shots) {
      expect(s.facts.distanceM).toBeLessThanOrEqual(13.2);
      if (s.lay.kind !== 'high-stick' && s.lay.kind !== 'bow-and-arrow')
        expect(Math.min(s.facts.angleRad, Math.PI - s.facts.angleRad)).toBeGreaterThanOrEqual(0.26);
    }
  });
  it('says why the obvious loses: across the tongue the line is taken within a second', () => {
    const near = r.alternatives.find((l) => l.what === 'near-bank')!;
    expect(near.value).toBeLessThan(r.shots[0]!.chance.value);
    expect(near.cleanS).toBeLessThan(1);
    expect(near.because.what).toBe('clean');
    expect(near.dragReason).toMatchObject({ what: 'tongue-between' });
  });
  it('leads by reaction and splash, and lifts past the window', () => {
    const { lead } = r;
    expect(lead.leadM).toBeCloseTo(lead.driftBackM + lead.reactionM + lead.splashM, 1);
    // Hughes & Dill 1990: 12 x 5 mm x (1 - e^(-.2 FL)).
    expect(lead.reactionM).toBeCloseTo(0.6, 1);
    expect(lead.liftPastM).toBeGreaterThan(1.1345 * 0.3);
    // The fly is put down up-current of the fish, and within a metre of that lead.
    expect(r.landing.xM).toBeGreaterThan(12);
    expect(Math.abs(r.landing.xM - 12 - lead.leadM)).toBeLessThan(1);
  });
  it('is the same every time, and mirrored on the mirrored stream', () => {
    expect(
      findShots(beat(), tongueStream(), { rig: DEFAULT_RIG, target: trout(), standStepM: 1 }),
    ).toEqual(r);
    const turned = found({}, -1);
    // A line that is fed out turns on the last digit: its chance may differ by a few points, not its place.
    const at = (list: typeof r.shots, side: number) =>
      list.map((s) => `${s.lay.kind} ${s.stand.xM} ${(side * s.stand.yM).toFixed(6)}`).sort();
    expect(at(turned.shots, -1)).toEqual(at(r.shots, 1));
    const best = turned.shots[0]!;
    expect(best.lay).toEqual(r.shots[0]!.lay);
    expect(best.chance.value).toBeCloseTo(r.shots[0]!.chance.value, 6);
  });
});

describe('pin, exclude and wish', () => {
  const best = found().shots[0]!;
  it('keeps a lay, or a stand', () => {
    for (const s of found({ pin: { lay: 'pile' } }).shots) expect(s.lay.kind).toBe('pile');
    for (const s of found({ pin: { stand: best.stand } }).shots)
      expect(Math.hypot(s.stand.xM - best.stand.xM, s.stand.yM - best.stand.yM)).toBeLessThan(0.8);
  });
  it('leaves out a lay, and a spot', () => {
    const without = found({ exclude: { lays: [best.lay.kind], spots: [best.stand] } });
    for (const s of without.shots) {
      expect(s.lay.kind).not.toBe(best.lay.kind);
      expect(Math.hypot(s.stand.xM - best.stand.xM, s.stand.yM - best.stand.yM)).toBeGreaterThan(
        1.49,
      );
    }
  });
  it('a wish orders the shots and leaves their chance what it is', () => {
    const plain = found({ wading: 'for-the-angle' }).shots;
    const near = found({ wading: 'for-the-angle', wishes: { nearer: true } }).shots;
    const mean = (list: typeof plain) =>
      list.slice(0, 2).reduce((sum, x) => sum + x.facts.distanceM, 0) / 2;
    expect(mean(near)).toBeLessThanOrEqual(mean(plain));
    for (const w of near) {
      const same = plain.find(
        (p) => p.stand.xM === w.stand.xM && p.stand.yM === w.stand.yM && p.lay.kind === w.lay.kind,
      );
      if (same && same.landing.xM === w.landing.xM)
        expect(w.chance.value).toBeCloseTo(same.chance.value, 9);
    }
    for (const w of found({ wishes: { dryFeet: true } }).shots) expect(w.facts.wade).toBe(0);
  });
  it('from below or above, as the school says', () => {
    for (const [castFrom, below] of [
      ['below', true],
      ['above', false],
    ] as const)
      expect(found({ castFrom }).shots[0]!.facts.angleRad < Math.PI / 2 + 0.05).toBe(below);
  });
});

it('a fly pinned where it never comes within reach has no chance, and that is said instead of a handful', () => {
  for (const landing of [
    { xM: 13, yM: 0 },
    { xM: 10, yM: 2.4 },
  ]) {
    const off = ask({ landing });
    expect(off).toMatchObject({ kind: 'no shots', reason: 'no-look' });
    if (off.kind !== 'no shots') throw new Error('nothing can be found here');
    expect(off.best!.value).toBeLessThan(0.1);
    for (const help of off.wouldHelp!) expect(help.value).toBeGreaterThan(off.best!.value);
  }
});

describe('no shots is an answer with its reason', () => {
  it('a fish on land, a fly that lands on land, no lay left, no way in', () => {
    expect(ask({ target: { ...trout(), yM: 8 } })).toMatchObject({ reason: 'fish-on-land' });
    expect(ask({ landing: { xM: 13, yM: 6 } })).toMatchObject({ reason: 'landing-on-land' });
    expect(ask({ lays: [] })).toMatchObject({ kind: 'no shots', reason: 'no-lay' });
    const nowhere = { from: { xM: -500, yM: 0 } };
    expect(ask(nowhere)).toMatchObject({ reason: 'no-start' });
  });
  it('everything taken out: no stand', () => {
    const spots = Array.from({ length: 30 }, (_, i) =>
      [-7, -5, -3, -1, 1, 3, 5, 7].map((y) => ({ xM: i, yM: y })),
    ).flat();
    expect(ask({ exclude: { spots } })).toMatchObject({ reason: 'no-stand' });
  });
});

it('gives way, tells its progress, and a search let go does nothing more', () => {
  const scene = createScene(beat(), tongueStream());
  const search = createShotSearch(scene, { rig: DEFAULT_RIG, target: trout(), standStepM: 1 });
  const seen: number[] = [];
  let turns = 0;
  while (!search.advance(2)) {
    seen.push(search.progress);
    if (++turns > 10_000) throw new Error('never ends');
  }
  expect(seen.length).toBeGreaterThan(3);
  for (let i = 1; i < seen.length; i++) expect(seen[i]).toBeGreaterThanOrEqual(seen[i - 1]!);
  const dropped = createShotSearch(scene, { rig: DEFAULT_RIG, target: trout(), standStepM: 1 });
  dropped.advance(1);
  expect(() => dropped.result()).toThrow('advance() has not finished');
  // Let go, it stands where it was left: nothing runs by itself.
  const left = dropped.progress;
  const others = createShotSearch(scene, { rig: DEFAULT_RIG, target: trout(), standStepM: 1 });
  while (!others.advance(50));
  expect(dropped.progress).toBe(left);
  expect(left).toBeLessThan(1);
});

it('other fish: a stand that lays line over one is marked down, and it is said', () => {
  const other: Fish = { ...trout(), id: 'two', xM: 13.5, yM: -1 };
  const alone = found().shots[0]!;
  // The very same cast, now with a fish under its line.
  const pin = { stand: alone.stand, lay: alone.lay.kind };
  const { landing } = alone;
  const before = found({ pin, landing }).shots[0]!;
  const under = {
    ...other,
    // Half of the reach up-current: the line lies there.
    xM: (before.stand.xM + before.landing.xM) / 2 + 0.8,
    yM: (before.stand.yM + before.landing.yM) / 2,
  };
  const after = found({ pin, landing, others: [under] }).shots.find(
    (s) =>
      s.stand.xM === before.stand.xM &&
      s.stand.yM === before.stand.yM &&
      s.landing.xM === before.landing.xM &&
      s.landing.yM === before.landing.yM &&
      JSON.stringify(s.lay) === JSON.stringify(before.lay),
  )!;
  expect(before.facts.othersLiningM).toBe(Infinity);
  expect(after.facts.othersLiningM).toBeLessThan(0.6);
  expect(after.order).toBeLessThan(before.order);
  // Only the way there may differ: it keeps from the other too.
  const { calm: _, ...shotAlone } = before.chance.parts;
  expect(after.chance.parts).toMatchObject(shotAlone);
});

describe('the lane and what is useful of a drift', () => {
  const flow = madeFlow(() => -0.5);
  const fish = { xM: 10, yM: 0 };
  it('runs through the fish, timed by the surface pace', () => {
    const lane = laneThrough(flow, fish, 3, 2);
    expect(lane.alongM[lane.at]).toBe(0);
    expect(lane.alongM[0]).toBeCloseTo(-3, 1);
    expect(lane.timeS[0]!).toBeLessThan(-3 / 0.7);
    const land = landingFor(flow, fish, 1.5);
    expect(land.xM).toBeCloseTo(11.5, 1);
  });
  it('is capped a metre past the fish, and nothing where the fly drags at once', () => {
    const lane = laneThrough(flow, fish, 3, 2);
    expect(usefulDriftM(lane, -1.5, 100)).toBeCloseTo(2.5, 6);
    expect(usefulDriftM(lane, -1.5, 0)).toBeCloseTo(0, 6);
    const some = usefulDriftM(lane, -1.5, 1);
    expect(some).toBeGreaterThan(0.5);
    expect(some).toBeLessThan(0.7);
  });
  it('a riser that drops back wants so much more lead', () => {
    const f = trout();
    const still = leadFor(tongueStream(), f);
    const rising = leadFor(tongueStream(), f, { driftBackM: 0.8 });
    expect(rising.leadM - still.leadM).toBeCloseTo(0.8, 1);
    expect(rising.secondsToFish).toBeGreaterThan(still.secondsToFish);
  });
});

it('what was not said has a default, and banks without an entry are entered at the foot of the left one', () => {
  const bare: BeatPlan = { ...plan(), features: [bank('left', -4), bank('right', 4)] };
  const input = shotsInput(bare, { rig: DEFAULT_RIG, target: trout() });
  expect(input.from).toEqual([{ xM: 0, yM: -6 }]);
  expect(input.angler.rodM).toBe(2.4);
  expect(input.lays.length).toBe(SEARCHED_LAYS.length);
});
