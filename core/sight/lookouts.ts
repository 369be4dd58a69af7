import { brokenWater, sampleFlow } from '../water/index';
import { cellIndex, type Place } from '../grid/index';
import { POSTURE, type Posture } from './exposure';
import { exposureAt, fishView } from './angler-seen';
import { sceneIndex, type Conditions, type Fish, type Scene } from './scene';
import { shadeField } from './shade';
import {
  eyeRay,
  glances,
  MIRRORED,
  skyLight,
  spotting,
  type EyeRay,
  type Hindrance,
  type SpottingView,
} from './spotting';
import { flySeen, type FlyShows } from './fly-seen';

export interface LookoutInput {
  /** Fish, or fish thought to lie in lies; `weight` is what seeing it is worth. */
  targets: readonly (Fish & { weight?: number })[];
  /** Light and weather of each hour looked at. */
  hours: readonly Conditions[];
  posture: Posture;
  heightM: number;
  polarised: boolean;
}

/** A place on the bank to look from. Shares are of glances that see, 0-1, by target and hour. */
export interface Lookout {
  xM: number;
  yM: number;
  /** Index target * hours + hour. */
  shares: Float64Array;
  /** What takes away most at the best hour, one a target. */
  because: Hindrance[];
  /** Weighted mean over the targets, one an hour. */
  mean: number[];
  /** The hour with the largest mean. */
  bestHour: number;
  /** How plainly the targets see an angler there, E, the most of them, at the best hour. */
  seen: number;
}

/** Places are tried a metre apart, on dry ground this near to the water, m. */
const APART_M = 1;
const NEAR_WATER_M = 6;
/** Of two places closer than this only the better is named, m; so many are named. */
const SPACED_M = 3;
const NAMED = 6;
/** The eye is this share of the posture's top. */
const EYE_SHARE = 0.94;
/** The mirrored ray is followed this far, m. */
const MIRROR_M = 25;
const STEP_M = 0.5;
/** Being seen costs a lookout this share of its worth. */
const SEEN_COSTS = 0.6;

/** Everything between one eye and one fish that no hour changes. */
interface Sightline {
  distanceM: number;
  eyeHeightM: number;
  directionRad: number;
  /** Cells of the flow at the fish and where the ray goes through the surface. */
  fishCell: number;
  surfaceCell: number;
  backdrop: 'plants' | 'bank' | 'sky';
  broken: number;
  /** To the fish through the surface. */
  ray: EyeRay;
}

/** A place with the sightlines it was weighed by. */
type Looked = Lookout & { lines: (Sightline | null)[] };

/** The places on the banks that see most, best first, over the hours given. */
export function lookouts(scene: Scene, input: LookoutInput): Lookout[] {
  const { targets, hours } = input;
  if (targets.length === 0 || hours.length === 0) return [];
  const shades = hours.map((c) => shadeField(scene, c));
  const found: (Looked & { worth: number })[] = [];
  for (const place of dryPlaces(scene)) {
    const made = lookFrom(scene, input, place, shades);
    if (!made) continue;
    // Being seen does not hang on the hour by much: asked at the best one, of the few that matter.
    found.push({ ...made, worth: made.mean[made.bestHour]! });
  }
  found.sort((a, b) => b.worth - a.worth);
  for (const l of found.slice(0, 60)) {
    l.seen = mostSeen(scene, input, l);
    l.worth *= 1 - SEEN_COSTS * l.seen;
  }
  const out: Lookout[] = [];
  for (const { worth, ...l } of found.slice(0, 60).sort((a, b) => b.worth - a.worth)) {
    if (worth <= 0.01 || out.length >= NAMED) break;
    if (out.every((o) => Math.hypot(o.xM - l.xM, o.yM - l.yM) >= SPACED_M))
      out.push(told(input, l, shades));
  }
  return out;
}

/** The same answer for one place, named by the angler; null where nothing can be seen from it. */
export function lookoutAt(
  scene: Scene,
  input: LookoutInput,
  place: { xM: number; yM: number },
): Lookout | null {
  const shades = input.hours.map((c) => shadeField(scene, c));
  const made = lookFrom(scene, input, place, shades);
  return made && { ...told(input, made, shades), seen: mostSeen(scene, input, made) };
}

function told(input: LookoutInput, looked: Looked, shades: readonly Float64Array[]): Lookout {
  const { lines: _lines, ...l } = looked;
  return { ...l, because: hindrances(input, looked, shades) };
}

