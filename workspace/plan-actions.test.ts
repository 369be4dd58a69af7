/** @jest-environment jsdom */
import { webcrypto } from 'node:crypto';
import { FIRST_BEAT_FILE } from '../demo/first-beat';
import { readBeat, type BeatPlan } from '../core/formats/index';
import { foldTry, type KeptRead } from '../core/log/index';
import { madeFlow } from '../core/water/fixtures/waters';
import type { Shot } from '../core/cast/index';
import { api } from '../sync/api';
import { type QueuedRequest } from '../sync/client';
import type { ActionContext } from './action-context';
import type { Engine } from './engine/engine';
import { createPlanActions } from './plan-actions';
import { createMarkActions } from './records/mark-actions';
import { createTryActions } from './records/try-actions';
import { formatAddress } from './state/address';
import { createWorkspaceStore } from './state/store';
import { createBenchActions } from './steps/bench/bench-actions';
import { createCastActions } from './steps/cast/cast-actions';
import { createReadActions } from './steps/read/read-actions';
import { stateWith } from './fixtures/state';
import { TEST_SETTINGS } from './fixtures/settings';
import type { WorkspaceState } from './state/state';
import type { BeatInput } from './state/document';

Object.defineProperty(globalThis, 'crypto', { value: webcrypto });
const read = readBeat(FIRST_BEAT_FILE);
const plan = (read as { plan: BeatPlan }).plan;
const beat: BeatInput = {
  id: 'b1',
  streamName: 'Thrum',
  plan,
  planHash: 'p1',
  marks: [],
  tries: [],
  reads: [],
  rises: [],
  outings: [],
  settings: { ...TEST_SETTINGS, waterTempC: 11 },
  nowMs: Date.parse('2026-06-13T07:40:00Z'),
};

function setUp(more: Partial<WorkspaceState> = {}) {
  const letters: QueuedRequest[] = [];
  const store = createWorkspaceStore(
    stateWith({
      atMs: beat.nowMs,
      settings: beat.settings,
      flow: madeFlow((_x, y) => (y > 4 ? 0.3 : -0.4)),
      flowState: { kind: 'ready' },
      ...more,
    }),
  );
  const shot = { stand: { xM: 1.234, yM: -5 }, landing: { xM: 3.005, yM: 0 }, posture: 'kneel' };
  let clock = beat.nowMs;
  const link = () => formatAddress(beat.id, store.getState(), plan.timeZone);
  const context: ActionContext = {
    store,
    beat,
    engine: {
      quickShot: async () => ({ ...shot, lay: { kind: 'straight' } }) as Shot,
    } as Partial<Engine> as Engine,
    queue: { post: async (l) => letters.push(l) > 0 },
    now: () => (clock += 1000),
    push: () => window.history.pushState(null, '', link()),
    replace: () => window.history.replaceState(null, '', link()),
  };
  const actions = {
    ...createPlanActions(context),
    ...createMarkActions(context),
    ...createTryActions(context),
    ...createReadActions(context),
    ...createCastActions(context),
  };
  const bench = createBenchActions(context);
  return { store, actions, bench, letters };
}

it('a marked fish faces its own current, is kept once, and a fish in an eddy faces down the valley', () => {
  const { store, actions, letters } = setUp();
  const id = actions.placeMark({ xM: 5.004, yM: 1 })!;
  expect(store.getState().marks[0]).toMatchObject({
    id,
    xM: 5,
    yM: 1,
    surety: 'likely',
    fishDepthM: 0.35,
  });
  expect(Math.cos(store.getState().marks[0]!.headingRad)).toBeGreaterThan(0.9);
  expect(letters).toHaveLength(1);
  expect(letters[0]).toMatchObject({ method: 'PUT', path: `/api/v1/marks/${id}` });
  actions.placeMark({ xM: 5, yM: 6 });
  expect(Math.cos(store.getState().marks[1]!.headingRad)).toBeLessThan(-0.9);
  expect(id).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/);
});

it('refuses a fish on dry land with a sentence', () => {
  const { store, actions, letters } = setUp();
  expect(actions.placeMark({ xM: 5, yM: 40 })).toBeNull();
  expect(store.getState().notices[0]).toContain('No fish can lie there');
  expect(letters).toHaveLength(0);
});

