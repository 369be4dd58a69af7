import {
  EMPTY_SNAPSHOT,
  type EventCode,
  type KeptRead,
  type PlaceAt,
  type Try,
} from '../log/index';
import { quickRead, type QuickAnswers } from '../lies/index';
import type { RouteGround } from '../route/index';
import {
  aheadOf,
  groundByPattern,
  ownFactors,
  placePlan,
  waterOfRead,
  type PackTarget,
  type PlaceRead,
} from './index';

const ANSWERS: QuickAnswers = {
  species: 'brown',
  forkLengthCm: 24,
  waterTempC: 12,
  prey: 'mixed',
  method: 'energy-budget',
  depthM: 0.6,
  surfacePaceMps: 0.4,
  edge: 'quicker',
  cover: 'rock',
  coverDistanceM: 0.4,
  bottom: 'cobble',
  foam: false,
  colour: 'clear',
  shaded: false,
  season: 'summer',
  deeper: null,
};
const MIN = 60_000;
const read = (
  id: string,
  more: Partial<QuickAnswers> = {},
  at: PlaceAt | null = null,
): PlaceRead => {
  const answers = { ...ANSWERS, ...more };
  const result = quickRead(answers);
  if (!result.ok) throw new Error(result.problems.join(' '));
  const told: KeptRead = {
    id,
    beatId: null,
    xM: null,
    yM: null,
    takenMs: Number(id.slice(1)) * MIN,
    zoneOffsetMin: 0,
    answers,
    result,
    note: '',
  };
  return {
    ...told,
    place: { streamName: 'Kest Beck', water: waterOfRead(told), count: 2, at, photoId: null },
  };
};
const attempt = (readId: string, codes: EventCode[], n = 1): Try => ({
  id: `t${readId}${n}`,
  outingId: 'o',
  beatId: null,
  markId: null,
  readId,
  fly: '',
  openedMs: n,
  zoneOffsetMin: 0,
  snapshot: EMPTY_SNAPSHOT,
  events: codes.map((code, i) => ({
    id: `${readId}${n}${i}`,
    device: 'd',
    seq: i + 1,
    code,
    clientMs: n + i,
    zoneOffsetMin: 0,
  })),
});
const NOW = { nowMs: 100 * MIN, waterTempC: 12, waterLeftM: null, untilMs: null };
const planOf = (reads: PlaceRead[], tries: Try[], more = {}) =>
  placePlan(reads, tries, reads, [], [], { ...NOW, ...more });

it('the newest place is where one stands; blanks lower it until it is walked past; all covered is said', () => {
  const reads = [read('r1'), read('r2')];
  const fresh = planOf(reads, []);
  expect(fresh.here!.read.id).toBe('r2');
  expect(fresh.here!.covers).toBeGreaterThan(0);
  expect(fresh.here!.takes).toBeGreaterThan(0);
  const one = planOf(reads, [attempt('r2', ['cast', 'cast', 'cast', 'leave'])]);
  expect(one.here!.left).toBe(1);
  expect(one.here!.lies.p).toBeLessThan(fresh.here!.lies.p);
  const both = planOf(
    reads,
    [1, 2].map((n) => attempt('r2', ['cast', 'leave'], n)),
  );
  expect(both.here).toMatchObject({ left: 0, covers: 0 });
});

it('a take raises the lie beside it; taken back it leaves no trace', () => {
  const reads = [read('r1')];
  const plain = planOf(reads, []).here!.lies.p;
  const took = attempt('r1', ['hook', 'landing']);
  expect(planOf(reads, [took]).here!.lies.p).toBeGreaterThan(plain);
  const undo = (of: string, seq: number) => ({
    ...took.events[0]!,
    id: `u${of}`,
    seq,
    code: 'undo' as const,
    undoes: of,
  });
  const events = [...took.events, undo(took.events[0]!.id, 3), undo(took.events[1]!.id, 4)];
  expect(planOf(reads, [{ ...took, events }]).here!.lies.p).toBeCloseTo(plain, 12);
});

