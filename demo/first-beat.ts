import { beatFromSketch, type Sketch, type SketchThing } from '../core/water/index';
import { writeBeat, type BeatPlan } from '../core/formats/index';

/**
 * The demo's first beat: stepped pocket water, invented from end to end, told as a sketch: 36 m in
 * seven pieces, 7 to 9 m wide. Straight, so that distance along it is x.
 */
export const DEMO_STREAM = 'Thrum Water';
export const FIRST_BEAT_NAME = 'Sallow Steps';

const PIECES: Sketch['pieces'] = [
  piece('s1', 'tail', 5, 8.9, 0.42, 3.4, 'middle', 'gravel'),
  piece('s2', 'run', 4.5, 9.2, 0.6, 5.0, 'middle', 'cobble'),
  piece('s3', 'pool', 6.5, 8.4, 0.85, 6.0, 'middle', 'gravel'),
  piece('s4', 'riffle', 4, 7.7, 0.42, 3.0, 'middle', 'cobble'),
  piece('s5', 'run', 8.5, 8.3, 0.76, 5.4, 'right', 'cobble'),
  piece('s6', 'riffle', 3, 8.4, 0.42, 3.1, 'middle', 'broken-rock'),
  piece('s7', 'pocket water', 4.5, 7.8, 0.5, 3.5, 'middle', 'broken-rock'),
];

/** A piece told by tape, and by a leaf timed over 3 m. */
function piece(
  id: string,
  kind: Sketch['pieces'][number]['kind'],
  lengthM: number,
  widthM: number,
  depthM: number,
  floatS: number,
  deepSide: 'left' | 'middle' | 'right',
  material: Sketch['pieces'][number]['material'],
): Sketch['pieces'][number] {
  const deepest = { depthM };
  return {
    id,
    kind,
    lengthM,
    widthM,
    deepest,
    pace: { floatS, overM: 3 },
    bendDeg: 0,
    deepSide,
    material,
  };
}

/** The piece and share of it at a distance along the stream. */
function at(sM: number): { pieceId: string; along: number } {
  let foot = 0;
  for (const p of PIECES) {
    if (sM <= foot + p.lengthM || p === PIECES[PIECES.length - 1])
      return { pieceId: p.id, along: Number(((sM - foot) / p.lengthM).toFixed(4)) };
    foot += p.lengthM;
  }
  throw new RangeError(`${sM} m lies beyond the beat`);
}

const rock = (sM: number, across: number, diameterM: number, heightM: number): SketchThing => ({
  id: `rock-${sM}`,
  ...at(sM),
  kind: 'boulder',
  across,
  diameterM,
  heightM,
});
const plant = (
  kind: 'tree' | 'bush',
  sM: number,
  side: 'left' | 'right',
  offM: number,
  heightM: number,
  crownM: number,
): SketchThing => ({ id: `${kind}-${sM}`, ...at(sM), kind, side, offM, heightM, crownM });
const step = (sM: number, dropM: number): SketchThing => ({
  id: `step-${sM}`,
  ...at(sM),
  kind: 'ledge',
  dropM,
});

const THINGS: SketchThing[] = [
  // Rocks: five large enough to solve at .2 m, four that are not.
  rock(10.2, 0.55, 1.5, 0.95),
  rock(20.6, 0.38, 1.4, 0.85),
  rock(26.2, 0.33, 1.6, 0.8),
  rock(31.6, 0.62, 1.2, 0.75),
  rock(6.2, 0.28, 1.1, 0.6),
  rock(14.6, 0.2, 0.8, 0.6),
  rock(22.8, 0.68, 0.7, 0.75),
  rock(33.8, 0.29, 0.8, 0.65),
  rock(17, 0.8, 0.6, 0.4),
  step(6.6, 0.1),
  step(18, 0.12),
  step(29.4, 0.1),
  // A log jutting from the true left bank with an eddy below it.
  { id: 'log', ...at(12.4), kind: 'log', side: 'left', reach: 0.28, diameterM: 0.4 },
  { id: 'cut', ...at(24), kind: 'undercut', side: 'right', lengthM: 8, cutM: 0.5 },
  {
    id: 'boughs',
    ...at(24),
    kind: 'overhang',
    side: 'right',
    lengthM: 5,
    reachM: 1.1,
    clearanceM: 0.7,
  },
  plant('tree', 3, 'right', 3.6, 9, 4.2),
  plant('tree', 8.5, 'right', 3.2, 11, 4.6),
  plant('tree', 13.4, 'right', 3, 8, 3.8),
  plant('tree', 18.2, 'right', 3.6, 12, 5),
  plant('tree', 24.4, 'right', 3.8, 10, 4.6),
  plant('tree', 29.6, 'right', 3.4, 9, 4.2),
  plant('tree', 34.2, 'right', 3.8, 11, 4.8),
  plant('tree', 30.6, 'left', 4, 8, 3.6),
  plant('tree', 35, 'left', 3.7, 9, 4),
  plant('bush', 15.6, 'left', 2.2, 1.4, 2.2),
  plant('bush', 17.4, 'left', 2.2, 1.4, 2.2),
  plant('bush', 22.4, 'left', 2.2, 1.2, 1.8),
  plant('bush', 5.2, 'right', 1.8, 1.5, 2),
  {
    id: 'stile',
    ...at(2.5),
    kind: 'entry',
    side: 'left',
    offM: 4,
    note: 'Stile by the lower gate',
  },
  {
    id: 'edge',
    ...at(35.2),
    kind: 'hazard',
    side: 'left',
    offM: 1.4,
    note: 'Undermined bank, keep off the edge',
  },
];

export const FIRST_SKETCH: Sketch = {
  name: FIRST_BEAT_NAME,
  anglerHeightM: 1.75,
  surveyedLevel: 'Fair',
  bearingDeg: 62,
  anchor: { lat: 47, lon: 9 },
  timeZone: 'Etc/GMT-2',
  altitudeM: 640,
  pieces: PIECES,
  things: THINGS,
};

/** The demo beat, built as the interface builds any sketch. */
export function firstBeat(): BeatPlan {
  const built = beatFromSketch(FIRST_SKETCH);
  if (!built.ok)
    throw new Error(
      `the demo's sketch does not build: ${built.problems.map((p) => p.message).join(' ')}`,
    );
  return built.plan;
}

/** The same as a beat file. */
export const FIRST_BEAT_FILE = writeBeat(firstBeat());
