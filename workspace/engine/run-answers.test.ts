import { flowOf } from '../../core/water/fixtures/flows';
import { stateWith } from '../fixtures/state';
import type { AnswerValues } from '../state/answer';
import { createWorkspaceStore } from '../state/store';
import { runAnswers, spec } from './run-answers';
import type { Workers } from './workers';

type Hours = AnswerValues['hours'];
const hoursOf = (hour: number): Hours => [{ hour, exposure: 0.5 }];

/** One line that asks about the hour of the light; answers come when the test says so. */
function begin() {
  const store = createWorkspaceStore(stateWith({ atMs: 1, flow: flowOf(() => ({ depth: 0.4 })) }));
  const waiting: { atMs: number; give(value: Hours): void }[] = [];
  const line = spec({
    name: 'hours',
    question: (s) => ({ atMs: s.atMs }),
    ask: (_, { atMs }) => new Promise<Hours>((give) => waiting.push({ atMs, give })),
  });
  const { refresh } = runAnswers(store, [line], {} as Workers, (error) => {
    throw error;
  });
  store.subscribe(refresh);
  refresh();
  const answer = () => store.getState().answers.hours;
  return { store, waiting, answer };
}
const settle = async () => {
  for (let n = 0; n < 10; n++) await Promise.resolve();
};

it('what is asked is answered, stale while the next is on its way', async () => {
  const { store, waiting, answer } = begin();
  expect(answer().state).toBe('asking');
  waiting.shift()!.give(hoursOf(1));
  await settle();
  expect(answer()).toMatchObject({ state: 'fresh', value: hoursOf(1) });
  store.setState({ atMs: 2 });
  expect(answer()).toMatchObject({ state: 'stale', value: hoursOf(1) });
  waiting.shift()!.give(hoursOf(2));
  await settle();
  expect(answer()).toMatchObject({ state: 'fresh', value: hoursOf(2) });
});

it('asked and taken back before it came: the answer on the screen stays, and stays fresh', async () => {
  const { store, waiting, answer } = begin();
  waiting.shift()!.give(hoursOf(1));
  await settle();
  store.setState({ atMs: 2 });
  store.setState({ atMs: 1 });
  expect(answer().state).toBe('fresh');
  waiting.shift()!.give(hoursOf(2));
  await settle();
  expect(answer()).toMatchObject({ state: 'fresh', value: hoursOf(1) });
  store.setState({ atMs: 2 });
  expect(waiting).toHaveLength(1);
});

it('what needs no water is asked before there is any, and stands through another level', async () => {
  const store = createWorkspaceStore(stateWith({ atMs: 1 }));
  const asked: number[] = [];
  const line = spec({
    name: 'hours',
    water: 'none',
    question: (s) => ({ atMs: s.atMs }),
    ask: async (_, { atMs }) => {
      asked.push(atMs);
      return hoursOf(atMs);
    },
  });
  const { refresh } = runAnswers(store, [line], {} as Workers, (error) => {
    throw error;
  });
  store.subscribe(refresh);
  refresh();
  await settle();
  expect(store.getState().answers.hours).toMatchObject({ state: 'fresh', value: hoursOf(1) });
  store.setState({ waterSerial: 3, flow: flowOf(() => ({ depth: 0.4 })) });
  await settle();
  expect(store.getState().answers.hours.state).toBe('fresh');
  expect(asked).toEqual([1]);
});
