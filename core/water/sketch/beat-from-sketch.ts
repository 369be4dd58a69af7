import { clamp, createRandom, lerp } from '../../grid/index';
import {
  readBeat,
  writeBeat,
  type BeatFeature,
  type BeatPlan,
  type FallPlace,
} from '../../formats/index';
import { fitSketch, type SketchFit } from './fit-sketch';
import { PIECE_FORM, toldDepthM, type Sketch, type SketchPiece, type SketchThing } from './sketch';
import { MAX_BEND_DEG, sketchProblems, type SketchProblem } from './sketch-problems';
import { createStreamLine, type StreamLine } from './stream-line';

export type SketchBeat =
  | { ok: true; plan: BeatPlan; fit: SketchFit; notes: string[] }
  | { ok: false; problems: SketchProblem[] };

/** Places across a taped line, as shares of the width. */
const STATIONS = [0, 0.06, 0.16, 0.28, 0.4, 0.5, 0.6, 0.72, 0.84, 0.94, 1];
/** Taped lines in a piece: foot, middle, head. */
const LINES = [0.18, 0.5, 0.82];
const BANK_NODE_M = 1.5;
/** Banks go on this far beyond the ends, so that they reach, m. */
const BEYOND_M = 1.5;
/** Soundings along a hollow stand this far apart; its depth fades across within about this, m. */
const HOLLOW_STEP_M = 0.7;
const HOLLOW_HALF_M = 0.6;
const DEAD_CROWN_M = 0.6;
/** Deepest place across, by the side of the deep. */
const DEEP_AT = { left: 0.27, middle: 0.5, right: 0.73 } as const;
/** At an undercut the deep comes under the bank: the last station stands this far off it, m. */
const UNDERCUT_STATION_M = 0.25;
const UNDERCUT_DEPTH = 0.75;
const BANK_HEIGHT_M = 0.7;
/** Pocket water without rocks of its own is given some: one to so many square metres. */
const ROCK_EVERY_M2 = 7;

/**
 * Builds banks, bed and what stands on it from a sketch, with the discharge that fits the pieces.
 * The plan has passed `readBeat`. Deterministic.
 */
export function beatFromSketch(sketch: Sketch): SketchBeat {
  const problems = sketchProblems(sketch);
  if (problems.length > 0) return { ok: false, problems };
  const line = createStreamLine(sketch);
  const bend = line.greatestBend;
  if (bend.deg > MAX_BEND_DEG) {
    const piece = sketch.pieces[bend.piece]!;
    return {
      ok: false,
      problems: [
        {
          id: piece.id,
          field: 'bendDeg',
          message: `Piece ${bend.piece + 1} (${piece.kind}): the stream turns ${bend.deg.toFixed(0)} degrees off the beat's line; at most ${MAX_BEND_DEG}. Bend less, or make it two beats.`,
        },
      ],
    };
  }
  const fit = fitSketch(sketch);
  const notes: string[] = [];
  const things = withRocks(sketch, notes).map((thing) => ({
    ...thing,
    sM: sOf(thing, sketch, line),
  }));
  const lengthM = Math.floor(line.chordM * 10) / 10;
  const fall = fallOf(sketch, things, line, fit, lengthM);
  const plan: BeatPlan = {
    version: 1,
    name: sketch.name.trim(),
    lengthM,
    slope: Math.min(0.2, fall.totalM / lengthM),
    fallTold: false,
    bearingDeg: sketch.bearingDeg,
    ...(sketch.anchor && { anchor: sketch.anchor }),
    ...(sketch.timeZone !== undefined && { timeZone: sketch.timeZone }),
    ...(sketch.altitudeM !== undefined && { altitudeM: sketch.altitudeM }),
    fallProfile: fall.profile,
    levels: [
      {
        name: sketch.surveyedLevel,
        dischargeM3s: Number(fit.dischargeM3s.toPrecision(4)),
        how: `fitted to the sketch, give or take ${Math.round(100 * (fit.highM3s / fit.dischargeM3s - 1))} %`,
      },
      ...(sketch.levels ?? []).filter((l) => l.name !== sketch.surveyedLevel),
    ],
    surveyedLevel: sketch.surveyedLevel,
    features: [
      ...banks(line, things),
      ...sketch.pieces.flatMap((piece, i) => sections(sketch, piece, i, line, things)),
      ...sketch.pieces.map((piece, i) => bedOf(piece, i, line)),
      ...things.flatMap((thing) => featureOf(thing, line)),
      ...things.flatMap((thing) => (thing.kind === 'hollow' ? hollow(sketch, thing, line) : [])),
      ...sketch.pieces.flatMap((piece, i) => stepOf(piece, i, line)),
    ],
  };
  const read = readBeat(writeBeat(plan));
  if (read.ok) return { ok: true, plan: read.plan, fit, notes };
  return {
    ok: false,
    problems: read.problems.map((p) => ({ id: null, field: p.property, message: p.message })),
  };
}

