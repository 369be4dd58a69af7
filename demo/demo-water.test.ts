import { createScene, exposureAt, fishView, sightRing, type Fish } from '../core/sight/index';
import { planStalk } from '../core/stalk/index';
import { rateLies, type LieField } from '../core/lies/index';
import { featuresOf, readBeat, writeBeat, type BeatPlan, type Shape } from '../core/formats/index';
import {
  createFlowRun,
  decodeFlow,
  encodeFlow,
  sampleFlow,
  traceStreamline,
  type FlowField,
} from '../core/water/index';
import { firstBeat } from './first-beat';
import { keptFlow, keptLies } from '../testing/solved';

/** One solve of the demo's reach and one of its mirror image: the links of the chain on real water. */
const plan = firstBeat();
const mirrorPlace = ({ xM, yM }: { xM: number; yM: number }) => ({ xM, yM: -yM });
function mirror(p: BeatPlan): BeatPlan {
  const turn = (shape: Shape): Shape => {
    if (shape.type === 'Point') return { type: 'Point', place: mirrorPlace(shape.place) };
    if (shape.type === 'LineString')
      return { type: 'LineString', line: shape.line.map(mirrorPlace) };
    return { type: 'Polygon', ring: shape.ring.map(mirrorPlace) };
  };
  const features = p.features.map((f) => {
    const turned = { ...f, shape: turn(f.shape) };
    return turned.kind === 'bank'
      ? { ...turned, side: turned.side === 'left' ? ('right' as const) : ('left' as const) }
      : turned;
  });
  return { ...p, features };
}

const TROUT = { species: 'brown', forkLengthCm: 24, waterTempC: 11 } as const;
let flow: FlowField;
let turned: FlowField;
let lies: LieField;
let turnedLies: LieField;

beforeAll(() => {
  flow = keptFlow(plan, { dischargeM3s: 1.6 });
  turned = keptFlow(mirror(plan), { dischargeM3s: 1.6 });
  lies = keptLies(plan, flow, TROUT);
  turnedLies = keptLies(mirror(plan), turned, TROUT);
});

it('the beat file survives writing and reading in both frames', () => {
  expect(readBeat(writeBeat(plan))).toMatchObject({ ok: true, plan });
  expect(readBeat(JSON.parse(JSON.stringify(writeBeat(plan, { frame: 'lonlat' }))))).toMatchObject({
    ok: true,
    plan,
  });
});

it('has what the demo promises: seven boulders, four of 1.0 to 1.6 m, log, undercut, trees, entry', () => {
  const boulders = featuresOf(plan, 'boulder').map((b) => b.diameterM);
  expect(boulders.length).toBeGreaterThanOrEqual(7);
  expect(boulders.filter((d) => d >= 1 && d <= 1.6).length).toBeGreaterThanOrEqual(4);
  for (const kind of ['log', 'tree', 'bush', 'entry', 'ledge', 'overhang'] as const)
    expect(featuresOf(plan, kind).length).toBeGreaterThan(0);
  expect(featuresOf(plan, 'bank').some((b) => b.form === 'undercut')).toBe(true);
});

describe('flow', () => {
  it('lets out what comes in, within half a per cent', () => {
    expect(['converged', 'averaged']).toContain(flow.status);
    expect(flow.massError).toBeLessThan(0.005);
  });
  it('runs toward -x, turns back below the log and behind the main boulder', () => {
    const at = (x: number, y: number) => sampleFlow(flow, x, y, { depthM: 0, u: 0, v: 0 });
    expect(at(16, 0.5).u).toBeLessThan(-0.2);
    let back = 0;
    for (let x = 9; x < 12.3; x += 0.2)
      for (let y = -4; y < -2.6; y += 0.2) if (at(x, y).u > 0.02) back++;
    expect(back).toBeGreaterThan(8);
  });
  it('has dry cells where it says dry, and a surface only over water', () => {
    for (let k = 0; k < flow.depthM.length; k++) {
      if (flow.depthM[k] === 0)
        expect([flow.u[k], flow.v[k], Number.isNaN(flow.surfaceM[k])]).toEqual([0, 0, true]);
      else expect(flow.surfaceM[k]).toBeCloseTo(flow.bedM[k]! + flow.depthM[k]!, 12);
    }
  });
  it('the mirrored beat has the mirrored mean depth and discharge', () => {
    const mean = (f: FlowField) =>
      f.depthM.reduce((a, b) => a + b, 0) / f.depthM.filter((d) => d > 0).length;
    expect(Math.abs(mean(turned) / mean(flow) - 1)).toBeLessThan(0.01);
  });
  it('survives its blob', () => {
    expect(decodeFlow(encodeFlow(flow))).toEqual(flow);
    expect(decodeFlow(encodeFlow(flow).slice(0, 500))).toBeNull();
    expect(decodeFlow(new Uint8Array(100))).toBeNull();
  });
  it('a streamline down-current is found again up-current', () => {
    const down = traceStreamline(flow, { xM: 24, yM: 0.5 }, { direction: 'down', maxM: 3 });
    const end = down.places[down.places.length - 1]!;
    const up = traceStreamline(flow, end, { direction: 'up', maxM: 3 });
    const back = up.places[up.places.length - 1]!;
    expect(Math.hypot(back.xM - 24, back.yM - 0.5)).toBeLessThan(0.1);
    expect(down.timeS[down.timeS.length - 1]).toBeGreaterThan(1);
  });
  it('a cancelled run does no further work: nothing moves until it is asked again', () => {
    const run = createFlowRun(plan, { dischargeM3s: 1.6 });
    while (run.progress < 0.05) run.advance(20);
    const before = run.progress;
    expect(run.progress).toBe(before);
    expect(() => run.result()).toThrow('before the run has finished');
  });
});

