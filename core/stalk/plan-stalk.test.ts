import type { BeatFeature, BeatPlan } from '../formats/index';
import { bush, overcast, plan, stream } from './fixtures/streams';
import {
  createScene,
  exposureAt,
  fishView,
  sightRing,
  type Conditions,
  type Fish,
} from '../sight/index';
import type { FlowField } from '../water/index';
import { otherWays, planStalk, sameWay, stalkContext, whatIfStalk, type StalkInput } from './index';

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
  planStalk(p, flow, {
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

const seenAtStand = (input: StalkInput) => {
  const scene = createScene(plan(), stream(0.3, 0.35));
  return exposureAt(
    scene,
    fishView(scene, fish, overcast),
    { ...input.to, posture: input.endPosture, heightM: 1.75 },
    overcast,
  );
};

describe('how a way is chosen', () => {
  const gentle = stream(0.3, 0.35);
  const hazard = (xM: number, yM: number): BeatFeature => ({
    kind: 'hazard',
    note: 'old wire',
    shape: {
      type: 'Polygon',
      ring: [
        { xM: xM - 3, yM: yM - 1.5 },
        { xM: xM + 3, yM: yM - 1.5 },
        { xM: xM + 3, yM: yM + 1.5 },
        { xM: xM - 3, yM: yM + 1.5 },
      ],
    },
  });
  const places = (r: ReturnType<typeof way>) => r.moments.map((m) => m.place);

  it('comes lower and slower the nearer it gets: upright far off, down on the last metres', () => {
    const far = { ...fish, xM: 22 };
    const r = way(
      ask(plan(), gentle, { fish: [far], from: { xM: -5, yM: -8 }, to: { xM: 19, yM: -5 } }),
    );
    expect(r.legs[0]!.posture).toBe('stand');
    const low = r.legs[r.legs.length - 1]!;
    expect(['crouch', 'kneel', 'crawl']).toContain(low.posture);
    const why = r.legs.find((l) => l.lowerFor);
    expect(why!.lowerFor!.fishId).toBe('f');
    expect(why!.lowerFor!.exposure).toBeGreaterThan(0.1);
  });
  it('a fish that faces the way makes it longer than one that looks away', () => {
    const asked = { from: { xM: -2, yM: -4.5 }, to: { xM: 5, yM: -6 } };
    const near = { ...fish, xM: 10, yM: -3 };
    const facing = way(ask(plan(), gentle, { ...asked, fish: [{ ...near, headingRad: Math.PI }] }));
    const away = way(ask(plan(), gentle, { ...asked, fish: [near] }));
    expect(facing.cost).toBeGreaterThan(away.cost);
    expect(facing.lengthM).toBeGreaterThan(away.lengthM + 1);
    expect(facing.seconds).toBeGreaterThan(away.seconds + 5);
    expect(facing.calm[0]!.best).toBeLessThan(away.calm[0]!.best);
  });
  it('keeps behind bushes where they stand between', () => {
    const hedge = [4, 6.5, 9].map((x) => bush(x, -6));
    const open = way(ask(plan(), gentle, { to: { xM: 11, yM: -7.5 } }));
    const hidden = way(ask(plan(...hedge), gentle, { to: { xM: 11, yM: -7.5 } }));
    expect(hidden.cost).toBeLessThan(open.cost);
    const under = (r: ReturnType<typeof way>) =>
      places(r).filter((p) => p.yM < -6.5 && p.xM > 3 && p.xM < 10).length / places(r).length;
    expect(under(hidden)).toBeGreaterThan(0.4);
  });
  it('goes round a marked hazard, its inside too, and says so where it cannot', () => {
    const r = way(ask(plan(hazard(6, -6)), gentle));
    for (const p of places(r))
      expect(Math.abs(p.xM - 6) < 3 && Math.abs(p.yM + 6) < 1.5).toBe(false);
    expect(ask(plan(hazard(11, -5)), gentle)).toMatchObject({ reason: 'stand-blocked' });
  });
  it('comes along the bank that has something dark behind it', () => {
    const wood = [8, 10, 12, 14, 16].map((x) => bush(x, 9.5));
    const from = [
      { xM: 1, yM: -6.5 },
      { xM: 1, yM: 6.5 },
    ];
    const costOf = (y: number) =>
      way(ask(plan(...wood), gentle, { from, to: { xM: 11, yM: y } })).cost;
    expect(costOf(6.5)).toBeLessThan(costOf(-6.5));
  });
  it('footfall makes a shore of stone dearer, and broken water over the fish drowns it', () => {
    const alarm = (footfall: number) => ({ tauS: 6, footfall });
    const wade = { to: { xM: 9, yM: 0 } };
    const loud = way(ask(plan(), gentle, { ...wade, alarm: alarm(3) }));
    const silent = way(ask(plan(), gentle, { ...wade, alarm: alarm(0) }));
    expect(loud.cost).toBeGreaterThan(silent.cost);
  });
  it('wades for the angle only when told to', () => {
    const across = {
      to: { xM: 4, yM: 6 },
      from: [
        { xM: 1, yM: -6 },
        { xM: 1, yM: 20 },
      ],
    };
    const dry = way(ask(plan(bush(30, 25)), gentle, { ...across, from: { xM: 1, yM: 8 } }));
    expect(dry.wadedM).toBe(0);
    const stand = { from: { xM: 9, yM: -6 }, to: { xM: 20, yM: -4.4 }, fish: [] };
    const never = way(ask(plan(hazard(14, -6)), gentle, stand));
    const angle = way(ask(plan(hazard(14, -6)), gentle, { ...stand, wading: 'for-the-angle' }));
    expect(never.wadedM).toBeLessThanOrEqual(angle.wadedM);
  });
  it('passes its waypoints in order, and costs no less for them', () => {
    const via = [
      { xM: 3, yM: -6 },
      { xM: 6, yM: -9 },
    ];
    const free = way(ask(plan(), gentle));
    const led = way(ask(plan(), gentle, { via }));
    const at = via.map((v) =>
      led.moments.findIndex((m) => Math.hypot(m.place.xM - v.xM, m.place.yM - v.yM) < 0.2),
    );
    expect(at[0]).toBeGreaterThanOrEqual(0);
    expect(at[1]!).toBeGreaterThan(at[0]!);
    expect(led.cost).toBeGreaterThanOrEqual(free.cost - 1e-9);
  });
  it('stained water hides the angler', () => {
    const clear = way(ask(plan(), gentle));
    const stained = way(ask(plan(), gentle, { conditions: { ...overcast, turbidityNtu: 25 } }));
    expect(stained.worst.exposure).toBeLessThan(clear.worst.exposure);
  });
  it('other ways are truly other, and the first is the best', () => {
    const p = plan(bush(6, -7));
    const input: StalkInput = {
      from: { xM: 0, yM: -7 },
      to: { xM: 12, yM: -7 },
      endPosture: 'kneel',
      fish: [fish],
      angler: { heightM: 1.75, massKg: 78, maxWadeM: 0.7 },
      conditions: overcast,
    };
    const scene = createScene(p, gentle);
    const ways = otherWays(
      stalkContext(scene, input),
      (forbidden) => stalkContext(scene, { ...input, forbidden }),
      input,
    );
    expect(ways.length).toBeGreaterThan(0);
    for (let i = 1; i < ways.length; i++) {
      expect(ways[i]!.cost).toBeGreaterThanOrEqual(ways[0]!.cost - 1e-9);
      expect(sameWay(ways[i]!, ways[0]!)).toBeLessThanOrEqual(0.5);
    }
  });
  it('what keeping lower would change is asked of whole ways, and only gains are told', () => {
    const input: StalkInput = {
      from: { xM: 1, yM: -8 },
      to: { xM: 13, yM: -5.5 },
      endPosture: 'stand',
      fish: [fish],
      angler: { heightM: 1.75, massKg: 78, maxWadeM: 0.7 },
      conditions: overcast,
      cellM: 0.5,
    };
    const asked = (i: StalkInput) => planStalk(plan(), gentle, i);
    const changes = whatIfStalk(createScene(plan(), gentle), input, 'f', [], asked);
    expect(changes[0]!.what.kind).toBe('posture');
    const standing = seenAtStand(input);
    for (const c of changes) expect(c.atStand).toBeLessThan(standing);
  });
});

describe('questions without an answer are answered with a reason', () => {
  const gentle = stream(0.3, 0.35);
  const boulder: BeatFeature = {
    kind: 'bush',
    heightM: 2,
    crownM: 4,
    shape: { type: 'Point', place: { xM: 11, yM: -6 } },
  };
  it.each([
    ['no entry at all', {}, { from: [] }, 'no-start'],
    ['a start off the land', {}, { from: { xM: 500, yM: 0 } }, 'off-the-land'],
    ['a stand off the land', {}, { to: { xM: 500, yM: 0 } }, 'off-the-land'],
    [
      'a stand inside something solid',
      { more: [boulder] },
      { to: { xM: 11, yM: -6 } },
      'stand-blocked',
    ],
    ['a fish on land', {}, { fish: [{ ...fish, yM: 7 }] }, 'fish-on-land'],
    [
      'a waypoint inside something',
      { more: [boulder] },
      { to: { xM: 20, yM: -8 }, via: [{ xM: 11, yM: -6 }] },
      'via-blocked',
    ],
    [
      'the stand itself taken out',
      {},
      { forbidden: [{ xM: 11, yM: -5, radiusM: 2 }] },
      'forbidden',
    ],
    [
      'a ring of spots taken out',
      {},
      {
        forbidden: [{ xM: 1, yM: -8, radiusM: 3 }].map((f) => ({ ...f, xM: 6, radiusM: 40 })),
        from: { xM: 1, yM: -8 },
      },
      'start-blocked',
    ],
  ] as const)('%s', (_, made, more, reason) => {
    const p = plan(...('more' in made ? [...made.more] : []));
    expect(ask(p, gentle, more as unknown as Partial<StalkInput>)).toMatchObject({
      kind: 'no way',
      reason,
    });
  });
  it('spots taken out between start and stand are named as the cause', () => {
    const wall = Array.from({ length: 24 }, (_, i) => ({ xM: 6, yM: -14 + i, radiusM: 1 }));
    const shut = stream(1.6, 0.5);
    expect(ask(plan(), shut, { forbidden: wall })).toMatchObject({ reason: 'forbidden' });
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
