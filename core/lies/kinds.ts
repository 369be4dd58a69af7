import { distanceTransform, distanceToPolyline, pointInPolygon, type Place } from '../grid/index';
import { featuresOf, type BeatPlan } from '../formats/index';
import { classifyPieces, foamLines, SOLID, type Pieces } from '../water/index';
import { GUESS } from './guesses';
import { boulderIsSolved } from './solved-boulders';
import type { WaterForFish } from './water-for-fish';

export const LIE_KINDS = [
  'cushion',
  'pocket',
  'seam',
  'tongue-edge',
  'undercut',
  'overhang',
  'log',
  'ledge-foot',
  'slab-v',
  'depression',
  'plunge',
  'tail-lip',
  'foam-line',
  'eddy',
  'margin',
  'spring-mouth',
  'weed-lane',
  'run',
] as const;
export type LieKind = (typeof LIE_KINDS)[number];

export interface BoulderNear {
  diameterM: number;
  /** Centre to the place along the current: positive ahead (up-current), in diameters from the rim. */
  aheadD: number;
  asideD: number;
}

/** The boulder whose cushion or pocket the place lies in, nearest first. */
export function boulderAt(plan: BeatPlan, water: WaterForFish, k: number): BoulderNear | null {
  const { flow } = water;
  const i = k % flow.nx;
  const x = flow.x0M + i * flow.cellM;
  const y = flow.y0M + ((k - i) / flow.nx) * flow.cellM;
  let best: BoulderNear | null = null;
  let nearest = Infinity;
  for (const b of featuresOf(plan, 'boulder')) {
    if (b.shape.type !== 'Point') continue;
    // The wake lies down the valley even where the water in it turns back.
    const ahead = x - b.shape.place.xM;
    const aside = Math.abs(y - b.shape.place.yM);
    const near = {
      diameterM: b.diameterM,
      aheadD: Math.sign(ahead) * Math.max(0, Math.abs(ahead) / b.diameterM - 0.5),
      asideD: aside / b.diameterM,
    };
    const inCushion = ahead > 0 && near.aheadD <= 0.8 && near.asideD <= 0.5;
    const inPocket = ahead < 0 && near.aheadD >= -2 && near.asideD <= 0.75;
    const distance = Math.hypot(ahead, aside);
    if ((inCushion || inPocket) && distance < nearest) {
      nearest = distance;
      best = near;
    }
  }
  return best;
}

/** What names a place, beside its own cell: made once a water, since none of it depends on the fish. */
export interface Surroundings {
  pieces: Pieces;
  /** Distance to the nearest foam line, to weed (0 inside it), m. */
  toFoamM: Float64Array;
  toWeedM: Float64Array;
  slabs: Place[][];
}

const made = new WeakMap<WaterForFish, Surroundings>();

export function surroundings(plan: BeatPlan, water: WaterForFish): Surroundings {
  const known = made.get(water);
  if (known) return known;
  const { flow } = water;
  const cells = flow.nx * flow.ny;
  const metres = (mask: Uint8Array) =>
    distanceTransform(flow.nx, flow.ny, mask).map((d) => d * flow.cellM);
  const foam = new Uint8Array(cells);
  for (const ridge of foamLines(flow)) {
    for (const p of ridge.places) {
      const i = Math.round((p.xM - flow.x0M) / flow.cellM);
      const j = Math.round((p.yM - flow.y0M) / flow.cellM);
      if (i >= 0 && j >= 0 && i < flow.nx && j < flow.ny) foam[j * flow.nx + i] = 1;
    }
  }
  const weed = new Uint8Array(cells);
  const rings = (list: { shape: BeatPlan['features'][number]['shape'] }[]) =>
    list.flatMap((f) => (f.shape.type === 'Polygon' ? [f.shape.ring] : []));
  const beds = rings(featuresOf(plan, 'weed'));
  for (let k = 0; k < cells && beds.length > 0; k++) {
    if (beds.some((ring) => pointInPolygon(placeOf(water, k), ring))) weed[k] = 1;
  }
  const all: Surroundings = {
    pieces: classifyPieces(flow),
    toFoamM: metres(foam),
    toWeedM: metres(weed),
    slabs: rings(featuresOf(plan, 'bed').filter((b) => b.material === 'slab')),
  };
  made.set(water, all);
  return all;
}

function placeOf(water: WaterForFish, k: number): Place {
  const { nx, cellM, x0M, y0M } = water.flow;
  const i = k % nx;
  return { xM: x0M + i * cellM, yM: y0M + ((k - i) / nx) * cellM };
}

/** Bounds of the names below, m and per second (our guesses). */
const NEAR = {
  undercutM: 0.7,
  logM: 1,
  ledgeFootM: 1.5,
  weedM: 0.6,
  foamM: 0.4,
  slabM: 0.6,
  marginM: 0.9,
  tailLipM: 2,
} as const;
const SEAM = { shear: 0.5, pace: 0.2, tongueFroude: 0.3 } as const;
const DEPRESSION = { over: 1.25, roundM: 2 } as const;
const FOAM_PACE = 0.1;

