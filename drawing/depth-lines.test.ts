import { flowOf } from '../core/water/fixtures/flows';
import { pageX, pageY } from './camera';
import { traceDepthLines, wordSpots } from './depth-lines';

const camera = { scale: 30, leftM: 0, topM: 6 };
/** A channel of 20 x 5 m whose depth grows from bank to bank. */
const flow = flowOf((_x, y) => ({ depth: 0.05 + 0.22 * y }), { nx: 80, ny: 20 });
const lines = traceDepthLines(flow, 1.75);

it('a depth line runs where the water is as deep as the word says', () => {
  const knee = lines.depths.find((d) => d.word === 'knee')!;
  expect(knee.rings.length).toBeGreaterThan(0);
  expect(lines.depths.map((d) => d.word)).toEqual(['shin', 'knee', 'thigh', 'waist']);
});

it('its word may stand anywhere along it, and nowhere else', () => {
  const knee = lines.depths.find((d) => d.word === 'knee')!;
  const spots = wordSpots(knee.rings, camera);
  expect(spots.length).toBeGreaterThan(5);
  for (const [x, y] of spots)
    expect(
      Math.min(
        ...knee.rings
          .flat()
          .map((p) => Math.hypot(pageX(camera, p[0]!) - x, pageY(camera, p[1]!) - y)),
      ),
    ).toBeLessThan(0.5);
});

it('a line too short to be told has no word', () => {
  expect(
    wordSpots(
      [
        [
          [0, 0],
          [1, 0],
          [1, 1],
        ],
      ],
      camera,
    ),
  ).toEqual([]);
});