/** Share of looks from a stand that see the angler's own fly on the surface; null: something stands between. */
export function ownFlySeen(
  scene: Scene,
  from: Place & { posture: Posture; heightM: number },
  at: Place,
  light: Conditions,
  polarised: boolean,
  shows: FlyShows,
): number | null {
  const sample = sampleFlow(scene.flow, at.xM, at.yM, { depthM: 0, u: 0, v: 0 });
  const on = {
    id: 'fly',
    ...at,
    fishDepthM: Math.max(LEAST_DEPTH_M, sample.depthM),
    headingRad: 0,
    totalLengthCm: 1,
    surety: 'sure' as const,
  };
  const input = { targets: [], hours: [], polarised, posture: from.posture, heightM: from.heightM };
  const line = sightline(scene, input, from, on);
  return line && flySeen(viewOf(line, on, light, shadeField(scene, light), polarised), shows).share;
}
const LEAST_DEPTH_M = 0.05;

function mostSeen(scene: Scene, input: LookoutInput, l: Lookout): number {
  const conditions = input.hours[l.bestHour]!;
  let most = 0;
  for (const fish of input.targets) {
    const at = { xM: l.xM, yM: l.yM, posture: input.posture, heightM: input.heightM };
    most = Math.max(most, exposureAt(scene, fishView(scene, fish, conditions), at, conditions));
  }
  return most;
}

function lookFrom(
  scene: Scene,
  input: LookoutInput,
  place: { xM: number; yM: number },
  shades: readonly Float64Array[],
): Looked | null {
  const { targets, hours, polarised } = input;
  const lines = targets.map((t) => sightline(scene, input, place, t));
  if (lines.every((l) => l === null)) return null;
  const shares = new Float64Array(targets.length * hours.length);
  const mean: number[] = hours.map(() => 0);
  const weights = targets.reduce((s, t) => s + (t.weight ?? 1), 0);
  targets.forEach((fish, t) => {
    const line = lines[t];
    if (!line) return;
    hours.forEach((c, h) => {
      const { share } = glances(viewOf(line, fish, c, shades[h]!, polarised));
      shares[t * hours.length + h] = share;
      mean[h]! += ((fish.weight ?? 1) / weights) * share;
    });
  });
  let bestHour = 0;
  mean.forEach((m, h) => {
    if (m > mean[bestHour]!) bestHour = h;
  });
  return { ...place, shares, because: [], mean, bestHour, seen: 0, lines };
}

/** What takes away most of each target at the hour that it is seen best; asked of what is named alone. */
function hindrances(
  { targets, hours, polarised }: LookoutInput,
  { shares, lines }: Looked,
  shades: readonly Float64Array[],
): Hindrance[] {
  return targets.map((fish, t) => {
    const line = lines[t];
    if (!line) return null;
    let best = 0;
    for (let h = 1; h < hours.length; h++)
      if (shares[t * hours.length + h]! > shares[t * hours.length + best]!) best = h;
    return spotting(viewOf(line, fish, hours[best]!, shades[best]!, polarised)).because;
  });
}

function viewOf(
  line: Sightline,
  fish: Fish,
  c: Conditions,
  shade: Float64Array,
  polarised: boolean,
): SpottingView {
  return {
    eyeHeightM: line.eyeHeightM,
    distanceM: line.distanceM,
    fishDepthM: fish.fishDepthM,
    totalLengthCm: fish.totalLengthCm,
    mirrored: line.backdrop === 'sky' ? MIRRORED.sky[c.sky] : MIRRORED[line.backdrop],
    sky: c.sky,
    skyLight: skyLight(c.sunAltitudeRad),
    sun:
      c.sunPlanRad === null
        ? null
        : { altitudeRad: c.sunAltitudeRad, awayRad: c.sunPlanRad - line.directionRad },
    sunOnFish: 1 - (shade[line.fishCell] ?? 0),
    sunOnSurface: 1 - (shade[line.surfaceCell] ?? 0),
    windMps: c.windMps,
    broken: line.broken,
    ray: line.ray,
    turbidityNtu: c.turbidityNtu ?? 1,
    polarised,
  };
}

