import { whatTheyTake } from './index';

/** What they take, one sign at a time. */

describe('what they take, sign by sign', () => {
  const seen = {
    everyS: null,
    regular: null,
    form: null,
    untouched: null,
    hour: 14,
    waterTempC: null,
    caught: null,
  } as const;
  const odds = (more = {}) => {
    const { foods } = whatTheyTake({ ...seen, ...more });
    return (a: string, b: string) =>
      foods.find((f) => f.food === a)!.chance / foods.find((f) => f.food === b)!.chance;
  };
  const bell = (x: number, at: number, spread: number) => Math.exp(-0.5 * ((x - at) / spread) ** 2);
  it('prior, hour and water; what has no hours counts six tenths', () => {
    const plain = odds();
    expect(plain('midge', 'nymph near the top')).toBeCloseTo(0.16 / 0.06, 9);
    expect(plain('emerger', 'midge')).toBeCloseTo((0.18 * 1.1) / (0.16 * 0.6), 9);
    const dusk = odds({ hour: 20.5 });
    expect(dusk('spinner', 'midge')).toBeCloseTo((0.12 * 1.1) / (0.16 * 0.6), 6);
    const cold = odds({ waterTempC: 4 });
    expect(cold('emerger', 'midge')).toBeCloseTo(
      (0.18 * 1.1 * (0.1 + bell(4, 12, 4))) / (0.16 * 0.6),
      9,
    );
  });
  it('form, regularity and often', () => {
    expect(odds({ form: 'splash' })('midge', 'nymph near the top')).toBeCloseTo(
      (0.16 * 0.05) / (0.06 * 0.1),
      9,
    );
    expect(odds({ regular: true })('midge', 'nymph near the top')).toBeCloseTo(
      (0.16 * 0.8) / (0.06 * 0.4),
      9,
    );
    expect(odds({ regular: false })('midge', 'nymph near the top')).toBeCloseTo(
      (0.16 * 0.2) / (0.06 * 0.6),
      9,
    );
    const often = (0.3 + 0.7 * 0.8) / (0.3 + 0.7 * 0.4);
    expect(odds({ everyS: 14 })('midge', 'nymph near the top')).toBeCloseTo(
      (0.16 / 0.06) * often,
      9,
    );
    expect(odds({ everyS: 15 })('midge', 'nymph near the top')).toBeCloseTo(0.16 / 0.06, 9);
    expect(odds({ untouched: 'midge' })('midge', 'nymph near the top')).toBeCloseTo(
      (0.15 * 0.16) / 0.06,
      9,
    );
  });
  it('says when no food stands out, and what the wings may be', () => {
    expect(whatTheyTake({ ...seen }).isOpen).toBe(true);
    expect(whatTheyTake({ ...seen, form: 'splash', hour: 20, regular: false }).isOpen).toBe(false);
    expect(whatTheyTake({ ...seen }).caughtIs).toBeNull();
    const flat = whatTheyTake({ ...seen, caught: { lengthMm: 16, wings: 'flat along the back' } });
    expect(flat.caughtIs).toEqual(['stonefly', 'hopper']);
    expect(whatTheyTake({ ...seen, caught: { lengthMm: 8, wings: 'none' } }).caughtIs).toEqual([
      'emerger',
      'nymph near the top',
    ]);
    expect(() => whatTheyTake({ ...seen, caught: { lengthMm: -1, wings: 'none' } })).toThrow(
      RangeError,
    );
  });
});
