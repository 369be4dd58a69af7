import type { Place } from '../../core/grid/index';
import {
  createStreamLine,
  newPiece,
  toldNow,
  type Sketch,
  type SketchKind,
  type SketchPiece,
  type SketchThing,
} from '../../core/water/index';

/** Changes of a sketch, each giving a new one. */

const DEFAULT_WIDTH_M = 6;

/** A piece above the last one, as wide as it. */
export function addPiece(sketch: Sketch, id: string, kind: SketchKind): Sketch {
  const last = sketch.pieces[sketch.pieces.length - 1];
  const piece = newPiece(id, kind, last?.widthM ?? DEFAULT_WIDTH_M);
  return { ...sketch, pieces: [...sketch.pieces, piece] };
}

/** What is told of a piece is assumed no longer. */
export function changePiece(sketch: Sketch, id: string, change: Partial<SketchPiece>): Sketch {
  return {
    ...sketch,
    pieces: sketch.pieces.map((p) => (p.id === id ? toldNow(p, change) : p)),
  };
}

/** Another kind brings its usual bed and step; what was told of size, depth and pace stays. */
export function changeKind(sketch: Sketch, id: string, kind: SketchKind): Sketch {
  const usual = newPiece(id, kind, DEFAULT_WIDTH_M);
  return {
    ...sketch,
    pieces: sketch.pieces.map((p) => {
      if (p.id !== id) return p;
      const { dropM: _step, ...rest } = p;
      return {
        ...rest,
        kind,
        material: usual.material,
        ...(usual.dropM !== undefined && { dropM: usual.dropM }),
      };
    }),
  };
}

/** What was dropped on the piece goes with it. */
export function removePiece(sketch: Sketch, id: string): Sketch {
  return {
    ...sketch,
    pieces: sketch.pieces.filter((p) => p.id !== id),
    things: sketch.things.filter((t) => t.pieceId !== id),
  };
}

/** Moves a piece to the place of another, or by one step up- or down-current. */
export function movePiece(sketch: Sketch, id: string, to: number): Sketch {
  const from = sketch.pieces.findIndex((p) => p.id === id);
  if (from < 0 || to < 0 || to >= sketch.pieces.length || to === from) return sketch;
  const pieces = [...sketch.pieces];
  const [piece] = pieces.splice(from, 1);
  pieces.splice(to, 0, piece!);
  return { ...sketch, pieces };
}

const USUAL_THING: {
  [K in SketchThing['kind']]: Omit<
    Extract<SketchThing, { kind: K }>,
    'id' | 'pieceId' | 'along' | 'kind' | 'across' | 'side'
  >;
} = {
  boulder: { diameterM: 1.2, heightM: 0.8 },
  log: { reach: 0.35, diameterM: 0.35 },
  undercut: { lengthM: 5, cutM: 0.4 },
  overhang: { lengthM: 4, reachM: 1.2, clearanceM: 0.6 },
  weed: { lengthM: 3, widthM: 1.5, density: 'sparse' },
  tree: { offM: 3, heightM: 8, crownM: 4 },
  bush: { offM: 1.5, heightM: 1.4, crownM: 2 },
  'dead tree': { offM: 2, heightM: 9 },
  ledge: { dropM: 0.15 },
  hollow: { lengthM: 2, deeperM: 0.25 },
  snag: { note: 'Branch ends' },
  spring: { tempC: 9, note: 'Spring' },
  entry: { offM: 3, note: 'Way in' },
  hazard: { offM: 0.8, note: 'Keep off' },
};

const IN_THE_BED: readonly SketchThing['kind'][] = ['boulder', 'weed', 'hollow', 'snag', 'spring'];

/** A thing of usual size where it was dropped; on a bank kind, at the nearer bank. */
export function addThing(
  sketch: Sketch,
  id: string,
  kind: SketchThing['kind'],
  at: { pieceId: string; along: number; across: number },
): Sketch {
  const { pieceId, along } = at;
  const where = IN_THE_BED.includes(kind)
    ? { across: Math.min(0.97, Math.max(0.03, at.across)) }
    : kind === 'ledge'
      ? {}
      : { side: at.across < 0.5 ? 'left' : 'right' };
  const thing = { id, pieceId, along, kind, ...where, ...USUAL_THING[kind] } as SketchThing;
  return { ...sketch, things: [...sketch.things, thing] };
}

export function changeThing(sketch: Sketch, id: string, change: Partial<SketchThing>): Sketch {
  return {
    ...sketch,
    things: sketch.things.map((t) => (t.id === id ? ({ ...t, ...change } as SketchThing) : t)),
  };
}

export const removeThing = (sketch: Sketch, id: string): Sketch => ({
  ...sketch,
  things: sketch.things.filter((t) => t.id !== id),
});

/** Search of the nearest place along the stream, m. */
const STEP_M = 0.1;

/** A place on the drawing as piece, share along it and share of the width; null far from the water. */
export function onStream(
  sketch: Sketch,
  place: Place,
): { pieceId: string; along: number; across: number } | null {
  if (sketch.pieces.length === 0) return null;
  const line = createStreamLine(sketch);
  let best = 0;
  let nearest = Infinity;
  for (let s = 0; s <= line.lengthM; s += STEP_M) {
    const { middle } = line.at(s);
    const d = Math.hypot(place.xM - middle.xM, place.yM - middle.yM);
    if (d < nearest) {
      nearest = d;
      best = s;
    }
  }
  const { middle, headingRad, widthM } = line.at(best);
  const off =
    -(place.xM - middle.xM) * Math.sin(headingRad) + (place.yM - middle.yM) * Math.cos(headingRad);
  if (Math.abs(off) > widthM / 2 + 8) return null;
  let i = 0;
  while (i < sketch.pieces.length - 1 && best >= line.startsM[i + 1]!) i++;
  const piece = sketch.pieces[i]!;
  return {
    pieceId: piece.id,
    along: Math.min(1, Math.max(0, (best - line.startsM[i]!) / piece.lengthM)),
    across: 0.5 + off / widthM,
  };
}

/** Where a thing stands on the drawing: its handle. */
export function placeOfThing(sketch: Sketch, thing: SketchThing): Place | null {
  const i = sketch.pieces.findIndex((p) => p.id === thing.pieceId);
  if (i < 0) return null;
  const line = createStreamLine(sketch);
  const sM = line.startsM[i]! + thing.along * sketch.pieces[i]!.lengthM;
  const { widthM } = line.at(sM);
  if ('across' in thing) return line.place(sM, thing.across);
  if (!('side' in thing)) return line.place(sM, 0.5);
  if (thing.kind === 'log')
    return line.place(sM, thing.side === 'left' ? thing.reach : 1 - thing.reach);
  const offM = 'offM' in thing ? thing.offM : 0;
  return line.place(sM, thing.side === 'left' ? -offM / widthM : 1 + offM / widthM);
}
