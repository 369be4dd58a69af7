import fc from 'fast-check';
import { plan, stream } from '../../core/stalk/fixtures/streams';
import type { LieField } from '../../core/lies/index';
import type { FlowSource } from '../engine/flow-source';
import { runAnswers } from '../engine/run-answers';
import { deferredWorkers, settle, type Deferred } from '../engine/fixtures/deferred-workers';
import { CAST, MARK } from '../fixtures/cast';
import { stateWith } from '../fixtures/state';
import type { AnswerName } from '../state/answer';
import type { WorkspaceState } from '../state/state';
import { createWorkspaceStore } from '../state/store';
import { answerSpecs } from './answer-specs';

const lies = (...at: number[]): LieField => ({
  field: new Float64Array(),
  lies: at.map(
    (xM) => ({ id: `l${xM}`, xM, yM: 1, depthM: 0.5, headingRad: 0, rating: 70 }) as never,
  ),
  nothing: null,
  expected: { mean: 1, low: 0, high: 2 },
  stretches: [],
});
const flow = stream(0.4, 0.5);
const source = {
  at: () => ({}),
  hashOf: () => '',
  find: async () => null,
} as unknown as FlowSource;

function start(more: Partial<WorkspaceState> = {}) {
  const { workers, calls, of } = deferredWorkers();
  const complaints: unknown[] = [];
  const store = createWorkspaceStore(
    stateWith({ flow, waterSerial: 1, flowState: { kind: 'ready' }, marks: [MARK], ...more }),
  );
  const specs = answerSpecs(plan(), {
    source,
    findShots: (_w, q) => workers.shots.find(q, () => {}) as never,
    onRoute: () => {},
  });
  const answers = runAnswers(store, specs, workers, (e) => complaints.push(e));
  store.subscribe(() => answers.refresh());
  answers.refresh();
  const state = (name: AnswerName) => store.getState().answers[name].state;
  return { store, calls, of, state, complaints, answers };
}
const cast = { markId: 'm1', stand: CAST.stand, landing: CAST.landing };
const last = (list: Deferred[]) => list[list.length - 1]!;

describe('what was asked wrongly before', () => {
  it('lookouts: other lies, as many as before, are another question', async () => {
    const { store, of, state } = start({ step: 'spot', marks: [] });
    of('read.rate')[0]!.answer(lies(3, 9));
    await settle();
    of('read.lookouts')[0]!.answer([]);
    await settle();
    expect(state('lookouts')).toBe('fresh');
    store.setState({ triedTempC: 15 });
    last(of('read.rate')).answer(lies(4, 12));
    await settle();
    expect(state('lookouts')).toBe('stale');
    expect(of('read.lookouts')).toHaveLength(2);
  });

  it('a way to a stand that has been moved meanwhile is not shown as fresh', async () => {
    const { store, of, state } = start({ step: 'stalk', ...cast });
    store.setState({ stand: { xM: 8, yM: -5 } });
    of('stalk.plan')[0]!.answer({ kind: 'no way', reason: 'cut-off', about: null });
    await settle();
    expect(state('stalk')).toBe('stale');
    last(of('stalk.plan')).answer({ kind: 'no way', reason: 'cut-off', about: null });
    await settle();
    expect(state('stalk')).toBe('fresh');
  });

  it('the study of a way waits for the way', async () => {
    const { of } = start({ step: 'stalk', ...cast });
    await settle();
    expect(of('stalk.study')).toHaveLength(0);
    of('stalk.plan')[0]!.answer({ kind: 'no way', reason: 'cut-off', about: null });
    await settle();
    expect(of('stalk.study')).toHaveLength(1);
  });

  it('the drift is stale as soon as the stand moves', async () => {
    const { store, of, state } = start({ step: 'cast', ...cast });
    of('live.cast')[0]!.answer({ band: { best: {} }, now: {} });
    await settle();
    expect(state('drift')).toBe('fresh');
    store.setState({ stand: { xM: 8, yM: -5 } });
    expect(state('drift')).toBe('stale');
  });
});

it('while something is dragged only what follows the pointer is asked, and the latest wins', async () => {
  const { store, of } = start({ step: 'cast', ...cast, dragging: 'stand' });
  for (const xM of [8, 7, 6]) store.setState({ stand: { xM, yM: -5 } });
  expect(of('live.cast')).toHaveLength(1);
  expect(of('shots.castStudy')).toHaveLength(0);
  of('live.cast')[0]!.answer({ band: { best: {} }, now: {} });
  await settle();
  expect(of('live.cast')).toHaveLength(2);
  expect(last(of('live.cast')).args[0]).toMatchObject({ stand: { xM: 6 } });
  store.setState({ dragging: null });
  expect(of('shots.castStudy')).toHaveLength(1);
});

it('a question is worked out anew only when what it read has changed', async () => {
  const { store, calls, of } = start({ step: 'read' });
  of('read.rate')[0]!.answer(lies(3));
  await settle();
  const before = calls.length;
  store.setState({ notices: ['x'], filmAtS: 1, planHeightPx: 9 });
  expect(calls).toHaveLength(before);
  store.setState((s) => ({ settings: { ...s.settings, localNotes: 'private above the bridge' } }));
  expect(calls).toHaveLength(before);
  store.setState((s) => ({ settings: { ...s.settings, species: 'brook' } }));
  expect(of('read.rate')).toHaveLength(2);
});

