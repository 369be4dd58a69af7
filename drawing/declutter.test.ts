import { createRandom } from '../core/grid/index';
import { declutter } from './declutter';

it('leaves marks alone that touch nothing', () => {
  const marks = [
    { x: 0, y: 0, r: 12 },
    { x: 100, y: 5, r: 14 },
  ];
  declutter(marks).forEach((p, i) => {
    expect(p.x).toBeCloseTo(marks[i]!.x, 6);
    expect(p.y).toBeCloseTo(marks[i]!.y, 6);
  });
});

it('a fixed mark stays, and the other makes way', () => {
  const [stone, fish] = declutter([
    { x: 3, y: 1, r: 15 },
    { x: 0, y: 0, r: 19, fixed: true },
  ]);
  expect(fish).toEqual({ x: 0, y: 0 });
  expect(Math.hypot(stone!.x, stone!.y)).toBeGreaterThan(30);
});

it('ten lies close together stay apart, near their places, the same way each time', () => {
  const random = createRandom(5);
  const marks = Array.from({ length: 10 }, () => ({
    x: 40 * random(),
    y: 30 * random(),
    r: 14 + 4 * random(),
  }));
  const placed = declutter(marks);
  for (let a = 0; a < 10; a++) {
    expect(Math.hypot(placed[a]!.x - marks[a]!.x, placed[a]!.y - marks[a]!.y)).toBeLessThan(75);
    for (let b = 0; b < a; b++) {
      const apart = Math.hypot(placed[a]!.x - placed[b]!.x, placed[a]!.y - placed[b]!.y);
      expect(apart).toBeGreaterThan(0.85 * (marks[a]!.r + marks[b]!.r));
    }
  }
  expect(declutter(marks)).toEqual(placed);
});