/** Best rating within one diameter ahead of or behind the main boulder, and the median 1 to 1.5 diameters abeam. */
function aroundMainBoulder(f: FlowField, field: LieField, side: 1 | -1) {
  const main = featuresOf(plan, 'boulder').reduce((a, b) => (b.diameterM > a.diameterM ? b : a));
  const centre = main.shape.type === 'Point' ? main.shape.place : { xM: 0, yM: 0 };
  const d = main.diameterM;
  let best = 0;
  const abeam: number[] = [];
  for (let k = 0; k < field.field.length; k++) {
    const x = f.x0M + (k % f.nx) * f.cellM - centre.xM;
    const y = side * (f.y0M + Math.floor(k / f.nx) * f.cellM) - centre.yM;
    const beyond = Math.abs(x) - d / 2;
    if (beyond > 0 && beyond <= d && Math.abs(y) <= d / 2)
      best = Math.max(best, 100 * field.field[k]!);
    const off = Math.abs(y);
    if (Math.abs(x) <= d / 2 && off >= d && off <= 1.5 * d && f.depthM[k]! > 0)
      abeam.push(100 * field.field[k]!);
  }
  return { best, median: abeam.sort((a, b) => a - b)[abeam.length >> 1]! };
}

describe('lies', () => {
  it('cushion or pocket of the main boulder beats the open current beside it by 10 points (common practice)', () => {
    const { best, median } = aroundMainBoulder(flow, lies, 1);
    expect(best - median).toBeGreaterThanOrEqual(10);
  });
  it('and on the mirrored beat', () => {
    const { best, median } = aroundMainBoulder(turned, turnedLies, -1);
    expect(best - median).toBeGreaterThanOrEqual(10);
  });
  it('are sorted, in water deep enough, spaced, with reasons and a lane', () => {
    expect(lies.lies.length).toBeGreaterThan(5);
    lies.lies.forEach((lie, i) => {
      if (i > 0) expect(lie.rating).toBeLessThanOrEqual(lies.lies[i - 1]!.rating);
      expect(lie.depthM).toBeGreaterThan(0.1);
      expect(lie.why.map((r) => r.what)).toEqual(
        expect.arrayContaining(['holds-back', 'nose-pace', 'depth']),
      );
      for (const need of Object.values(lie.needs)) expect(need >= 0 && need <= 1).toBe(true);
      for (const other of lies.lies)
        if (other !== lie)
          expect(Math.hypot(other.xM - lie.xM, other.yM - lie.yM)).toBeGreaterThan(1.2);
    });
  });
  it('in the cold the best lie is deeper and slower than in summer', () => {
    const winter = keptLies(plan, flow, { ...TROUT, waterTempC: 4 });
    const nose = (l: LieField) => l.lies[0]!.why.find((r) => r.what === 'nose-pace')!.value;
    expect(nose(winter)).toBeLessThanOrEqual(nose(lies) + 0.02);
    expect(winter.lies[0]!.rating).toBeLessThan(lies.lies[0]!.rating);
  });
  it('a fish in turned-back water faces down the valley', () => {
    const eddies = lies.lies.filter((l) => l.kind === 'eddy');
    for (const l of eddies) expect(Math.cos(l.headingRad)).toBeLessThan(0);
    const runs = lies.lies.filter((l) => l.kind === 'run');
    expect(runs.length + eddies.length).toBeGreaterThan(0);
  });
  it('refuses a length or temperature that no trout has', () => {
    expect(() => rateLies(plan, flow, { ...TROUT, forkLengthCm: 2 })).toThrow('Length 2.1 cm');
    expect(() => rateLies(plan, flow, { ...TROUT, waterTempC: 35 })).toThrow('Water of 35 °C');
  });
});

