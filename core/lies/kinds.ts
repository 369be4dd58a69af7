import { featuresOf, type BeatPlan } from '../formats/index';
import { SOLID } from '../water/index';
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

/** A boulder narrower than this many cells leaves a dead pocket without an eddy: not solved. */
export const LEAST_CELLS_ACROSS = 5;

/** Boulders that are drawn but too small for the grid to solve their pockets. */
export function boulderIsSolved(diameterM: number, cellM: number): boolean {
  return diameterM >= LEAST_CELLS_ACROSS * cellM - 1e-9;
}

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

/** Kind of a lie by the geometry round it. Order matters: what a person would name first. */
export function kindAt(plan: BeatPlan, water: WaterForFish, k: number): LieKind {
  const { flow } = water;
  const { nx, cellM } = flow;
  const depth = flow.depthM[k]!;
  const boulder = boulderAt(plan, water, k);
  if (flow.u[k]! > 0.03 && !(boulder && boulder.aheadD < 0)) return 'eddy';
  if (water.toBankM[k]! < 0.7 && water.cover[k]! > 0.7) return 'undercut';
  if (nearSolid(water, k, SOLID.log, 1)) return 'log';
  if (boulder && boulderIsSolved(boulder.diameterM, cellM))
    return boulder.aheadD > 0 ? 'cushion' : 'pocket';
  if (water.cover[k]! > 0.45) return 'overhang';
  const ahead = ledgeAhead(plan, flow.x0M + (k % nx) * cellM);
  if (ahead !== null && ahead < 1.5) return 'ledge-foot';
  const shear = shearAt(water, k);
  if (shear > 0.5 && water.pace[k]! > 0.2) return water.froude[k]! > 0.3 ? 'tongue-edge' : 'seam';
  if (depth > 1.25 * meanDepthRound(water, k, 2)) return 'depression';
  if (water.toBankM[k]! < 0.9) return 'margin';
  return 'run';
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