/** A thing with its distance along the stream. */
type Placed = SketchThing & { sM: number };

const sOf = (thing: { pieceId: string; along: number }, sketch: Sketch, line: StreamLine) => {
  const i = sketch.pieces.findIndex((p) => p.id === thing.pieceId);
  return line.startsM[i]! + thing.along * sketch.pieces[i]!.lengthM;
};

/** The fall of each piece by its slope; steps are left to their ledges. */
function fallOf(
  sketch: Sketch,
  things: Placed[],
  line: StreamLine,
  fit: SketchFit,
  lengthM: number,
): { totalM: number; profile: FallPlace[] } {
  const heights = [{ xM: 0, zM: 0 }];
  sketch.pieces.forEach((piece, i) => {
    const end = i === sketch.pieces.length - 1;
    const xM = end ? lengthM : line.at(line.startsM[i + 1]!).middle.xM;
    heights.push({ xM, zM: heights[i]!.zM + fit.slope[i]! * piece.lengthM });
  });
  const even = heights[heights.length - 1]!.zM;
  const drops =
    sketch.pieces.reduce((sum, p) => sum + (p.dropM ?? 0), 0) +
    things.reduce((sum, t) => sum + (t.kind === 'ledge' ? t.dropM : 0), 0);
  return {
    totalM: even + drops,
    profile: heights.map((h, i) => ({
      xM: h.xM,
      share: i === heights.length - 1 ? 1 : h.zM / even,
    })),
  };
}

/** Pocket water with no rock dropped on it gets some of its own, and says so. */
function withRocks(sketch: Sketch, notes: string[]): SketchThing[] {
  const things = [...sketch.things];
  sketch.pieces.forEach((piece, i) => {
    if (piece.kind !== 'pocket water') return;
    if (things.some((t) => t.kind === 'boulder' && t.pieceId === piece.id)) return;
    const random = createRandom(17 + i);
    const count = Math.max(2, Math.round((piece.lengthM * piece.widthM) / ROCK_EVERY_M2 / 2));
    for (let n = 0; n < count; n++) {
      const diameterM = Math.round(10 * (0.8 + 0.6 * random())) / 10;
      things.push({
        id: `${piece.id}-rock-${n}`,
        pieceId: piece.id,
        kind: 'boulder',
        along: (n + 0.3 + 0.4 * random()) / count,
        across: 0.18 + 0.64 * ((n * 0.618 + 0.2 * random()) % 1),
        diameterM,
        heightM: Math.round(100 * diameterM * 0.6) / 100,
      });
    }
    notes.push(`Piece ${i + 1}: ${count} rocks were put in by us. Drop your own to replace them.`);
  });
  return things;
}

type Undercut = Extract<Placed, { kind: 'undercut' }>;
/** From where to where a thing of some length runs along the stream. */
const span = (thing: { sM: number; lengthM: number }, line: StreamLine): [number, number] => [
  Math.max(0, thing.sM - thing.lengthM / 2),
  Math.min(line.lengthM, thing.sM + thing.lengthM / 2),
];

/** Each bank as sloping stretches, with undercut ones between. */
function banks(line: StreamLine, things: Placed[]): BeatFeature[] {
  const out: BeatFeature[] = [];
  for (const side of ['left', 'right'] as const) {
    const across = side === 'left' ? 0 : 1;
    const cuts = undercutsOn(things, side, line);
    const edges = [-BEYOND_M, ...cuts.flatMap((c) => [c.from, c.to]), line.lengthM + BEYOND_M];
    for (let e = 0; e + 1 < edges.length; e++) {
      const [from, to] = [edges[e]!, edges[e + 1]!];
      if (to - from < 0.05) continue;
      const cut = e % 2 === 1 ? cuts[(e - 1) / 2]! : null;
      const count = Math.max(1, Math.round((to - from) / BANK_NODE_M));
      out.push({
        kind: 'bank',
        side,
        form: cut ? 'undercut' : 'sloping',
        heightM: BANK_HEIGHT_M,
        ...(cut && { cutM: cut.cutM }),
        shape: {
          type: 'LineString',
          line: Array.from({ length: count + 1 }, (_, n) =>
            line.place(from + ((to - from) * n) / count, across),
          ),
        },
      });
    }
  }
  return out;
}

