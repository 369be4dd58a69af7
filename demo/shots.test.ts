import { DEFAULT_RIG } from '../core/rig/index';
import { castTip, SEARCHED_LAYS, simulateDrift, type Lay } from '../core/cast/index';
import { type Lie } from '../core/lies/index';
import type { Fish } from '../core/sight/index';
import { sampleFlow, type FlowField } from '../core/water/index';
import type { BeatFeature, BeatPlan } from '../core/formats/index';
import { demoBeats } from './beats';
import { shotContext, candidate, castOf } from '../core/cast/shot-candidate';
import { standsAt, standsFor } from '../core/cast/stands';
import { shotsInput } from '../core/cast/shots-input';
import { obstaclesOf } from '../core/cast/room-behind';
import { createScene } from '../core/sight/index';
import { kept } from '../testing/kept';
import { keptFlow, keptLies, keptShots } from '../testing/solved';

/** What the search finds on the demo's solved beats, held against every stand simulated. */
const ROUGH_M = 0.4;
const ASKED: Lay[] = [SEARCHED_LAYS[0]!, SEARCHED_LAYS[1]!, SEARCHED_LAYS[4]!];

const paceAt = (flow: FlowField, p: { xM: number; yM: number }) => {
  const s = sampleFlow(flow, p.xM, p.yM, { depthM: 0, u: 0, v: 0 });
  return Math.hypot(s.u, s.v);
};
const waters = demoBeats().map(({ plan }) => {
  const flow = keptFlow(plan, {
    dischargeM3s: plan.levels[1]!.dischargeM3s,
    cellM: ROUGH_M,
    onlyCoarse: true,
  });
  const { lies } = keptLies(plan, flow, { species: 'brown', forkLengthCm: 24, waterTempC: 11 });
  return { plan, flow, lies };
});
const fishIn = (lie: Lie): Fish => ({
  id: lie.id,
  xM: lie.xM,
  yM: lie.yM,
  fishDepthM: 0.7 * lie.depthM,
  headingRad: lie.headingRad,
  totalLengthCm: 25,
  surety: 'likely',
});

/** The order of a lay from every stand to every aim, each drift followed. */
function everyOrder(plan: BeatPlan, flow: FlowField, target: Fish, lay: Lay): Map<string, number> {
  const scene = createScene(plan, flow);
  const input = shotsInput(plan, { rig: DEFAULT_RIG, target, lays: [lay] });
  const ground = shotContext(scene, input, { stands: 0, candidates: 0, simulated: 0, unknown: 0 });
  const steps = standsFor(scene, input);
  let next = steps.next();
  while (!next.done) next = steps.next();
  const out = new Map<string, number>();
  for (const aim of ground.aims) {
    for (const stand of standsAt(scene, input, aim.place, obstaclesOf(plan), next.value!)) {
      const cast = castOf(ground, stand, lay);
      if (!cast) continue;
      const drift = simulateDrift(flow, {
        rig: DEFAULT_RIG,
        tip: castTip(stand.place, aim.place, input.angler.rodM, lay.kind),
        stand: stand.place,
        landing: aim.place,
        fish: target,
        lay,
        seconds: aim.followedS,
        takeS: aim.takeS,
        stopAtDrag: true,
      });
      if (drift.status !== 'ok') continue;
      const c = candidate(ground, stand, aim, lay, cast, drift);
      out.set(keyOf(stand.place, aim.place), c.order);
    }
  }
  return out;
}
type At = { xM: number; yM: number };
const keyOf = (stand: At, landing: At) =>
  [stand.xM, stand.yM, landing.xM, landing.yM].map((v) => v.toFixed(2)).join(' ');

it.each([0, 1, 3])('regret of each lay on beat %i: at most six points of the order', (n) => {
  const { plan, flow, lies } = waters[n]!;
  // Where it is hardest: the quickest water among the best lies.
  const quickest = lies.slice(0, 12).sort((a, b) => paceAt(flow, b) - paceAt(flow, a))[0]!;
  const target = fishIn(quickest);
  for (const lay of ASKED) {
    const all = new Map(
      kept('cast', ['every order', String(everyOrder), plan, flow, target, lay], () => [
        ...everyOrder(plan, flow, target, lay),
      ]),
    );
    const search = keptShots(plan, flow, { rig: DEFAULT_RIG, target, lays: [lay] });
    if (search.kind !== 'shots') {
      // A lay that offers nothing from anywhere is no lay of this water.
      expect(search.best!.value).toBeLessThan(0.1);
      continue;
    }
    // The same places judged by the same figures: only what was not looked at can be missed.
    const ours = search.shots.map((s) => all.get(keyOf(s.stand, s.landing)) ?? -Infinity);
    const missed = Math.max(...all.values()) - Math.max(...ours);
    expect(missed).toBeLessThanOrEqual(0.06);
  }
});

const POCKETS = ['eddy', 'pocket', 'cushion', 'log'];

