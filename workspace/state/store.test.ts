import { createStore } from './store';

it('tells its listeners of a change, by value or from the state, until they leave', () => {
  const store = createStore({ a: 1, b: 'x' });
  const seen: number[] = [];
  const leave = store.subscribe(() => seen.push(store.get().a));
  store.set({ a: 2 });
  store.set((s) => ({ a: s.a + 5 }));
  leave();
  store.set({ a: 0 });
  expect(seen).toEqual([2, 7]);
  expect(store.get()).toEqual({ a: 0, b: 'x' });
});
