import { paysToday, restAfter } from './index';

describe('rest', () => {
  it('beside a wary fish: 1.8 minutes where elsewhere pays 3 an hour, 3.5 at 1 (worked by hand)', () => {
    expect(restAfter('look', 3)).toEqual({ kind: 'beside', minutes: expect.closeTo(1.806, 3) });
    expect(restAfter('miss', 1)).toEqual({ kind: 'beside', minutes: expect.closeTo(3.454, 3) });
  });
  it('a fish put down: beside it at 1 an hour only; back after 13 minutes at 3, never at 6', () => {
    expect(restAfter('spook', 1).kind).toBe('beside');
    expect(restAfter('spook', 3)).toEqual({ kind: 'come back', minutes: expect.closeTo(12.94, 1) });
    expect(restAfter('spook', 6)).toEqual({ kind: 'leave' });
    expect(restAfter('cast', 3)).toEqual({ kind: 'none' });
  });
  it('what today pays is the guess at first, and follows the day', () => {
    expect(paysToday(0, 0)).toBeCloseTo(3, 12);
    expect(paysToday(0, 1)).toBeCloseTo(1.2, 12);
    expect(paysToday(5, 2)).toBeCloseTo(2.625, 12);
  });
});
