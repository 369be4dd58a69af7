import { MATERIALS } from '../materials';
import { surfaceFactor } from '../profile';
import { frictionCoefficient } from '../resistance';
import { meanShare, toldDepthM, toldPaceMps, type Sketch, type SketchPiece } from './sketch';

/** What a piece would need, one thing changed at a time, to carry what the others carry. */
export interface Contradiction {
  pieceId: string;
  /** What it carries as told, and the others, m3/s. */
  carriesM3s: number;
  othersM3s: number;
  needs: { surfaceSpeedMps: number; deepestM: number; widthM: number };
}

export interface SketchFit {
  dischargeM3s: number;
  /** 10th to 90th percentile by the spread that each telling has, m3/s. */
  lowM3s: number;
  highM3s: number;
  /** As told, one per piece, m3/s; null where a piece says nothing of the discharge. */
  toldM3s: (number | null)[];
  /** Whether any piece was told: else the discharge is only what such a width usually carries. */
  isTold: boolean;
  /** Slope of the surface that makes each piece carry the discharge at its told depth. */
  slope: number[];
  contradictions: Contradiction[];
}

/** Spread of what people tell, standard deviation of the logarithm (our guesses). */
export const SPREAD = {
  paceWord: 0.3,
  paceFloat: 0.12,
  depthWord: 0.15,
  depthTape: 0.05,
  width: 0.08,
  form: 0.12,
  /** Water round rocks or below a step fills its section less evenly. */
  roughForm: 0.35,
};
/** A telling this many spreads off the others contradicts them. */
const CONTRADICTS = 2;
const Z90 = 1.2816;
const WIDTH_PER_ROOT_Q = 8;
const SLOPE = { least: 0.0003, most: 0.12 };
const GRAVITY = 9.81;

/**
 * The discharge that fits all pieces best: each tells ln Q = ln(pace / surface factor x width x
 * mean depth) with its own spread; the weighted least-squares answer in the logarithm, tellings
 * that contradict the others left out. Needs a sketch without problems.
 */
export function fitSketch(sketch: Sketch): SketchFit {
  const told = sketch.pieces.map((piece) => tell(piece, sketch.anglerHeightM));
  const inUse = new Set(told.flatMap((t, i) => (t ? [i] : [])));
  // Worst first: one wrong piece must not make the right ones look wrong.
  const out = new Set<number>();
  while (inUse.size > 2) {
    let worst = -1;
    let worstZ = CONTRADICTS;
    for (const i of inUse) {
      const others = meanOf(
        told,
        [...inUse].filter((k) => k !== i),
      );
      if (!others) continue;
      const own = told[i]!;
      const z = Math.abs(own.logQ - others.logQ) / Math.hypot(own.spread, others.spread);
      if (z > worstZ) {
        worst = i;
        worstZ = z;
      }
    }
    if (worst < 0) break;
    inUse.delete(worst);
    out.add(worst);
  }
  const best = meanOf(told, [...inUse]) ?? usualOf(sketch);
  const dischargeM3s = Math.exp(best.logQ);
  return {
    dischargeM3s,
    lowM3s: dischargeM3s * Math.exp(-Z90 * best.spread),
    highM3s: dischargeM3s * Math.exp(Z90 * best.spread),
    isTold: inUse.size > 0,
    toldM3s: told.map((t) => t && Math.exp(t.logQ)),
    slope: sketch.pieces.map((p) => slopeOf(p, sketch.anglerHeightM, dischargeM3s)),
    contradictions: [...out]
      .sort((a, b) => a - b)
      .map((i) => contradiction(sketch, i, Math.exp(told[i]!.logQ), dischargeM3s)),
  };
}

interface Telling {
  logQ: number;
  spread: number;
}

/** A backwater lies beside the current and says nothing of the discharge, nor does what was assumed. */
function tell(piece: SketchPiece, heightM: number): Telling | null {
  if (piece.kind === 'backwater') return null;
  if (piece.assumed?.includes('deepest') || piece.assumed?.includes('pace')) return null;
  const depth = toldDepthM(piece.deepest, heightM) * meanShare(piece.kind);
  const mean = toldPaceMps(piece.pace) / surfaceFactor(depth, MATERIALS[piece.material].d84M);
  const rough = piece.kind === 'pocket water' || piece.kind === 'plunge';
  return {
    logQ: Math.log(mean * depth * piece.widthM),
    spread: Math.hypot(
      'word' in piece.pace ? SPREAD.paceWord : SPREAD.paceFloat,
      'word' in piece.deepest ? SPREAD.depthWord : SPREAD.depthTape,
      SPREAD.width,
      rough ? SPREAD.roughForm : SPREAD.form,
    ),
  };
}

/** What a stream that wide carries, W = 8 sqrt Q (our guess; Leopold & Maddock 1953 for the power). */
function usualOf(sketch: Sketch): Telling {
  const flowing = sketch.pieces.filter((p) => p.kind !== 'slot' && p.kind !== 'backwater');
  const of = flowing.length > 0 ? flowing : sketch.pieces;
  const widthM = of.reduce((sum, p) => sum + p.widthM, 0) / Math.max(1, of.length);
  return { logQ: 2 * Math.log(widthM / WIDTH_PER_ROOT_Q), spread: 1 };
}

function meanOf(told: (Telling | null)[], of: number[]): Telling | null {
  let weight = 0;
  let sum = 0;
  for (const i of of) {
    const w = 1 / told[i]!.spread ** 2;
    weight += w;
    sum += w * told[i]!.logQ;
  }
  return weight > 0 ? { logQ: sum / weight, spread: Math.sqrt(1 / weight) } : null;
}

/** S = cf U^2 / (g h) of a wide channel, within what a stream can have. */
function slopeOf(piece: SketchPiece, heightM: number, dischargeM3s: number): number {
  const depth = toldDepthM(piece.deepest, heightM) * meanShare(piece.kind);
  const { n, d84M } = MATERIALS[piece.material];
  const mean = dischargeM3s / (piece.widthM * depth);
  const slope = (frictionCoefficient(depth, n, d84M) * mean * mean) / (GRAVITY * depth);
  return Math.min(SLOPE.most, Math.max(SLOPE.least, slope));
}

/** Discharge goes with pace and width, and with depth to the first power at a told pace. */
function contradiction(
  sketch: Sketch,
  i: number,
  carriesM3s: number,
  othersM3s: number,
): Contradiction {
  const piece = sketch.pieces[i]!;
  const needs = mendsOf(piece, sketch.anglerHeightM, othersM3s / carriesM3s);
  return { pieceId: piece.id, carriesM3s, othersM3s, needs };
}

/** The one change of pace, of depth, or of width that makes a piece carry `factor` times as much. */
export const mendsOf = (
  piece: SketchPiece,
  heightM: number,
  factor: number,
): Contradiction['needs'] => ({
  surfaceSpeedMps: toldPaceMps(piece.pace) * factor,
  deepestM: toldDepthM(piece.deepest, heightM) * factor,
  widthM: piece.widthM * factor,
});