/** null where ground, rock or bush stands between the eye and the water above the fish. */
function sightline(
  scene: Scene,
  input: LookoutInput,
  place: { xM: number; yM: number },
  fish: Fish,
): Sightline | null {
  const { flow } = scene;
  const dx = fish.xM - place.xM;
  const dy = fish.yM - place.yM;
  const distanceM = Math.hypot(dx, dy);
  if (distanceM < 1) return null;
  const fishCell = cellIndex(flow, fish.xM, fish.yM);
  if (fishCell < 0 || !(flow.depthM[fishCell]! > 0)) return null;
  const surface = flow.surfaceM[fishCell]!;
  const foot = scene.groundM[sceneIndex(scene, place.xM, place.yM)]! - surface;
  const eyeHeightM = foot + EYE_SHARE * POSTURE[input.posture].topShare * input.heightM;
  if (eyeHeightM < 0.1) return null;
  const ray = eyeRay({ distanceM, eyeHeightM, fishDepthM: fish.fishDepthM });
  const inAirM = distanceM - ray.crossingM;
  const ux = dx / distanceM;
  const uy = dy / distanceM;
  for (let d = STEP_M; d < inAirM - 0.1; d += STEP_M) {
    const n = sceneIndex(scene, place.xM + ux * d, place.yM + uy * d);
    const sight = eyeHeightM * (1 - d / inAirM);
    if (scene.screenM[n]! - surface > sight) return null;
  }
  const sx = place.xM + ux * inAirM;
  const sy = place.yM + uy * inAirM;
  const slope = eyeHeightM / inAirM;
  let backdrop: Sightline['backdrop'] = 'sky';
  for (let d = STEP_M; d <= MIRROR_M; d += STEP_M) {
    const x = sx + ux * d;
    const y = sy + uy * d;
    const n = sceneIndex(scene, x, y);
    const up = d * slope;
    if (scene.plantsM[n]! - surface > up) backdrop = 'plants';
    else if (scene.groundM[n]! - surface > up) backdrop = 'bank';
    else continue;
    break;
  }
  const s = sampleFlow(flow, sx, sy, { depthM: 0, u: 0, v: 0 });
  const surfaceCell = cellIndex(flow, sx, sy);
  const froude = s.depthM > 0 ? Math.hypot(s.u, s.v) / Math.sqrt(9.81 * s.depthM) : 0;
  return {
    distanceM,
    eyeHeightM,
    directionRad: Math.atan2(dy, dx),
    fishCell,
    surfaceCell: surfaceCell < 0 ? fishCell : surfaceCell,
    backdrop,
    ray,
    broken: s.depthM > 0 ? brokenWater(froude, s.depthM, flow.d84M[surfaceCell] ?? 0.1) : 0,
  };
}

/** Dry, open ground near the water. */
function dryPlaces(scene: Scene): { xM: number; yM: number }[] {
  const { frame, flow, groundM, screenM } = scene;
  const out: { xM: number; yM: number }[] = [];
  const depthAt = (x: number, y: number) => {
    const k = cellIndex(flow, x, y);
    return k < 0 ? 0 : flow.depthM[k]!;
  };
  const around = Array.from({ length: 12 }, (_, i) => (i * Math.PI) / 6);
  const wetNear = (x: number, y: number) => {
    for (const r of [1.5, 3, 4.5, NEAR_WATER_M])
      if (around.some((a) => depthAt(x + r * Math.cos(a), y + r * Math.sin(a)) > 0.05)) return true;
    return false;
  };
  const xMax = frame.x0M + (frame.nx - 1) * frame.cellM;
  const yMax = frame.y0M + (frame.ny - 1) * frame.cellM;
  for (let y = frame.y0M; y <= yMax; y += APART_M) {
    for (let x = frame.x0M; x <= xMax; x += APART_M) {
      const n = sceneIndex(scene, x, y);
      if (depthAt(x, y) > 0.02 || screenM[n]! > groundM[n]! + 0.1) continue;
      if (wetNear(x, y)) out.push({ xM: x, yM: y });
    }
  }
  return out;
}

/** What an hour does at one place: the share of glances that see the fish, and the shade over it, both 0-1. */
export interface GlareHour {
  share: number;
  shade: number;
}

/** Glances and shade by hour at the first target of `input`, from one place; glances 0 where it cannot be seen. */
export function glareAt(scene: Scene, input: LookoutInput, from: Place): GlareHour[] {
  const found = lookoutAt(scene, input, from);
  const fish = input.targets[0]!;
  const cell = cellIndex(scene.flow, fish.xM, fish.yM);
  return input.hours.map((c, h) => ({
    share: found?.shares[h] ?? 0,
    shade: shadeField(scene, c)[cell] ?? 0,
  }));
}
