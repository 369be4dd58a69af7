import { distanceTransform, memoizeByObject, smoothInto } from '../grid/index';
import type { FlowField } from './flow-field';
import { surfaceFactor } from './profile';

export const PIECE_KINDS = [
  'riffle',
  'run',
  'glide',
  'pool',
  'tail',
  'pocket water',
  'pocket',
  'plunge',
  'slot',
  'backwater',
] as const;
export type PieceKind = (typeof PIECE_KINDS)[number];

/** A patch of water that a person would give one name. */
export interface Piece {
  kind: PieceKind;
  areaM2: number;
  meanDepthM: number;
  deepestM: number;
  /** Mean surface speed, m/s. */
  surfaceSpeedMps: number;
  froude: number;
  /** Where its name is written: the place furthest from its edge. */
  xM: number;
  yM: number;
  xMinM: number;
  xMaxM: number;
}

export interface Pieces {
  pieces: Piece[];
  /** Index into `pieces` for each cell of the flow; -1 dry. */
  ofCell: Int16Array;
}

/** Froude number at the bounds of pool and run, run and riffle (Jowett 1993). */
export const JOWETT = { pool: 0.18, riffle: 0.41 } as const;
/** Patches smaller than this join a neighbour; backwaters from this size stand alone, m2. */
const SLIVER_M2 = 2;
const BACKWATER_M2 = 1;
/** A piece is seen over about this much water: smoothing of depth and pace, m. */
const SEEN_OVER_M = 0.7;
const POOL_DEPTH = 1.25;
const SLOT_WIDTH_OVER_DEPTH = 6;
/** A plunge: the surface drops this much within a metre; its water reaches this far below, m. */
const PLUNGE_DROP_M = 0.25;
const PLUNGE_REACH_M = 2.5;
/** A pocket: within this of a rock or log, slower than this share of the water round it (our guesses). */
const POCKET_REACH_M = 1.2;
const POCKET_SHARE = 0.6;
const POCKET_ROUND_M = 2.5;
const POCKET_WATER_SHARE = 1 / 3;
/** A tail lies at most this far above the riffle it runs into, and shallows to this share, m. */
const TAIL_REACH_M = 5;
const TAIL_SHARE = 0.8;

/** Class of one place by Froude number (Jowett 1993): `speedMps` the depth mean. */
export function jowettClass(speedMps: number, depthM: number): 'pool' | 'run' | 'riffle' {
  const froude = speedMps / Math.sqrt(9.81 * depthM);
  return froude > JOWETT.riffle ? 'riffle' : froude >= JOWETT.pool ? 'run' : 'pool';
}

const KINDS = PIECE_KINDS;
const code = (kind: PieceKind) => KINDS.indexOf(kind);
const [RIFFLE, RUN, GLIDE, POOL, TAIL] = [0, 1, 2, 3, 4];

/**
 * Pieces of a flow: each cell classed by Froude number, depth and what lies round it (rules of the
 * contract), the classes merged into patches, slivers given to the neighbour they touch most.
 */
export const classifyPieces = memoizeByObject(classify);

function classify(flow: FlowField): Pieces {
  const { nx, ny, cellM, depthM } = flow;
  const cells = nx * ny;
  const wet = Uint8Array.from(depthM, (d) => (d > 0 ? 1 : 0));
  const seen = seenWater(flow, wet);
  const kind = new Int16Array(cells).fill(-1);
  const { froude, depth } = seen;
  const median = medianOf(depth, wet);
  for (let k = 0; k < cells; k++) {
    if (!wet[k]) continue;
    if (froude[k]! > JOWETT.riffle) kind[k] = RIFFLE;
    else if (froude[k]! >= JOWETT.pool) kind[k] = RUN;
    else kind[k] = depth[k]! > POOL_DEPTH * median ? POOL : GLIDE;
  }
  markSlots(flow, kind);
  markTails(flow, kind, seen, median);
  markPlunges(flow, kind);
  modeFilter(nx, ny, kind, Math.round(0.5 / cellM));
  markBackwaters(flow, kind);
  const pocket = pocketCells(flow, wet, seen);
  const patch = new Int32Array(cells).fill(-1);
  let patches = label(nx, ny, kind, patch);
  patches = mergeSlivers(flow, kind, patch, patches);
  namePocketWater(kind, patch, pocket, patches, cellM);
  return describe(flow, kind, patch, patches);
}