it('a drag drafts without saving; its end saves once', () => {
  const { store, actions, letters } = setUp();
  const id = actions.placeMark({ xM: 5, yM: 1 })!;
  for (const x of [5.1, 5.2, 5.3]) actions.changeMark(id, { xM: x, yM: 1 }, false);
  expect(letters).toHaveLength(1);
  expect(store.getState().dragging).toBe('fish');
  actions.changeMark(id, { xM: 5.4, yM: 1 }, true);
  expect(letters).toHaveLength(2);
  expect(letters[1]!.body).toMatchObject({ xM: 5.4 });
  actions.removeMark(id);
  expect(store.getState().marks).toHaveLength(0);
  expect(letters[2]).toMatchObject({ method: 'DELETE' });
});

it('choosing pushes history, dragging replaces it once on release', () => {
  const { actions } = setUp();
  const before = window.history.length;
  actions.chooseLevel('Full');
  expect(window.history.length).toBe(before + 1);
  actions.moveStand({ xM: 1, yM: 2 }, true);
  actions.moveStand({ xM: 1.111, yM: 2 }, false);
  expect(window.history.length).toBe(before + 1);
  expect(window.location.search).toContain('stand=1.11,2.00');
});

it('a try keeps the plan of its moment; events count up and an undo names what it undoes', () => {
  const { store, actions, letters } = setUp();
  actions.placeMark({ xM: 5, yM: 1 });
  const id = actions.beginTry('Ant 14');
  const opened = letters[1]!.body as { snapshot: object; outing: object };
  expect(opened.outing).toMatchObject({ endMs: null, timeZone: plan.timeZone });
  expect(opened.snapshot).toMatchObject({
    version: 1,
    planHash: 'p1',
    constantsHash: expect.stringMatching(/^[0-9a-f]{16}$/),
    level: 'Fair',
    dischargeM3s: 1.652,
    hour: '2026-06-13T09:40',
    water: { tempC: 11, tempSource: 'read' },
    target: { behaviour: 'holding', depthM: expect.any(Number) },
    cast: null,
  });
  actions.record(id, 'cast');
  actions.record(id, 'hook', { note: 'deep' });
  actions.undoLast(id);
  const { events, fly } = store.getState().tries[0]!;
  expect(events.map((e) => [e.seq, e.code])).toEqual([
    [1, 'cast'],
    [2, 'hook'],
    [3, 'undo'],
  ]);
  expect(events[2]!.undoes).toBe(events[1]!.id);
  expect(foldTry(fly, events)).toMatchObject({ state: 'open', casts: 1 });
  expect(letters.filter((l) => l.path.includes('/events/'))).toHaveLength(3);
});

it('a proposed cast is rounded to the centimetre that the address holds', async () => {
  const { store, actions } = setUp();
  actions.placeMark({ xM: 5, yM: 1 });
  await actions.proposeCast();
  expect(store.getState()).toMatchObject({
    stand: { xM: 1.23, yM: -5 },
    landing: { xM: 3.01, yM: 0 },
  });
});

it('a fish seen again keeps what it was; a drag is one sighting, a drag given back none', () => {
  const { store, actions, letters } = setUp();
  const id = actions.placeMark({ xM: 5, yM: 1 })!;
  const first = store.getState().marks[0]!.seenMs;
  actions.seenAgain(id, { behaviour: 'rising' });
  expect(store.getState().marks[0]).toMatchObject({ behaviour: 'rising' });
  expect(store.getState().marks[0]!.seenMs).toBeGreaterThan(first);
  expect(store.getState().marks[0]!.history).toMatchObject([
    { behaviour: 'holding', seenMs: first },
  ]);
  for (const x of [5.2, 5.4]) actions.changeMark(id, { xM: x, yM: 1 }, false);
  actions.changeMark(id, { xM: 5.6, yM: 1 }, true);
  expect(store.getState().marks[0]!.history).toHaveLength(2);
  expect(store.getState().marks[0]!.history[1]!.xM).toBe(5);
  for (const x of [5.7, 5.6]) actions.changeMark(id, { xM: x, yM: 1 }, false);
  actions.changeMark(id, { xM: 5.6, yM: 1 }, true);
  expect(store.getState().marks[0]!.history).toHaveLength(2);
  expect(letters.at(-1)!.body).not.toHaveProperty('history');
});

