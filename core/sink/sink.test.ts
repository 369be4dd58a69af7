import { castTip, simulateDrift } from '../cast/index';
import { DEFAULT_RIG, mmOfX, rigFrom, USUAL_BOX, usualRig } from '../rig/index';
import { madeFlow } from '../water/fixtures/waters';
import { surfaceFactor } from '../water/index';
import {
  evenFallLeadM,
  fallenByInertia,
  levelHung,
  levelRig,
  settledByShooting,
} from './fixtures/by-force';
import {
  aimClearanceM,
  downLadder,
  dropperWater,
  evenLane,
  hungRig,
  leadForDepthM,
  passing,
  reaches,
  scatterM,
  sinkLane,
  sinkPath,
  sunk,
  sunkAtFish,
  ticksOf,
  touchesPerM,
  upLadder,
  withShot,
  type HungRig,
} from './index';
import type { SinkStart } from '../rig/index';
import { kept } from '../../testing/kept';

const D84 = 0.05;
const lane = (h: number, us: number, d84 = D84) => evenLane(h, us, d84, -12, 12);
const deep = (r: HungRig, h: number, us: number, leadM: number, start: SinkStart) =>
  sunkAtFish({ lane: lane(h, us), rig: r, start }, leadM, 0.05).depthM[0]!;

it('the drift is what it was, to a hundred thousandth of a second, whatever way its tensions are found', () => {
  const factor = surfaceFactor(0.5, 0.05);
  const tongue = madeFlow((_x, y) => -(0.4 + 0.4 / (1 + Math.exp((y - 3.2) / 0.25))) / factor);
  const stand = { xM: -2, yM: -2.3 };
  const landing = { xM: 0.8, yM: 4.2 };
  const cleanS = (
    [
      { kind: 'straight' },
      { kind: 'reach', toward: 'up-current', amountM: 1.5 },
      { kind: 'feed' },
    ] as const
  ).map((lay) => {
    const tip = castTip(stand, landing, 2.4, lay.kind);
    return simulateDrift(tongue, { rig: DEFAULT_RIG, tip, stand, landing, lay, seconds: 6 }).cleanS;
  });
  [0.351986283919026, 0.578679429903817, 1.1515434220252252].forEach((was, n) =>
    expect(cleanS[n]).toBeCloseTo(was, 5),
  );
});

describe('hung under a float', () => {
  // Study, fine integration: depth, behind, float's pace, load mN.
  const cases = [
    ['nymph-14-t28', 0.5, 0.8896, 0.1336, 0.4596],
    ['nymph-14-t28', 1, 0.8443, 0.3053, 0.9229],
    ['nymph-18-t2', 0.5, 0.8523, 0.2812, 0.4643],
  ] as const;
  it.each(cases)(
    '%s at %s m/s settles as reckoned two other ways',
    (fly, us, depth, behind, pace) => {
      const rig = { ...levelHung(fly, 5, 0.9), topDragNsPerM: 0.004 };
      const path = sinkPath({
        lane: evenLane(1.2, us, D84, -8, 30),
        rig,
        start: 'tucked',
        landingM: -5,
        seconds: 20,
      });
      const i = path.t.length - 1;
      const own = {
        depthM: path.depthM[0]![i]!,
        behindM: path.topM[i]! - path.alongM[0]![i]!,
        paceMps: (path.topM[i]! - path.topM[i - 20]!) / (path.t[i]! - path.t[i - 20]!),
      };
      expect(path.status).toBe('ok');
      expect(Math.abs(own.depthM - depth)).toBeLessThan(0.006);
      expect(Math.abs(own.behindM - behind)).toBeLessThan(0.01);
      expect(Math.abs(own.paceMps - pace)).toBeLessThan(0.005);
      const asked = [
        rig.loads[0]!.shape,
        mmOfX(5),
        0.9,
        { hM: 1.2, surfaceMps: us, d84M: D84 },
        { radiusM: 0.007, linNsPerM: 0.004 },
      ] as const;
      const other = kept('sink', ['by shooting', asked], () => settledByShooting(...asked));
      expect(Math.abs(own.depthM - other.depthM)).toBeLessThan(0.006);
      expect(Math.abs(own.behindM - other.behindM)).toBeLessThan(0.012);
      expect(Math.abs(own.paceMps - other.paceMps)).toBeLessThan(0.006);
      expect(Math.abs(path.loadN[i]! - other.loadN)).toBeLessThan(1e-4);
    },
  );

  it('in water that is alike at every depth it hangs straight down and keeps pace', () => {
    const rig = levelHung('nymph-14-t28', 5, 0.8);
    const even = evenLane(1, 0.4, 0.05, -8, 12);
    even.fit.fill(0);
    even.meanMps.fill(0.4);
    const path = sinkPath({ lane: even, rig, start: 'tucked', landingM: -6, seconds: 12 });
    const i = path.t.length - 1;
    expect(path.depthM[0]![i]).toBeCloseTo(0.8, 3);
    expect(path.topM[i]! - path.alongM[0]![i]!).toBeCloseTo(0, 2);
  });
});

