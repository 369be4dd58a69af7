import { chanceAt } from '../core/chance/index';
import { madeCover, madeGround } from '../core/route/fixtures/grounds';
import { planRoute } from '../core/route/index';
import { DEFAULT_SETTINGS, EMPTY_SNAPSHOT, type EventCode, type Try } from '../core/log/index';
import type { BeatPack, LieState, PackTarget } from '../core/outing/index';
import { routeAsk, standingAt } from './route-now';

const ground = madeGround(5, 8, 12);
const pack = {
  beatId: 'b',
  lengthM: 30,
  targets: [],
  route: { ground, stops: [] },
} as unknown as BeatPack;
const NOW = { lambda: 3, nowMs: 1000, untilMs: null, direction: 'up' as const };
/** Where a lie of the ground is. */
const placeOf = (id: string) => {
  const { xM, yM } = ground.lies.find((l) => l.id === id)!;
  return { xM, yM };
};
const attempt = (id: string, codes: EventCode[], stand = ground.stands[2]!): Try => ({
  id: `t-${id}`,
  outingId: 'o',
  beatId: 'b',
  markId: null,
  fly: '',
  openedMs: 1,
  zoneOffsetMin: 0,
  snapshot: {
    ...EMPTY_SNAPSHOT,
    target: {
      id,
      kind: null,
      ...placeOf(id),
      rating: 50,
      needs: null,
      depthM: null,
      surfaceSpeedMps: null,
      meanSpeedMps: null,
      behaviour: null,
    },
    cast: {
      stand,
      posture: 'crouch',
      landing: null,
      lay: { kind: 'straight' },
      mend: null,
      leadM: null,
      castKind: null,
      rig: { id: null, fly: null, leaderM: null },
    },
  },
  events: codes.map((code, i) => ({
    id: `${id}${i}`,
    device: 'd',
    seq: i + 1,
    code,
    clientMs: i,
    zoneOffsetMin: 0,
  })),
});

it('where one is comes from the last try; what was covered lowers, what is vacant or passed closes', () => {
  const tries = [attempt('l0', ['cast', 'cast', 'leave']), attempt('l1', ['hook', 'landing'])];
  const states = new Map<string, LieState>([
    ['l0', { kind: 'covered', casts: 2, atMs: 2 }],
    ['l1', { kind: 'vacant', how: 'taken', sinceMs: 2, backMs: null }],
  ]);
  const ask = routeAsk(pack, tries, states, new Set(['l2']), NOW);
  expect(ask.at).toBe(2);
  const tick = (id: string) => ask.ticks.find((t) => t.lieId === id);
  // Covered today: never gone back to before its refill pays.
  expect(tick('l0')).toMatchObject({ closed: true });
  expect(tick('l0')!.looks).toHaveLength(2);
  expect(tick('l1')).toMatchObject({ closed: true });
  expect(tick('l2')).toEqual({ lieId: 'l2', looks: [], closed: true });
  expect(tick('l3')).toBeUndefined();
  expect(routeAsk(pack, [], new Map(), new Set(), NOW)).toMatchObject({ at: null, ticks: [] });
});

it('a fish that has rested is open again; the time that is left is asked with the way back', () => {
  const rested = new Map<string, LieState>([['l4', { kind: 'rested', sinceMs: 0 }]]);
  const ask = routeAsk(pack, [], rested, new Set(), { ...NOW, untilMs: 61_000 });
  expect(ask.ticks).toEqual([{ lieId: 'l4', looks: [], closed: false }]);
  expect(ask).toMatchObject({ budgetS: 60, turn: true });
});

it('a target is fished from the stand of the route, and the record says that stand', () => {
  const result = planRoute(
    ground,
    { at: null, lambda: 3, budgetS: null, turn: false, direction: 'free', ticks: [] },
    { brief: true },
  );
  if (result.kind !== 'route') throw new Error(result.kind);
  const stop = result.steps[0]!;
  const { id } = stop.lies[0]!;
  const own = { xM: -50, yM: 0 };
  const target = {
    id,
    xM: 0,
    yM: 0,
    snapshot: EMPTY_SNAPSHOT,
    shot: {
      stand: own,
      side: 'left',
      fly: 'dry',
      chance: { low: 0, best: 0, high: 0 },
      cover: madeCover(0.9),
      cleanS: { low: 1, best: 4, high: 6 },
      exposure: 0.1,
    },
  } as unknown as PackTarget;
  const stood = standingAt(target, ground, stop, DEFAULT_SETTINGS);
  const stand = ground.stands[stop.stand]!;
  expect(stood.shot!.stand).toEqual({ xM: stand.xM, yM: stand.yM });
  expect(stood.snapshot.cast!.stand).toEqual(stood.shot!.stand);
  const near = { ...target, shot: { ...target.shot!, stand: { xM: stand.xM, yM: stand.yM } } };
  // At the stand that was worked out for it its own cast holds, come to as the route comes to it.
  const at = standingAt(near, ground, stop, DEFAULT_SETTINGS);
  expect(at.shot!.cleanS.best).toBe(4);
  const { home, calm } = stop.lies[0]!;
  expect(at.shot!.chance.best).toBeCloseTo(chanceAt(madeCover(0.9), home, calm).found, 12);
});