it('rings count up from the last, and can be taken back', () => {
  const { store, actions, letters } = setUp();
  actions.setTapping(true);
  actions.tapRise({ xM: 4.123, yM: 1 });
  actions.tapRise({ xM: 4, yM: 1.2 });
  expect(store.getState().rises.map((r) => [r.seq, r.xM])).toEqual([
    [1, 4.12],
    [2, 4],
  ]);
  expect(store.getState().rises[1]!.atMs).toBeGreaterThan(store.getState().rises[0]!.atMs);
  actions.removeRises([store.getState().rises[1]!.id]);
  expect(store.getState().rises).toHaveLength(1);
  expect(letters.map((l) => l.method)).toEqual(['PUT', 'PUT', 'DELETE']);
  actions.go('read');
  expect(store.getState().tapping).toBe(false);
});

it('a photograph that is refused says why; one that is kept belongs to its fish', async () => {
  const { store, actions } = setUp();
  const id = actions.placeMark({ xM: 5, yM: 1 })!;
  const answer = (ok: boolean, body: object) =>
    (global.fetch = (async () => ({ ok, json: async () => body })) as unknown as typeof fetch);
  answer(false, { error: { message: 'This file of 0.1 MB is no picture that can be read.' } });
  expect(await actions.keepPhoto(id, new Blob(['x']))).toContain('no picture');
  expect(store.getState().marks[0]!.photoId).toBeNull();
  answer(true, {});
  expect(await actions.keepPhoto(id, new Blob(['x']))).toBeNull();
  expect(store.getState().marks[0]!.photoId).toMatch(/^[0-9a-f-]{36}$/);
});

it('a lie that drew blank is a try that counts as one', () => {
  const { store, actions } = setUp();
  actions.drewBlank();
  expect(store.getState().tries[0]!.events).toMatchObject([{ code: 'cast', note: 'Drew blank.' }]);
});

it('a read is placed where the plan was pressed, to a centimetre', () => {
  const { store, actions, letters } = setUp();
  const read = { id: 'q1', beatId: 'b1', xM: null, yM: null } as unknown as KeptRead;
  store.setState({ reads: [read], placingRead: 'q1' });
  actions.placeRead('q1', { xM: 3.456, yM: -1.001 });
  expect(store.getState()).toMatchObject({ placingRead: null, reads: [{ xM: 3.46, yM: -1 }] });
  expect(letters[0]).toMatchObject({ method: 'PUT', path: '/api/v1/reads/q1' });
});

it('one day is one outing: the second try belongs to the first one\u2019s, another day to a new one', () => {
  const { store, actions, letters } = setUp();
  actions.placeMark({ xM: 5, yM: 1 });
  const [a, b] = [actions.beginTry('Ant'), actions.beginTry('Gnat')];
  const [first, second] = [a, b].map((id) => store.getState().tries.find((t) => t.id === id)!);
  expect(first!.outingId).toBe(second!.outingId);
  expect(store.getState().outings).toHaveLength(1);
  store.setState((s) => ({
    outings: s.outings.map((o) => ({ ...o, startMs: o.startMs - 24 * 3_600_000 })),
  }));
  actions.beginTry('Midge');
  expect(store.getState().outings).toHaveLength(2);
  expect(new Set(letters.flatMap((l) => (l.body?.outing as { id: string })?.id ?? [])).size).toBe(
    2,
  );
});

describe('undo', () => {
  it('gives back stand, fish and waypoints, a drag in one step, and tells the book of the fish', () => {
    const { store, actions, letters } = setUp();
    const id = actions.placeMark({ xM: 5, yM: 1 })!;
    actions.moveStand({ xM: 1, yM: -4 }, false);
    for (const x of [1.2, 1.4, 1.6]) actions.moveStand({ xM: x, yM: -4 }, true);
    actions.moveStand({ xM: 1.6, yM: -4 }, false);
    expect(store.getState().stand).toEqual({ xM: 1.6, yM: -4 });
    actions.undo();
    expect(store.getState().stand).toEqual({ xM: 1, yM: -4 });
    actions.undo();
    expect(store.getState().stand).toBeNull();
    actions.undo();
    expect(store.getState().marks).toEqual([]);
    expect(letters.at(-1)).toMatchObject({ method: 'DELETE', path: `/api/v1/marks/${id}` });
    actions.redo();
    expect(letters.at(-1)).toMatchObject({ method: 'PUT', path: `/api/v1/marks/${id}` });
    actions.redo();
    actions.redo();
    expect(store.getState().stand).toEqual({ xM: 1.6, yM: -4 });
  });
  it('is not filled by what is computed or looked at', () => {
    const { store, actions } = setUp();
    actions.setHour(beat.nowMs + 3_600_000, true);
    actions.go('spot');
    store.setState({ notices: ['x'] });
    expect(store.temporal.getState().pastStates).toHaveLength(0);
  });
});

