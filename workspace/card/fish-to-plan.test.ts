import { MARK } from '../fixtures/cast';
import { stateWith } from '../fixtures/state';
import { targetsInOrder } from '../state/selectors';
import { fishToPlan } from './fish-to-plan';

it('one fish beside one that is gone is planned as one alone', () => {
  const gone = { ...MARK, id: 'm0', behaviour: 'gone' as const };
  const present = targetsInOrder(stateWith({ marks: [gone, MARK] }));
  expect(fishToPlan(present, null)).toEqual(['m1']);
});

it('several wait for their order, and come in it; none is none', () => {
  const two = [{ id: 'a' }, { id: 'b' }];
  expect(fishToPlan(two, null)).toEqual([]);
  const order = { fishIds: ['a', 'b'], sequence: { order: [1, 0] } } as never;
  expect(fishToPlan(two, order)).toEqual(['b', 'a']);
  expect(fishToPlan([], null)).toEqual([]);
});
