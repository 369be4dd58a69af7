import { Circle, Point, Polygon, Segment } from '@flatten-js/core';
import { createRandom } from '../grid/index';
import { createScene } from '../sight/index';
import { bush, plan, stream } from '../stalk/fixtures/streams';
import {
  castFor,
  LOOKED_BEHIND_M,
  obstaclesOf,
  rayMeets,
  roomBehind,
  type Obstacle,
} from './room-behind';
import { falseCast } from './false-cast';
import { windOnCast } from './wind';
import { leadAway, snagsOf } from './lead-away';
import type { BeatFeature } from '../formats/index';
import type { Fish } from '../sight/index';

const LOOP_HALF_M = 0.3;
const tree = (xM: number, yM: number, crownM: number, heightM = 8): BeatFeature => ({
  kind: 'tree',
  heightM,
  crownM,
  shape: { type: 'Point', place: { xM, yM } },
});
const ROD = { posture: 'stand', heightM: 1.75, rodM: 2.4, leaderM: 2.7 } as const;

describe('the back cast against random trees, beside a general geometry library (@flatten-js/core)', () => {
  const random = createRandom(5);
  const trials = Array.from({ length: 400 }, () => ({
    from: { xM: 20 * random() - 10, yM: 20 * random() - 10 },
    bearing: 2 * Math.PI * random(),
    o: { xM: 20 * random() - 10, yM: 20 * random() - 10, radiusM: 0.5 + 2.5 * random() },
    corners: 3 + Math.floor(5 * random()),
  }));

  it('round crowns: the ray meets a circle widened by half the loop', () => {
    let met = 0;
    for (const { from, bearing, o } of trials) {
      const ours = rayMeets(from, bearing, { ...o, kind: 'tree', ring: null, heightM: 8 }, 16);
      const circle = new Circle(new Point(o.xM, o.yM), o.radiusM + LOOP_HALF_M);
      const here = new Point(from.xM, from.yM);
      const end = new Point(from.xM + 16 * Math.cos(bearing), from.yM + 16 * Math.sin(bearing));
      const hits = new Segment(here, end).intersect(circle);
      const theirs = circle.contains(here)
        ? 0
        : hits.length > 0
          ? Math.min(...hits.map((p) => p.distanceTo(here)[0]))
          : null;
      if (theirs === null) expect(ours).toBeNull();
      else {
        expect(ours).not.toBeNull();
        expect(ours!).toBeCloseTo(theirs, 6);
        met++;
      }
    }
    expect(met).toBeGreaterThan(40);
  });

  it('bushes drawn as polygons: nothing within half the loop before the place where it is met', () => {
    let met = 0;
    for (const { from, bearing, o, corners } of trials) {
      const ring = Array.from({ length: corners }, (_, i) => ({
        xM: o.xM + o.radiusM * Math.cos((2 * Math.PI * i) / corners),
        yM: o.yM + o.radiusM * Math.sin((2 * Math.PI * i) / corners),
      }));
      const here = new Point(from.xM, from.yM);
      const polygon = new Polygon(ring.map((p) => new Point(p.xM, p.yM)));
      if (polygon.contains(here)) continue;
      const ours = rayMeets(from, bearing, { ...o, kind: 'bush', ring, heightM: 2 }, 16);
      const along = (d: number) =>
        new Point(from.xM + d * Math.cos(bearing), from.yM + d * Math.sin(bearing));
      const near = (d: number) => polygon.distanceTo(new Segment(here, along(d)))[0];
      // Without the round ends that a distance to a segment has.
      if (ours === null) {
        const trimmed = new Segment(along(LOOP_HALF_M), along(16 - LOOP_HALF_M));
        expect(polygon.distanceTo(trimmed)[0]).toBeGreaterThanOrEqual(LOOP_HALF_M - 1e-6);
      } else if (ours > 0.01) {
        met++;
        // A loop of this width has a square front: its middle is clear by half a width until then.
        expect(near(ours - 1e-6)).toBeGreaterThanOrEqual(-1e-9);
        expect(near(ours + LOOP_HALF_M)).toBeLessThanOrEqual(LOOP_HALF_M + 1e-6);
      }
    }
    expect(met).toBeGreaterThan(20);
  });

  it('a mirrored land gives the mirrored room', () => {
    for (const { from, bearing, o } of trials.slice(0, 50)) {
      const a: Obstacle = { ...o, kind: 'tree', ring: null, heightM: 8 };
      const b = { ...a, yM: -a.yM };
      const one = rayMeets(from, bearing, a, 16);
      const other = rayMeets({ xM: from.xM, yM: -from.yM }, -bearing, b, 16);
      if (one === null) expect(other).toBeNull();
      else expect(other).toBeCloseTo(one, 9);
    }
  });
});

