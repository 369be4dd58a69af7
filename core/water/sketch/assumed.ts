import { MATERIALS } from '../materials';
import { surfaceFactor } from '../profile';
import { fitSketch } from './fit-sketch';
import {
  meanShare,
  toldDepthM,
  toldPaceMps,
  USUAL_FROUDE,
  type AssumedField,
  type Sketch,
  type SketchPiece,
} from './sketch';

const GRAVITY = 9.81;
/** A slot is this share of its neighbours' width (our guess). */
const SLOT_WIDTH = 0.45;
const LEAST = { deepestM: 0.05, paceMps: 0.02 };
/** A depth that is worked out is given to this, m. */
const DEPTH_STEP_M = 0.05;
const FLOAT_M = 3;

/**
 * Depth and pace that were not told, as the discharge makes them: mean depth (Q/(W Fr sqrt g))^(2/3)
 * with the kind's usual Froude number; with one of the two told, the other is what carries Q. A slot
 * not told its width takes a share of its neighbours'. Q comes from the pieces that were told, else
 * from the width. Told fields are never touched; call it after every edit.
 */
export function fillAssumed(sketch: Sketch): Sketch {
  if (sketch.pieces.every((p) => !p.assumed?.length)) return sketch;
  const widths = sketch.pieces.map((p, i) =>
    isAssumed(p, 'widthM') ? widthFrom(sketch.pieces, i) : p.widthM,
  );
  const wide = sketch.pieces.map((p, i) => ({ ...p, widthM: widths[i]! }));
  const { dischargeM3s } = fitSketch({ ...sketch, pieces: wide });
  return { ...sketch, pieces: wide.map((p) => fillPiece(p, sketch.anglerHeightM, dischargeM3s)) };
}

export const isAssumed = (piece: SketchPiece, field: AssumedField): boolean =>
  piece.assumed?.includes(field) ?? false;

/** The fields that an edit has told are assumed no longer. */
export function toldNow(piece: SketchPiece, change: Partial<SketchPiece>): SketchPiece {
  const { assumed = [], ...rest } = { ...piece, ...change };
  const left = assumed.filter((field) => !(field in change));
  return left.length > 0 ? { ...rest, assumed: left } : rest;
}

function widthFrom(pieces: readonly SketchPiece[], i: number): number {
  const piece = pieces[i]!;
  const near = [pieces[i - 1], pieces[i + 1]].filter((p) => p && p.kind !== 'slot');
  if (near.length === 0) return piece.widthM;
  const mean = near.reduce((sum, p) => sum + p!.widthM, 0) / near.length;
  return Math.round(10 * mean * (piece.kind === 'slot' ? SLOT_WIDTH : 1)) / 10;
}

function fillPiece(piece: SketchPiece, heightM: number, dischargeM3s: number): SketchPiece {
  const noDepth = isAssumed(piece, 'deepest');
  const noPace = isAssumed(piece, 'pace');
  if (!noDepth && !noPace) return piece;
  const share = meanShare(piece.kind);
  const { d84M } = MATERIALS[piece.material];
  const unitM2s = dischargeM3s / piece.widthM;
  let deepest = piece.deepest;
  if (noDepth) {
    const meanM = noPace
      ? (unitM2s / (USUAL_FROUDE[piece.kind] * Math.sqrt(GRAVITY))) ** (2 / 3)
      : (unitM2s / toldPaceMps(piece.pace)) * surfaceFactor(toldDepthM(deepest, heightM), d84M);
    const rounded = Math.round(meanM / share / DEPTH_STEP_M) * DEPTH_STEP_M;
    deepest = { depthM: Number(Math.max(LEAST.deepestM, rounded).toFixed(2)) };
  }
  if (!noPace) return { ...piece, deepest };
  const meanM = toldDepthM(deepest, heightM) * share;
  const paceMps = Math.max(LEAST.paceMps, (unitM2s / meanM) * surfaceFactor(meanM, d84M));
  return {
    ...piece,
    deepest,
    pace: { floatS: Number((FLOAT_M / paceMps).toFixed(2)), overM: FLOAT_M },
  };
}