const CONDITIONS = { sunAltitudeRad: 0.8, sunPlanRad: 1, sky: 'overcast', windMps: 1 } as const;
const fish: Fish = {
  id: 'f1',
  xM: 12,
  yM: 1.6,
  fishDepthM: 0.45,
  headingRad: 0,
  totalLengthCm: 26,
  surety: 'sure',
};
const ANGLER = { heightM: 1.75, massKg: 78, maxWadeM: 0.7 };

describe('sight on the demo', () => {
  it('the ring shrinks with posture, and is small behind the fish', () => {
    const scene = createScene(plan, flow);
    const view = fishView(scene, fish, CONDITIONS);
    const mean = (posture: 'stand' | 'crouch' | 'kneel') => {
      const ring = sightRing(scene, view, posture, 1.75, CONDITIONS);
      return ring.reduce((sum, p) => sum + p.radiusM, 0) / ring.length;
    };
    expect(mean('stand')).toBeGreaterThan(mean('crouch'));
    expect(mean('crouch')).toBeGreaterThan(mean('kneel'));
    const ring = sightRing(scene, view, 'kneel', 1.75, CONDITIONS);
    expect(ring[36]!.radiusM).toBeLessThan(0.6 * ring[9]!.radiusM);
  });
  it('a bush between hides the angler', () => {
    const scene = createScene(plan, flow);
    const below: Fish = { ...fish, xM: 16.5, yM: -1.5, headingRad: -Math.PI / 2 };
    const view = fishView(scene, below, CONDITIONS);
    const at = (xM: number, yM: number) =>
      exposureAt(scene, view, { xM, yM, posture: 'kneel', heightM: 1.75 }, CONDITIONS);
    expect(at(16.5, -8.2)).toBeLessThan(0.05);
    expect(at(16.5, -4.4)).toBeGreaterThan(0.2);
  });
});

describe('stalk on the demo', () => {
  const stalk = (f: Fish[], to = { xM: 8, yM: -5.2 }) =>
    planStalk(plan, flow, {
      from: { xM: 2.5, yM: -8.4 },
      to,
      endPosture: 'kneel',
      fish: f,
      angler: ANGLER,
      conditions: CONDITIONS,
    });

  it('finds a dry way that ends on the knees and keeps calm better than a straight march', () => {
    const way = stalk([fish]);
    if (way.kind !== 'way') throw new Error(way.reason);
    expect(way.wadedM).toBe(0);
    expect(way.moments[way.moments.length - 1]!.posture).toBe('kneel');
    expect(way.calm[0]!.low).toBeLessThanOrEqual(way.calm[0]!.best);
    expect(way.seconds).toBeGreaterThan(5);
  });
  it('takes no less time when the fish looks at it', () => {
    const away = stalk([{ ...fish, headingRad: 0 }]);
    const facing = stalk([{ ...fish, headingRad: Math.PI }]);
    if (away.kind !== 'way' || facing.kind !== 'way') throw new Error('no way');
    expect(facing.seconds).toBeGreaterThanOrEqual(away.seconds - 1e-9);
  });
  it('says why there is no way: too deep, off the ground, inside a bush', () => {
    expect(stalk([fish], { xM: 12, yM: 0.2 })).toEqual({
      kind: 'no way',
      reason: 'stand-too-deep',
    });
    expect(stalk([fish], { xM: 500, yM: 0 })).toEqual({ kind: 'no way', reason: 'off-the-land' });
    expect(stalk([fish], { xM: 16.5, yM: -6 })).toEqual({
      kind: 'no way',
      reason: 'stand-blocked',
    });
  });
  it('keeps off a marked hazard', () => {
    const way = stalk([], { xM: 36, yM: -8 });
    if (way.kind !== 'way') throw new Error(way.reason);
    for (const leg of way.legs)
      for (const p of leg.places)
        expect(Math.hypot(p.xM - 35.2, p.yM + 5.4)).toBeGreaterThanOrEqual(1.5);
  });
});
