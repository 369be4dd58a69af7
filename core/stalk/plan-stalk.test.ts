import { madeFlow } from '../cast/fixtures/waters';
import type { BeatFeature, BeatPlan } from '../formats/index';
import {
  createScene,
  exposureAt,
  fishView,
  sightRing,
  type Conditions,
  type Fish,
} from '../sight/index';
import type { FlowField } from '../water/index';
import { planStalk, type StalkInput } from './index';

/** A stream 8 m wide between flat banks, its water given by a formula; 25 m long. */
const bank = (side: 'left' | 'right', y: number): BeatFeature => ({
  kind: 'bank',
  side,
  form: 'sloping',
  heightM: 0.4,
  shape: {
    type: 'LineString',
    line: [
      { xM: 0, yM: y },
      { xM: 25, yM: y },
    ],
  },
});
const plan = (...more: BeatFeature[]): BeatPlan => ({
  version: 1,
  name: 'Made',
  lengthM: 25,
  slope: 0,
  bearingDeg: 0,
  levels: [],
  surveyedLevel: 'Fair',
  features: [bank('left', -4), bank('right', 4), ...more],
});
function stream(speedMps: number, depthM: number): FlowField {
  const flow = madeFlow(() => -speedMps);
  for (let k = 0; k < flow.depthM.length; k++) {
    const y = flow.y0M + Math.floor(k / flow.nx) * flow.cellM;
    const wet = Math.abs(y) < 4;
    flow.depthM[k] = wet ? depthM : 0;
    flow.bedM[k] = wet ? -depthM : 0.4;
    flow.surfaceM[k] = wet ? 0 : NaN;
    if (!wet) flow.u[k] = 0;
  }
  return flow;
}
const bush = (xM: number, yM: number): BeatFeature => ({
  kind: 'bush',
  heightM: 1.6,
  crownM: 3,
  shape: { type: 'Point', place: { xM, yM } },
});
const overcast: Conditions = { sunAltitudeRad: 0.5, sunPlanRad: null, sky: 'overcast', windMps: 0 };
const fish: Fish = {
  id: 'f',
  xM: 14,
  yM: 0,
  fishDepthM: 0.35,
  headingRad: 0,
  totalLengthCm: 27,
  surety: 'sure',
};
const ask = (p: BeatPlan, flow: FlowField, more: Partial<StalkInput> = {}) =>
  planStalk(createScene(p, flow), {
    from: { xM: 1, yM: -8 },
    to: { xM: 11, yM: -5 },
    endPosture: 'kneel',
    fish: [fish],
    angler: { heightM: 1.75, massKg: 78, maxWadeM: 0.7 },
    conditions: overcast,
    ...more,
  });
const way = (r: ReturnType<typeof ask>) => {
  if (r.kind !== 'way') throw new Error(r.reason);
  return r;
};