describe('which casts remain', () => {
  const room = (more: BeatFeature[], posture: 'stand' | 'kneel' = 'stand') => {
    const scene = createScene(plan(...more), stream(0.4, 0.5));
    return roomBehind(scene, obstaclesOf(scene.plan), {
      ...ROD,
      posture,
      stand: { xM: 10, yM: -5 },
      aimRad: Math.PI / 2,
    });
  };
  it('open land leaves everything', () => {
    const r = room([]);
    expect(r.overheadM).toBe(LOOKED_BEHIND_M);
    expect(r.met).toBeNull();
    expect(castFor('straight', 12, r)).toBe('overhead');
  });
  it('a tree three metres behind leaves roll, bow and arrow and high stick', () => {
    const r = room([tree(10, -9.5, 2)]);
    expect(r.overheadM).toBeGreaterThan(2.9);
    expect(r.overheadM).toBeLessThan(3.3);
    expect(r.met).toBe('tree');
    expect(castFor('straight', 9, r)).toBeNull();
    expect(castFor('reach', 5, r)).toBe('overhead');
    expect(castFor('roll', 9, r)).toBe('roll');
    expect(castFor('bow-and-arrow', 4.5, r)).toBe('bow-and-arrow');
    expect(castFor('bow-and-arrow', 7, r)).toBeNull();
  });
  it('a low bush stops a side cast, and an overhead one only of who kneels', () => {
    const low = [bush(10, -8)];
    expect(room(low).sideM).toBeLessThan(2);
    expect(room(low).overheadM).toBe(LOOKED_BEHIND_M);
    const tall = [{ ...bush(10, -9), heightM: 2.7 } as BeatFeature];
    expect(room(tall, 'kneel').overheadM).toBeLessThan(room(tall).overheadM);
  });
  it('a tree beside the line back, outside the fan, takes nothing', () => {
    expect(room([tree(16, -6, 3)]).overheadM).toBe(LOOKED_BEHIND_M);
  });
});

describe('wind', () => {
  const on = (fromDeg: number, hand: 'right' | 'left' = 'right') =>
    windOnCast(4, (fromDeg * Math.PI) / 180, 0, hand, 'tilt');
  it('against, behind and across; what blows onto the rod arm changes sides', () => {
    expect(on(0).headMps).toBeCloseTo(4, 9);
    expect(on(180).headMps).toBeCloseTo(-4, 9);
    expect(on(0).distanceShare).toBeLessThan(1);
    expect(on(180).distanceShare).toBe(1);
    // From the caster's right, rod in the right hand.
    expect(on(-90)).toMatchObject({ ontoBody: true, advice: 'change-sides' });
    expect(on(90)).toMatchObject({ ontoBody: false, advice: 'tilt' });
    expect(on(90, 'left').ontoBody).toBe(true);
    expect(windOnCast(1, 0, 0, 'right', 'tilt').advice).toBe('none');
    expect(windOnCast(9, null, 0, 'right', 'tilt')).toMatchObject({ headMps: 0, advice: 'none' });
  });
});

const trout = (id: string, xM: number, yM: number): Fish => ({
  id,
  xM,
  yM,
  fishDepthM: 0.3,
  headingRad: 0,
  totalLengthCm: 28,
  surety: 'sure',
});

describe('false casts off the fish', () => {
  it('turn toward the tail, clear of every window, and say when no turn is clear', () => {
    const target = trout('a', 10, 0);
    const stand = { xM: 9, yM: -7 };
    const f = falseCast(stand, { xM: 11, yM: 0 }, target, []);
    expect(f.clear).toBe(true);
    const end = { xM: 9 + 7.3 * Math.cos(f.bearingRad), yM: -7 + 7.3 * Math.sin(f.bearingRad) };
    // Down-current of the fish, so behind it.
    expect(end.xM).toBeLessThan(target.xM - 1);
    const around = Array.from({ length: 24 }, (_, i) =>
      trout(`${i}`, 9 + 3 * Math.cos((i * Math.PI) / 12), -7 + 3 * Math.sin((i * Math.PI) / 12)),
    );
    expect(falseCast(stand, { xM: 11, yM: 0 }, target, around).clear).toBe(false);
  });
});

describe('after the take', () => {
  const water = () => {
    const flow = stream(0.5, 0.6);
    for (let k = 0; k < flow.depthM.length; k++) {
      const y = flow.y0M + Math.floor(k / flow.nx) * flow.cellM;
      // A slack, shallow margin on the near side.
      if (y > -4 && y < -2.8) {
        flow.depthM[k] = 0.25;
        flow.u[k] = -0.1;
      }
    }
    return flow;
  };
  const log: BeatFeature = {
    kind: 'log',
    diameterM: 0.3,
    shape: {
      type: 'LineString',
      line: [
        { xM: 9, yM: 0.8 },
        { xM: 11.5, yM: 1.2 },
      ],
    },
  };
  it('to the slack margin within reach, down-current, pressed away from the log it names', () => {
    const scene = createScene(plan(log), water());
    const a = leadAway(scene, { xM: 9, yM: -4.5 }, trout('a', 10, 0), [], snagsOf(scene.plan));
    expect(a.slack).toBe(true);
    expect(a.to.yM).toBeLessThan(-2.5);
    expect(a.danger).toMatchObject({ kind: 'log' });
    expect(a.danger!.awayM).toBeLessThan(1);
    // Pressed toward the near bank, away from the wood.
    expect(Math.sin(a.pressureRad)).toBeLessThan(-0.7);
  });
  it('out of the water of another fish, and to the stand where nothing is slack', () => {
    const scene = createScene(plan(), water());
    const stand = { xM: 9, yM: -4.5 };
    const free = leadAway(scene, stand, trout('a', 10, 0), []);
    const other = trout('b', free.to.xM + 0.3, free.to.yM + 0.3);
    const moved = leadAway(scene, stand, trout('a', 10, 0), [other]);
    expect(Math.hypot(moved.to.xM - free.to.xM, moved.to.yM - free.to.yM)).toBeGreaterThan(0.5);
    const quick = createScene(plan(), stream(0.8, 0.7));
    const none = leadAway(quick, stand, trout('a', 10, 0), []);
    expect(none).toMatchObject({ slack: false, to: stand });
    expect(none.quality).toBeLessThan(free.quality);
  });
});
