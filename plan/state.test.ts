import type { Lie, LieField } from '../core/lies/index';
import { TEST_SETTINGS } from './fixtures/settings';
import { sameLie, targetOf, tipOf, type WorkspaceState } from './state';

const lie = (id: string, xM: number, yM = 0) => ({ id, xM, yM, depthM: 0.6, headingRad: 0 }) as Lie;
const field = (...lies: Lie[]): LieField => ({
  field: new Float64Array(),
  lies,
  nothing: null,
  expected: { mean: 1, low: 0, high: 2 },
});

it('a chosen lie is found again when it is rated anew a little elsewhere, and not when it is gone', () => {
  expect(sameLie(lie('a', 5), field(lie('b', 5.6), lie('c', 4.8), lie('d', 9)))).toBe('c');
  expect(sameLie(lie('a', 5), field(lie('b', 7)))).toBeNull();
  expect(sameLie(null, field(lie('b', 5)))).toBeNull();
});

it('the fish thought to lie in a lie is the same one each time it is asked for', () => {
  const state = {
    marks: [],
    markId: null,
    lieId: 'a',
    lies: field(lie('a', 5)),
    settings: TEST_SETTINGS,
  } as unknown as WorkspaceState;
  expect(targetOf(state)).toMatchObject({ xM: 5, surety: 'maybe' });
  expect(targetOf(state)!.fishDepthM).toBeCloseTo(0.45, 9);
  expect(targetOf(state)).toBe(targetOf(state));
});

it('the rod points at the landing place, 2.4 m long, less for a fly close by', () => {
  expect(tipOf({ xM: 0, yM: 0 }, { xM: 6, yM: 8 }, 2.4)).toEqual({ xM: 1.44, yM: 1.92, zM: 0.5 });
  expect(tipOf({ xM: 0, yM: 0 }, { xM: 1, yM: 0 }, 2.4).xM).toBeCloseTo(0.8, 9);
});
