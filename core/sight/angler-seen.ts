import { clamp, smoothstep, wrapAngle, type Place } from '../grid/index';
import { sampleFlow, surfaceAtM, type FlowField } from '../water/index';
import {
  exposure,
  EXPOSURE,
  NOTICE,
  POSTURE,
  POSTURES,
  type NoticeGuesses,
  type Posture,
} from './exposure';
import {
  SCENE_STEP_M as STEP_M,
  sceneIndex,
  type Conditions,
  type Fish,
  type Scene,
} from './scene';
import { attenuationPerM, beamTransmission } from './water-optics';

/** Backdrop is looked for this far behind the angler, m. */
const BACKDROP_M = 12;

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
  /** Share of contrast that is left over the way from the surface to its eye; 1 in clear water. */
  clarity: number;
}

/** Turbidity of what counts as clear water, NTU: exposure's constants were guessed for it. */
export const CLEAR_NTU = 1;
/** The ray from the window's edge to the eye, over the fish's depth: 1/cos of the critical angle. */
const EDGE_RAY_PER_DEPTH = 1.51;

/** Share of contrast that stain leaves over a fish, beside clear water. */
export const clarityOver = (fishDepthM: number, turbidityNtu = CLEAR_NTU) =>
  beamTransmission(
    Math.max(0, attenuationPerM(turbidityNtu) - attenuationPerM(CLEAR_NTU)),
    EDGE_RAY_PER_DEPTH * fishDepthM,
  );

export function fishView(scene: Scene, fish: Fish, conditions: Conditions): FishView {
  const surfaceM =
    surfaceAtM(scene.flow, fish.xM, fish.yM) ??
    scene.ground.channel.surveyedSurfaceM(fish.xM, fish.yM);
  return {
    fish,
    surfaceM,
    roughness: surfaceRoughness(scene.flow, fish.xM, fish.yM, conditions.windMps),
    clarity: clarityOver(fish.fishDepthM, conditions.turbidityNtu),
  };
}

/** What does not change with how low the angler keeps, along one line of sight. */
interface Line {
  distanceM: number;
  /** The angler's feet over the surface above the fish, m. */
  footM: number;
  hiddenM: number;
  /** Heights of what stands behind, brought to the angler's distance, m. */
  plantsM: number;
  bankM: number;
  lit: number;
  offRad: number;
}

function lineTo(
  scene: Scene,
  view: FishView,
  at: Place,
  conditions: Conditions,
  footing: AnglerAt['footing'],
): Line | null {
  const { fish, surfaceM } = view;
  const dx = at.xM - fish.xM;
  const dy = at.yM - fish.yM;
  const distanceM = Math.sqrt(dx * dx + dy * dy);
  if (distanceM < TOUCHING_M) return null;
  const ground = scene.groundM[sceneIndex(scene, at.xM, at.yM)]! - surfaceM;
  const ux = dx / distanceM;
  const uy = dy / distanceM;
  const line: Line = {
    distanceM,
    footM: footing === 'surface' ? Math.max(0, ground) : ground,
    hiddenM: hiddenBelow(scene, view, ux, uy, distanceM),
    plantsM: 0,
    bankM: 0,
    lit: sunGain(conditions, ux, uy),
    offRad: Math.abs(wrapAngle(Math.atan2(dy, dx) - fish.headingRad)),
  };
  backdropInto(line, scene, at, ux, uy, surfaceM);
  return line;
}

/** Nearer than this the fish has been trodden on. */
const TOUCHING_M = 0.3;

function exposureOn(
  line: Line,
  view: FishView,
  posture: Posture,
  heightM: number,
  motionMps: number,
  guesses: NoticeGuesses,
): number {
  const topM = line.footM + POSTURE[posture].topShare * heightM;
  return exposure({
    distanceM: line.distanceM,
    fishDepthM: view.fish.fishDepthM,
    topM,
    hiddenBelowM: Math.max(line.footM, line.hiddenM),
    contrast: contrastBehind(line, topM, guesses) * line.lit,
    motionMps,
    roughness: view.roughness,
    offRad: line.offRad,
    clarity: view.clarity,
    guesses,
  });
}

/** E of an angler at a place to one fish: `exposure` with this ground, its screens and backdrop. */
export function exposureAt(
  scene: Scene,
  view: FishView,
  angler: AnglerAt,
  conditions: Conditions,
): number {
  const line = lineTo(scene, view, angler, conditions, angler.footing);
  if (!line) return 1;
  return exposureOn(
    line,
    view,
    angler.posture,
    angler.heightM,
    angler.motionMps ?? 0,
    conditions.guesses ?? NOTICE,
  );
}

/**
 * The same for every posture in the order of POSTURES: at its own pace, what a way is weighed by; or
 * still (`paceShare` 0), what a stand is.
 */
export function movingExposuresInto(
  scene: Scene,
  view: FishView,
  place: Place,
  heightM: number,
  conditions: Conditions,
  out: Float64Array,
  paceShare = 1,
): void {
  const line = lineTo(scene, view, place, conditions, 'ground');
  const guesses = conditions.guesses ?? NOTICE;
  for (let p = 0; p < POSTURES.length; p++) {
    const posture = POSTURES[p]!;
    const motionMps = paceShare * POSTURE[posture].walkSpeedMps;
    out[p] = line ? exposureOn(line, view, posture, heightM, motionMps, guesses) : 1;
  }
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

/** Heights behind, brought to the angler's distance along the line of sight from the water. */
function backdropInto(
  line: Line,
  scene: Scene,
  at: Place,
  ux: number,
  uy: number,
  surfaceM: number,
): void {
  for (let d = 0.5; d <= BACKDROP_M; d += 0.5) {
    const k = sceneIndex(scene, at.xM + ux * d, at.yM + uy * d);
    const scale = line.distanceM / (line.distanceM + d);
    line.plantsM = Math.max(line.plantsM, (scene.plantsM[k]! - surfaceM) * scale);
    line.bankM = Math.max(line.bankM, (scene.groundM[k]! - surfaceM) * scale);
  }
}

/** Contrast with what stands behind, averaged over the body's height: plants, bank, else sky. */
function contrastBehind(line: Line, topM: number, c: NoticeGuesses): number {
  const foot = Math.max(0, line.footM);
  const body = topM - foot;
  const byPlants = clamp((line.plantsM - foot) / body);
  const byBank = Math.max(0, clamp((line.bankM - foot) / body) - byPlants);
  return (
    c.contrastPlants * byPlants + c.contrastBank * byBank + c.contrastSky * (1 - byPlants - byBank)
  );
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
  const gain = (conditions.guesses ?? NOTICE).sunOnAngler;
  return lit > 0 ? 1 + (gain - 1) * lit : 1;
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