describe('the way', () => {
  const gentle = stream(0.3, 0.35);
  it('stays out of the water when it can', () => {
    const r = way(ask(plan(), gentle));
    expect(r.wadedM).toBe(0);
    expect(r.legs.every((l) => !l.wading)).toBe(true);
    expect(r.lengthM).toBeGreaterThan(10);
  });
  it('crosses gentle water when the stand is over there, and says so', () => {
    const r = way(ask(plan(), gentle, { to: { xM: 4, yM: 6 } }));
    expect(r.wadedM).toBeGreaterThan(5);
    expect(r.deepestM).toBeCloseTo(0.35, 2);
    expect(r.legs.some((l) => l.wading)).toBe(true);
  });
  it.each([
    ['too quick', stream(1.6, 0.5)],
    ['too deep', stream(0.1, 0.9)],
  ])('does not cross water that is %s', (_, flow) => {
    expect(ask(plan(), flow, { to: { xM: 4, yM: 6 } })).toEqual({
      kind: 'no way',
      reason: 'cut-off',
    });
  });
  it('never leaves the beat through water that was not surveyed', () => {
    // A ditch too quick to wade over the whole beat: only beyond its ends could one cross.
    const r = ask(plan(), stream(1.6, 0.5), { from: { xM: -3, yM: -6 }, to: { xM: -3, yM: 6 } });
    expect(r).toEqual({ kind: 'no way', reason: 'cut-off' });
  });
  it('an angler who will not wade is not sent through water', () => {
    expect(
      ask(plan(), gentle, {
        to: { xM: 4, yM: 6 },
        angler: { heightM: 1.75, massKg: 78, maxWadeM: 0.1 },
      }).kind,
    ).toBe('no way');
  });
  it('a mirrored beat gives the mirrored way', () => {
    const a = way(ask(plan(bush(8, -6)), gentle));
    const b = way(ask(plan(bush(8, 6)), gentle, { from: { xM: 1, yM: 8 }, to: { xM: 11, yM: 5 } }));
    expect(b.seconds).toBeCloseTo(a.seconds, 6);
    expect(b.worst.exposure).toBeCloseTo(a.worst.exposure, 2);
  });
  it('several fish: calm is told for each', () => {
    const upper = { ...fish, id: 'g', xM: 20 };
    const r = way(ask(plan(), gentle, { fish: [fish, upper] }));
    expect(r.calm.map((c) => c.fishId)).toEqual(['f', 'g']);
    for (const c of r.calm) expect(c.low <= c.best && c.best <= c.high).toBe(true);
  });
  it('a fish is no calmer for another that sees better', () => {
    const far = { ...fish, id: 'far', xM: 18 };
    const near = { ...fish, id: 'near', xM: 9, yM: -3 };
    const calm = (list: Fish[]) => {
      const r = way(
        ask(plan(), gentle, { from: { xM: 9, yM: -6 }, to: { xM: 12, yM: -6 }, fish: list }),
      );
      return r.calm.find((c) => c.fishId === 'far')!.best;
    };
    const alone = calm([far]);
    expect(alone).toBeLessThan(1);
    expect(calm([far, near])).toBeLessThanOrEqual(alone + 0.02);
  });
  it('without fish nobody sees, and it is the plain short way', () => {
    const r = way(ask(plan(), gentle, { fish: [] }));
    expect(r.worst.exposure).toBe(0);
    expect(r.seconds).toBeLessThanOrEqual(way(ask(plan(), gentle)).seconds + 1e-9);
  });
});

describe('what the fish sees here', () => {
  const water = stream(0.3, 0.4);
  const seen = (p: BeatPlan, xM: number, yM: number, more: object = {}) => {
    const scene = createScene(p, water);
    return exposureAt(
      scene,
      fishView(scene, fish, overcast),
      { xM, yM, posture: 'stand', heightM: 1.75, ...more },
      overcast,
    );
  };
  it('less the lower and the farther, and more when moving', () => {
    expect(seen(plan(), 14, -7, { posture: 'kneel' })).toBeLessThan(seen(plan(), 14, -7));
    expect(seen(plan(), 14, -9)).toBeLessThan(seen(plan(), 14, -6));
    expect(seen(plan(), 14, -9, { motionMps: 0.7 })).toBeGreaterThan(seen(plan(), 14, -9));
  });
  it('hardly from behind', () => {
    expect(seen(plan(), 5, 0)).toBeLessThan(0.4 * seen(plan(), 23, 0));
  });
  it('not through a bush, and less before one', () => {
    expect(seen(plan(bush(14, -5.8)), 14, -8.5, { posture: 'kneel' })).toBeLessThan(0.02);
    expect(seen(plan(bush(14, -9)), 14, -6.5)).toBeLessThan(seen(plan(), 14, -6.5));
  });
  it('lit from the fish’s side it stands out', () => {
    const scene = createScene(plan(), water);
    const at = { xM: 14, yM: -7, posture: 'stand', heightM: 1.75 } as const;
    const under = (sunPlanRad: number) => {
      const c: Conditions = { sunAltitudeRad: 0.6, sunPlanRad, sky: 'clear', windMps: 0 };
      return exposureAt(scene, fishView(scene, fish, c), at, c);
    };
    expect(under(Math.PI / 2)).toBeGreaterThan(under(-Math.PI / 2));
  });
  it('the ring is the distance at which the odds are even, alike on both sides of the fish', () => {
    const scene = createScene(plan(), water);
    const view = fishView(scene, fish, overcast);
    const ring = sightRing(scene, view, 'stand', 1.75, overcast);
    expect(ring).toHaveLength(72);
    const p = ring[18]!;
    const e = exposureAt(
      scene,
      view,
      {
        xM: fish.xM + p.radiusM * Math.cos(p.bearingRad),
        yM: fish.yM + p.radiusM * Math.sin(p.bearingRad),
        posture: 'stand',
        heightM: 1.75,
        footing: 'surface',
      },
      overcast,
    );
    expect(Math.abs(e - 0.5)).toBeLessThan(0.05);
    expect(Math.abs(ring[12]!.radiusM - ring[60]!.radiusM)).toBeLessThan(0.6);
  });
});