describe('bare flies', () => {
  it.each([
    ['nymph-14-t28', 0.6, 0.5],
    ['nymph-14-b28', 0.6, 1],
    ['nymph-10-t38', 1, 0.5],
  ] as const)('tucked %s in %s m at %s m/s falls as masses with inertia do', (fly, h, us) => {
    const rig = levelHung(fly, 5, null, 2.7);
    const path = sinkPath({
      lane: evenLane(h, us, D84, -1, 20),
      rig,
      start: 'tucked',
      landingM: 0,
    });
    const own = reaches(path, 0.85 * h)!;
    const water = { hM: h, surfaceMps: us, d84M: D84 };
    const other = kept('sink', ['by inertia', rig, water], () =>
      fallenByInertia(rig, water, 0.85 * h),
    )!;
    // The start from rest, some .045 s, is left out: the throw cancels it.
    expect(Math.abs(own.atS + 0.045 - other.atS) / other.atS).toBeLessThan(0.05);
    expect(Math.abs(own.alongM + 0.045 * us - other.alongM) / other.alongM).toBeLessThan(0.08);
  });

  it('an even fall in a logarithmic profile: the closed form of the page', () => {
    const lead = (...a: Parameters<typeof evenFallLeadM>) => evenFallLeadM(...a);
    expect(lead(0.4, 0.6, 0.05, 0.5, 0.1)).toBeCloseTo(0.43418, 5);
    expect(lead(0.4, 0.6, 0.13, 0.5, 0.1)).toBeCloseTo(0.44068, 5);
    expect(lead(0.8, 0.9, 0.13, 0.4, 0.15)).toBeCloseTo(1.64173, 5);
    expect(lead(0.25, 0.3, 0.05, 0.35, 0.05)).toBeCloseTo(0.19589, 5);
  });

  it('the ladder of the study: depth as it passes the fish', () => {
    const at = (fly: string, x: number, leadM: number, start: SinkStart = 'up-current') =>
      deep(levelHung(fly, x, null, 2.7), 0.8, 0.5, leadM, start);
    const told = [
      [at('nymph-14-b28', 5, 0.8), 0.42],
      [at('nymph-14-b28', 5, 0.8, 'tucked'), 0.65],
      [at('nymph-14-b28', 5, 1.05), 0.54],
      [at('nymph-14-b28', 5, 1.3), 0.66],
      [at('nymph-14-t28', 5, 0.8), 0.62],
      [at('nymph-12-t33', 5, 0.8), 0.79],
      [at('nymph-14-b28', 7, 0.8), 0.45],
    ] as const;
    for (const [own, theirs] of told) expect(Math.abs(own - theirs)).toBeLessThan(0.025);
  });

  it('spacing and step halved move the lead little', () => {
    const rig = levelHung('nymph-14-t28', 5, null, 2.7);
    const moved = ([0.3, 0.6, 1] as const).flatMap((h) =>
      ([0.15, 0.5, 1] as const).map((us) => {
        const to = (fine: boolean) =>
          reaches(
            sinkPath({
              lane: evenLane(h, us, D84, -1, 20),
              rig,
              start: 'tucked',
              landingM: 0,
              fine,
            }),
            0.8 * h,
          )!.alongM;
        return (to(false) - to(true)) / to(true);
      }),
    );
    expect(Math.sqrt(moved.reduce((a, m) => a + m * m, 0) / moved.length)).toBeLessThan(0.03);
  });
});

