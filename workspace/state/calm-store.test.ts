import { stateWith } from '../fixtures/state';
import { CALM_MS, calmStore, createWorkspaceStore } from './store';

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

it('calls at once while nothing is dragged; while something is, the first time and then not before its time', () => {
  const store = createWorkspaceStore(stateWith({}));
  const calm = calmStore(store);
  const seen: (number | undefined)[] = [];
  const stop = calm.subscribe((s) => seen.push(s.stand?.xM));
  const move = (xM: number, dragging: 'stand' | null) =>
    store.setState({ stand: { xM, yM: 0 }, dragging });
  move(1, null);
  move(2, null);
  expect(seen).toEqual([1, 2]);
  jest.advanceTimersByTime(CALM_MS);
  for (const x of [3, 4, 5]) move(x, 'stand');
  expect(seen).toEqual([1, 2, 3]);
  jest.advanceTimersByTime(CALM_MS);
  expect(seen).toEqual([1, 2, 3, 5]);
  move(6, 'stand');
  move(6, null);
  expect(seen).toEqual([1, 2, 3, 5, 6]);
  move(7, 'stand');
  stop();
  jest.advanceTimersByTime(10 * CALM_MS);
  expect(seen).toEqual([1, 2, 3, 5, 6]);
  expect(calmStore(store)).toBe(calm);
});
