import type { Place } from '../core/grid/index';
import { pageX, pageY, type Camera } from './camera';

/** Kept clear at each side of the paper: for what is written there and for the marks themselves, px. */
export interface Margins {
  top: number;
  right: number;
  bottom: number;
  left: number;
}

export interface Paper {
  width: number;
  height: number;
}

/** Never farther away than this, px/m: what then does not fit is not brought in. */
const LEAST_SCALE = 9;

/**
 * The camera that shows every place within the margins, moved as little as can be: not at all when all
 * are in view, else along, else farther away. With `closeUp` px/m it also comes as near as that. The
 * same camera when nothing is to be done, or no camera shows them all.
 */
export function framed(
  camera: Camera,
  paper: Paper,
  places: readonly Place[],
  margins: Margins,
  closeUp?: number,
): Camera {
  const room = {
    w: paper.width - margins.left - margins.right,
    h: paper.height - margins.top - margins.bottom,
  };
  if (places.length === 0 || room.w <= 0 || room.h <= 0) return camera;
  const xs = places.map((p) => p.xM);
  const ys = places.map((p) => p.yM);
  const [west, east] = [Math.min(...xs), Math.max(...xs)];
  const [south, north] = [Math.min(...ys), Math.max(...ys)];
  const fits = Math.min(
    room.w / Math.max(1e-6, east - west),
    room.h / Math.max(1e-6, north - south),
  );
  if (fits < LEAST_SCALE) return camera;
  const wanted = closeUp === undefined ? camera.scale : Math.max(camera.scale, closeUp);
  const scale = Math.min(wanted, fits);
  if (scale !== camera.scale) {
    // Another scale: they stand in the middle of the free paper.
    return {
      scale,
      leftM: (west + east) / 2 - (margins.left + room.w / 2) / scale,
      topM: (south + north) / 2 + (margins.top + room.h / 2) / scale,
    };
  }
  const over = (low: number, high: number, from: number, to: number) =>
    low < from ? low - from : high > to ? high - to : 0;
  const dx = over(pageX(camera, west), pageX(camera, east), margins.left, margins.left + room.w);
  const dy = over(pageY(camera, north), pageY(camera, south), margins.top, margins.top + room.h);
  if (dx === 0 && dy === 0) return camera;
  return { scale, leftM: camera.leftM + dx / scale, topM: camera.topM - dy / scale };
}

/** The same view on other paper: what was in the middle stays there. */
export const onPaper = (camera: Camera, from: Paper, to: Paper): Camera => ({
  ...camera,
  leftM: camera.leftM + (from.width - to.width) / 2 / camera.scale,
  topM: camera.topM - (from.height - to.height) / 2 / camera.scale,
});
