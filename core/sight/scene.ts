import { pointInPolygon, type GridFrame, type Place } from '../grid/index';
import { featuresOf, type BeatPlan } from '../formats/index';
import { createGround, SOLID, type FlowField, type Ground } from '../water/index';
import { type NoticeGuesses } from './exposure';

export interface Fish {
  id: string;
  xM: number;
  yM: number;
  fishDepthM: number;
  headingRad: number;
  totalLengthCm: number;
  surety: 'sure' | 'likely' | 'maybe';
}

export const SKIES = ['clear', 'broken', 'overcast'] as const;
export type Sky = (typeof SKIES)[number];

export interface Conditions {
  sunAltitudeRad: number;
  /** Plan angle of the sun; null when it is down. */
  sunPlanRad: number | null;
  sky: Sky;
  windMps: number;
  /** Plan angle that the wind blows from; null or absent: not known, taken as none. */
  windFromRad?: number | null;
  /** Clear water when absent. */
  turbidityNtu?: number;
  /** How readily a fish notices: the angler's own figures; NOTICE when absent. */
  guesses?: NoticeGuesses;
}

/** The beat as something to look across: heights that hide, plants that back. */
export interface Scene {
  plan: BeatPlan;
  flow: FlowField;
  ground: Ground;
  /** Grid of the heights below, STEP_M wide, over the walkable land. Nearest cell; held at the border. */
  frame: GridFrame;
  /** Ground alone, beat's datum, m. */
  groundM: Float64Array;
  /** Ground and solids (boulder, bush). */
  screenM: Float64Array;
  /** Plants (trees, bushes); -Infinity where there are none. */
  plantsM: Float64Array;
}

/** Nearest cell of the scene's grid. */
export function sceneIndex(scene: Scene, xM: number, yM: number): number {
  const { nx, ny, cellM, x0M, y0M } = scene.frame;
  let i = Math.round((xM - x0M) / cellM);
  let j = Math.round((yM - y0M) / cellM);
  i = i < 0 ? 0 : i >= nx ? nx - 1 : i;
  j = j < 0 ? 0 : j >= ny ? ny - 1 : j;
  return j * nx + i;
}

export const SCENE_STEP_M = 0.25;
const STEP_M = SCENE_STEP_M;
/** A trunk hides nothing; a crown backs from this height down, taken to the ground. */
const DEFAULT_CROWN_M = 2;

interface Solid {
  xM: number;
  yM: number;
  reachM: number;
  ring: Place[] | null;
  topM: number;
}

export function createScene(plan: BeatPlan, flow: FlowField): Scene {
  const ground = createGround(plan, flow);
  const solids: Solid[] = [];
  const plants: Solid[] = [];
  for (const kind of ['bush', 'tree'] as const) {
    for (const f of featuresOf(plan, kind)) {
      const solid = plantSolid(f.shape, f.crownM ?? DEFAULT_CROWN_M, f.heightM, ground);
      plants.push(solid);
      if (kind === 'bush') solids.push(solid);
    }
  }
  for (const b of featuresOf(plan, 'boulder')) {
    if (b.shape.type !== 'Point') continue;
    const { xM, yM } = b.shape.place;
    solids.push({ xM, yM, reachM: b.diameterM * 0.4, ring: null, topM: ground.heightM(xM, yM) });
  }
  const tallest = (list: Solid[], xM: number, yM: number) => {
    let top = -Infinity;
    for (const s of list) {
      if (Math.abs(xM - s.xM) > s.reachM || Math.abs(yM - s.yM) > s.reachM || s.topM <= top)
        continue;
      const inside = s.ring
        ? pointInPolygon({ xM, yM }, s.ring)
        : Math.hypot(xM - s.xM, yM - s.yM) <= s.reachM;
      if (inside) top = s.topM;
    }
    return top;
  };
  const { box } = ground;
  const frame: GridFrame = {
    nx: Math.ceil((box.xMaxM - box.xMinM) / STEP_M) + 1,
    ny: Math.ceil((box.yMaxM - box.yMinM) / STEP_M) + 1,
    cellM: STEP_M,
    x0M: box.xMinM,
    y0M: box.yMinM,
  };
  const make = () => new Float64Array(frame.nx * frame.ny);
  const scene: Scene = {
    plan,
    flow,
    ground,
    frame,
    groundM: make(),
    screenM: make(),
    plantsM: make(),
  };
  for (let j = 0; j < frame.ny; j++) {
    for (let i = 0; i < frame.nx; i++) {
      const k = j * frame.nx + i;
      const x = frame.x0M + i * STEP_M;
      const y = frame.y0M + j * STEP_M;
      scene.groundM[k] = groundFor(ground, flow, x, y);
      scene.screenM[k] = Math.max(scene.groundM[k]!, tallest(solids, x, y));
      scene.plantsM[k] = tallest(plants, x, y);
    }
  }
  return scene;
}

/** A log is blocked high in the solver's bed; to an eye it is as high as it floats. */
const LOG_ABOVE_WATER_M = 0.25;

function groundFor(ground: Ground, flow: FlowField, xM: number, yM: number): number {
  const i = Math.round((xM - flow.x0M) / flow.cellM);
  const j = Math.round((yM - flow.y0M) / flow.cellM);
  const z = ground.heightM(xM, yM);
  if (i < 0 || j < 0 || i >= flow.nx || j >= flow.ny || flow.solid[j * flow.nx + i] !== SOLID.log)
    return z;
  return Math.min(z, ground.channel.surveyedSurfaceM(xM, yM) + LOG_ABOVE_WATER_M);
}

function plantSolid(
  shape: BeatPlan['features'][number]['shape'],
  crownM: number,
  heightM: number,
  ground: Ground,
): Solid {
  if (shape.type === 'Polygon') {
    const xs = shape.ring.map((p) => p.xM);
    const ys = shape.ring.map((p) => p.yM);
    const xM = (Math.min(...xs) + Math.max(...xs)) / 2;
    const yM = (Math.min(...ys) + Math.max(...ys)) / 2;
    const reachM = Math.max(Math.max(...xs) - xM, Math.max(...ys) - yM);
    return { xM, yM, reachM, ring: shape.ring, topM: ground.heightM(xM, yM) + heightM };
  }
  const { xM, yM } = shape.type === 'Point' ? shape.place : shape.line[0]!;
  return { xM, yM, reachM: crownM / 2, ring: null, topM: ground.heightM(xM, yM) + heightM };
}
