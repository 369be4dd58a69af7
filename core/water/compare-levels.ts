import type { FlowField } from './flow-field';
import { PIECE_KINDS, type PieceKind, type Pieces } from './pieces';
import { surfaceFactor } from './profile';

export interface WaterSummary {
  dischargeM3s: number;
  wettedM2: number;
  meanDepthM: number;
  deepestM: number;
  meanPaceMps: number;
  turnedBackM2: number;
  pieceM2: Record<PieceKind, number>;
}

/** A level in a few figures, to be laid beside another. */
export function summariseWater(flow: FlowField, pieces: Pieces): WaterSummary {
  const cell = flow.cellM ** 2;
  let wet = 0;
  let depth = 0;
  let deepest = 0;
  let pace = 0;
  let back = 0;
  for (let k = 0; k < flow.depthM.length; k++) {
    const h = flow.depthM[k]!;
    if (h <= 0) continue;
    wet++;
    depth += h;
    deepest = Math.max(deepest, h);
    pace += Math.hypot(flow.u[k]!, flow.v[k]!) * surfaceFactor(h, flow.d84M[k]!);
    if (flow.u[k]! > 0) back++;
  }
  const pieceM2 = Object.fromEntries(PIECE_KINDS.map((kind) => [kind, 0])) as Record<
    PieceKind,
    number
  >;
  for (const p of pieces.pieces) pieceM2[p.kind] += p.areaM2;
  return {
    dischargeM3s: flow.dischargeM3s,
    wettedM2: wet * cell,
    meanDepthM: wet > 0 ? depth / wet : 0,
    deepestM: deepest,
    meanPaceMps: wet > 0 ? pace / wet : 0,
    turnedBackM2: back * cell,
    pieceM2,
  };
}