it('a new water: what was asked of the old one is dropped when it comes', async () => {
  const { store, of, state } = start();
  store.setState({ flow: stream(0.6, 0.5), waterSerial: 2 });
  of('read.rate')[0]!.answer(lies(3));
  await settle();
  expect(state('lies')).toBe('asking');
  last(of('read.rate')).answer(lies(5));
  await settle();
  expect(state('lies')).toBe('fresh');
});

it('a question that fails is said once, shows nothing as its answer, and is asked again when it changes', async () => {
  const { store, of, state, complaints } = start();
  of('read.rate')[0]!.fail(new Error('gone'));
  await settle();
  expect([state('lies'), complaints.length]).toEqual(['failed', 1]);
  store.setState({ notices: ['x'] });
  expect(of('read.rate')).toHaveLength(1);
  store.setState({ triedTempC: 14 });
  expect(of('read.rate')).toHaveLength(2);
});

it('a chosen lie is found again among lies rated anew', async () => {
  const { store, of } = start({ lieId: 'l3', marks: [] });
  of('read.rate')[0]!.answer(lies(3));
  await settle();
  store.setState({ triedTempC: 14 });
  last(of('read.rate')).answer(lies(3.4, 9));
  await settle();
  expect(store.getState().lieId).toBe('l3.4');
});

describe('the search for shots', () => {
  it('is asked on call only, and is stale once its question is another', async () => {
    const { store, of, state, answers } = start({ step: 'cast', ...cast });
    expect(of('shots.find')).toHaveLength(0);
    const found = answers.run('shots');
    of('shots.find')[0]!.answer({ kind: 'no shots', reason: 'no-stand', looked: {} });
    expect(await found).toMatchObject({ reason: 'no-stand' });
    expect(state('shots')).toBe('fresh');
    store.setState((s) => ({ asked: { ...s.asked, pinLay: 'roll' } }));
    expect(state('shots')).toBe('stale');
    store.setState((s) => ({ asked: { ...s.asked, pinLay: null } }));
    expect(state('shots')).toBe('fresh');
  });
});

/** What the workers would say: the question itself, so that an answer tells what it answers. */
const echo = (c: Deferred) => {
  const said = JSON.stringify(c.args);
  if (c.method === 'exposures') return [0.5];
  if (c.method === 'cast') return { band: { best: {}, said }, now: { said } };
  if (c.method === 'rate') return { ...lies(3, 9), said };
  if (c.method === 'plan') return { kind: 'no way', reason: 'cut-off', about: null, said };
  if (c.method === 'lookouts' || c.method === 'glare') return Object.assign([], { said });
  return { said };
};

it('whatever is done and however late answers come, what is fresh answers what is on the screen (seeded)', async () => {
  const place = fc.record({ xM: fc.integer({ min: 4, max: 20 }), yM: fc.constantFrom(-6, -5) });
  const change = fc.oneof(
    fc.record({ set: fc.constant('stand' as const), to: place }),
    fc.record({ set: fc.constant('landing' as const), to: fc.constantFrom(CAST.landing, null) }),
    fc.record({
      set: fc.constant('step' as const),
      to: fc.constantFrom('read', 'spot', 'stalk', 'cast', 'log'),
    }),
    fc.record({ set: fc.constant('markId' as const), to: fc.constantFrom('m1', null) }),
    fc.record({ set: fc.constant('viewer' as const), to: fc.option(place) }),
    fc.record({ set: fc.constant('dragging' as const), to: fc.constantFrom('stand', null) }),
    fc.record({ set: fc.constant('triedTempC' as const), to: fc.constantFrom(null, 9, 15) }),
    fc.record({
      set: fc.constant('atMs' as const),
      to: fc.integer({ min: 0, max: 4 }).map((h) => 1.781e12 + h * 3.6e6),
    }),
    fc.record({ set: fc.constant('posture' as const), to: fc.constantFrom('stand', 'kneel') }),
    fc.record({ set: fc.constant('flowStale' as const), to: fc.boolean() }),
    fc.record({ set: fc.constant('waterSerial' as const), to: fc.integer({ min: 1, max: 3 }) }),
    fc.record({ set: fc.constant('farBankAsked' as const), to: fc.boolean() }),
  );
  const answer = fc.record({
    answer: fc.integer({ min: 0, max: 30 }),
    fails: fc.integer({ min: 0, max: 9 }),
  });
  let asked = 0;
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.oneof(change, answer), { minLength: 5, maxLength: 40 }),
      async (moves) => {
        const { store, calls } = start({ step: 'cast', ...cast });
        const waiting: Deferred[] = [];
        let seen = 0;
        const check = () => {
          const s = store.getState();
          const specs = answerSpecs(plan(), {
            source,
            findShots: async () => null,
            onRoute: () => {},
          });
          for (const spec of specs) {
            const a = s.answers[spec.name];
            if (a.state !== 'fresh') continue;
            // From nothing but the state: the question that is on the screen now.
            expect([spec.name, a.of]).toEqual([
              spec.name,
              `${s.waterSerial} ${JSON.stringify(spec.question(s))}`,
            ]);
          }
        };
        for (const m of moves) {
          if ('set' in m) store.setState({ [m.set]: m.to } as Partial<WorkspaceState>);
          else {
            waiting.push(...calls.slice(seen));
            seen = calls.length;
            const call = waiting.splice(m.answer % Math.max(1, waiting.length), 1)[0];
            if (m.fails === 0) call?.fail(new Error('lost'));
            else if (call) call.answer(echo(call));
            await settle();
          }
          check();
        }
        asked += calls.length;
      },
    ),
    { numRuns: 60, seed: 14 },
  );
  // It was no empty walk: questions were asked and answered throughout.
  expect(asked).toBeGreaterThan(500);
});
