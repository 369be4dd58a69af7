import { createRandom } from '../core/grid/index';
import { pageX, pageY, worldX, worldY, type Camera } from './camera';
import { framed, onPaper } from './framing';

const PAPER = { width: 864, height: 432 };
const MARGINS = { top: 60, right: 90, bottom: 50, left: 40 };
const camera: Camera = { scale: 28, leftM: 0, topM: 8 };

const within = (c: Camera, places: { xM: number; yM: number }[]) =>
  places.every((p) => {
    const [x, y] = [pageX(c, p.xM), pageY(c, p.yM)];
    return (
      x >= MARGINS.left - 1e-6 &&
      x <= PAPER.width - MARGINS.right + 1e-6 &&
      y >= MARGINS.top - 1e-6 &&
      y <= PAPER.height - MARGINS.bottom + 1e-6
    );
  });

it('what is in view moves nothing', () => {
  expect(
    framed(
      camera,
      PAPER,
      [
        { xM: 10, yM: 0 },
        { xM: 14, yM: 2 },
      ],
      MARGINS,
    ),
  ).toBe(camera);
});

it('a stand below the edge is brought in by a move along, at the same scale', () => {
  const places = [
    { xM: 12, yM: 0 },
    { xM: 10, yM: -9 },
  ];
  const moved = framed(camera, PAPER, places, MARGINS);
  expect(moved.scale).toBe(camera.scale);
  expect(moved.leftM).toBe(camera.leftM);
  expect(within(moved, places)).toBe(true);
});

it('what does not fit at this scale is seen from farther away; what never fits moves nothing', () => {
  const places = [
    { xM: 0, yM: 0 },
    { xM: 40, yM: -4 },
  ];
  const moved = framed(camera, PAPER, places, MARGINS);
  expect(moved.scale).toBeLessThan(camera.scale);
  expect(within(moved, places)).toBe(true);
  expect(
    framed(
      camera,
      PAPER,
      [
        { xM: 0, yM: 0 },
        { xM: 900, yM: 0 },
      ],
      MARGINS,
    ),
  ).toBe(camera);
});

it('on a phone what is chosen comes as near as it fits, and no nearer than asked', () => {
  const far = { ...camera, scale: 12 };
  expect(
    framed(
      far,
      PAPER,
      [
        { xM: 5, yM: 1 },
        { xM: 9, yM: 0 },
      ],
      MARGINS,
      30,
    ).scale,
  ).toBe(30);
  expect(framed({ ...camera, scale: 60 }, PAPER, [{ xM: 5, yM: 1 }], MARGINS, 30).scale).toBe(60);
});

it('any two places that fit are in view afterwards', () => {
  const random = createRandom(5);
  for (let n = 0; n < 200; n++) {
    const places = [0, 1].map(() => ({ xM: 60 * random() - 10, yM: 30 * random() - 15 }));
    expect(within(framed(camera, PAPER, places, MARGINS), places)).toBe(true);
  }
});

it('on other paper the middle stays the middle', () => {
  const other = onPaper(camera, PAPER, { width: 390, height: 380 });
  expect(worldX(other, 195)).toBeCloseTo(worldX(camera, 432), 9);
  expect(worldY(other, 190)).toBeCloseTo(worldY(camera, 216), 9);
});
