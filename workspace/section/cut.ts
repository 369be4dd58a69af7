import { type Place } from '../../core/grid/index';
import { sampleFlow, thalweg, type FlowField } from '../../core/water/index';

/** The water cut along a line: heights by x, over the surface at the foot, or levelled (see below). */
export interface Cut {
  x: number[];
  surface: number[];
  bed: number[];
  mean: number[];
  d84: number[];
  fallM: number;
  /** Most water over the bed. */
  deepestM: number;
  /** Heights that the drawing has to hold. */
  highestM: number;
  lowestM: number;
  /** true: drawn relative to the straight line through the surface at both ends. */
  levelled: boolean;
  lineYM(xM: number): number;
}

/**
 * Along the thalweg, drawn through the target near it. Heights are true where the beat falls less
 * than it is deep, so that a step is seen as a step; a steeper beat is drawn levelled, or its depth
 * would vanish in its fall.
 */
export function cutAlong(flow: FlowField, target: Place | null): Cut {
  const line = thalweg(flow);
  const pull = (p: Place): Place => {
    if (!target) return p;
    const w = Math.exp(-(((p.xM - target.xM) / 2.5) ** 2));
    return { xM: p.xM, yM: p.yM + w * (target.yM - yAt(line, target.xM)) };
  };
  const places = line.map((p) => offRock(flow, pull(p)));
  const sample = { depthM: 0, u: 0, v: 0 };
  const cut: Cut = {
    x: [],
    surface: [],
    bed: [],
    mean: [],
    d84: [],
    fallM: 0,
    deepestM: 0.1,
    highestM: 0,
    lowestM: 0,
    levelled: false,
    lineYM: (x) => yAt(places, x),
  };
  const heights: { surface: number; bed: number }[] = [];
  let lastSurface = 0;
  for (const p of places) {
    sampleFlow(flow, p.xM, p.yM, sample);
    const k =
      Math.round((p.yM - flow.y0M) / flow.cellM) * flow.nx +
      Math.round((p.xM - flow.x0M) / flow.cellM);
    const bed = flow.bedM[k]!;
    const surface = Number.isNaN(flow.surfaceM[k]!) ? lastSurface : flow.surfaceM[k]!;
    lastSurface = surface;
    heights.push({ surface, bed });
    cut.x.push(p.xM);
    cut.mean.push(Math.hypot(sample.u, sample.v));
    cut.d84.push(flow.d84M[k]!);
  }
  const first = heights[0]!.surface;
  const last = heights[heights.length - 1]!.surface;
  cut.fallM = last - first;
  for (const h of heights) cut.deepestM = Math.max(cut.deepestM, h.surface - h.bed);
  cut.levelled = cut.fallM > cut.deepestM;
  heights.forEach((h, i) => {
    const base = cut.levelled ? first + (cut.fallM * i) / (heights.length - 1) : first;
    cut.surface.push(h.surface - base);
    cut.bed.push(h.bed - base);
    cut.highestM = Math.max(cut.highestM, h.surface - base);
    cut.lowestM = Math.min(cut.lowestM, h.bed - base);
  });
  return cut;
}

/** The nearest open water in the same column: a section through a rock says nothing of the water. */
function offRock(flow: FlowField, p: Place): Place {
  const i = Math.round((p.xM - flow.x0M) / flow.cellM);
  const j = Math.round((p.yM - flow.y0M) / flow.cellM);
  for (let off = 0; off < flow.ny; off++) {
    for (const side of [off, -off]) {
      const k = (j + side) * flow.nx + i;
      if (j + side < 0 || j + side >= flow.ny) continue;
      if (flow.solid[k] === 0 && flow.depthM[k]! > 0.03)
        return { xM: p.xM, yM: flow.y0M + (j + side) * flow.cellM };
    }
  }
  return p;
}

function yAt(line: Place[], xM: number): number {
  const step = line.length > 1 ? line[1]!.xM - line[0]!.xM : 1;
  const i = Math.min(line.length - 1, Math.max(0, Math.round((xM - line[0]!.xM) / step)));
  return line[i]!.yM;
}
