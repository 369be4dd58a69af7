import { createRandom } from '../core/grid/index';
import { overlap, placeLabels, spotsRound, type Box, type LabelAsk } from './place-labels';

const SHEET = { width: 400, height: 300 };
const SIZE = { w: 60, h: 16 };

const ask = (id: string, at: [number, number], more: Partial<LabelAsk> = {}): LabelAsk => ({
  id,
  ...SIZE,
  spots: spotsRound(at, SIZE, 8, 'right'),
  priority: 1,
  mark: at,
  reach: 20,
  ...more,
});
const boxOf = ({ x, y }: { x: number; y: number }): Box => ({
  x: x - SIZE.w / 2,
  y: y - SIZE.h / 2,
  ...SIZE,
});

it('with room enough a label stands on its preferred side, beside its mark', () => {
  const spot = placeLabels([ask('a', [100, 100])], [], SHEET).get('a')!;
  expect(spot.y).toBe(100);
  expect(spot.x - SIZE.w / 2).toBeGreaterThan(108);
  expect(spot.leader).toBeNull();
});

it('a mark in the way sends it to another side; the more important chooses first', () => {
  const at: [number, number] = [100, 100];
  const moved = placeLabels([ask('a', at)], [{ x: 110, y: 90, w: 50, h: 20 }], SHEET).get('a')!;
  expect(overlap(boxOf(moved), { x: 110, y: 90, w: 50, h: 20 })).toBe(false);
  const both = placeLabels([ask('low', at), ask('high', at, { priority: 2 })], [], SHEET);
  expect(both.get('high')!.y).toBe(100);
  expect(both.get('low')).not.toEqual(both.get('high'));
});

it('far from its mark it is tied to it', () => {
  const at: [number, number] = [200, 150];
  const near: Box = { x: 130, y: 110, w: 140, h: 80 };
  const spot = placeLabels([ask('a', at)], [near], SHEET).get('a')!;
  expect(spot.leader?.slice(0, 2)).toEqual(at);
});

it('no room, no label', () => {
  expect(placeLabels([ask('a', [100, 100])], [{ x: 0, y: 0, ...sheetBox() }], SHEET).size).toBe(0);
});
const sheetBox = () => ({ w: SHEET.width, h: SHEET.height });

it('whatever is asked: none over another, none over a mark, none beyond the edge; twice the same', () => {
  for (let seed = 1; seed <= 60; seed++) {
    const random = createRandom(seed);
    const marks = Array.from({ length: 25 }, () => ({
      x: random() * 400,
      y: random() * 300,
      w: 10 + 20 * random(),
      h: 10 + 20 * random(),
    }));
    const asks = Array.from({ length: 20 }, (_, i) =>
      ask(String(i), [random() * 420 - 10, random() * 320 - 10], {
        priority: Math.floor(3 * random()),
      }),
    );
    const placed = placeLabels(asks, marks, SHEET);
    const boxes = [...placed.values()].map(boxOf);
    for (const [i, a] of boxes.entries()) {
      expect(boxes.slice(i + 1).some((b) => overlap(a, b))).toBe(false);
      expect(marks.some((m) => overlap(a, m))).toBe(false);
      expect(a.x >= 0 && a.y >= 0 && a.x + a.w <= 400 && a.y + a.h <= 300).toBe(true);
    }
    expect(placeLabels(asks, marks, SHEET)).toEqual(placed);
    expect(placed.size).toBeGreaterThan(3);
  }
});