it('what must hold: heavier sooner, finer no later, tucked before laid, slower water a shorter lead', () => {
  const lead = (fly: string, x: number, h: number, us: number, start: SinkStart = 'tucked') =>
    leadForDepthM({ lane: lane(h, us), rig: levelHung(fly, x, null, 2.7), start }, 0.8 * h)!;
  for (const [h, us] of [
    [0.4, 0.3],
    [0.8, 0.6],
    [1.2, 0.9],
  ] as const) {
    const usual = lead('nymph-14-t28', 5, h, us);
    expect(lead('nymph-12-t33', 5, h, us)).toBeLessThan(usual);
    expect(lead('nymph-14-b28', 5, h, us)).toBeGreaterThan(usual);
    expect(lead('nymph-14-t28', 7, h, us)).toBeLessThan(usual * 1.01 + 0.02);
    expect(lead('nymph-14-t28', 5, h, us, 'up-current')).toBeGreaterThan(usual);
    expect(lead('nymph-14-t28', 5, h, 0.8 * us)).toBeLessThan(usual);
    expect(lead('nymph-14-t28', 5, 1.2 * h, us)).toBeGreaterThan(usual);
  }
});

it('under a float: never deeper than it hangs, higher and farther behind in quicker water, no higher with shot or longer', () => {
  const settled = (us: number, H: number, shotMg = 0) => {
    const plan = withShot(levelRig('nymph-18-t2', 5, H), shotMg);
    const rig = hungRig(plan, USUAL_BOX)!;
    const path = sinkPath({
      lane: evenLane(1.4, us, D84, -8, 20),
      rig,
      start: 'tucked',
      landingM: -7,
      seconds: 14,
    });
    return { depth: path.depthM[0]!.at(-1)!, behind: path.topM.at(-1)! - path.alongM[0]!.at(-1)! };
  };
  let before = { depth: 0.9, behind: 0 };
  for (const us of [0.3, 0.6, 0.9]) {
    const now = settled(us, 0.9);
    expect(now.depth).toBeLessThanOrEqual(before.depth + 1e-3);
    expect(now.behind).toBeGreaterThan(before.behind);
    expect(settled(us, 0.9, 200).depth).toBeGreaterThan(now.depth - 0.005);
    expect(settled(us, 1.05).depth).toBeGreaterThan(now.depth - 0.005);
    before = now;
  }
});

it("ticks: Rice on a rough bed, the page's three metres, and what a drift aims at", () => {
  expect(touchesPerM(0.052, 0.13)).toBeCloseTo(1.485, 3);
  const three = (c: number, d84: number) => 3 * touchesPerM(c, d84);
  expect(three(0.03, 0.05)).toBeCloseTo(6.2, 1);
  expect(three(0.06, 0.05)).toBeCloseTo(0.21, 2);
  expect(three(0.06, 0.13)).toBeCloseTo(3.8, 1);
  expect(three(0.1, 0.13)).toBeCloseTo(1.2, 1);
  const aims = [0.05, 0.1, 0.13, 0.2].map(aimClearanceM);
  [0.06, 0.11, 0.13, 0.19].forEach((c, i) => expect(Math.abs(aims[i]! - c)).toBeLessThan(0.008));
});

it('eddies scatter a drift from the next as the page has it', () => {
  const share = (U: number, h: number, d84: number, w: number) =>
    scatterM(U, h, d84, (0.85 * h) / w) / (0.85 * h);
  const told = [
    [share(0.25, 0.6, 0.05, 0.3), 0.07],
    [share(0.42, 0.6, 0.13, 0.3), 0.14],
    [share(0.42, 0.6, 0.13, 0.5), 0.09],
    [share(0.9, 0.35, 0.2, 0.3), 0.43],
  ] as const;
  for (const [own, theirs] of told) expect(Math.abs(own - theirs)).toBeLessThan(0.02);
});

it('a drift ticks the more the deeper it goes, and hangs the less often than it ticks', () => {
  const rig = levelHung('nymph-14-t28', 5, null, 2.7);
  let before = -1;
  for (const leadM of [0.3, 0.6, 1, 2]) {
    const l = lane(0.6, 0.5);
    const path = sinkPath({ lane: l, rig, start: 'tucked', landingM: -leadM, liftM: 0.5 });
    const t = ticksOf(path, l, { toM: 0.5 });
    expect(t.ticks).toBeGreaterThanOrEqual(before);
    expect(t.hangs).toBeLessThanOrEqual(t.ticks + 1e-9);
    expect(ticksOf(path, l, { toM: 0.5, bedShiftM: 0.1 }).ticks).toBeLessThanOrEqual(t.ticks);
    before = t.ticks;
  }
  expect(before).toBeGreaterThan(0.9);
});