describe('pockets and eddies: what counts is dwell', () => {
  const lies = waters.flatMap(({ plan, flow, lies: all }) =>
    all
      .filter((l) => POCKETS.includes(l.kind))
      .slice(0, 4)
      .map((lie) => ({ plan, flow, lie })),
  );
  const shots = lies.map(({ plan, flow, lie }) => ({
    lie,
    flow,
    found: keptShots(plan, flow, { rig: DEFAULT_RIG, target: fishIn(lie), standStepM: 0.75 }),
  }));

  it('a second of clean fly within reach at eight of ten of them and more', () => {
    expect(shots.length).toBeGreaterThanOrEqual(8);
    const held = shots.filter(
      ({ found }) => found.kind === 'shots' && found.shots[0]!.facts.dwellS >= 1,
    );
    expect(held.length / shots.length).toBeGreaterThanOrEqual(0.8);
  });
  it('none that is shown dwells under half a second, or has under ten in a hundred', () => {
    for (const { found } of shots) {
      if (found.kind !== 'shots') continue;
      for (const s of found.shots) {
        expect(s.facts.dwellS).toBeGreaterThanOrEqual(0.5);
        expect(s.chance.value).toBeGreaterThanOrEqual(0.1);
      }
    }
  });
  it('where the water turns back the fly is put up the local current, not up the valley', () => {
    const turned = shots.filter(({ lie }) => Math.cos(lie.headingRad) < -0.5);
    expect(turned.length).toBeGreaterThan(0);
    for (const { lie, found } of turned) {
      if (found.kind !== 'shots') continue;
      const { landing } = found.shots[0]!;
      const ahead =
        (landing.xM - lie.xM) * Math.cos(lie.headingRad) +
        (landing.yM - lie.yM) * Math.sin(lie.headingRad);
      expect(ahead).toBeGreaterThan(-0.6);
    }
  });
});

/** The same beat seen in a mirror along the stream: y changes sign, banks and facings change side. */
function mirrored(plan: BeatPlan): BeatPlan {
  const at = (p: At) => ({ xM: p.xM, yM: -p.yM });
  const shapeOf = (s: BeatFeature['shape'], turn: boolean): BeatFeature['shape'] => {
    if (s.type === 'Point') return { ...s, place: at(s.place) };
    if (s.type === 'Polygon') return { ...s, ring: s.ring.map(at) };
    return { ...s, line: turn ? s.line.map(at).reverse() : s.line.map(at) };
  };
  const features = plan.features.map((f): BeatFeature => {
    const shape = shapeOf(f.shape, f.kind === 'section');
    if (f.kind === 'bank') return { ...f, shape, side: f.side === 'left' ? 'right' : 'left' };
    if (f.kind === 'ledge') return { ...f, shape, facing: -f.facing };
    if (f.kind !== 'section' || f.shape.type !== 'LineString') return { ...f, shape };
    const line = f.shape.line;
    const widthM = line
      .slice(1)
      .reduce((sum, p, i) => sum + Math.hypot(p.xM - line[i]!.xM, p.yM - line[i]!.yM), 0);
    const stations = f.stations
      .map((s) => ({ ...s, offsetM: Math.max(0, widthM - s.offsetM) }))
      .reverse();
    return { ...f, shape, stations };
  });
  return { ...plan, features };
}

function mirroredFlow(flow: FlowField): FlowField {
  const turned = (a: ArrayLike<number>, sign: number) =>
    Array.from({ length: a.length }, (_, k) => {
      const i = k % flow.nx;
      return sign * a[(flow.ny - 1 - (k - i) / flow.nx) * flow.nx + i]!;
    });
  const arrays = Object.entries(flow)
    .filter(([, a]) => ArrayBuffer.isView(a) && (a as Float64Array).length === flow.nx * flow.ny)
    .map(([name, a]): [string, unknown] => {
      const list = turned(a as Float64Array, name === 'v' ? -1 : 1);
      return [name, a instanceof Uint8Array ? Uint8Array.from(list) : Float64Array.from(list)];
    });
  return {
    ...flow,
    ...Object.fromEntries(arrays),
    y0M: -(flow.y0M + (flow.ny - 1) * flow.cellM),
  };
}

it('a mirrored beat has the mirrored best cast within five points at seven lies of eight', () => {
  let alike = 0;
  let asked = 0;
  for (const n of [1, 3]) {
    const { plan, flow, lies } = waters[n]!;
    const other = mirrored(plan);
    const otherFlow = mirroredFlow(flow);
    for (const lie of lies.slice(0, 4)) {
      const target = fishIn(lie);
      const here = keptShots(plan, flow, { rig: DEFAULT_RIG, target });
      const there = keptShots(other, otherFlow, {
        rig: DEFAULT_RIG,
        target: { ...target, yM: -target.yM, headingRad: -target.headingRad },
        angler: { rodHand: 'left' },
      });
      asked++;
      if (here.kind !== 'shots' || there.kind !== 'shots') {
        if (here.kind === there.kind) alike++;
        continue;
      }
      const off = Math.abs(here.shots[0]!.chance.value - there.shots[0]!.chance.value);
      if (off < 0.05) alike++;
    }
  }
  expect(asked).toBe(8);
  expect(alike).toBeGreaterThanOrEqual(7);
});
