import { flowOf } from '../core/water/fixtures/flows';
import { pageX, pageY } from './camera';
import { placeDepthWords, traceDepthLines } from './depth-lines';

const camera = { scale: 30, leftM: 0, topM: 6 };
/** A channel of 20 x 5 m whose depth grows from bank to bank. */
const flow = flowOf((_x, y) => ({ depth: 0.05 + 0.22 * y }), { nx: 80, ny: 20 });
const lines = traceDepthLines(flow, 1.75);

it('a depth line runs where the water is as deep as the word says', () => {
  const knee = lines.depths.find((d) => d.word === 'knee')!;
  expect(knee.rings.length).toBeGreaterThan(0);
  expect(lines.depths.map((d) => d.word)).toEqual(['shin', 'knee', 'thigh', 'waist']);
});

it('a word keeps off a stone, and off the other words', () => {
  const free = placeDepthWords(lines, camera, [], 600);
  expect(free.length).toBeGreaterThan(1);
  const moved = placeDepthWords(lines, camera, [free[0]!], 600);
  const same = moved.find((w) => w.word === free[0]!.word);
  expect(same && same.xM === free[0]!.xM && same.yM === free[0]!.yM).not.toBe(true);
  for (const a of moved)
    for (const b of moved)
      if (a !== b)
        expect(
          Math.abs(pageX(camera, a.xM) - pageX(camera, b.xM)) > 22 ||
            Math.abs(pageY(camera, a.yM) - pageY(camera, b.yM)) > 26,
        ).toBe(true);
});

it('where there is no room the word is left out', () => {
  const crowd = Array.from({ length: 40 }, (_, i) => ({ xM: i * 0.5, yM: 0 })).flatMap((p) =>
    [0, 1, 2, 3, 4, 5].map((yM) => ({ ...p, yM })),
  );
  expect(placeDepthWords(lines, camera, crowd, 600)).toEqual([]);
});