function undercutsOn(things: Placed[], side: 'left' | 'right', line: StreamLine) {
  const spans = things
    .filter((t): t is Undercut => t.kind === 'undercut' && t.side === side)
    .map((t) => ({ range: span(t, line), cutM: t.cutM }))
    .map(({ range, cutM }) => ({ from: range[0], to: range[1], cutM }))
    .sort((a, b) => a.from - b.from);
  // Two that overlap are one.
  const out: typeof spans = [];
  for (const s of spans) {
    const last = out[out.length - 1];
    if (last && s.from <= last.to + 0.1) last.to = Math.max(last.to, s.to);
    else out.push({ ...s });
  }
  return out;
}

function sections(
  sketch: Sketch,
  piece: SketchPiece,
  i: number,
  line: StreamLine,
  things: Placed[],
): BeatFeature[] {
  const deepest = toldDepthM(piece.deepest, sketch.anglerHeightM);
  const { along } = PIECE_FORM[piece.kind];
  return LINES.map((share, n) => {
    const sM = line.startsM[i]! + share * piece.lengthM;
    const isCut = (side: 'left' | 'right') =>
      undercutsOn(things, side, line).some((c) => sM >= c.from && sM <= c.to);
    const cut = { left: isCut('left'), right: isCut('right') };
    const { widthM } = line.at(sM);
    const across = [...STATIONS];
    // The tape at an undercut ends beside the bank, over deep water.
    if (cut.left) across[0] = Math.min(0.05, UNDERCUT_STATION_M / widthM);
    if (cut.right) across[across.length - 1] = 1 - Math.min(0.05, UNDERCUT_STATION_M / widthM);
    const foot = line.place(sM, 0);
    const head = line.place(sM, 1);
    return {
      kind: 'section',
      stations: across.map((a) => ({
        offsetM: Number((a * widthM).toFixed(3)),
        depthM: Number(
          (
            deepest * along[n]! * acrossShare(piece, a, cut) +
            hollowM(things, line, sM, a) * Number(a > 0 && a < 1)
          ).toFixed(3),
        ),
      })),
      shape: { type: 'LineString', line: [foot, head] },
    };
  });
}

/** Depth at a share of the width over the deepest there: 1 - t^power from the deep to each edge. */
function acrossShare(
  piece: SketchPiece,
  across: number,
  cut: { left: boolean; right: boolean },
): number {
  const { power } = PIECE_FORM[piece.kind];
  const side = cut.right ? 'right' : cut.left ? 'left' : piece.deepSide;
  const deepAt = DEEP_AT[side] + (cut.right ? 0.08 : cut.left ? -0.08 : 0);
  const toEdge = across < deepAt ? deepAt : 1 - deepAt;
  const t = Math.abs(across - deepAt) / toEdge;
  const undercut = across < deepAt ? cut.left : cut.right;
  const share = 1 - t ** power;
  return undercut ? UNDERCUT_DEPTH + (1 - UNDERCUT_DEPTH) * share : share;
}

function bedOf(piece: SketchPiece, i: number, line: StreamLine): BeatFeature {
  const [from, to] = [line.startsM[i]!, line.startsM[i + 1]!];
  const count = Math.max(1, Math.ceil((to - from) / 3));
  const edge = (across: number) =>
    Array.from({ length: count + 1 }, (_, n) =>
      line.place(from + ((to - from) * n) / count, across),
    );
  return {
    kind: 'bed',
    material: piece.material,
    shape: { type: 'Polygon', ring: [...edge(-0.2), ...edge(1.2).reverse()] },
  };
}

/** How much deeper hollows make a place, m. */
const hollowM = (things: Placed[], line: StreamLine, sM: number, across: number): number =>
  things.reduce((deeper, t) => {
    if (t.kind !== 'hollow') return deeper;
    const [from, to] = span(t, line);
    if (sM < from || sM > to) return deeper;
    const off = ((across - t.across) * line.at(sM).widthM) / HOLLOW_HALF_M;
    return Math.max(deeper, t.deeperM * Math.exp(-off * off));
  }, 0);

type Hollow = Extract<Placed, { kind: 'hollow' }>;

