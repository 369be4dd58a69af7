import type { BeatPlan } from '../../formats/index';
import { createChannel } from '../channel';
import { sampleFlow, type FlowField } from '../flow-field';
import { classifyPieces, type PieceKind } from '../pieces';
import { surfaceFactor } from '../profile';
import { alongShare } from './beat-from-sketch';
import { mendsOf, SPREAD, type Contradiction } from './fit-sketch';
import { createStreamLine } from './stream-line';
import { toldDepthM, toldPaceMps, type Sketch, type SketchPiece } from './sketch';

/** One piece as it was told and as the water solves it, at the surveyed level. */
export interface ToldAndSolved {
  pieceId: string;
  told: { deepestM: number; surfaceSpeedMps: number };
  /** null where the piece is dry. */
  solved: { deepestM: number; surfaceSpeedMps: number; kind: PieceKind } | null;
  /** What of it was assumed cannot disagree. */
  disagrees: { depth: boolean; pace: boolean };
  /** How far off, in spreads of the worse of the two: the worst is named first. */
  strain: number;
  /** The one change that would make it agree; null where it does. */
  needs: Contradiction['needs'] | null;
}

/** A piece is read over its middle third. */
const READ = { from: 1 / 3, to: 2 / 3 };
const STEP_M = 0.4;
const ACROSS = 24;
/** Beyond the telling's own spread: of the solve, in the logarithm of the pace (our guess). */
const SOLVED_SPREAD = 0.15;
const DEPTH_OFF = { leastM: 0.05, share: 0.15 };

/**
 * Each piece of a sketch beside the water it solves to, the worst first. Deepest: the median of the
 * columns' deepest over their told share; pace: of the surface weighted by discharge, which is what
 * leaves thrown in anywhere do. `flow` is solved from `plan`, which was made from `sketch`.
 */
export function compareSketch(sketch: Sketch, plan: BeatPlan, flow: FlowField): ToldAndSolved[] {
  const line = createStreamLine(sketch);
  const { ofCell, pieces } = classifyPieces(flow);
  const channel = createChannel(plan);
  return sketch.pieces
    .map((piece, i) => {
      const areas = new Map<PieceKind, number>();
      const deepest: number[] = [];
      let carried = 0;
      let pace = 0;
      for (let s = READ.from * piece.lengthM; s <= READ.to * piece.lengthM; s += STEP_M) {
        let deep = 0;
        for (let a = 0.5; a < ACROSS; a++) {
          const { xM, yM } = line.place(line.startsM[i]! + s, a / ACROSS);
          const n = channel.across(xM, yM);
          if (n <= 0 || n >= 1) continue;
          const { depthM, u, v } = sampleFlow(flow, xM, yM, { depthM: 0, u: 0, v: 0 });
          if (depthM <= 0) continue;
          deep = Math.max(deep, depthM);
          const k = cellOf(flow, xM, yM);
          const speed = Math.hypot(u, v);
          carried += speed * depthM;
          pace += speed * depthM * speed * surfaceFactor(depthM, flow.d84M[k]!);
          const name = pieces[ofCell[k]!]?.kind;
          if (name) areas.set(name, (areas.get(name) ?? 0) + 1);
        }
        if (deep > 0) deepest.push(deep / alongShare(piece, s / piece.lengthM));
      }
      const kind = [...areas].sort((a, b) => b[1] - a[1])[0]?.[0];
      const solved =
        kind && carried > 0
          ? { deepestM: median(deepest), surfaceSpeedMps: pace / carried, kind }
          : null;
      return compared(piece, sketch.anglerHeightM, solved);
    })
    .sort((a, b) => b.strain - a.strain);
}

function compared(
  piece: SketchPiece,
  heightM: number,
  solved: ToldAndSolved['solved'],
): ToldAndSolved {
  const told = {
    deepestM: toldDepthM(piece.deepest, heightM),
    surfaceSpeedMps: toldPaceMps(piece.pace),
  };
  const base = { pieceId: piece.id, told, solved };
  const isTold = (field: 'deepest' | 'pace') => !piece.assumed?.includes(field);
  if (!solved)
    return { ...base, disagrees: { depth: true, pace: true }, strain: Infinity, needs: null };
  const spread = Math.hypot(
    'word' in piece.pace ? SPREAD.paceWord : SPREAD.paceFloat,
    SOLVED_SPREAD,
  );
  const paceOff = Math.abs(Math.log(solved.surfaceSpeedMps / told.surfaceSpeedMps)) / spread;
  const off = Math.abs(solved.deepestM - told.deepestM);
  const depthOff = Math.min(off / DEPTH_OFF.leastM, off / told.deepestM / DEPTH_OFF.share);
  const disagrees = {
    depth: isTold('deepest') && depthOff > 1,
    pace: isTold('pace') && piece.kind !== 'backwater' && paceOff > 1,
  };
  const factor = solved.surfaceSpeedMps / told.surfaceSpeedMps;
  return {
    ...base,
    disagrees,
    strain: Math.max(disagrees.pace ? paceOff : 0, disagrees.depth ? depthOff : 0),
    needs: disagrees.pace ? mendsOf(piece, heightM, factor) : null,
  };
}

function cellOf(flow: FlowField, xM: number, yM: number): number {
  const i = Math.min(flow.nx - 1, Math.max(0, Math.round((xM - flow.x0M) / flow.cellM)));
  const j = Math.min(flow.ny - 1, Math.max(0, Math.round((yM - flow.y0M) / flow.cellM)));
  return j * flow.nx + i;
}

function median(values: number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)]!;
}
