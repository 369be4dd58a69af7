/** @jest-environment jsdom */
import { webcrypto } from 'node:crypto';
import { FIRST_BEAT_FILE } from '../demo/first-beat';
import { readBeat, type BeatPlan } from '../core/formats/index';
import { foldTry } from '../core/tries/index';
import { madeFlow } from '../core/cast/test-waters';
import { createActions } from './actions';
import type { Letter } from './outbox';
import { createStore } from './store';
import { TEST_SETTINGS } from './test-settings';
import type { BeatInput, WorkspaceState } from './state';

Object.defineProperty(globalThis, 'crypto', { value: webcrypto });
const read = readBeat(FIRST_BEAT_FILE);
const plan = (read as { plan: BeatPlan }).plan;
const beat: BeatInput = {
  id: 'b1',
  streamName: 'Thrum',
  plan,
  marks: [],
  tries: [],
  reads: [],
  rises: [],
  settings: { ...TEST_SETTINGS, waterTempC: 11 },
  nowMs: Date.parse('2026-06-13T07:40:00Z'),
};

function setUp() {
  const letters: Letter[] = [];
  const store = createStore({
    step: 'read',
    level: 'Fair',
    atMs: beat.nowMs,
    lieId: null,
    markId: null,
    stand: null,
    landing: null,
    lay: { kind: 'straight' },
    posture: 'kneel',
    marks: [],
    tries: [],
    reads: [],
    rises: [],
    settings: beat.settings,
    layer: 'depth',
    placing: false,
    dragging: null,
    notices: [],
    flow: madeFlow((_x, y) => (y > 4 ? 0.3 : -0.4)),
    hours: null,
    drift: null,
    lies: null,
  } as unknown as WorkspaceState);
  let clock = beat.nowMs;
  const actions = createActions(
    store,
    beat,
    { post: (l) => void letters.push(l), flush: async () => {} },
    () => (clock += 1000),
    async () => ({
      stand: { xM: 1.234, yM: -5 },
      landing: { xM: 3.005, yM: 0 },
      lay: { kind: 'straight' },
    }),
  );
  return { store, actions, letters };
}

it('a marked fish faces its own current, is kept once, and a fish in an eddy faces down the valley', () => {
  const { store, actions, letters } = setUp();
  const id = actions.placeMark({ xM: 5.004, yM: 1 })!;
  expect(store.get().marks[0]).toMatchObject({
    id,
    xM: 5,
    yM: 1,
    surety: 'likely',
    fishDepthM: 0.35,
  });
  expect(Math.cos(store.get().marks[0]!.headingRad)).toBeGreaterThan(0.9);
  expect(letters).toHaveLength(1);
  expect(letters[0]).toMatchObject({ method: 'PUT', path: `/api/v1/marks/${id}` });
  actions.placeMark({ xM: 5, yM: 6 });
  expect(Math.cos(store.get().marks[1]!.headingRad)).toBeLessThan(-0.9);
  expect(id).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/);
});

it('refuses a fish on dry land with a sentence', () => {
  const { store, actions, letters } = setUp();
  expect(actions.placeMark({ xM: 5, yM: 40 })).toBeNull();
  expect(store.get().notices[0]).toContain('No fish can lie there');
  expect(letters).toHaveLength(0);
});

it('a drag drafts without saving; its end saves once', () => {
  const { store, actions, letters } = setUp();
  const id = actions.placeMark({ xM: 5, yM: 1 })!;
  for (const x of [5.1, 5.2, 5.3]) actions.changeMark(id, { xM: x, yM: 1 }, false);
  expect(letters).toHaveLength(1);
  expect(store.get().dragging).toBe('fish');
  actions.changeMark(id, { xM: 5.4, yM: 1 }, true);
  expect(letters).toHaveLength(2);
  expect(letters[1]!.body).toMatchObject({ xM: 5.4 });
  actions.strikeMark(id);
  expect(store.get().marks).toHaveLength(0);
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
  const opened = letters[1]!.body as { snapshot: object; localDate: string };
  expect(opened.localDate).toBe('2026-06-13');
  expect(opened.snapshot).toMatchObject({
    level: 'Fair',
    dischargeM3s: 1.652,
    hour: '2026-06-13T09:40',
    waterTempC: 11,
    lay: { kind: 'straight' },
  });
  actions.record(id, 'cast');
  actions.record(id, 'hook', { note: 'deep' });
  actions.takeBack(id);
  const { events, fly } = store.get().tries[0]!;
  expect(events.map((e) => [e.seq, e.code])).toEqual([
    [1, 'cast'],
    [2, 'hook'],
    [3, 'undo'],
  ]);
  expect(events[2]!.undoes).toBe(events[1]!.id);
  expect(foldTry(fly, events)).toMatchObject({ state: 'open', casts: 1 });
  expect(letters.filter((l) => l.path.includes('/events/'))).toHaveLength(3);
});

it('going to Cast proposes a stand, rounded to the centimetre that the address holds', async () => {
  const { store, actions } = setUp();
  actions.placeMark({ xM: 5, yM: 1 });
  actions.go('cast');
  await Promise.resolve();
  await Promise.resolve();
  expect(store.get()).toMatchObject({
    step: 'cast',
    stand: { xM: 1.23, yM: -5 },
    landing: { xM: 3.01, yM: 0 },
  });
});
