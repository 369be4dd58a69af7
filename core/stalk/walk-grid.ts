import type { Place } from '../grid/index';
import {
  featuresOf,
  distanceToShape,
  type BedMaterial,
  type BeatPlan,
  type FeatureOf,
  type Shape,
} from '../formats/index';
import { sampleFlow, SOLID } from '../water/index';
import { sceneIndex, surfaceRoughness, type Scene } from '../sight/index';
import { DAMP_M, FORBIDDEN_M, HAZARD_M } from './guesses';
import { loudnessOf } from './footfall';
import { mayWade, wadingClass, type WadingBody } from './wading';

/** Why a cell may not be trodden. */
export const CLOSED = {
  open: 0,
  solid: 1,
  hazard: 2,
  unsurveyed: 3,
  water: 4,
  forbidden: 5,
} as const;

/**
 * Land and water as something to walk on: row-major cells, index j * nx + i, i along x. Depends on
 * the beat, its water and the body, not on who looks.
 */
export interface WalkGrid {
  nx: number;
  ny: number;
  cellM: number;
  x0M: number;
  y0M: number;
  /** One of CLOSED. */
  closed: Uint8Array;
  /** 0 on land, 1 in water of class H1, 2 of H2. */
  wade: Uint8Array;
  depthM: Float64Array;
  groundM: Float64Array;
  /** Share of the pace on gravel that the footing allows. */
  footing: Float64Array;
  /** Loudness of a step, before gait and distance. */
  loud: Float64Array;
  /** Roughness of the water's surface, 0 on land. */
  broken: Float64Array;
}

/** A spot taken out by hand. */
export interface Forbidden extends Place {
  radiusM?: number;
}

/** Share of the pace on gravel that a bed allows, and beds that are slick (our guesses). */
const FOOTING: Record<BedMaterial, number> = {
  silt: 0.6,
  sand: 0.9,
  clay: 0.6,
  gravel: 1,
  cobble: 0.8,
  'broken-rock': 0.7,
  boulders: 0.5,
  slab: 0.6,
};
export const SLICK: readonly BedMaterial[] = ['slab', 'cobble', 'boulders', 'clay'];

export function walkGrid(
  scene: Scene,
  body: WadingBody,
  forbidden: readonly Forbidden[],
  cellM: number,
): WalkGrid {
  const { box } = scene.ground;
  const nx = Math.floor((box.xMaxM - box.xMinM) / cellM) + 1;
  const ny = Math.floor((box.yMaxM - box.yMinM) / cellM) + 1;
  const make = () => new Float64Array(nx * ny);
  const grid: WalkGrid = {
    nx,
    ny,
    cellM,
    x0M: box.xMinM,
    y0M: box.yMinM,
    closed: new Uint8Array(nx * ny),
    wade: new Uint8Array(nx * ny),
    depthM: make(),
    groundM: make(),
    footing: make(),
    loud: make(),
    broken: make(),
  };
  const sample = { depthM: 0, u: 0, v: 0 };
  const hazards = featuresOf(scene.plan, 'hazard');
  const beds = featuresOf(scene.plan, 'bed');
  for (let k = 0; k < nx * ny; k++) {
    const place = cellPlace(grid, k);
    sampleFlow(scene.flow, place.xM, place.yM, sample);
    const wet = sample.depthM > DAMP_M;
    const speedMps = Math.hypot(sample.u, sample.v);
    const bed = wet ? bedAmong(beds, place) : null;
    grid.depthM[k] = sample.depthM;
    grid.groundM[k] = scene.groundM[sceneIndex(scene, place.xM, place.yM)]!;
    grid.footing[k] = bed === null ? 1 : FOOTING[bed];
    grid.loud[k] = loudnessOf(bed);
    if (wet) {
      grid.wade[k] = wadingClass(sample.depthM, speedMps) === 'H1' ? 1 : 2;
      grid.broken[k] = surfaceRoughness(scene.flow, place.xM, place.yM, 0);
    }
    grid.closed[k] = solidAt(scene, place)
      ? CLOSED.solid
      : hazards.some((h) => within(h.shape, place, HAZARD_M))
        ? CLOSED.hazard
        : unsurveyedWater(scene, place)
          ? CLOSED.unsurveyed
          : wet && !mayWade(sample.depthM, speedMps, body)
            ? CLOSED.water
            : forbidden.some((f) => near(f, place, f.radiusM ?? FORBIDDEN_M))
              ? CLOSED.forbidden
              : CLOSED.open;
  }
  return grid;
}

/** Nearest cell; -1 beyond the walkable land. */
export function cellAt(grid: WalkGrid, place: Place): number {
  const i = Math.round((place.xM - grid.x0M) / grid.cellM);
  const j = Math.round((place.yM - grid.y0M) / grid.cellM);
  return i < 0 || j < 0 || i >= grid.nx || j >= grid.ny ? -1 : j * grid.nx + i;
}

export const cellPlace = (grid: WalkGrid, cell: number): Place => ({
  xM: grid.x0M + (cell % grid.nx) * grid.cellM,
  yM: grid.y0M + Math.floor(cell / grid.nx) * grid.cellM,
});

/** What one would tread on in the water: the later polygon wins, none is cobble. */
export const bedAt = (plan: BeatPlan, place: Place): BedMaterial =>
  bedAmong(featuresOf(plan, 'bed'), place);

function bedAmong(beds: readonly FeatureOf<'bed'>[], place: Place): BedMaterial {
  let bed: BedMaterial = 'cobble';
  for (const f of beds) if (within(f.shape, place, 0)) bed = f.material;
  return bed;
}

const near = (a: Place, b: Place, m: number) => Math.hypot(a.xM - b.xM, a.yM - b.yM) < m;

const within = (shape: Shape, place: Place, marginM: number): boolean =>
  distanceToShape(place, shape) <= marginM;

/** Boulders, logs and bushes are walked round. */
function solidAt(scene: Scene, place: Place): boolean {
  const { flow } = scene;
  const i = Math.round((place.xM - flow.x0M) / flow.cellM);
  const j = Math.round((place.yM - flow.y0M) / flow.cellM);
  if (i >= 0 && j >= 0 && i < flow.nx && j < flow.ny && flow.solid[j * flow.nx + i] !== SOLID.none)
    return true;
  const k = sceneIndex(scene, place.xM, place.yM);
  return scene.screenM[k]! > scene.groundM[k]! + 0.5;
}

/** The stream goes on beyond the ends of the beat, and how deep it is there is not known. */
function unsurveyedWater(scene: Scene, place: Place): boolean {
  const { channel } = scene.ground;
  const { lengthM } = scene.plan;
  if (place.xM >= 0 && place.xM <= lengthM) return false;
  const n = channel.across(place.xM < 0 ? 0 : lengthM, place.yM);
  return n > 0 && n < 1;
}

/** From a cell to its neighbour, along the grid or across its corners, m. */
export const stepM = ({ nx, cellM }: WalkGrid, a: number, b: number): number =>
  a % nx !== b % nx && Math.floor(a / nx) !== Math.floor(b / nx) ? cellM * Math.SQRT2 : cellM;
