import { distanceToShape, type BeatFeature } from '../formats/index';
import { createRandom } from '../grid/index';
import {
  createScene,
  exposureAt,
  fishView,
  movingExposuresInto,
  POSTURE,
  POSTURES,
  type Conditions,
  type Fish,
} from '../sight/index';
import { bush, overcast, plan, stream } from './fixtures/streams';
import { carriedTo, gaitOf, loudnessOf } from './footfall';
import {
  cautionsOf,
  cellAt,
  CLOSED,
  fishSeen,
  fromFarBank,
  planStalk,
  seenAt,
  seenField,
  shadowAt,
  shadowLeaves,
  stalkContext,
  walkGrid,
  type StalkInput,
} from './index';

const gentle = stream(0.3, 0.35);
const body = { heightM: 1.75, massKg: 78, maxWadeM: 0.7 };
const fish: Fish = {
  id: 'f',
  xM: 12,
  yM: 0,
  fishDepthM: 0.3,
  headingRad: 0,
  totalLengthCm: 26,
  surety: 'sure',
};
const asked: StalkInput = {
  from: { xM: 1, yM: -7 },
  to: { xM: 8, yM: -5 },
  endPosture: 'kneel',
  fish: [fish],
  angler: body,
  conditions: overcast,
};

describe('what each fish sees, on the grid', () => {
  const scene = createScene(plan(bush(6, -6)), gentle);
  const view = fishView(scene, fish, overcast);
  const random = createRandom(7);
  const places = Array.from({ length: 60 }, () => ({
    xM: -4 + 28 * random(),
    yM: -9 + 18 * random(),
  }));

  it('all postures at once are each posture asked alone', () => {
    const out = new Float64Array(4);
    for (const place of places) {
      movingExposuresInto(scene, view, place, 1.75, overcast, out);
      POSTURES.forEach((posture, p) => {
        const alone = exposureAt(
          scene,
          view,
          { ...place, posture, heightM: 1.75, motionMps: POSTURE[posture].walkSpeedMps },
          overcast,
        );
        expect(Math.abs(out[p]! - alone)).toBeLessThan(1e-12);
      });
    }
  });
  it('read between the places of its half-metre grid it is near the ray itself', () => {
    const field = seenField(scene, [fishSeen(scene, fish, 1.75, overcast)]);
    const errors = places
      .filter((p) => Math.hypot(p.xM - fish.xM, p.yM - fish.yM) < 16)
      .map((place) => {
        const at = { ...place, posture: 'stand' as const, heightM: 1.75, motionMps: 0.7 };
        return Math.abs(seenAt(field, 0, 0, place) - exposureAt(scene, view, at, overcast));
      })
      .sort((a, b) => a - b);
    expect(errors[Math.floor(errors.length / 2)]!).toBeLessThan(0.02);
    expect(errors[Math.floor(0.9 * errors.length)]!).toBeLessThan(0.15);
  });
});

it('footfall: stone louder than turf, walking louder than crawling, fading with distance and broken water', () => {
  expect(loudnessOf('cobble')).toBeGreaterThan(loudnessOf('silt'));
  expect(loudnessOf('cobble')).toBeGreaterThan(loudnessOf(null));
  expect(POSTURES.map(gaitOf)).toEqual([...POSTURES.map(gaitOf)].sort((a, b) => b - a));
  expect(carriedTo(6, 0)).toBeLessThan(carriedTo(2, 0));
  expect(carriedTo(2, 1)).toBeCloseTo(0.2 * carriedTo(2, 0), 12);
});

it('the margin round a hazard is kept along its edges as round its corners', () => {
  const long: BeatFeature = {
    kind: 'hazard',
    note: 'soft ground',
    shape: {
      type: 'Polygon',
      ring: [
        { xM: 4, yM: -9 },
        { xM: 14, yM: -9 },
        { xM: 14, yM: -7 },
        { xM: 4, yM: -7 },
      ],
    },
  };
  const walker = { heightM: 1.75, massKg: 78, maxWadeM: 0.7 };
  const grid = walkGrid(createScene(plan(long), stream(0.1, 0.5)), walker, [], 0.25);
  const at = (xM: number, yM: number) => grid.closed[cellAt(grid, { xM, yM })];
  // Half way along an edge of ten metres, five from either corner.
  expect(at(9, -6.75)).toBe(CLOSED.hazard);
  expect(at(9, -5)).toBe(CLOSED.open);
  expect(distanceToShape({ xM: 9, yM: -6.6 }, long.shape)).toBeCloseTo(0.4, 9);
  expect(distanceToShape({ xM: 9, yM: -8 }, long.shape)).toBe(0);
});

