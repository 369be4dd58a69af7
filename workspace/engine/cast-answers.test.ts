import type { ShotsResult } from '../../core/cast/index';
import { plan } from '../../core/stalk/fixtures/streams';
import { createCastAnswers } from './cast-answers';
import { CAST, MARK } from '../fixtures/cast';
import { stateWith } from '../fixtures/state';
import { createStore } from '../state/store';

jest.mock('../../workers/client', () => ({
  across: <T>(x: T) => x,
  latestWins: jest.requireActual('../../workers/client').latestWins,
}));

const shots = (stands: number): ShotsResult => ({
  kind: 'no shots',
  reason: 'no-stand',
  looked: { stands, candidates: 0, simulated: 0, unknown: 0 },
});

function start() {
  const finds: {
    progress(f: number): void;
    answer(r: ShotsResult | null): void;
    fail(e: Error): void;
  }[] = [];
  const asked: string[] = [];
  let cancels = 0;
  const complaints: unknown[] = [];
  const store = createStore(
    stateWith({
      step: 'cast',
      markId: 'm1',
      marks: [MARK],
      stand: CAST.stand,
      landing: CAST.landing,
      flowState: { kind: 'ready' },
    }),
  );
  const workers = {
    live: { cast: async () => new Promise(() => {}) },
    shots: {
      find: (_q: unknown, progress: (f: number) => void) =>
        new Promise((answer, fail) => finds.push({ progress, answer, fail })),
      castStudy: async () => null,
      cancel: async () => void cancels++,
    },
  };
  const answers = createCastAnswers(
    store,
    plan(),
    workers as never,
    { once: (key, _inputs, ask) => (asked.push(key), ask()), forget: () => {} },
    (e) => complaints.push(e),
  );
  return { store, answers, finds, asked, complaints, cancels: () => cancels };
}
const turn = async () => {
  for (let n = 0; n < 5; n++) await Promise.resolve();
};

it('looks by itself once the water is final, tells its progress, and keeps what was found', async () => {
  const { store, answers, finds, asked } = start();
  answers.refresh(store.get(), false);
  expect(asked).toEqual(['drift']);
  answers.refresh(store.get(), true);
  expect(asked).toContain('castStudy');
  finds[0]!.progress(0.4);
  expect(store.get().search).toEqual({ kind: 'looking', progress: 0.4 });
  finds[0]!.answer(shots(3));
  await turn();
  expect(store.get()).toMatchObject({
    search: { kind: 'done' },
    shots: shots(3),
    shotsStale: false,
  });
  // Another way of asking: what is shown is of before, and says so.
  store.set((s) => ({ asked: { ...s.asked, pinLay: 'roll' } }));
  answers.refresh(store.get(), true);
  expect(store.get().shotsStale).toBe(true);
});

it('only the newest search tells; one that is stopped tells nothing and is not begun again by itself', async () => {
  const { store, answers, finds, cancels } = start();
  void answers.findShots();
  void answers.findShots();
  finds[0]!.answer(shots(1));
  finds[1]!.answer(shots(2));
  await turn();
  expect(store.get().shots).toEqual(shots(2));
  store.set({ shots: null });
  void answers.findShots();
  answers.cancelSearch();
  finds[2]!.progress(0.9);
  finds[2]!.answer(shots(9));
  await turn();
  expect(cancels()).toBe(1);
  expect(store.get()).toMatchObject({ search: { kind: 'stopped' }, shots: null });
  answers.refresh(store.get(), true);
  expect(finds).toHaveLength(3);
});

it('a search that fails is said, not swallowed; without a fish none is begun', async () => {
  const { store, answers, finds, complaints } = start();
  void answers.findShots();
  finds[0]!.fail(new Error('gone'));
  await turn();
  expect(complaints).toHaveLength(1);
  expect(store.get().search).toEqual({ kind: 'stopped' });
  store.set({ markId: null });
  expect(await answers.findShots()).toBeNull();
});

it('the best shot at another fish leaves the search on screen alone', async () => {
  const { store, answers, finds } = start();
  const asked = answers.bestShotAt('m1');
  finds[0]!.answer(shots(1));
  expect(await asked).toBeNull();
  expect(store.get().search).toEqual({ kind: 'idle' });
});
