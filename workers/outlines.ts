import { contours } from 'd3-contour';
import type { GridFrame } from '../core/grid/index';

/** Rings round where a field on a grid is at least `level`, in the plan frame, m. */
export function outlines(
  frame: GridFrame,
  field: ArrayLike<number>,
  level: number,
): [number, number][][] {
  const { nx, ny, cellM, x0M, y0M } = frame;
  const trace = contours().size([nx, ny]).smooth(true);
  // Contour coordinates count cell corners from 0.5; the plan counts cell centres.
  return trace
    .contour(Array.from(field), level)
    .coordinates.flatMap((polygon) =>
      polygon.map((ring) =>
        ring.map(([gx, gy]): [number, number] => [
          x0M + (gx! - 0.5) * cellM,
          y0M + (gy! - 0.5) * cellM,
        ]),
      ),
    );
}
