import type { Place } from '../grid/index';
import { summariseWater, type WaterSummary } from './compare-levels';
import { sampleFlow, type FlowField } from './flow-field';
import { classifyPieces, type Pieces } from './pieces';
import { surfaceFactor } from './profile';
import type { Ridge } from './ridges';
import { foamLines, seams } from './seams';
import { traceStreamline } from './streamline';

/** The way of a leaf on the surface, with its travel time from the start, s. */
export interface LeafLine {
  places: Place[];
  timeS: number[];
}

/** What is read from a flow for the eye, in one go. */
export interface WaterReading {
  pieces: Pieces;
  seams: Ridge[];
  foam: Ridge[];
  leaves: LeafLine[];
  summary: WaterSummary;
}

/** Leaves are set off this far apart across the head of the beat, m, and kept at this spacing along. */
const LEAVES_APART_M = 0.7;
const KEPT_EVERY_M = 0.3;

export function readWater(flow: FlowField): WaterReading {
  const pieces = classifyPieces(flow);
  return {
    pieces,
    seams: seams(flow),
    foam: foamLines(flow),
    leaves: leafLines(flow),
    summary: summariseWater(flow, pieces),
  };
}

/** Leaves set off across the head of the beat, followed down at the surface pace. */
function leafLines(flow: FlowField): LeafLine[] {
  const xM = flow.x0M + (flow.nx - 2) * flow.cellM;
  const out: LeafLine[] = [];
  const s = { depthM: 0, u: 0, v: 0 };
  for (let n = 0; n * LEAVES_APART_M < flow.ny * flow.cellM; n++) {
    const yM = flow.y0M + n * LEAVES_APART_M;
    if (sampleFlow(flow, xM, yM, s).depthM < 0.05) continue;
    const line = traceStreamline(
      flow,
      { xM, yM },
      { direction: 'down', maxM: 1.4 * flow.nx * flow.cellM },
    );
    const leaf: LeafLine = { places: [line.places[0]!], timeS: [0] };
    let timeS = 0;
    let passedM = 0;
    for (let i = 1; i < line.places.length; i++) {
      const [a, b] = [line.places[i - 1]!, line.places[i]!];
      sampleFlow(flow, b.xM, b.yM, s);
      const k =
        Math.round((b.yM - flow.y0M) / flow.cellM) * flow.nx +
        Math.round((b.xM - flow.x0M) / flow.cellM);
      timeS += (line.timeS[i]! - line.timeS[i - 1]!) / surfaceFactor(s.depthM, flow.d84M[k] || 0.1);
      passedM += Math.hypot(b.xM - a.xM, b.yM - a.yM);
      if (passedM < KEPT_EVERY_M && i < line.places.length - 1) continue;
      passedM = 0;
      leaf.places.push(b);
      leaf.timeS.push(timeS);
    }
    if (leaf.places.length > 2) out.push(leaf);
  }
  return out;
}
