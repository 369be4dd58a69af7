import {
  clamp,
  pointInPolygon,
  smoothstep,
  wrapAngle,
  type GridFrame,
  type Place,
} from '../grid/index';
import { featuresOf, type BeatPlan } from '../formats/index';
import {
  createGround,
  sampleFlow,
  SOLID,
  surfaceAtM,
  type FlowField,
  type Ground,
} from '../water/index';
import { exposure, EXPOSURE, POSTURE, type Posture } from './exposure';

export interface Fish {
  id: string;
  xM: number;
  yM: number;
  fishDepthM: number;
  headingRad: number;
  totalLengthCm: number;
  surety: 'sure' | 'likely' | 'maybe';
}

export interface Conditions {
  sunAltitudeRad: number;
  /** Plan angle of the sun; null when it is down. */
  sunPlanRad: number | null;
  sky: 'clear' | 'broken' | 'overcast';
  windMps: number;
  /** Clear water when absent. */
  turbidityNtu?: number;
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

const STEP_M = 0.25;
/** Backdrop is looked for this far behind the angler, m. */
const BACKDROP_M = 12;
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

export interface AnglerAt {
  xM: number;
  yM: number;
  posture: Posture;
  heightM: number;
  /** m/s; 0 when still. */
  motionMps?: number;
  /** `ground` (default): the feet are on bed or land; `surface`: no lower than the water. */
  footing?: 'ground' | 'surface';
}

/** Roughness of the surface above the fish: wind and broken water. */
export function surfaceRoughness(flow: FlowField, xM: number, yM: number, windMps: number): number {
  const s = sampleFlow(flow, xM, yM, { depthM: 0, u: 0, v: 0 });
  const froude = s.depthM > 0 ? Math.hypot(s.u, s.v) / Math.sqrt(9.81 * s.depthM) : 0;
  const { ordinary, broken } = EXPOSURE.roughness;
  const fromWind = Math.min(0.4, 0.05 * windMps);
  return Math.min(
    broken,
    ordinary + (broken - ordinary) * smoothstep(0.25, 0.7, froude) + fromWind,
  );
}

/** Everything about one fish that does not change with where the angler is. */
export interface FishView {
  fish: Fish;
  surfaceM: number;
  roughness: number;
}

export function fishView(scene: Scene, fish: Fish, conditions: Conditions): FishView {
  const surfaceM =
    surfaceAtM(scene.flow, fish.xM, fish.yM) ??
    scene.ground.channel.surveyedSurfaceM(fish.xM, fish.yM);
  return {
    fish,
    surfaceM,
    roughness: surfaceRoughness(scene.flow, fish.xM, fish.yM, conditions.windMps),
  };
}

/** E of an angler at a place to one fish: `exposure` with this ground, its screens and backdrop. */
export function exposureAt(
  scene: Scene,
  view: FishView,
  angler: AnglerAt,
  conditions: Conditions,
): number {
  const { fish, surfaceM } = view;
  const dx = angler.xM - fish.xM;
  const dy = angler.yM - fish.yM;
  const distanceM = Math.sqrt(dx * dx + dy * dy);
  if (distanceM < 0.3) return 1;
  const ground = scene.groundM[sceneIndex(scene, angler.xM, angler.yM)]! - surfaceM;
  const foot = angler.footing === 'surface' ? Math.max(0, ground) : ground;
  const topM = foot + POSTURE[angler.posture].topShare * angler.heightM;
  const ux = dx / distanceM;
  const uy = dy / distanceM;
  return exposure({
    distanceM,
    fishDepthM: fish.fishDepthM,
    topM,
    hiddenBelowM: Math.max(foot, hiddenBelow(scene, view, ux, uy, distanceM)),
    contrast:
      contrastBehind(scene, angler, ux, uy, foot, topM, surfaceM, distanceM) *
      sunGain(conditions, ux, uy),
    motionMps: angler.motionMps ?? 0,
    roughness: view.roughness,
    offRad: Math.abs(wrapAngle(Math.atan2(dy, dx) - fish.headingRad)),
  });
}

/** Height at the angler below which the ground and what stands on it hide the body, m above the water. */
function hiddenBelow(
  scene: Scene,
  view: FishView,
  ux: number,
  uy: number,
  distanceM: number,
): number {
  const { fish, surfaceM } = view;
  const from = Math.min(distanceM, 1.13 * fish.fishDepthM);
  let steepest = 0;
  // The last half metre is the angler's own footing.
  for (let d = from + STEP_M; d < distanceM - 0.5; d += STEP_M) {
    const top = scene.screenM[sceneIndex(scene, fish.xM + ux * d, fish.yM + uy * d)]! - surfaceM;
    if (top > 0) steepest = Math.max(steepest, top / (d - from));
  }
  return steepest * (distanceM - from);
}

/** Contrast with what stands behind, averaged over the body's height: plants, bank, else sky. */
function contrastBehind(
  scene: Scene,
  angler: AnglerAt,
  ux: number,
  uy: number,
  foot: number,
  topM: number,
  surfaceM: number,
  distanceM: number,
): number {
  let plants = 0;
  let bank = 0;
  for (let d = 0.5; d <= BACKDROP_M; d += 0.5) {
    const k = sceneIndex(scene, angler.xM + ux * d, angler.yM + uy * d);
    // Heights behind, brought to the angler's distance along the line of sight from the water.
    const scale = distanceM / (distanceM + d);
    plants = Math.max(plants, (scene.plantsM[k]! - surfaceM) * scale);
    bank = Math.max(bank, (scene.groundM[k]! - surfaceM) * scale);
  }
  const body = topM - Math.max(0, foot);
  const share = (height: number) => clamp((height - Math.max(0, foot)) / body);
  const byPlants = share(plants);
  const byBank = Math.max(0, share(bank) - byPlants);
  const c = EXPOSURE.contrast;
  return c.plants * byPlants + c.bank * byBank + c.sky * (1 - byPlants - byBank);
}

/** The sun on the side that the fish sees makes an angler stand out. */
function sunGain(conditions: Conditions, ux: number, uy: number): number {
  if (
    conditions.sunPlanRad === null ||
    conditions.sunAltitudeRad <= 0 ||
    conditions.sky === 'overcast'
  )
    return 1;
  // Lit when the sun stands on the fish's side of the angler.
  const lit = -(ux * Math.cos(conditions.sunPlanRad) + uy * Math.sin(conditions.sunPlanRad));
  return lit > 0 ? 1 + (EXPOSURE.sunOnAngler - 1) * lit : 1;
}

export interface RingPoint {
  bearingRad: number;
  radiusM: number;
}

const RING_BEARINGS = 72;
const RING_FAR_M = 20;

/**
 * The sight ring: on 72 bearings the largest distance at which E is still .5 for this posture,
 * with ground height, boulders and bushes in the way. 0 where it is never reached.
 */
export function sightRing(
  scene: Scene,
  view: FishView,
  posture: Posture,
  heightM: number,
  conditions: Conditions,
): RingPoint[] {
  const out: RingPoint[] = [];
  // Over water the ring speaks of a body at the water's level: how deep one would wade is the stalk's matter.
  const footing = 'surface' as const;
  for (let n = 0; n < RING_BEARINGS; n++) {
    const bearingRad = (2 * Math.PI * n) / RING_BEARINGS;
    const at = (d: number) =>
      exposureAt(
        scene,
        view,
        {
          xM: view.fish.xM + d * Math.cos(bearingRad),
          yM: view.fish.yM + d * Math.sin(bearingRad),
          posture,
          heightM,
          footing,
        },
        conditions,
      );
    let far = RING_FAR_M;
    while (far > 0.5 && at(far) < 0.5) far -= 0.75;
    if (far <= 0.5) {
      out.push({ bearingRad, radiusM: 0 });
      continue;
    }
    let lo = far;
    let hi = Math.min(RING_FAR_M, far + 0.75);
    for (let b = 0; b < 6; b++) {
      const mid = (lo + hi) / 2;
      if (at(mid) >= 0.5) lo = mid;
      else hi = mid;
    }
    out.push({ bearingRad, radiusM: lo });
  }
  return out;
}
