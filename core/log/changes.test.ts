import { changedFields, same } from './changed-fields';
import { eventOf, tryOf } from './fixtures/tries';
import { applyChanges, EMPTY_LOG } from './index';
import { mergeChange } from './merge';

/** Changes of the log, of a thing's fields, and of two devices. */

describe('changes of the log', () => {
  const mark = { id: 'm', xM: 1 } as unknown as (typeof EMPTY_LOG)['marks'][number];
  const kept = { id: 'r' } as unknown as (typeof EMPTY_LOG)['reads'][number];
  it('each kind goes where it belongs; the newest state of a thing stands in its place', () => {
    const log = applyChanges(EMPTY_LOG, [
      { kind: 'mark', beatId: 'b', mark },
      { kind: 'mark', beatId: 'b', mark: { ...mark, id: 'n' } },
      { kind: 'mark', beatId: 'c', mark: { ...mark, xM: 5 } },
      { kind: 'read', read: kept },
      { kind: 'read', read: { ...kept, note: 'x' } },
    ]);
    expect(log.marks).toEqual([
      { ...mark, xM: 5, beatId: 'c' },
      { ...mark, id: 'n', beatId: 'b' },
    ]);
    expect(log.reads).toEqual([{ ...kept, note: 'x' }]);
    expect(applyChanges(log, [{ kind: 'mark-struck', id: 'm' }]).marks.map((m) => m.id)).toEqual([
      'n',
    ]);
  });
  it('a try that is known is not begun anew; events wait for theirs, once each', () => {
    const { events: _, ...bare } = tryOf();
    const log = applyChanges(EMPTY_LOG, [
      { kind: 'event', tryId: 't', event: eventOf(1, 'cast') },
      { kind: 'event', tryId: 't', event: eventOf(1, 'cast') },
      { kind: 'try', attempt: bare },
      { kind: 'event', tryId: 't', event: eventOf(2, 'look') },
      { kind: 'try', attempt: { ...bare, fly: 'other' } },
    ]);
    expect(log.tries).toEqual([{ ...bare, events: [eventOf(1, 'cast'), eventOf(2, 'look')] }]);
  });
  it('fields that change, with what they held; equal as JSON', () => {
    expect(
      changedFields({ a: 1, b: [1, { c: 2 }] }, { a: 2, b: [1, { c: 2 }], d: 3, e: undefined }),
    ).toEqual({
      a: 1,
      d: null,
    });
    expect(same({ a: 1, b: undefined }, { a: 1 })).toBe(true);
    expect(same({ a: 1 }, { a: 1, b: null })).toBe(true);
    expect(same(null, undefined)).toBe(true);
    expect(same(null, 0)).toBe(false);
    expect(same([1], [1, 2])).toBe(false);
    expect(same([1, 2], [2, 1])).toBe(false);
    expect(same([], {})).toBe(false);
    expect(same('1', 1)).toBe(false);
    expect(same({ a: 1 }, { a: 2 })).toBe(false);
  });
  it('a merge of fields within fields and of items by their id; what did not win is named', () => {
    const was = {
      s: { a: 1, b: 1 },
      list: [
        { id: 'x', n: 1 },
        { id: 'y', n: 1 },
      ],
    };
    const book = {
      s: { a: 2, b: 1 },
      list: [
        { id: 'x', n: 2 },
        { id: 'z', n: 1 },
      ],
      other: 1,
    };
    const now = {
      s: { a: 1, b: 3 },
      list: [
        { id: 'x', n: 3 },
        { id: 'y', n: 1 },
      ],
    };
    const { value, lost } = mergeChange<Record<string, unknown>>(book, was, now);
    expect(value.s).toEqual({ a: 2, b: 3 });
    expect(value.list).toEqual([
      { id: 'x', n: 2 },
      { id: 'z', n: 1 },
    ]);
    expect(value.other).toBe(1);
    expect(lost).toEqual([{ path: ['list', 'x', 'n'], book: 2, wanted: 3 }]);
  });
  it('what is not told stays; what nobody else changed is taken; deleted stays deleted', () => {
    const merged = (book: object, was: Record<string, unknown>, now: object) =>
      mergeChange(book, was, now as never).value;
    expect(merged({ a: 1, b: 2 }, { a: 1 }, { a: 5, b: 9 })).toEqual({ a: 5, b: 2 });
    expect(merged({ a: 1 }, { b: 1 }, { a: 5 })).toEqual({ a: 1 });
    expect(merged({ s: { a: 1, b: 2 } }, { s: { a: 1, b: 2 } }, { s: { a: 1 } })).toEqual({
      s: { a: 1 },
    });
    expect(mergeChange({ a: 2 }, { a: 1 }, { a: 2 }).lost).toEqual([]);
    expect(mergeChange({ a: [1] }, { a: [2] }, { a: [3] }).lost).toEqual([
      { path: ['a'], book: [1], wanted: [3] },
    ]);
    expect(mergeChange({ a: null }, { a: { b: 1 } }, { a: { b: 2 } } as never).lost).toHaveLength(
      1,
    );
  });
});
