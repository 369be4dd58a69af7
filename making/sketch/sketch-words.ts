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
  toldPaceMps,
  type ToldAndSolved,
  type Contradiction,
  type Sketch,
  type SketchPiece,
  type SketchThing,
} from '../../core/water/index';

/** How a sketch is said. */
export const pieceTitle = (piece: SketchPiece, i: number) => `Piece ${i + 1}, ${piece.kind}`;

export function pieceLine(piece: SketchPiece, heightM: number, units: UnitSystem): string {
  if (piece.assumed?.includes('deepest') && piece.assumed.includes('pace'))
    return `${formatLength(piece.lengthM, units)} by ${formatLength(piece.widthM, units)}, as the others carry: ${assumedText(piece, 'deepest', heightM, units)}, ${assumedText(piece, 'pace', heightM, units)}`;
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

/** What a field that nobody told is filled with. */
export function assumedText(
  piece: SketchPiece,
  field: 'deepest' | 'pace',
  heightM: number,
  units: UnitSystem,
): string {
  return field === 'deepest'
    ? `${formatDepth(toldDepthM(piece.deepest, heightM), units)} deep`
    : `${formatSpeed(toldPaceMps(piece.pace), units)}, ${paceWord(toldPaceMps(piece.pace))}`;
}

export function contradictionText(
  sketch: Sketch,
  c: Contradiction,
  units: UnitSystem,
): { lead: string; needs: string } {
  const i = sketch.pieces.findIndex((p) => p.id === c.pieceId);
  const piece = sketch.pieces[i]!;
  return {
    lead: `${pieceTitle(piece, i)} contradicts the others: as told it carries ${formatDischarge(c.carriesM3s, units)}, they carry ${formatDischarge(c.othersM3s, units)}.`,
    needs: needsText(c.needs, units),
  };
}

function needsText(needs: Contradiction['needs'], units: UnitSystem): string {
  const { surfaceSpeedMps, deepestM, widthM } = needs;
  const seconds = floatSecondsOver3m(surfaceSpeedMps);
  const leaf =
    seconds > 60
      ? paceWord(surfaceSpeedMps)
      : `${paceWord(surfaceSpeedMps)}, a leaf over ${formatLength(3, units, 0)} in ${seconds.toFixed(1)} s`;
  return `It would fit at ${leaf}; or ${formatDepth(deepestM, units)} deep; or ${formatLength(widthM, units)} wide.`;
}

/** What of a piece the water does not do as told, and what would mend it; null where it agrees. */
export function disagreementText(
  sketch: Sketch,
  t: ToldAndSolved,
  units: UnitSystem,
): { lead: string; needs: string } | null {
  if (!t.disagrees.depth && !t.disagrees.pace) return null;
  const i = sketch.pieces.findIndex((p) => p.id === t.pieceId);
  const title = pieceTitle(sketch.pieces[i]!, i);
  if (!t.solved)
    return {
      lead: `${title} stands dry as told.`,
      needs: 'Look at its depth and at the steps beside it.',
    };
  const parts = [
    t.disagrees.pace &&
      `told ${paceWord(t.told.surfaceSpeedMps)}, the water runs ${paceWord(t.solved.surfaceSpeedMps)} there: ${formatSpeed(t.solved.surfaceSpeedMps, units)} for ${formatSpeed(t.told.surfaceSpeedMps, units)}`,
    t.disagrees.depth &&
      `told ${formatDepth(t.told.deepestM, units)} deep, it solves to ${formatDepth(t.solved.deepestM, units)}`,
  ].filter((p) => p !== false);
  return {
    lead: `${title}: ${parts.join('; ')}.`,
    needs: t.needs ? needsText(t.needs, units) : '',
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
  'dead tree': 'Dead tree',
  hollow: 'Hollow or rut',
  snag: 'Snag',
  spring: 'Spring',
  ledge: 'Step',
  entry: 'Entry',
  hazard: 'Hazard',
};

/** What becomes of depths a fly felt when the water is told anew. */
export function feltWords(kept: number, lost: number): string {
  const soundings = (n: number) => `${n} ${n === 1 ? 'sounding' : 'soundings'} by the fly`;
  const first = kept > 0 ? `${soundings(kept)} ${kept === 1 ? 'comes' : 'come'} along.` : '';
  const left =
    lost > 0 ? `${soundings(lost)} ${lost === 1 ? 'lies' : 'lie'} on land as told now: left.` : '';
  return [first, left].filter(Boolean).join(' ');
}
