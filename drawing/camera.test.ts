import { openingCamera, pageX, pageY, panned, wholeCamera, worldX, worldY, zoomed } from './camera';

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
  expect(zoomed(camera, 1e-6, 0, 0).scale).toBe(5);
});

it('shows the whole of a beat that fits, with room for a stone at either end; at 24 px/m what is longer', () => {
  const short = openingCamera(30, 0, 864, 432);
  expect(pageX(short, 0)).toBeCloseTo(20, 9);
  expect(pageX(short, 30)).toBeCloseTo(844, 9);
  expect(openingCamera(80, 0, 864, 432).scale).toBe(24);
  const all = wholeCamera(80, 0, 864, 432);
  expect(pageX(all, 80)).toBeCloseTo(844, 9);
});

it('has the channel in the middle, and pans with the finger', () => {
  const open = openingCamera(36, 0.2, 864, 432);
  expect(pageY(open, 0.2)).toBeCloseTo(216, 9);
  const moved = panned(open, 48, -24);
  expect(pageX(moved, 10)).toBeCloseTo(pageX(open, 10) + 48, 9);
  expect(pageY(moved, 1)).toBeCloseTo(pageY(open, 1) - 24, 9);
});
