import { stateWith } from '../fixtures/state';
import { createWorkspaceStore } from './store';

it('a drag that ends where it began is no step of undo; one that moves is one', () => {
  const store = createWorkspaceStore(stateWith({ stand: { xM: 1, yM: 1 } }));
  const drag = (xM: number, dragging: 'stand' | null) =>
    store.setState((s) => ({ stand: xM === s.stand!.xM ? s.stand : { xM, yM: 1 }, dragging }));
  const start = store.getState().stand;
  drag(2, 'stand');
  store.setState({ stand: start, dragging: null });
  expect(store.temporal.getState().pastStates).toHaveLength(0);
  drag(2, 'stand');
  drag(3, 'stand');
  drag(3, null);
  expect(store.temporal.getState().pastStates).toHaveLength(1);
  expect(store.temporal.getState().pastStates[0]!.stand).toBe(start);
});
