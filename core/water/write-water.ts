import { createTangentPlane, type BeatPlan } from '../formats/index';
import { DRY_M, type FlowField } from './flow-field';
import { surfaceFactor } from './profile';

/** What of a solved water leaves as a grid. */
export const GRIDS = ['depth', 'pace'] as const;
export type GridName = (typeof GRIDS)[number];

const NO_DATA = -9999;

/** Depth, m, or depth-mean pace, m/s, of a cell; null where it is dry. */
function valueAt(flow: FlowField, what: GridName, k: number): number | null {
  if (flow.depthM[k]! <= DRY_M) return null;
  return what === 'depth' ? flow.depthM[k]! : Math.hypot(flow.u[k]!, flow.v[k]!);
}

/**
 * A solved water as an ESRI ASCII grid (Esri's ASCII raster format, from memory): six lines of header, then
 * rows from the highest y down. In metres of the plan, whose x runs up the stream: such a grid cannot be
 * turned to the north. -9999 where it is dry.
 */
export function writeAsciiGrid(flow: FlowField, what: GridName): string {
  const { nx, ny, cellM, x0M, y0M } = flow;
  const rows: string[] = [];
  for (let j = ny - 1; j >= 0; j--)
    rows.push(
      Array.from({ length: nx }, (_, i) => {
        const value = valueAt(flow, what, j * nx + i);
        return value === null ? String(NO_DATA) : value.toFixed(4);
      }).join(' '),
    );
  return [
    `ncols ${nx}`,
    `nrows ${ny}`,
    `xllcorner ${(x0M - cellM / 2).toFixed(4)}`,
    `yllcorner ${(y0M - cellM / 2).toFixed(4)}`,
    `cellsize ${cellM}`,
    `NODATA_value ${NO_DATA}`,
    ...rows,
    '',
  ].join('\n');
}

/** Every wet cell as a line: where it is, depth, pace of the surface and of the mean, m and m/s; longitude and latitude where the beat has an anchor. */
export function waterLines(plan: BeatPlan, flow: FlowField): (string | number)[][] {
  const plane = plan.anchor ? createTangentPlane(plan.anchor, plan.bearingDeg) : null;
  const lines: (string | number)[][] = [
    ['x_m', 'y_m', ...(plane ? ['lon', 'lat'] : []), 'depth_m', 'surface_mps', 'mean_mps'],
  ];
  for (let k = 0; k < flow.depthM.length; k++) {
    const mean = valueAt(flow, 'pace', k);
    if (mean === null) continue;
    const i = k % flow.nx;
    const place = {
      xM: flow.x0M + i * flow.cellM,
      yM: flow.y0M + ((k - i) / flow.nx) * flow.cellM,
    };
    const depthM = flow.depthM[k]!;
    lines.push([
      place.xM.toFixed(2),
      place.yM.toFixed(2),
      ...(plane ? plane.toLonLat(place).map((deg) => deg.toFixed(8)) : []),
      depthM.toFixed(3),
      (mean * surfaceFactor(depthM, flow.d84M[k]!)).toFixed(3),
      mean.toFixed(3),
    ]);
  }
  return lines;
}
