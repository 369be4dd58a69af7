import { SAME_LIE_M, sameLie } from '../terms/index';
import { tryOf } from './fixtures/tries';
import { EMPTY_SNAPSHOT, triesAt, type Try } from './index';

/** Which tries were made at one and the same target. */
const at = (xM: number, more: Partial<Try> = {}): Try =>
  tryOf({
    id: `at ${xM}`,
    snapshot: {
      ...EMPTY_SNAPSHOT,
      target: { id: `lie-${xM}`, xM, yM: 0 } as Try['snapshot']['target'],
    },
    ...more,
  });
const ids = (tries: readonly Try[]) => tries.map((t) => t.id);

it('one lie is within a metre and a half', () => {
  expect(SAME_LIE_M).toBe(1.5);
  expect(sameLie({ xM: 0, yM: 0 }, { xM: 0.9, yM: 1.2 })).toBe(true);
  expect(sameLie({ xM: 0, yM: 0 }, { xM: 0, yM: 1.51 })).toBe(false);
});

it('of a lie: by where it is, whatever it was called, of this beat, without a fish seen or a place told', () => {
  const tries = [
    at(3),
    at(4.4),
    at(4.6),
    at(3, { id: 'marked', markId: 'm' }),
    at(3, { id: 'told', readId: 'r' }),
    at(3, { id: 'elsewhere', beatId: 'c' }),
    tryOf({ id: 'here' }),
  ];
  const lie = { beatId: 'b', markId: null, place: { xM: 3, yM: 0 } };
  expect(ids(triesAt(lie, tries))).toEqual(['at 3', 'at 4.4']);
});

it('of a marked fish: by its mark alone, wherever it was then; of a told place by its read', () => {
  const tries = [at(3, { id: 'a', markId: 'm' }), at(30, { id: 'b', markId: 'm' }), at(3)];
  expect(ids(triesAt({ beatId: 'b', markId: 'm', place: { xM: 3, yM: 0 } }, tries))).toEqual([
    'a',
    'b',
  ]);
  const told = [tryOf({ id: 'r', readId: 'r' }), tryOf({ id: 's', readId: 's' })];
  expect(ids(triesAt({ beatId: null, markId: null, readId: 'r', place: null }, told))).toEqual([
    'r',
  ]);
});

it('"here" without a place is by itself: no lie of the beat, and none of another', () => {
  const tries = [tryOf({ id: 'here' }), at(3), tryOf({ id: 'other', beatId: null })];
  expect(ids(triesAt({ beatId: 'b', markId: null, place: null }, tries))).toEqual(['here']);
});
