import { openingCamera, pageX, pageY, panned, worldX, worldY, zoomed } from './camera';

const camera = { scale: 30, leftM: -2, topM: 7 };

it('goes to the page and back; true right is up, up-current is right', () => {
  expect(worldX(camera, pageX(camera, 12.3))).toBeCloseTo(12.3, 12);
  expect(worldY(camera, pageY(camera, -3.1))).toBeCloseTo(-3.1, 12);
  expect(pageX(camera, 5)).toBeGreaterThan(pageX(camera, 4));
  expect(pageY(camera, 5)).toBeLessThan(pageY(camera, 4));
});

it('zooms about the place under the pointer, within bounds', () => {
  const near = zoomed(camera, 1.5, 200, 90);
  expect(worldX(near, 200)).toBeCloseTo(worldX(camera, 200), 12);
  expect(worldY(near, 90)).toBeCloseTo(worldY(camera, 90), 12);
  expect(zoomed(camera, 1e6, 0, 0).scale).toBe(140);
  expect(zoomed(camera, 1e-6, 0, 0).scale).toBe(8);
});

it('opens on the whole of a 36 m beat at 24 px/m, and pans with the finger', () => {
  const open = openingCamera(36, 0.2, 864, 432);
  expect(open.scale).toBe(24);
  expect(pageY(open, 0.2)).toBeCloseTo(216, 9);
  const moved = panned(open, 48, -24);
  expect(pageX(moved, 10)).toBeCloseTo(pageX(open, 10) + 48, 9);
  expect(pageY(moved, 1)).toBeCloseTo(pageY(open, 1) - 24, 9);
});