interface SeenWater {
  depth: Float64Array;
  speed: Float64Array;
  froude: Float64Array;
}

function seenWater(flow: FlowField, wet: Uint8Array): SeenWater {
  const { nx, ny, cellM } = flow;
  const passes = Math.max(1, Math.round(2 * (SEEN_OVER_M / 2 / cellM) ** 2));
  const smooth = (raw: Float64Array) =>
    smoothInto(nx, ny, raw, wet, passes, new Float64Array(nx * ny));
  const depth = smooth(flow.depthM);
  const speed = smooth(Float64Array.from(flow.u, (u, k) => Math.hypot(u, flow.v[k]!)));
  const froude = depth.map((d, k) => (d > 0 ? speed[k]! / Math.sqrt(9.81 * d) : 0));
  return { depth, speed, froude };
}

function medianOf(field: Float64Array, wet: Uint8Array): number {
  const values = field.filter((_, k) => wet[k] === 1).sort();
  return values.length > 0 ? values[values.length >> 1]! : 0;
}

function markSlots(flow: FlowField, kind: Int16Array): void {
  const { nx, ny, cellM, depthM } = flow;
  for (let i = 0; i < nx; i++) {
    let width = 0;
    let deepest = 0;
    for (let k = i; k < nx * ny; k += nx) {
      if (depthM[k]! <= 0) continue;
      width += cellM;
      deepest = Math.max(deepest, depthM[k]!);
    }
    if (deepest <= 0 || width / deepest >= SLOT_WIDTH_OVER_DEPTH) continue;
    for (let k = i; k < nx * ny; k += nx) if (kind[k] !== -1) kind[k] = code('slot');
  }
}

/** Slow water that shallows down-current into a riffle near below. */
function markTails(flow: FlowField, kind: Int16Array, seen: SeenWater, median: number): void {
  const { nx, ny, cellM } = flow;
  const reach = Math.round(TAIL_REACH_M / cellM);
  for (let j = 0; j < ny; j++) {
    for (let i = 0; i < nx; i++) {
      const k = j * nx + i;
      if (kind[k] !== POOL && kind[k] !== GLIDE) continue;
      if (seen.depth[k]! > POOL_DEPTH * median) continue;
      for (let n = 1; n <= reach && i - n >= 0; n++) {
        const down = k - n;
        if (kind[down] === -1) break;
        if (seen.depth[down]! > 1.05 * seen.depth[k]!) break;
        if (kind[down] !== RIFFLE) continue;
        if (seen.depth[down]! < TAIL_SHARE * seen.depth[k]!) kind[k] = TAIL;
        break;
      }
    }
  }
}

function markPlunges(flow: FlowField, kind: Int16Array): void {
  const { nx, ny, cellM, surfaceM } = flow;
  const metre = Math.round(1 / cellM);
  const reach = Math.round(PLUNGE_REACH_M / cellM);
  for (let j = 0; j < ny; j++) {
    for (let i = metre; i < nx; i++) {
      const k = j * nx + i;
      // NaN over dry ground compares false.
      if (!(surfaceM[k]! - surfaceM[k - metre]! > PLUNGE_DROP_M)) continue;
      for (let n = 0; n <= reach && i - n >= 0; n++)
        if (kind[k - n] !== -1) kind[k - n] = code('plunge');
    }
  }
}

