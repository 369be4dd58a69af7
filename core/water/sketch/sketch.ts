import type { BedMaterial, GeographicAnchor, Level, LevelName } from '../../formats/index';
import { BODY_SHARE, type PaceWord } from '../../units/index';

export const SKETCH_KINDS = [
  'pocket water',
  'run',
  'glide',
  'riffle',
  'pool',
  'plunge',
  'tail',
  'slot',
  'backwater',
] as const;
export type SketchKind = (typeof SKETCH_KINDS)[number];

/** A depth as it was told: by tape, or against the angler's own leg. */
export type ToldDepth = { depthM: number } | { word: keyof typeof BODY_SHARE };
/** A surface pace as it was told: in a word, or by a float over a distance. */
export type ToldPace = { word: PaceWord } | { floatS: number; overM: number };

/** A piece of water, in order up-current. Metres; `bendDeg`: turn of the stream over it, + toward true right. */
export interface SketchPiece {
  id: string;
  kind: SketchKind;
  lengthM: number;
  widthM: number;
  deepest: ToldDepth;
  pace: ToldPace;
  bendDeg: number;
  deepSide: 'left' | 'middle' | 'right';
  material: BedMaterial;
  /** Step at the head of a plunge, m. */
  dropM?: number;
  /** What nobody told: filled from the discharge (`fillAssumed`), and no part of the fit. */
  assumed?: AssumedField[];
}

export type AssumedField = 'deepest' | 'pace' | 'widthM';

type OnBank = { side: 'left' | 'right' };
/** Where in its piece: 0 at the foot, 1 at the head. */
type Along = { id: string; pieceId: string; along: number };
/** 0 at the true left edge, 1 at the true right. */
type Across = { across: number };

/** What is dropped on a sketch; places are kept relative to the piece, so that they move with it. */
export type SketchThing = Along &
  (
    | ({ kind: 'boulder'; diameterM: number; heightM: number } & Across)
    | ({ kind: 'log'; reach: number; diameterM: number } & OnBank)
    | ({ kind: 'undercut'; lengthM: number; cutM: number } & OnBank)
    | ({ kind: 'overhang'; lengthM: number; reachM: number; clearanceM: number } & OnBank)
    | ({ kind: 'weed'; lengthM: number; widthM: number; density: 'sparse' | 'thick' } & Across)
    | ({ kind: 'tree'; offM: number; heightM: number; crownM: number } & OnBank)
    | ({ kind: 'bush'; offM: number; heightM: number; crownM: number } & OnBank)
    | { kind: 'ledge'; dropM: number }
    /** A hollow or rut in the bed, along the current. */
    | ({ kind: 'hollow'; lengthM: number; deeperM: number } & Across)
    | ({ kind: 'snag'; note: string } & Across)
    | ({ kind: 'spring'; tempC: number; note: string } & Across)
    | ({ kind: 'dead tree'; offM: number; heightM: number } & OnBank)
    | ({ kind: 'entry'; offM: number; note: string } & OnBank)
    | ({ kind: 'hazard'; offM: number; note: string } & OnBank)
  );

export interface Sketch {
  name: string;
  anglerHeightM: number;
  surveyedLevel: LevelName;
  bearingDeg: number;
  anchor?: GeographicAnchor;
  timeZone?: string;
  altitudeM?: number;
  /** Discharges known for other levels; the rest is guessed from the fitted one. */
  levels?: Level[];
  pieces: SketchPiece[];
  things: SketchThing[];
}

/** Surface speed that stands for a pace word, m/s: the middle of its bin (common practice). */
export const PACE_WORD_MPS: Record<PaceWord, number> = {
  still: 0.06,
  stroll: 0.2,
  walk: 0.48,
  brisk: 0.78,
  rush: 1.15,
};

export const toldDepthM = (told: ToldDepth, anglerHeightM: number): number =>
  'depthM' in told ? told.depthM : BODY_SHARE[told.word] * anglerHeightM;

export const toldPaceMps = (told: ToldPace): number =>
  'word' in told ? PACE_WORD_MPS[told.word] : told.overM / told.floatS;

/**
 * Form of a piece's cross-section and what it is usually made of: depth falls from the deepest as
 * 1 - t^power toward each edge, whose mean is power / (power + 1) (our guesses).
 */
export const PIECE_FORM: Record<
  SketchKind,
  { power: number; along: readonly [number, number, number]; material: BedMaterial }
> = {
  'pocket water': { power: 2.5, along: [0.95, 1, 0.95], material: 'cobble' },
  run: { power: 2, along: [0.9, 1, 0.95], material: 'cobble' },
  glide: { power: 3, along: [0.95, 1, 0.95], material: 'gravel' },
  riffle: { power: 3, along: [0.95, 1, 0.95], material: 'cobble' },
  pool: { power: 1.8, along: [0.75, 1, 0.8], material: 'gravel' },
  plunge: { power: 1.6, along: [0.6, 0.85, 1], material: 'broken-rock' },
  tail: { power: 3, along: [0.65, 0.85, 1], material: 'gravel' },
  slot: { power: 4, along: [0.95, 1, 0.95], material: 'slab' },
  backwater: { power: 2, along: [0.8, 1, 0.9], material: 'silt' },
};

/** Mean depth of a piece over its deepest: across the stream and along it. */
export function meanShare(kind: SketchKind): number {
  const { power, along } = PIECE_FORM[kind];
  return (power / (power + 1)) * ((along[0] + along[1] + along[2]) / 3);
}

const USUAL_LENGTH_M: Record<SketchKind, number> = {
  'pocket water': 10,
  run: 8,
  glide: 10,
  riffle: 6,
  pool: 8,
  plunge: 4,
  tail: 5,
  slot: 5,
  backwater: 4,
};

/** Froude number that a kind usually runs at: our guesses, within Jowett's (1993) classes. */
export const USUAL_FROUDE: Record<SketchKind, number> = {
  riffle: 0.5,
  'pocket water': 0.4,
  run: 0.29,
  slot: 0.3,
  tail: 0.2,
  glide: 0.13,
  plunge: 0.1,
  pool: 0.07,
  backwater: 0.03,
};

/**
 * A piece of that kind of which nothing was told yet but its kind: depth and pace wait for
 * `fillAssumed`, which gives what the discharge makes of them.
 */
export function newPiece(id: string, kind: SketchKind, widthM: number): SketchPiece {
  return {
    id,
    kind,
    lengthM: USUAL_LENGTH_M[kind],
    widthM,
    deepest: { word: 'knee' },
    pace: { word: 'walk' },
    assumed: kind === 'slot' ? ['deepest', 'pace', 'widthM'] : ['deepest', 'pace'],
    bendDeg: 0,
    deepSide: 'middle',
    material: PIECE_FORM[kind].material,
    ...(kind === 'plunge' && { dropM: 0.4 }),
  };
}

export const newSketch = (name: string, anglerHeightM: number): Sketch => ({
  name,
  anglerHeightM,
  surveyedLevel: 'Fair',
  bearingDeg: 0,
  pieces: [],
  things: [],
});
