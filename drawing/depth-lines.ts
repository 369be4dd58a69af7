import type { FlowField } from '../core/water/index';
import { BODY_SHARE } from '../core/units/index';
import { outlines } from '../workers/outlines';
import { spreadSurface } from '../workers/paint-water';
import { pageX, pageY, type Camera } from './camera';

const DEPTH_WORDS = ['shin', 'knee', 'thigh', 'waist'] as const;

/** Rings in the plan frame: the waterline, and where the water is as deep as a leg is long. */
export interface DepthLines {
  shore: number[][][];
  depths: { word: string; rings: number[][][] }[];
}

export function traceDepthLines(flow: FlowField, anglerHeightM: number): DepthLines {
  const { nx, ny } = flow;
  const surface = spreadSurface(flow);
  const depth = new Array<number>(nx * ny);
  for (let k = 0; k < nx * ny; k++) depth[k] = surface[k]! - flow.bedM[k]!;
  const soft = soften(soften(depth, nx, ny), nx, ny);
  const at = (values: number[], level: number) => outlines(flow, values, level);
  const depths = DEPTH_WORDS.map((word) => {
    const rings = at(soft, BODY_SHARE[word] * anglerHeightM).filter((r) => r.length > 14);
    return { word, rings };
  });
  return { shore: at(depth, 0.005).filter((r) => r.length > 6), depths };
}

/** A line shorter than this many corners has no word. */
const NAMED_CORNERS = 24;
/** Where along its line a word may stand, in the order of trying. */
const SHARES = [0.35, 0.55, 0.75, 0.15, 0.45, 0.65, 0.25, 0.85, 0.05];

/** Where a depth line's word may stand on the page: along the longest of its rings. */
export function wordSpots(rings: number[][][], camera: Camera): [number, number][] {
  const longest = rings.reduce<number[][]>((a, b) => (b.length > a.length ? b : a), []);
  if (longest.length <= NAMED_CORNERS) return [];
  return SHARES.map((share) => {
    const [xM, yM] = longest[Math.floor(share * longest.length)] as [number, number];
    return [pageX(camera, xM), pageY(camera, yM)];
  });
}

function soften(field: number[], nx: number, ny: number): number[] {
  return field.map((own, k) => {
    const i = k % nx;
    const j = (k - i) / nx;
    let sum = 0;
    let n = 0;
    for (let dj = -1; dj <= 1; dj++) {
      for (let di = -1; di <= 1; di++) {
        if (i + di < 0 || j + dj < 0 || i + di >= nx || j + dj >= ny) continue;
        sum += field[k + dj * nx + di]!;
        n++;
      }
    }
    return own < 0 ? own : sum / n;
  });
}