/** Soundings along a hollow's middle, deeper than the piece is there as told. */
function hollow(sketch: Sketch, thing: Hollow, line: StreamLine): BeatFeature[] {
  const [from, to] = span(thing, line);
  const count = Math.max(1, Math.round((to - from) / HOLLOW_STEP_M));
  const i = sketch.pieces.findIndex((p) => p.id === thing.pieceId);
  const piece = sketch.pieces[i]!;
  const deepest = toldDepthM(piece.deepest, sketch.anglerHeightM);
  const across = acrossShare(piece, thing.across, { left: false, right: false });
  return Array.from({ length: count }, (_, n) => {
    const sM = from + ((n + 0.5) / count) * (to - from);
    const share = alongShare(piece, (sM - line.startsM[i]!) / piece.lengthM);
    return {
      kind: 'sounding',
      depthM: Number((deepest * share * across + thing.deeperM).toFixed(3)),
      shape: { type: 'Point', place: line.place(sM, thing.across) },
    };
  });
}

/** Deepest across over the piece's deepest, at a share of its length. */
export function alongShare(piece: SketchPiece, share: number): number {
  const { along } = PIECE_FORM[piece.kind];
  const [foot, middle, head] = LINES as [number, number, number];
  if (share <= middle)
    return lerp(along[0], along[1], clamp((share - foot) / (middle - foot), 0, 1));
  return lerp(along[1], along[2], clamp((share - middle) / (head - middle), 0, 1));
}

/** The step at the head of a plunge, straight across the stream. */
function stepOf(piece: SketchPiece, i: number, line: StreamLine): BeatFeature[] {
  if (piece.dropM === undefined) return [];
  return [ledgeAt(line, line.startsM[i + 1]! - 0.3, piece.dropM)];
}

const ledgeAt = (line: StreamLine, sM: number, dropM: number): BeatFeature => ({
  kind: 'ledge',
  dropM,
  facing: 180,
  shape: { type: 'LineString', line: [line.place(sM, -0.05), line.place(sM, 1.05)] },
});

function featureOf(thing: Placed, line: StreamLine): BeatFeature[] {
  const { widthM } = line.at(thing.sM);
  /** Metres from the bank, outward positive, as a share of the width. */
  const offBank = (side: 'left' | 'right', outM: number) =>
    side === 'left' ? -outM / widthM : 1 + outM / widthM;
  const point = (across: number) => ({
    type: 'Point' as const,
    place: line.place(thing.sM, across),
  });
  const area = (from: number, to: number, a: number, b: number) => ({
    type: 'Polygon' as const,
    ring: [line.place(from, a), line.place(to, a), line.place(to, b), line.place(from, b)],
  });
  switch (thing.kind) {
    case 'boulder': {
      const { diameterM, heightM } = thing;
      return [{ kind: 'boulder', diameterM, heightM, shape: point(thing.across) }];
    }
    case 'log': {
      const inner = thing.side === 'left' ? thing.reach : 1 - thing.reach;
      const shape = {
        type: 'LineString' as const,
        // Logs lie with the stream: the free end points down-current.
        line: [
          line.place(thing.sM + 0.35 * thing.reach * widthM, offBank(thing.side, 0.8)),
          line.place(thing.sM, inner),
        ],
      };
      return [{ kind: 'log', diameterM: thing.diameterM, clearanceM: 0, shape }];
    }
    case 'undercut':
    case 'hollow':
      return [];
    case 'snag':
      return [{ kind: 'snag', note: thing.note, shape: point(thing.across) }];
    case 'spring': {
      const { note, tempC } = thing;
      return [{ kind: 'spring', note, tempC, shape: point(thing.across) }];
    }
    case 'dead tree': {
      const shape = point(offBank(thing.side, thing.offM));
      const note = 'Dead tree: wood may fall, keep from under it';
      return [
        { kind: 'tree', heightM: thing.heightM, crownM: DEAD_CROWN_M, shape },
        { kind: 'hazard', note, shape },
      ];
    }
    case 'overhang': {
      const [from, to] = span(thing, line);
      const ring = area(from, to, offBank(thing.side, 0.8), offBank(thing.side, -thing.reachM));
      return [{ kind: 'overhang', clearanceM: thing.clearanceM, shape: ring }];
    }
    case 'weed': {
      const [from, to] = span(thing, line);
      const half = thing.widthM / widthM / 2;
      const ring = area(from, to, thing.across - half, thing.across + half);
      return [{ kind: 'weed', density: thing.density, shape: ring }];
    }
    case 'tree':
    case 'bush': {
      const { heightM, crownM } = thing;
      return [{ kind: thing.kind, heightM, crownM, shape: point(offBank(thing.side, thing.offM)) }];
    }
    case 'ledge':
      return [ledgeAt(line, thing.sM, thing.dropM)];
    case 'entry':
    case 'hazard': {
      const { kind, note } = thing;
      return [{ kind, note, shape: point(offBank(thing.side, thing.offM)) }];
    }
  }
}
