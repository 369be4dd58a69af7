import { EMPTY_SNAPSHOT, type EventCode, type Try } from '../log/index';
import { createRandom } from '../grid/index';
import { isAbove } from './beta';
import {
  afterBlanks,
  bestCovers,
  changeOrStay,
  dropperOff,
  expectedCovers,
  gainOf,
  netOf,
  refilled,
  sidesOf,
  whatTheyTake,
  worthAnotherLookH,
  type RisesSeen,
} from './index';

const lie = { p: 0.3, a: 0.45, coverS: 11, takeS: 55 };

describe('covers of a lie (closed form, Charnov 1976)', () => {
  it('the worked case', () => {
    expect(bestCovers(lie, 4)).toBe(5);
    expect(gainOf(lie, 5)).toBeCloseTo(0.2849, 4);
    expect(expectedCovers(lie, 5)).toBeCloseTo(4.133, 3);
    expect(afterBlanks(0.3, 0.45, 5)).toBeCloseTo(0.0211, 4);
    expect(gainOf(lie, 3)).toBeCloseTo(0.2501, 4);
    expect(expectedCovers(lie, 3)).toBeCloseTo(2.656, 3);
    expect(afterBlanks(0.3, 0.45, 3)).toBeCloseTo(0.0666, 4);
  });
  it.each([
    [0.1, '7/5/4 5/4/3 3/3/2 1/1/1'],
    [0.2, '9/6/5 7/5/4 5/4/3 3/3/2'],
    [0.3, '11/7/5 9/6/5 7/5/4 5/4/3'],
    [0.5, '13/9/6 11/8/5 9/6/5 7/5/4'],
  ])('p %d at λ 1, 2, 4, 8 for a .3, .45, .6', (p, row) => {
    const said = [1, 2, 4, 8].map((lambda) =>
      [0.3, 0.45, 0.6].map((a) => bestCovers({ ...lie, p, a }, lambda, 99)).join('/'),
    );
    expect(said.join(' ')).toBe(row);
  });
  it('is what a search over n finds, in random cases', () => {
    const random = createRandom(3);
    for (let i = 0; i < 1000; i++) {
      const one = { p: random(), a: 0.05 + 0.9 * random(), coverS: 5 + 20 * random(), takeS: 60 };
      const lambda = 0.2 + 12 * random();
      const nets = Array.from({ length: 61 }, (_, n) => netOf(one, n, lambda));
      const best = nets.indexOf(Math.max(...nets));
      expect(bestCovers(one, lambda, 60)).toBe(best);
    }
  });
});

describe('emptied lies', () => {
  it.each([
    ['taken', 4, 0.07, 0.15],
    ['taken', 24, 0.27, 0.47],
    ['bolted', 1, 0.2, 0.39],
  ] as const)('%s, %d h later', (how, hours, even, good) => {
    expect(refilled(0.36, how, hours)).toBeCloseTo(even, 2);
    expect(refilled(0.54, how, hours)).toBeCloseTo(good, 2);
  });
  it('pays another look the later the longer the way, and a poor one never', () => {
    const at = (min: number) => worthAnotherLookH(0.54, 'taken', lie, 3, min);
    expect(at(0)).toBeCloseTo(0.6, 1);
    expect(Math.abs(at(1)! - 2.9)).toBeLessThan(0.15);
    expect(Math.abs(at(5)! - 14.4)).toBeLessThan(0.5);
    expect(worthAnotherLookH(0.36, 'taken', lie, 3, 5)).toBeNull();
  });
});

describe('change or stay', () => {
  const side = (drifts: number, takes: number, promised: number | null = null) => ({
    name: '',
    drifts,
    takes,
    promised,
  });
  it('1 of 10 against none is not yet known, 2 of 10 is', () => {
    const one = changeOrStay([side(10, 1), side(10, 0)]);
    expect(one.firstBetter).toBeCloseTo(0.79, 2);
    expect(one.verdict).toEqual({ kind: 'no telling', needs: expect.any(Number) });
    const two = changeOrStay([side(10, 2), side(10, 0)]);
    expect(two.firstBetter).toBeCloseTo(0.91, 2);
    expect(two.verdict).toEqual({ kind: 'change', to: 0 });
    expect(changeOrStay([side(4, 3), side(9, 0)]).verdict).toEqual({ kind: 'too few', needs: 1 });
  });
  it('the one that met the better lies is not praised for them', () => {
    const plain = changeOrStay([side(10, 2), side(10, 1)]);
    const lucky = changeOrStay([side(10, 2, 0.4), side(10, 1, 0.1)]);
    expect(lucky.firstBetter).toBeLessThan(plain.firstBetter);
  });
  it('P(Beta(3,7) > Beta(1,9)) is .897, and what draws say', () => {
    expect(isAbove({ a: 3, b: 7 }, { a: 1, b: 9 })).toBeCloseTo(0.897, 3);
    const random = createRandom(11);
    // Whole numbers: a Beta(a, b) is the a-th smallest of a + b - 1 even draws.
    const draw = (a: number, b: number) =>
      Array.from({ length: a + b - 1 }, random).sort((x, y) => x - y)[a - 1]!;
    let wins = 0;
    const draws = 40_000;
    for (let i = 0; i < draws; i++) if (draw(2, 6) > draw(2, 9)) wins++;
    expect(Math.abs(isAbove({ a: 2, b: 6 }, { a: 2, b: 9 }) - wins / draws)).toBeLessThan(0.007);
  });
  it('the dropper comes off at 3 of 3 and 5 of 6 on top, not at 2 of 2 and 4 of 5', () => {
    const said = ([k, n]: [number, number]) => dropperOff(k, n);
    expect(said([3, 3])).toEqual({ chance: expect.closeTo(1 - 0.6 ** 4, 2), off: true });
    expect(said([5, 6])).toEqual({ chance: expect.closeTo(0.84, 2), off: true });
    expect(said([2, 2])).toEqual({ chance: expect.closeTo(0.784, 2), off: false });
    expect(said([4, 5])).toEqual({ chance: expect.closeTo(0.77, 2), off: false });
  });
});

