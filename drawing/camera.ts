/**
 * The one place where world becomes page. Page y grows down, so plan angles turn: a plan angle of
 * a rad is -a on the page.
 */
export interface Camera {
  /** px per metre. */
  scale: number;
  /** World x at the left edge of the plan, world y at its top. */
  leftM: number;
  topM: number;
}

export const pageX = (c: Camera, xM: number) => (xM - c.leftM) * c.scale;
export const pageY = (c: Camera, yM: number) => (c.topM - yM) * c.scale;
export const worldX = (c: Camera, px: number) => c.leftM + px / c.scale;
export const worldY = (c: Camera, py: number) => c.topM - py / c.scale;
export const pageDeg = (planRad: number) => (-planRad * 180) / Math.PI;

const SCALE = { least: 5, most: 140 };
/** Kept clear at both ends of the beat, so that a stone at the very end is whole, px. */
const END_PX = 20;

/** Opening view: 24 px/m (12 on a phone) or what fits the beat, the channel in the middle. */
export function openingCamera(
  lengthM: number,
  middleYM: number,
  width: number,
  height: number,
): Camera {
  return seenFrom(Math.max(width < 700 ? 12 : 24, fitting(lengthM, width)), middleYM, height);
}

/** The whole beat, however long. */
export function wholeCamera(
  lengthM: number,
  middleYM: number,
  width: number,
  height: number,
): Camera {
  return seenFrom(Math.max(SCALE.least, fitting(lengthM, width)), middleYM, height);
}

const fitting = (lengthM: number, width: number) => (width - 2 * END_PX) / lengthM;

const seenFrom = (scale: number, middleYM: number, height: number): Camera => ({
  scale,
  leftM: -END_PX / scale,
  topM: middleYM + height / scale / 2,
});

/** Zoom about a place on the page. */
export function zoomed(c: Camera, factor: number, px: number, py: number): Camera {
  const scale = Math.min(SCALE.most, Math.max(SCALE.least, c.scale * factor));
  return { scale, leftM: worldX(c, px) - px / scale, topM: worldY(c, py) + py / scale };
}

export const panned = (c: Camera, dx: number, dy: number): Camera => ({
  ...c,
  leftM: c.leftM - dx / c.scale,
  topM: c.topM + dy / c.scale,
});