/** Kind of a lie by the geometry round it. Order matters: what a person would name first. */
export function kindAt(plan: BeatPlan, water: WaterForFish, k: number): LieKind {
  const { flow } = water;
  const around = surroundings(plan, water);
  const depth = flow.depthM[k]!;
  const boulder = boulderAt(plan, water, k);
  const patch = around.pieces.ofCell[k]!;
  const piece = patch < 0 ? null : around.pieces.pieces[patch]!;
  const pace = water.pace[k]!;
  if (water.spring && water.spring.share[k]! > GUESS.springMouth) return 'spring-mouth';
  if (flow.u[k]! > 0.03 && !(boulder && boulder.aheadD < 0)) return 'eddy';
  if (water.toBankM[k]! < NEAR.undercutM && water.cover[k]! > 0.7) return 'undercut';
  if (nearSolid(water, k, SOLID.log, NEAR.logM)) return 'log';
  if (boulder && boulderIsSolved(boulder.diameterM, flow.cellM))
    return boulder.aheadD > 0 ? 'cushion' : 'pocket';
  if (piece?.kind === 'plunge') return 'plunge';
  const ahead = ledgeAhead(plan, placeOf(water, k).xM);
  if (ahead !== null && ahead < NEAR.ledgeFootM) return 'ledge-foot';
  const weed = around.toWeedM[k]!;
  if (weed > 0 && weed < NEAR.weedM) return 'weed-lane';
  if (water.cover[k]! > 0.45) return 'overhang';
  const shear = shearAt(water, k);
  if (shear > SEAM.shear && pace > SEAM.pace)
    return water.froude[k]! > SEAM.tongueFroude ? 'tongue-edge' : 'seam';
  if (around.toFoamM[k]! < NEAR.foamM && pace > FOAM_PACE) return 'foam-line';
  if (nearSlab(around, placeOf(water, k))) return 'slab-v';
  if (depth > DEPRESSION.over * meanDepthRound(water, k, DEPRESSION.roundM)) return 'depression';
  if (piece?.kind === 'tail' && placeOf(water, k).xM - piece.xMinM < NEAR.tailLipM)
    return 'tail-lip';
  if (water.toBankM[k]! < NEAR.marginM) return 'margin';
  return 'run';
}

/** Beside a slab, off its stone: the V of gravel that current cuts along it. */
function nearSlab(around: Surroundings, place: Place): boolean {
  return around.slabs.some(
    (ring) =>
      !pointInPolygon(place, ring) && distanceToPolyline(place, [...ring, ring[0]!]) < NEAR.slabM,
  );
}

function nearSolid(water: WaterForFish, k: number, kind: number, reachM: number): boolean {
  const { nx, ny, cellM, solid } = water.flow;
  const r = Math.round(reachM / cellM);
  const ci = k % nx;
  const cj = (k - ci) / nx;
  for (let j = Math.max(0, cj - r); j <= Math.min(ny - 1, cj + r); j++) {
    for (let i = Math.max(0, ci - r); i <= Math.min(nx - 1, ci + r); i++)
      if (solid[j * nx + i] === kind) return true;
  }
  return false;
}

/** Metres down-current of the nearest ledge; null where none lies up-current within reach. */
function ledgeAhead(plan: BeatPlan, xM: number): number | null {
  let best: number | null = null;
  for (const l of featuresOf(plan, 'ledge')) {
    if (l.shape.type !== 'LineString') continue;
    const x = l.shape.line.reduce((s, p) => s + p.xM, 0) / l.shape.line.length;
    if (x > xM && (best === null || x - xM < best)) best = x - xM;
  }
  return best;
}

/** Change of the pace across the current, per second, over .4 m to each side. */
export function shearAt(water: WaterForFish, k: number): number {
  const { nx, cellM } = water.flow;
  const r = 2 * nx;
  const a = water.pace[k + r] ?? 0;
  const b = water.pace[k - r] ?? 0;
  return Math.abs(a - b) / (4 * cellM);
}

function meanDepthRound(water: WaterForFish, k: number, reachM: number): number {
  const { nx, ny, cellM, depthM } = water.flow;
  const r = Math.round(reachM / cellM);
  const ci = k % nx;
  const cj = (k - ci) / nx;
  let sum = 0;
  let n = 0;
  for (let j = Math.max(0, cj - r); j <= Math.min(ny - 1, cj + r); j++) {
    for (let i = Math.max(0, ci - r); i <= Math.min(nx - 1, ci + r); i++) {
      if (!water.open[j * nx + i]) continue;
      sum += depthM[j * nx + i]!;
      n++;
    }
  }
  return n > 0 ? sum / n : 0;
}