it('a rig is chosen and changed: a template becomes one’s own, what cannot be is refused and nothing is sent', () => {
  const { store, bench, letters } = setUp();
  bench.choose('float');
  expect(store.getState()).toMatchObject({ rigId: 'float', fly: 'indicator' });
  const float = (hungM: number) =>
    bench.changePart(2, { part: 'float', diameterMm: 14, hungM, colour: 'orange' });
  expect(float(9)).toMatchObject({ kind: 'float-too-deep', hungM: 9 });
  expect(store.getState().settings.tackle.rigs).toEqual([]);
  expect(letters).toHaveLength(0);
  expect(float(1.2)).toBeNull();
  const [own] = store.getState().settings.tackle.rigs;
  expect(store.getState().rigId).toBe(own!.id);
  expect(own!.name).toBe('Float and two nymphs, mine');
  expect(float(1.1)).toBeNull();
  expect(store.getState().settings.tackle.rigs).toHaveLength(1);
  bench.makeReady(0, own!.id);
  bench.setLeft('nymph-16', 0);
  expect(store.getState().settings.tackle.box.find((f) => f.id === 'nymph-16')!.left).toBe(0);
  // Its fly is gone: the next change is refused with the fly’s name.
  expect(float(1)).toMatchObject({ kind: 'none-left' });
  bench.throwAway(own!.id);
  expect(store.getState()).toMatchObject({ rigId: null });
  expect(store.getState().settings.tackle.ready).toEqual([null, null]);
  expect(letters.every((l) => l.path === '/api/v1/settings')).toBe(true);
});

it('a bed that the fly felt is kept as a sounding, or the sentence says why not', async () => {
  const { store, actions, bench } = setUp();
  expect(await bench.keepSounding(0.6, 0.1)).toBe('Choose a fish or a lie first.');
  store.setState({ markId: actions.placeMark({ xM: 5, yM: 1 })! });
  const saved = jest.spyOn(api, 'saveBeat');
  saved.mockResolvedValueOnce({ ok: true, value: { id: 'b1', notes: [] } } as never);
  expect(await bench.keepSounding(0.6, 0.1)).toBeNull();
  const again = readBeat(saved.mock.calls[0]![1].file);
  if (!again.ok) throw new Error('the beat that was sent must be a beat');
  const soundings = (p: BeatPlan) => p.features.filter((f) => f.kind === 'sounding');
  expect(soundings(again.plan)).toHaveLength(soundings(plan).length + 1);
  expect(soundings(again.plan).at(-1)).toMatchObject({ depthM: 0.7 });
  saved.mockResolvedValueOnce({ ok: false, message: 'No network.' } as never);
  expect(await bench.keepSounding(0.6, 0.1)).toContain('No network.');
  saved.mockRestore();
});

it('what the bed said goes to the try at this fish, or begins one, and what helps is done', () => {
  const { store, actions, bench, letters } = setUp();
  const id = actions.placeMark({ xM: 5, yM: 1 })!;
  store.setState({ markId: id });
  bench.felt('clear');
  bench.felt('bottom');
  const [attempt] = store.getState().tries;
  expect(store.getState().tries).toHaveLength(1);
  expect(attempt!.events.map((e) => e.code)).toEqual(['clear', 'bottom']);
  bench.takeBack(attempt!.id);
  expect(foldTry('', store.getState().tries[0]!.events).timeline.at(-1)!.undone).toBe(true);
  expect(letters.length).toBeGreaterThan(3);
  bench.applyRung({ kind: 'tuck', depthM: 0.4, enough: true });
  expect(store.getState().lay).toEqual({ kind: 'pile' });
  bench.applyRung({ kind: 'lead', moreM: 1, leadM: 2, depthM: 0.5, enough: true });
  expect(store.getState().landing!.xM).toBeCloseTo(7, 0);
});
