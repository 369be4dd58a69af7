import { halfPlace } from '../../formats/index';
import { SKETCH_KINDS, toldDepthM, toldPaceMps, type Sketch } from './sketch';

export interface SketchProblem {
  /** The piece or thing it speaks of; null for the sketch as a whole. */
  id: string | null;
  field: string;
  message: string;
}

/** A beat may bend this far off its chord. */
export const MAX_BEND_DEG = 60;
const BEAT_M = { least: 10, most: 150 };

type Range = readonly [min: number, max: number, unit: string];
const RANGES: Record<string, Range> = {
  lengthM: [1, 120, 'm'],
  widthM: [0.5, 40, 'm'],
  deepest: [0.05, 4, 'm'],
  pace: [0.01, 5, 'm/s'],
  bendDeg: [-90, 90, 'degrees'],
  dropM: [0.02, 5, 'm'],
  along: [0, 1, '(share of its piece)'],
  across: [0, 1, '(share of the width)'],
  diameterM: [0.1, 6, 'm'],
  heightM: [0.05, 40, 'm'],
  reach: [0.05, 1, '(share of the width)'],
  cutM: [0.05, 3, 'm'],
  reachM: [0.1, 6, 'm'],
  clearanceM: [0, 5, 'm'],
  offM: [0, 30, 'm'],
  crownM: [0.3, 20, 'm'],
  deeperM: [0.05, 2, 'm'],
  tempC: [0, 30, '°C'],
};
const FIELD_NAMES: Record<string, string> = {
  lengthM: 'length',
  widthM: 'width',
  deepest: 'deepest',
  pace: 'pace',
  bendDeg: 'bend',
  dropM: 'step',
  diameterM: 'diameter',
  heightM: 'height',
  cutM: 'depth of the undercut',
  reachM: 'reach',
  clearanceM: 'clearance',
  offM: 'distance from the edge',
  crownM: 'crown',
  deeperM: 'depth below the bed round it',
  tempC: 'temperature',
};

/** Everything that keeps a sketch from becoming a beat, each in a sentence. Empty: it can be built. */
export function sketchProblems(sketch: Sketch): SketchProblem[] {
  const out: SketchProblem[] = [];
  const say = (id: string | null, field: string, message: string) =>
    out.push({ id, field, message });
  if (sketch.name.trim() === '' || sketch.name.length > 120)
    say(null, 'name', 'The beat needs a name of 1 to 120 letters.');
  const half = halfPlace(sketch.anchor);
  if (half) say(null, 'anchor', half);
  if (sketch.pieces.length === 0) {
    say(null, 'pieces', 'No piece yet: add the first one at the foot of the beat.');
    return out;
  }
  const check = (id: string, name: string, field: string, value: number) => {
    const [min, max, unit] = RANGES[field]!;
    if (Number.isFinite(value) && value >= min && value <= max) return;
    const shown = Number.isFinite(value) ? Number(value.toFixed(2)) : 'not a number';
    say(
      id,
      field,
      `${name}: ${FIELD_NAMES[field] ?? field} is ${shown}; ${min} to ${max} ${unit} is possible.`,
    );
  };
  sketch.pieces.forEach((piece, i) => {
    const name = `Piece ${i + 1} (${piece.kind})`;
    if (!SKETCH_KINDS.includes(piece.kind))
      say(piece.id, 'kind', `${name}: its kind must be one of ${SKETCH_KINDS.join(', ')}.`);
    check(piece.id, name, 'lengthM', piece.lengthM);
    check(piece.id, name, 'widthM', piece.widthM);
    check(piece.id, name, 'deepest', toldDepthM(piece.deepest, sketch.anglerHeightM));
    check(piece.id, name, 'pace', toldPaceMps(piece.pace));
    check(piece.id, name, 'bendDeg', piece.bendDeg);
    if (piece.dropM !== undefined) check(piece.id, name, 'dropM', piece.dropM);
  });
  const ids = new Set(sketch.pieces.map((p) => p.id));
  for (const thing of sketch.things) {
    const name = `The ${thing.kind}`;
    if (!ids.has(thing.pieceId)) say(thing.id, 'pieceId', `${name} lies on no piece.`);
    for (const [field, value] of Object.entries(thing))
      if (typeof value === 'number' && field in RANGES) check(thing.id, name, field, value);
  }
  const length = sketch.pieces.reduce((sum, p) => sum + p.lengthM, 0);
  if (Number.isFinite(length) && (length < BEAT_M.least || length > BEAT_M.most))
    say(
      null,
      'length',
      `The pieces are ${length.toFixed(1)} m long together; a beat of ${BEAT_M.least} to ${BEAT_M.most} m is possible.`,
    );
  return out;
}