it('water too slow for what hangs below a dry, and water it lies in', () => {
  const kind = (us: number, h: number, hung: number, wind = 0) =>
    dropperWater(lane(h, us), 0, hung, wind).kind;
  expect(kind(0.05, 0.6, 0.4)).toBe('too-slow');
  expect(kind(0.12, 0.6, 0.4)).toBe('slow');
  expect(kind(0.4, 0.6, 0.4)).toBe('well');
  expect(kind(0.13, 0.6, 0.4, 6)).toBe('too-slow');
  expect(kind(0.4, 0.42, 0.4)).toBe('lies-on-bed');
});

describe('a ladder', () => {
  const ask = (over: Partial<Parameters<typeof downLadder>[0]> = {}) => ({
    plan: levelRig('nymph-14-b28', 5, null, 2.7),
    tackle: { box: USUAL_BOX },
    lane: lane(0.8, 0.5),
    start: 'up-current' as SinkStart,
    leadM: 0.8,
    wantedM: 0.62,
    multiplier: 1,
    ...over,
  });
  it('not getting down: in order, each with its number, and each is what it says', () => {
    const rungs = downLadder(ask());
    expect(rungs.map((r) => r.kind)).toEqual(['tuck', 'lead', 'fly', 'shot']);
    const lead = rungs.find((r) => r.kind === 'lead')!;
    expect(
      deep(levelHung('nymph-14-b28', 5, null, 2.7), 0.8, 0.5, lead.leadM, 'up-current'),
    ).toBeCloseTo(lead.depthM, 6);
    expect(lead.enough).toBe(true);
    const fly = rungs.find((r) => r.kind === 'fly')!;
    expect(fly.fly.id).toBe('nymph-14-t28');
    expect(downLadder(ask({ leadM: 2 }))).toEqual([]);
  });
  it('longer to the float only once the old length had time to get down', () => {
    const plan = levelRig('nymph-14-t28', 5, 0.6);
    const l = evenLane(1.2, 0.4, D84, -12, 6);
    const kinds = (leadM: number) =>
      downLadder(ask({ plan, lane: l, start: 'tucked', leadM, wantedM: 1 })).map((r) => r.kind);
    expect(kinds(0.3)).not.toContain('float');
    expect(kinds(4)).toContain('float');
  });
  it('hanging up: the other way round, lightest change first', () => {
    const plan = withShot(levelRig('nymph-14-t28', 5, 0.9), 200);
    const l = evenLane(1.2, 0.4, D84, -12, 6);
    const rungs = upLadder(ask({ plan, lane: l, start: 'tucked', leadM: 4, wantedM: 0.6 }));
    expect(rungs.map((r) => r.kind)).toEqual(['shot', 'float', 'fly', 'lead']);
    for (const r of rungs) expect(r.depthM).toBeLessThan(0.95);
  });
  it('an empty box offers no other fly, and nothing sinks on a dry', () => {
    const one = USUAL_BOX.filter((f) => f.id === 'nymph-14-b28');
    expect(downLadder(ask({ tackle: { box: one } })).map((r) => r.kind)).not.toContain('fly');
    expect(downLadder(ask({ plan: usualRig('dry') }))).toEqual([]);
  });
});

it('the whole answer: band about the best, lead about its own, and on a solved lane', () => {
  const flow = madeFlow(() => -0.4);
  const l = sinkLane(flow, { xM: 0, yM: 4 }, 6, 3)!;
  const asked = {
    lane: l,
    plan: rigFrom('float'),
    tackle: { box: USUAL_BOX },
    start: 'tucked' as SinkStart,
    leadM: 1.5,
    fishDepthM: 0.4,
    pastM: 0.6,
    belief: { lnM: 0, lnMSpread: 0.25 },
  };
  const s = sunk(asked)!;
  expect(s.lowM).toBeLessThanOrEqual(s.depthM);
  expect(s.highM).toBeGreaterThanOrEqual(s.depthM - 1e-9);
  expect(s.best.depthM).toHaveLength(2);
  const sure = sunk({ ...asked, belief: { lnM: 0, lnMSpread: 0.08 } })!;
  expect(sure.highM - sure.lowM).toBeLessThanOrEqual(s.highM - s.lowM);
  expect(sunk({ ...asked, plan: usualRig('dry') })).toBeNull();
  expect(passing(s.best.path, 0)!.atS).toBeGreaterThan(0);
});
