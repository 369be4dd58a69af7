import {
  floatSecondsOver3m,
  formatDepth,
  formatDischarge,
  formatLength,
  formatSpeed,
  paceWord,
  type UnitSystem,
} from '../../core/units/index';
import {
  toldDepthM,
  type Contradiction,
  type Sketch,
  type SketchPiece,
  type SketchThing,
} from '../../core/water/index';

/** How a sketch is said. */
export const pieceTitle = (piece: SketchPiece, i: number) => `Piece ${i + 1}, ${piece.kind}`;

export function pieceLine(piece: SketchPiece, heightM: number, units: UnitSystem): string {
  const depth =
    'word' in piece.deepest
      ? `${piece.deepest.word} deep`
      : `${formatDepth(piece.deepest.depthM, units)} deep`;
  const pace =
    'word' in piece.pace
      ? piece.pace.word
      : `${formatSpeed(piece.pace.overM / piece.pace.floatS, units)} by float`;
  const size = `${formatLength(piece.lengthM, units)} by ${formatLength(piece.widthM, units)}`;
  const told =
    'word' in piece.deepest ? ` (${formatDepth(toldDepthM(piece.deepest, heightM), units)})` : '';
  return `${size}, ${depth}${told}, ${pace}`;
}

export function contradictionText(
  sketch: Sketch,
  c: Contradiction,
  units: UnitSystem,
): { lead: string; needs: string } {
  const i = sketch.pieces.findIndex((p) => p.id === c.pieceId);
  const piece = sketch.pieces[i]!;
  const { surfaceSpeedMps, deepestM, widthM } = c.needs;
  const seconds = floatSecondsOver3m(surfaceSpeedMps);
  const leaf =
    seconds > 60
      ? paceWord(surfaceSpeedMps)
      : `${paceWord(surfaceSpeedMps)}, a leaf over ${formatLength(3, units, 0)} in ${seconds.toFixed(1)} s`;
  return {
    lead: `${pieceTitle(piece, i)} contradicts the others: as told it carries ${formatDischarge(c.carriesM3s, units)}, they carry ${formatDischarge(c.othersM3s, units)}.`,
    needs: `It would fit at ${leaf}; or ${formatDepth(deepestM, units)} deep; or ${formatLength(widthM, units)} wide.`,
  };
}

export const THING_NAMES: Record<SketchThing['kind'], string> = {
  boulder: 'Rock',
  log: 'Log',
  undercut: 'Undercut',
  overhang: 'Boughs',
  weed: 'Weed',
  tree: 'Tree',
  bush: 'Bush',
  ledge: 'Step',
  entry: 'Entry',
  hazard: 'Hazard',
};
