import fc from 'fast-check';
import { changedFields } from './changed-fields';
import { mergeChange } from './merge';

const outing = { note: '', endMs: null as number | null, timeZone: 'UTC' };

it('what a change names is what it changes, with what that held before', () => {
  expect(changedFields(outing, { ...outing, endMs: 5 })).toEqual({ endMs: null });
  expect(changedFields({ a: { x: 1, y: 2 } }, { a: { y: 2, x: 1 } })).toEqual({});
});

it('two devices change two fields: both stand, in whichever order they come', () => {
  const ended = { ...outing, endMs: 9 };
  const noted = { ...outing, note: 'kind water' };
  const both = { ...outing, endMs: 9, note: 'kind water' };
  for (const [one, two] of [
    [ended, noted],
    [noted, ended],
  ] as const) {
    const first = mergeChange(outing, changedFields(outing, one), one);
    const second = mergeChange(first.value, changedFields(outing, two), two);
    expect([first.lost, second]).toEqual([[], { value: both, lost: [] }]);
  }
});

it('a change of what another changed meanwhile does not win, and is told', () => {
  const book = { ...outing, note: 'theirs' };
  const mine = { ...outing, note: 'mine', endMs: 4 };
  expect(mergeChange(book, changedFields(outing, mine), mine)).toEqual({
    value: { ...book, endMs: 4 },
    lost: [{ path: ['note'], book: 'theirs', wanted: 'mine' }],
  });
});

it('lists of things with an id go item by item: two pages change two rigs, a third throws one away', () => {
  const rig = (id: string, name: string) => ({ id, name });
  const was = { rigs: [rig('a', 'dry'), rig('b', 'nymph'), rig('c', 'float')] };
  const one = { rigs: [rig('a', 'dry, mine'), rig('b', 'nymph'), rig('c', 'float')] };
  const two = { rigs: [rig('a', 'dry'), rig('b', 'nymph, mine'), rig('d', 'new')] };
  const first = mergeChange(was, was, one).value;
  expect(mergeChange(first, was, two)).toEqual({
    value: { rigs: [rig('a', 'dry, mine'), rig('b', 'nymph, mine'), rig('d', 'new')] },
    lost: [],
  });
  // Thrown away by one, changed by the other: what was changed stays, and whoever threw it away hears of it.
  const third = { rigs: [rig('b', 'nymph'), rig('c', 'float')] };
  expect(mergeChange(first, was, third).lost).toEqual([
    { path: ['rigs', 'a'], book: rig('a', 'dry, mine'), wanted: undefined },
  ]);
});

it('whatever two devices do: a change repeated changes nothing, and nothing that nobody else touched is lost (seeded)', () => {
  const state = fc.record({
    a: fc.integer({ min: 0, max: 2 }),
    b: fc.option(fc.integer({ min: 0, max: 2 })),
    c: fc.record({ x: fc.integer({ min: 0, max: 2 }), y: fc.integer({ min: 0, max: 2 }) }),
  });
  fc.assert(
    fc.property(state, state, state, (was, theirs, mine) => {
      const changed = changedFields(was, mine);
      const { value, lost } = mergeChange(theirs, changed, mine);
      expect(mergeChange(value, changed, mine).value).toEqual(value);
      for (const key of ['a', 'b'] as const) {
        const touched = was[key] !== mine[key];
        const free = theirs[key] === was[key] || theirs[key] === mine[key];
        expect(value[key]).toEqual(touched && free ? mine[key] : theirs[key]);
        expect(lost.some((l) => l.path[0] === key)).toBe(touched && !free);
      }
    }),
    { numRuns: 300, seed: 31 },
  );
});