it('sides of a day: drifts by how clean they were, takes with the missed, nothing taken back', () => {
  const event = (n: number, code: EventCode, more = {}) => ({
    id: `${n}`,
    device: n < 3 ? 'a' : 'b',
    seq: n,
    code,
    clientMs: n,
    zoneOffsetMin: 0,
    ...more,
  });
  const chance = { value: 0.5, parts: { clean: 0.5 } };
  const attempt: Try = {
    id: 't',
    outingId: 'o',
    beatId: null,
    markId: null,
    fly: 'dun',
    openedMs: 0,
    zoneOffsetMin: 0,
    snapshot: { ...EMPTY_SNAPSHOT, predicted: { ...EMPTY_SNAPSHOT.predicted, chance } },
    events: [
      event(1, 'cast'),
      event(2, 'change', { fly: 'ant' }),
      event(3, 'miss'),
      event(4, 'cast'),
      event(5, 'undo', { undoes: '4' }),
      event(6, 'hook'),
    ],
  };
  expect(sidesOf([attempt], 'fly')).toEqual([
    { name: 'ant', drifts: 1, takes: 2, promised: 0.5 },
    { name: 'dun', drifts: 0.5, takes: 0, promised: 0.5 },
  ]);
  expect(sidesOf([attempt], 'phone').map((s) => s.name)).toEqual(['b', 'a']);
});

describe('what they take', () => {
  const seen: RisesSeen = {
    everyS: null,
    regular: null,
    form: null,
    untouched: null,
    hour: 14,
    waterTempC: 12,
    caught: null,
  };
  const first = (more: Partial<RisesSeen>) => whatTheyTake({ ...seen, ...more }).first;
  it('odds sum to 1', () => {
    const { foods } = whatTheyTake({ ...seen, form: 'sip', regular: true, everyS: 9 });
    expect(foods.reduce((x, f) => x + f.chance, 0)).toBeCloseTo(1, 9);
    for (const f of foods) expect(f.sizesMm.reduce((x, s) => x + s.chance, 0)).toBeGreaterThan(0.9);
  });
  it('a sip at dusk is a spinner, a splash at dusk caddis, a swirl what is under the top (common practice)', () => {
    expect(first({ form: 'sip', regular: true, hour: 20.5, waterTempC: 14 }).food).toBe('spinner');
    expect(first({ form: 'splash', regular: false, hour: 20, waterTempC: 14 }).food).toBe('caddis');
    expect(['emerger', 'nymph near the top']).toContain(first({ form: 'swirl' }).food);
    expect(['emerger', 'midge']).toContain(first({ form: 'head and tail', regular: true }).food);
  });
  it('what drifts by untouched is not what is taken', () => {
    const before = whatTheyTake({ ...seen, form: 'sip' });
    const after = whatTheyTake({ ...seen, form: 'sip', untouched: 'mayfly dun' });
    const dun = (o: typeof before) => o.foods.find((f) => f.food === 'mayfly dun')!.chance;
    expect(dun(after)).toBeLessThan(0.3 * dun(before));
  });
  it('an insect in the hand settles size, and by its wings what it is', () => {
    const odds = whatTheyTake({ ...seen, caught: { lengthMm: 10, wings: 'like a tent' } });
    expect(odds.first).toEqual({ food: 'caddis', mm: 11 });
    expect(odds.caughtIs).toEqual(['caddis']);
    expect(() => whatTheyTake({ ...seen, caught: { lengthMm: 0, wings: 'upright' } })).toThrow(
      '0 mm',
    );
  });
});