it('no time left: nothing pays less than that; more time never fewer casts', () => {
  const reads = [read('r1'), read('r2')];
  const covers = [0.5, 2, 8].map(
    (h) => planOf(reads, [], { waterLeftM: 2000, untilMs: NOW.nowMs + h * 60 * MIN }).here!.covers,
  );
  expect([...covers].sort((a, b) => a - b)).toEqual(covers);
});

it('where fish were found, on beats and at places alike, draws the like of it', () => {
  const deep = { depthM: 1.2, surfacePaceMps: 0.25, edge: 'none', cover: 'none' } as const;
  const thin = { depthM: 0.3, surfacePaceMps: 0.7, edge: 'none', cover: 'none' } as const;
  const reads = [1, 2, 3, 4, 5, 6, 7, 8].map((n) => read(`r${n}`, n % 2 ? deep : thin));
  const tries = reads.map((r, i) =>
    attempt(r.id, i % 2 === 0 ? ['hook', 'loss'] : ['cast', 'cast', 'leave']),
  );
  const plan = planOf(reads, tries);
  expect(plan.pattern!.found).toBe(4);
  const fitOf = (id: string) => plan.places.find((p) => p.read.id === id)!.fit!;
  expect(fitOf('r1')).toBeGreaterThan(1);
  expect(fitOf('r2')).toBeLessThan(1);
  expect(planOf(reads.slice(0, 2), []).pattern).toBeNull();
});

it('places of an earlier day lie ahead where the phone stands on the same stretch, and only there', () => {
  const phone = (lat: number): PlaceAt => ({ by: 'phone', lat, lon: 7, accuracyM: 8 });
  const day = [
    read('r1', {}, phone(45)),
    read('r2', {}, phone(45.001)),
    read('r3', {}, phone(45.002)),
  ];
  const here = read('r9', {}, phone(45.0001));
  const ahead = aheadOf(here, [day]);
  expect(ahead.map((a) => a.read.id)).toEqual(['r2', 'r3']);
  expect(ahead[0]!.aheadM).toBeCloseTo(111.2, 0);
  expect(aheadOf(read('r9', {}, phone(46)), [day])).toEqual([]);
  expect(aheadOf(read('r9'), [day])).toEqual([]);
});

it('own success in a kind of water raises its like, and is drawn in where little was worked', () => {
  const reads = [1, 2, 3, 4, 5, 6].map((n) => read(`r${n}`));
  const water = waterOfRead(reads[0]!);
  const took = reads.map((r) => attempt(r.id, ['hook', 'landing']));
  const blank = reads.map((r) => attempt(r.id, ['cast', 'cast', 'leave']));
  const factor = (tries: Try[]) => ownFactors(tries, reads)[water]!;
  expect(factor(took)).toBeGreaterThan(1.2);
  expect(factor(blank)).toBeLessThan(1);
  expect(factor(took.slice(0, 1))).toBeLessThan(factor(took));
  expect(ownFactors([], reads)).toEqual({});
});

it('today’s pattern moves the lies of a route, but not a fish that was seen', () => {
  const ground = {
    lies: ['deep', 'thin', 'seen'].map((id) => ({ id, home: 0.4 })),
  } as unknown as RouteGround;
  const target = (id: string, depthM: number, markId: string | null = null) =>
    ({
      id,
      markId,
      depthM,
      snapshot: { target: { meanSpeedMps: 0.2 } },
    }) as unknown as PackTarget;
  const targets = [target('deep', 1.2), target('thin', 0.3), target('seen', 0.3, 'm')];
  const moved = groundByPattern(ground, targets, { fit: (depthM) => (depthM > 1 ? 2 : 0.5) });
  expect(moved.lies.map((l) => l.home)).toEqual([0.8, 0.2, 0.4]);
  expect(groundByPattern(ground, targets, { fit: () => 9 }).lies[0]!.home).toBe(0.95);
});
