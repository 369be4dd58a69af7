import type { Lie, LieField } from '../../core/lies/index';
import { answered } from '../fixtures/answered';
import { stateWith } from '../fixtures/state';
import { matchLie } from './match';
import type { SitePlan } from '../../core/day/index';
import { heatOf, isPale, targetOf, tempOf, tempSourceOf, toldTempOf } from './selectors';

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

describe('the temperature of the hour', () => {
  const hours = Array.from({ length: 97 }, (_, i) => ({
    h: i / 4,
    lowC: 9 + i / 16,
    bestC: 10 + i / 16,
    highC: 11 + i / 16,
  }));
  const site = (more: Partial<SitePlan> = {}) =>
    ({
      siteId: 'b',
      hours,
      readings: [],
      isRead: true,
      stop: { overSinceH: null },
      ...more,
    }) as unknown as SitePlan;
  const at = (h: number, more: Partial<SitePlan> = {}) =>
    stateWith({
      atMs: (h - 12) * 3_600_000,
      daySiteId: 'b',
      dayBook: { noonMs: 0 } as never,
      ...answered({ day: { sites: [site(more)] } as never }),
    });
  it('goes with the hour strip, in tenths; of another day it is what was typed', () => {
    expect(tempOf(at(8))).toBe(12);
    expect(tempOf(at(8.5))).toBe(12.1);
    expect(tempSourceOf(at(8))).toBe('curve');
    expect(tempSourceOf(at(8, { isRead: false }))).toBe('assumed');
    expect(tempOf(at(30))).toBe(11.5);
    expect(tempSourceOf(at(30))).toBe('read');
    expect(tempOf({ ...at(8), triedTempC: 4 })).toBe(4);
  });
  it('warm water: by the curve at its hour, by the thermometer at its own', () => {
    const warm = { hours: hours.map((p) => ({ ...p, bestC: p.bestC + 4 })) };
    expect(heatOf(at(8, warm)).kind).toBe('fine');
    expect(heatOf(at(20, warm)).kind).toBe('stop');
    expect(heatOf(at(20, { ...warm, isRead: false })).kind).toBe('fine');
    const over = { readings: [{ id: 'r', h: 9, tempC: 18.4, saidC: 18 }], stop: { overSinceH: 9 } };
    expect(heatOf(at(9, over as never)).kind).toBe('stop');
    // Over by reading stays over, though the curve would be under it.
    expect(heatOf(at(11, over as never)).kind).toBe('stop');
    expect(heatOf(at(7, over as never)).kind).toBe('fine');
    expect(toldTempOf(at(11, over as never))).toBe(18.4);
  });
});
