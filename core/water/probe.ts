import { cellIndex } from '../grid/index';
import { sampleFlow, type FlowField } from './flow-field';
import type { PieceKind, Pieces } from './pieces';
import { surfaceFactor } from './profile';

export interface Probe {
  depthM: number;
  /** Surface speed, m/s: what a leaf does. */
  surfaceSpeedMps: number;
  meanSpeedMps: number;
  froude: number;
  /** Direction the water goes, plan angle. */
  towardRad: number;
  turnedBack: boolean;
  piece: PieceKind | null;
}

/** What the water is at a place; null where there is none. */
export function probeFlow(
  flow: FlowField,
  pieces: Pieces | null,
  xM: number,
  yM: number,
): Probe | null {
  const k = cellIndex(flow, xM, yM);
  if (k < 0 || flow.depthM[k]! <= 0) return null;
  const s = sampleFlow(flow, xM, yM, { depthM: 0, u: 0, v: 0 });
  const meanSpeedMps = Math.hypot(s.u, s.v);
  const patch = pieces ? pieces.ofCell[k]! : -1;
  return {
    depthM: s.depthM,
    surfaceSpeedMps: meanSpeedMps * surfaceFactor(s.depthM, flow.d84M[k]!),
    meanSpeedMps,
    froude: meanSpeedMps / Math.sqrt(9.81 * Math.max(0.005, s.depthM)),
    towardRad: Math.atan2(s.v, s.u),
    turnedBack: s.u > 0,
    piece: patch >= 0 ? pieces!.pieces[patch]!.kind : null,
  };
}