function markBackwaters(flow: FlowField, kind: Int16Array): void {
  const { nx, ny, cellM, u } = flow;
  const back = Int16Array.from(kind, (c, k) => (c !== -1 && u[k]! > 0 ? 1 : -1));
  const patch = new Int32Array(kind.length).fill(-1);
  const count = label(nx, ny, back, patch);
  const size = new Int32Array(count);
  for (let k = 0; k < patch.length; k++) if (patch[k]! >= 0) size[patch[k]!]!++;
  for (let k = 0; k < patch.length; k++) {
    const p = patch[k]!;
    if (p >= 0 && size[p]! * cellM * cellM > BACKWATER_M2) kind[k] = code('backwater');
  }
}

/** Slow water behind or beside an obstacle in quick water. */
function pocketCells(flow: FlowField, wet: Uint8Array, seen: SeenWater): Uint8Array {
  const { nx, ny, cellM, solid, u, v } = flow;
  const toSolid = distanceTransform(nx, ny, solid);
  const passes = Math.max(1, Math.round(2 * (POCKET_ROUND_M / 2 / cellM) ** 2));
  const round = smoothInto(nx, ny, seen.speed, wet, passes, new Float64Array(nx * ny));
  return Uint8Array.from(wet, (w, k) => {
    if (!w || toSolid[k]! * cellM > POCKET_REACH_M) return 0;
    const quick = round[k]! / Math.sqrt(9.81 * Math.max(0.05, seen.depth[k]!)) > JOWETT.pool;
    return quick && Math.hypot(u[k]!, v[k]!) < POCKET_SHARE * round[k]! ? 1 : 0;
  });
}

/** Each cell takes the class most of its neighbours within `r` cells have. */
function modeFilter(nx: number, ny: number, kind: Int16Array, r: number): void {
  const before = kind.slice();
  const votes = new Int32Array(KINDS.length);
  for (let j = 0; j < ny; j++) {
    for (let i = 0; i < nx; i++) {
      const k = j * nx + i;
      if (before[k] === -1) continue;
      votes.fill(0);
      for (let jj = Math.max(0, j - r); jj <= Math.min(ny - 1, j + r); jj++)
        for (let ii = Math.max(0, i - r); ii <= Math.min(nx - 1, i + r); ii++) {
          const c = before[jj * nx + ii]!;
          if (c >= 0) votes[c]!++;
        }
      let best = before[k]!;
      for (let c = 0; c < votes.length; c++) if (votes[c]! > votes[best]!) best = c;
      kind[k] = best;
    }
  }
}

/** Connected patches of one class, edge to edge. Returns how many. */
function label(nx: number, ny: number, kind: Int16Array, patch: Int32Array): number {
  let count = 0;
  const stack: number[] = [];
  for (let start = 0; start < kind.length; start++) {
    if (kind[start] === -1 || patch[start] !== -1) continue;
    patch[start] = count;
    stack.push(start);
    while (stack.length > 0) {
      const k = stack.pop()!;
      const i = k % nx;
      for (const n of neighbours(nx, ny, k, i)) {
        if (n < 0 || patch[n] !== -1 || kind[n] !== kind[start]) continue;
        patch[n] = count;
        stack.push(n);
      }
    }
    count++;
  }
  return count;
}

const neighbours = (nx: number, ny: number, k: number, i: number) => [
  i > 0 ? k - 1 : -1,
  i < nx - 1 ? k + 1 : -1,
  k >= nx ? k - nx : -1,
  k < nx * (ny - 1) ? k + nx : -1,
];

