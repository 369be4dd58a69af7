import {
  answersIn,
  bestCovers,
  coverSeconds,
  expectedCovers,
  paysToday,
  refilled,
  restAfter,
  secondsOfCovers,
  worthAnotherLookH,
} from './index';

/** Covers, rests and refills at the edges of their forms. */

describe('covers, rests, refills', () => {
  const lie = { p: 0.3, a: 0.45, coverS: 11, takeS: 55 };
  it('at the edges of its form', () => {
    expect(bestCovers({ ...lie, p: 0 }, 4)).toBe(0);
    expect(bestCovers({ ...lie, a: 0 }, 4)).toBe(0);
    expect(bestCovers(lie, 0)).toBe(8);
    expect(bestCovers({ ...lie, p: 1 }, 4)).toBe(8);
    expect(bestCovers({ ...lie, a: 1 }, 4)).toBe(1);
    expect(bestCovers({ ...lie, a: 1, p: 0.001 }, 4)).toBe(0);
    expect(bestCovers(lie, 500)).toBe(0);
    expect(bestCovers({ ...lie, worth: 0.01 }, 4)).toBe(0);
    expect(bestCovers({ ...lie, worth: 3 }, 4)).toBeGreaterThan(bestCovers(lie, 4));
    expect(expectedCovers({ ...lie, a: 0 }, 3)).toBe(3);
    expect(secondsOfCovers({ ...lie, worth: 5 }, 3)).toBeCloseTo(secondsOfCovers(lie, 3), 12);
  });
  it('answers by pace and cold, with the own record; seconds by lead and pace', () => {
    expect([0.5, 0.35, 0.2, 0.15, 0.1].map((v) => answersIn(v, 12))).toEqual([
      0.55, 0.55, 0.45, 0.45, 0.3,
    ]);
    expect(answersIn(null, null)).toBe(0.45);
    expect(answersIn(0.5, 5.9)).toBe(0.275);
    expect(answersIn(0.5, 6)).toBe(0.55);
    expect(answersIn(0.5, 12, 0.5)).toBe(0.275);
    expect(answersIn(0.5, 12, 9)).toBe(0.98);
    expect(coverSeconds(1, 0.5)).toBe(6 + 3.5 + 2);
    expect(coverSeconds(null, 0.5)).toBe(6 + 4 + 2);
    expect(coverSeconds(1, null)).toBe(12);
    expect(coverSeconds(1, 0.01)).toBe(16);
    expect(coverSeconds(0.4, 0.05)).toBe(6 + 5.5 + 2);
  });
  it('what each answer asks of a rest', () => {
    for (const code of ['look', 'refusal', 'miss'] as const)
      expect(restAfter(code, 3).kind).toBe('beside');
    expect(restAfter('loss', 3)).toEqual(restAfter('spook', 3));
    for (const code of ['cast', 'hook', 'rise', 'seen'] as const)
      expect(restAfter(code, 3)).toEqual({ kind: 'none' });
    expect(paysToday(1, -3)).toBeCloseTo(4.5, 12);
  });
  it('an emptied lie fills by its rating; never one that holds none, nor backwards', () => {
    expect(refilled(0.36, 'pricked', 6)).toBeCloseTo(0.36 * (1 - Math.exp(-1)), 12);
    expect(refilled(0.72, 'pricked', 3)).toBeCloseTo(0.72 * (1 - Math.exp(-1)), 12);
    expect(refilled(0, 'taken', 9)).toBe(0);
    expect(refilled(0.5, 'taken', 0)).toBe(0);
    expect(refilled(0.5, 'taken', -1)).toBe(0);
    const h = worthAnotherLookH(0.54, 'pricked', lie, 3, 0)!;
    expect(h).toBeLessThan(worthAnotherLookH(0.54, 'taken', lie, 3, 0)!);
    expect(worthAnotherLookH(0.54, 'pricked', lie, 300, 0)).toBeNull();
  });
});
