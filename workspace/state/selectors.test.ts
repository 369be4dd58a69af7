import type { Lie, LieField } from '../../core/lies/index';
import { answered } from '../fixtures/answered';
import { stateWith } from '../fixtures/state';
import { matchLie } from './match';
import { isPale, targetOf } from './selectors';

const lie = (id: string, xM: number, yM = 0) => ({ id, xM, yM, depthM: 0.6, headingRad: 0 }) as Lie;
const field = (...lies: Lie[]): LieField => ({
  field: new Float64Array(),
  lies,
  nothing: null,
  expected: { mean: 1, low: 0, high: 2 },
  stretches: [],
});

it('a chosen lie is found again when it is rated anew a little elsewhere, and not when it is gone', () => {
  expect(matchLie(lie('a', 5), field(lie('b', 5.6), lie('c', 4.8), lie('d', 9)))).toBe('c');
  expect(matchLie(lie('a', 5), field(lie('b', 7)))).toBeNull();
  expect(matchLie(null, field(lie('b', 5)))).toBeNull();
});

it('the fish thought to lie in a lie is the same one each time it is asked for', () => {
  const state = stateWith({ lieId: 'a', ...answered({ lies: field(lie('a', 5)) }) });
  expect(targetOf(state)).toMatchObject({ xM: 5, surety: 'maybe' });
  expect(targetOf(state)!.fishDepthM).toBeCloseTo(0.45, 9);
  expect(targetOf(state)).toBe(targetOf(state));
});

it('what follows the pointer is not pale while it is dragged; a way that waits for the cast is', () => {
  const stale = answered({ drift: {} as never, stalk: {} as never }, undefined, ['drift', 'stalk']);
  const at = (more: Parameters<typeof stateWith>[0]) => stateWith({ ...stale, ...more });
  expect(isPale(at({ step: 'cast' }), 'drift')).toBe(true);
  expect(isPale(at({ step: 'cast', dragging: 'stand' }), 'drift')).toBe(false);
  expect(isPale(at({ step: 'cast', dragging: 'stand' }), 'stalk')).toBe(true);
  expect(isPale(at({ step: 'stalk', dragging: 'way' }), 'stalk')).toBe(false);
});
