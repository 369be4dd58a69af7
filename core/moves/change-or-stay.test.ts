import { EMPTY_SNAPSHOT } from '../log/index';
import type { EventCode, Try } from '../log/index';
import { above, isAbove, lnGamma, meanOf, quantileOf, quantilesOf } from './beta';
import { changeOrStay } from './change-or-stay';
import { sidesOf } from './index';

/** Two sides of a day, against densities that are known. */

describe('two sides', () => {
  it('beta: mean, quantiles and shares of a density that is known', () => {
    expect(meanOf({ a: 2, b: 6 })).toBe(0.25);
    // Beta(1, 1) is even; Beta(2, 1) has the distribution x².
    expect(quantilesOf({ a: 1, b: 1 }, [0.1, 0.5, 0.9]).map((x) => x.toFixed(2))).toEqual([
      '0.10',
      '0.50',
      '0.90',
    ]);
    expect(quantileOf({ a: 2, b: 1 }, 0.25)).toBeCloseTo(0.5, 2);
    expect(above({ a: 2, b: 1 }, 0.6)).toBeCloseTo(1 - 0.36, 2);
    expect(lnGamma(5)).toBeCloseTo(Math.log(24), 9);
    expect(lnGamma(0.5)).toBeCloseTo(Math.log(Math.sqrt(Math.PI)), 9);
  });
  it('rates, weights and verdicts by hand', () => {
    const side = (drifts: number, takes: number, promised: number | null = null) => ({
      name: '',
      drifts,
      takes,
      promised,
    });
    const { rates, verdict } = changeOrStay([side(10, 0), side(10, 4)]);
    expect(rates[0].best).toBeCloseTo(0.7 / 20, 12);
    expect(rates[1].best).toBeCloseTo(4.7 / 20, 12);
    expect(rates[1].low).toBeLessThan(rates[1].best);
    expect(rates[1].high).toBeGreaterThan(rates[1].best);
    expect(verdict).toEqual({ kind: 'change', to: 1 });
    const weighed = changeOrStay([side(10, 1, 0.4), side(30, 1, 0.2)]).rates.map((r) => r.weighed);
    expect(weighed[0]).toBeCloseTo((10 * 0.4) / 0.25, 9);
    expect(weighed[1]).toBeCloseTo((30 * 0.2) / 0.25, 9);
    // A promise that one of them lacks is none; takes are never more than what they weigh.
    expect(changeOrStay([side(10, 1, 0.4), side(30, 1)]).rates.map((r) => r.weighed)).toEqual([
      10, 30,
    ]);
    expect(changeOrStay([side(6, 6, 0.01), side(6, 0, 0.9)]).rates[0].weighed).toBe(6);
    expect(changeOrStay([side(5, 0), side(5, 0)]).verdict).toEqual({
      kind: 'no telling',
      needs: null,
    });
    expect(changeOrStay([side(9, 0), side(3, 0)]).verdict).toEqual({ kind: 'too few', needs: 2 });
    // Both go on at the mean of what is believed of them.
    const { needs } = changeOrStay([side(10, 1), side(10, 0)]).verdict as { needs: number };
    const going = (a: number, b: number, n: number) => ({
      a: a + (n * a) / (a + b),
      b: b + (n * b) / (a + b),
    });
    const sure = (n: number) => isAbove(going(1.7, 18.3, n), going(0.7, 19.3, n));
    expect(sure(needs)).toBeGreaterThanOrEqual(0.8);
    expect(sure(needs - 1)).toBeLessThan(0.8);
  });
  it('by rig, by fly and by phone; most drifts first, then by name; what is no drift is none', () => {
    const at = (id: string, fly: string, codes: EventCode[], rig: string | null): Try =>
      ({
        id,
        outingId: 'o',
        beatId: null,
        markId: null,
        fly,
        openedMs: 0,
        zoneOffsetMin: 0,
        snapshot: { ...EMPTY_SNAPSHOT, ...(rig && { cast: { rig: { fly: rig } } }) },
        events: codes.map((code, i) => ({
          id: `${id}${i}`,
          device: 'd',
          seq: i + 1,
          code,
          clientMs: i,
          zoneOffsetMin: 0,
        })),
      }) as unknown as Try;
    const tries = [
      at('a', 'dun', ['cast', 'look', 'refusal', 'clear', 'rise', 'snag', 'spook', 'seen'], 'dry'),
      at('b', 'ant', ['bottom', 'hook'], null),
      at('c', 'bee', ['cast', 'cast'], 'sunk'),
    ];
    expect(sidesOf(tries, 'fly')).toEqual([
      { name: 'dun', drifts: 5, takes: 0, promised: null },
      { name: 'ant', drifts: 2, takes: 1, promised: null },
      { name: 'bee', drifts: 2, takes: 0, promised: null },
    ]);
    expect(sidesOf(tries, 'rig').map((s) => s.name)).toEqual(['dry', '', 'sunk']);
    expect(sidesOf(tries, 'phone')).toHaveLength(1);
    expect(sidesOf([], 'rig')).toEqual([]);
  });
});