/** Smallest first, a patch under SLIVER_M2 takes the name of the one it shares most edge with. */
function mergeSlivers(
  flow: FlowField,
  kind: Int16Array,
  patch: Int32Array,
  patches: number,
): number {
  const { nx, ny, cellM } = flow;
  let count = patches;
  for (;;) {
    const members: number[][] = Array.from({ length: count }, () => []);
    for (let k = 0; k < patch.length; k++) if (patch[k]! >= 0) members[patch[k]!]!.push(k);
    const limit = (p: number) =>
      kind[members[p]![0]!] === code('backwater') ? BACKWATER_M2 : SLIVER_M2;
    const slivers = members
      .map((m, p) => ({ p, size: m.length * cellM * cellM }))
      .filter(({ p, size }) => size < limit(p))
      .sort((a, b) => a.size - b.size);
    let changed = false;
    for (const { p } of slivers) {
      const edge = new Map<number, number>();
      for (const k of members[p]!)
        for (const n of neighbours(nx, ny, k, k % nx))
          if (n >= 0 && kind[n] !== -1 && kind[n] !== kind[k])
            edge.set(kind[n]!, (edge.get(kind[n]!) ?? 0) + 1);
      const best = [...edge].sort((a, b) => b[1] - a[1] || a[0] - b[0])[0];
      if (!best) continue;
      for (const k of members[p]!) kind[k] = best[0];
      changed = true;
    }
    if (!changed) return count;
    patch.fill(-1);
    count = label(nx, ny, kind, patch);
  }
}

/** A patch over a third in pockets is pocket water; elsewhere pockets of 2 m2 stand alone, by name only. */
function namePocketWater(
  kind: Int16Array,
  patch: Int32Array,
  pocket: Uint8Array,
  patches: number,
  cellM: number,
): void {
  const size = new Int32Array(patches);
  const inPockets = new Int32Array(patches);
  for (let k = 0; k < patch.length; k++) {
    const p = patch[k]!;
    if (p < 0) continue;
    size[p]!++;
    if (pocket[k]) inPockets[p]!++;
  }
  for (let k = 0; k < patch.length; k++) {
    const p = patch[k]!;
    if (p < 0 || kind[k] === code('backwater') || kind[k] === code('plunge')) continue;
    if (inPockets[p]! <= POCKET_WATER_SHARE * size[p]!) continue;
    kind[k] = size[p]! * cellM * cellM > 3 * SLIVER_M2 ? code('pocket water') : code('pocket');
  }
}

function describe(flow: FlowField, kind: Int16Array, patch: Int32Array, patches: number): Pieces {
  const { nx, ny, cellM, depthM, u, v } = flow;
  const sums = Array.from({ length: patches }, () => ({
    kind: -1,
    cells: 0,
    depth: 0,
    deepest: 0,
    pace: 0,
    speed: 0,
    lo: Infinity,
    hi: -Infinity,
    at: 0,
    inside: -1,
  }));
  const edge = new Uint8Array(patch.length);
  for (let k = 0; k < patch.length; k++)
    for (const n of neighbours(nx, ny, k, k % nx)) if (n < 0 || patch[n] !== patch[k]) edge[k] = 1;
  const toEdge = distanceTransform(nx, ny, edge);
  for (let k = 0; k < patch.length; k++) {
    if (patch[k]! < 0) continue;
    const s = sums[patch[k]!]!;
    const speed = Math.hypot(u[k]!, v[k]!);
    s.kind = kind[k]!;
    s.cells++;
    s.depth += depthM[k]!;
    s.deepest = Math.max(s.deepest, depthM[k]!);
    s.speed += speed;
    s.pace += speed * surfaceFactor(depthM[k]!, flow.d84M[k]!);
    s.lo = Math.min(s.lo, k % nx);
    s.hi = Math.max(s.hi, k % nx);
    if (toEdge[k]! > s.inside) {
      s.inside = toEdge[k]!;
      s.at = k;
    }
  }
  const pieces = sums.map((s): Piece => {
    const meanDepthM = s.depth / s.cells;
    return {
      kind: KINDS[s.kind]!,
      areaM2: s.cells * cellM * cellM,
      meanDepthM,
      deepestM: s.deepest,
      surfaceSpeedMps: s.pace / s.cells,
      froude: s.speed / s.cells / Math.sqrt(9.81 * meanDepthM),
      xM: flow.x0M + (s.at % nx) * cellM,
      yM: flow.y0M + Math.floor(s.at / nx) * cellM,
      xMinM: flow.x0M + (s.lo - 0.5) * cellM,
      xMaxM: flow.x0M + (s.hi + 0.5) * cellM,
    };
  });
  return { pieces, ofCell: Int16Array.from(patch) };
}