it('the grid closes rocks, deep water, hazards and spots taken out, and nothing else', () => {
  const hazard: BeatFeature = {
    kind: 'hazard',
    note: 'wire',
    shape: { type: 'Point', place: { xM: 4, yM: -7 } },
  };
  const deep = createScene(plan(bush(6, -6), hazard), stream(0.1, 1));
  const grid = walkGrid(deep, body, [{ xM: 9, yM: -8 }], 0.25);
  const at = (xM: number, yM: number) => grid.closed[cellAt(grid, { xM, yM })];
  expect(at(6, -6)).toBe(CLOSED.solid);
  expect(at(4, -7.5)).toBe(CLOSED.hazard);
  expect(at(9, -8.5)).toBe(CLOSED.forbidden);
  expect(at(12, 0)).toBe(CLOSED.water);
  expect(at(-3, 0)).toBe(CLOSED.unsurveyed);
  expect(at(1, -8)).toBe(CLOSED.open);
  expect(cellAt(grid, { xM: 99, yM: 0 })).toBe(-1);
});

describe('shadow', () => {
  const scene = createScene(plan(), gentle);
  const sun = (altitudeDeg: number, planDeg: number): Conditions => ({
    sunAltitudeRad: (altitudeDeg * Math.PI) / 180,
    sunPlanRad: (planDeg * Math.PI) / 180,
    sky: 'clear',
    windMps: 0,
  });
  const stand = { xM: 10, yM: -9, posture: 'stand' as const, heightM: 1.8 };

  it('is H/tan(altitude) long on level land, away from the sun', () => {
    const s = shadowAt(scene, stand, [], sun(45, 90))!;
    expect(s.lengthM).toBeCloseTo(1.8, 0);
    expect(s.tip.yM).toBeLessThan(stand.yM);
    expect(s.onWaterM).toBe(0);
  });
  it('falls on the water and on the fish with a low sun behind, and is gone when it is high', () => {
    const near = { ...stand, yM: -4.6 };
    const low = shadowAt(scene, near, [{ ...fish, xM: 10, yM: -2 }], sun(20, -90))!;
    expect(low.onWaterM).toBeGreaterThan(2);
    expect(low.over).toBe('f');
    const later = [
      { hour: 10, conditions: sun(25, -90) },
      { hour: 12, conditions: sun(40, 90) },
    ];
    expect(shadowLeaves(scene, near, later)).toBe(12);
    expect(shadowLeaves(scene, near, later.slice(0, 1))).toBeNull();
  });
  it('there is none under cloud or by night', () => {
    expect(shadowAt(scene, stand, [], { ...sun(40, 0), sky: 'overcast' })).toBeNull();
    expect(shadowAt(scene, stand, [], { ...sun(-5, 0), sunPlanRad: null })).toBeNull();
  });
});

describe('the other bank', () => {
  it('is reached by a crossing the limits allow, then along it', () => {
    const p = plan();
    const scene = createScene(p, gentle);
    const input = { ...asked, to: { xM: 8, yM: 5 } };
    const far = fromFarBank(stalkContext(scene, input), input);
    if (far.kind !== 'crossed') throw new Error(far.kind);
    expect(far.crossing.wadedM).toBeGreaterThan(5);
    expect(far.landsAt.yM).toBeGreaterThan(4);
    expect(far.onward.kind).toBe('way');
  });
  it('is said to have no safe crossing where the water is too quick', () => {
    const scene = createScene(plan(), stream(1.6, 0.5));
    expect(fromFarBank(stalkContext(scene, asked), asked)).toEqual({ kind: 'no safe crossing' });
  });
});

describe('cautions belong to the way', () => {
  const now = {
    waterTempC: 9,
    windMps: 2,
    sky: 'clear' as const,
    species: 'brown' as const,
    northernMonth: 11,
  };
  const tree: BeatFeature = {
    kind: 'tree',
    heightM: 12,
    shape: { type: 'Point', place: { xM: 5, yM: -12 } },
  };
  const kinds = (to: StalkInput['to'], more: object, ...features: BeatFeature[]) => {
    const p = plan(...features);
    const way = planStalk(p, gentle, { ...asked, to });
    if (way.kind !== 'way') throw new Error(way.reason);
    return cautionsOf(createScene(p, gentle), way, { ...now, ...more }).map((c) => c.kind);
  };
  it('wading brings cold, slick stones and spawning beds with it; a dry way none of them', () => {
    expect(kinds({ xM: 8, yM: 5 }, {})).toEqual([
      'wading',
      'cold-water',
      'slick-bed',
      'spawning-beds',
    ]);
    expect(kinds({ xM: 8, yM: 5 }, { waterTempC: 16, northernMonth: 7 })).toEqual([
      'wading',
      'slick-bed',
    ]);
    expect(kinds({ xM: 8, yM: -5 }, {})).toEqual([]);
  });
  it('wind under a tree, a sky that may turn, and what was marked', () => {
    const hazard: BeatFeature = {
      kind: 'hazard',
      note: 'soft bank',
      shape: { type: 'Point', place: { xM: 4, yM: -9.5 } },
    };
    expect(kinds({ xM: 8, yM: -5 }, { windMps: 11 }, tree)).toEqual(['falling-timber']);
    expect(kinds({ xM: 8, yM: -5 }, { windMps: 2 }, tree)).toEqual([]);
    expect(kinds({ xM: 8, yM: -5 }, { sky: 'broken' }, hazard)).toEqual(['lightning', 'marked']);
  });
});
