import {
  alongLine,
  fishLengthPx,
  grain,
  linePath,
  pebbleRadius,
  pebbleTurnDeg,
  smoothPath,
  starvedDot,
} from './shapes';

it('pebbles grow with the rating and turn a little, always the same way for the same rating', () => {
  expect(pebbleRadius(0)).toBe(9);
  expect(pebbleRadius(84)).toBeCloseTo(17.4, 9);
  for (let r = 0; r <= 100; r++) expect(Math.abs(pebbleTurnDeg(r))).toBeLessThanOrEqual(12);
});

it('a grain lies at its own side and a short need makes a short grain', () => {
  const xs = (d: string) =>
    [...d.matchAll(/(-?[\d.]+),(-?[\d.]+)/g)].map((m) => [Number(m[1]), Number(m[2])] as const);
  const food = xs(grain(0.9, 0, 10)!);
  expect(Math.min(...food.map((p) => p[0]))).toBeGreaterThan(0);
  const ease = xs(grain(0.9, 90, 10)!);
  expect(Math.min(...ease.map((p) => p[1]))).toBeGreaterThan(0);
  const span = (d: string) =>
    Math.max(...xs(d).map((p) => p[1])) - Math.min(...xs(d).map((p) => p[1]));
  expect(span(grain(0.3, 0, 10)!)).toBeLessThan(0.5 * span(grain(0.9, 0, 10)!));
  expect(grain(0.1, 0, 10)).toBeNull();
  expect(starvedDot(180, 10)[0]).toBeCloseTo(-13.7, 6);
});

it('paths and spacing', () => {
  expect(
    linePath([
      [0, 0],
      [3, 4],
    ]),
  ).toBe('M0.00,0.00 L3.00,4.00');
  expect(
    smoothPath(
      [
        [0, 0],
        [1, 0],
        [1, 1],
      ],
      true,
    ).endsWith('Z'),
  ).toBe(true);
  expect(smoothPath([[0, 0]], false)).toBe('');
  const marks = alongLine(
    [
      [0, 0],
      [10, 0],
      [10, 10],
    ],
    5,
  );
  expect(marks).toHaveLength(4);
  expect(marks[3]).toMatchObject({ x: 10, y: 7.5 });
  expect(fishLengthPx(10)).toBe(34);
  expect(fishLengthPx(50)).toBe(48);
});
