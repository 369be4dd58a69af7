import type { Place } from '../grid/index';
import { featuresOf, shapePlaces } from '../formats/index';
import { sampleFlow, SOLID } from '../water/index';
import {
  exposureAt,
  fishView,
  POSTURE,
  sceneIndex,
  type Conditions,
  type Fish,
  type FishView,
  type Posture,
  type Scene,
} from '../sight/index';
import { leastCost } from './least-cost';
import { mayWade, type WadingBody } from './wading';

export interface StalkInput {
  from: Place;
  to: Place;
  /** How the angler means to cast from there. */
  endPosture: Posture;
  fish: readonly Fish[];
  angler: WadingBody;
  conditions: Conditions;
}

export interface StalkLeg {
  posture: Posture;
  wading: boolean;
  places: Place[];
  lengthM: number;
  seconds: number;
  /** The worst moment of the leg. */
  worst: { exposure: number; fishId: string | null; place: Place };
}

export type StalkResult =
  | {
      kind: 'way';
      legs: StalkLeg[];
      seconds: number;
      lengthM: number;
      wadedM: number;
      deepestM: number;
      worst: { exposure: number; fishId: string | null; place: Place };
      /** Chance that a fish is still calm on arrival, with the alarm time at its low and high guess. */
      calm: { fishId: string; low: number; best: number; high: number }[];
    }
  | { kind: 'no way'; reason: 'start-blocked' | 'stand-blocked' | 'stand-too-deep' | 'cut-off' };

/** The postures a way may use. Crouch and crawl come with Stalk. */
const WAYS: readonly Posture[] = ['stand', 'kneel'];
const CELL_M = 0.5;
/** calm = exp(-integral of max(0, E - .1)/tau dt); tau in s, our guess with its band (a setting later). */
export const ALARM = { threshold: 0.1, tauS: 6, tauBandS: [3, 12] as const };
/** What a chance of alarm is worth in seconds of walking: one certain alarm is ten minutes. */
const ALARM_COST_S = 600;
/** Wading is a last resort: each second in the water counts as this many, by default method. */
const WADING_COST = 12;
const WADING_PACE = 0.5;
/** To change posture, s. */
const CHANGE_S = 2;
/** Effort of a metre, in seconds, beyond the time it takes. */
const METRE_COST_S = 0.5;

/** A grid of land and water with two layers, one a posture: node = posture * cells + j * nx + i. */
interface Walk {
  nx: number;
  ny: number;
  x0M: number;
  y0M: number;
  open: Uint8Array;
  wade: Uint8Array;
  depthM: Float64Array;
  /** Sum over fish of max(0, E - .1), one array a posture. */
  alarm: Float64Array[];
  /** What each fish sees of a moving angler, one array a posture: index fish * cells + cell. */
  seen: Float64Array[];
}

/**
 * The least costly way from a place to a stand: being seen by every fish, wading, time, distance;
 * on a .5 m grid with posture as state (standing, kneeling). Deep or quick water, boulders, bushes
 * and marked hazards are forbidden.
 */
export function planStalk(scene: Scene, input: StalkInput): StalkResult {
  const views = input.fish.map((f) => fishView(scene, f, input.conditions));
  const walk = walkGrid(scene, input, views);
  const cells = walk.nx * walk.ny;
  const start = cellAt(walk, input.from);
  const goal = cellAt(walk, input.to);
  if (start < 0 || !walk.open[start]) return { kind: 'no way', reason: 'start-blocked' };
  if (goal < 0) return { kind: 'no way', reason: 'stand-blocked' };
  if (!walk.open[goal])
    return { kind: 'no way', reason: walk.depthM[goal]! > 0 ? 'stand-too-deep' : 'stand-blocked' };
  const endLayer = POSTURE[input.endPosture].topShare > 0.6 ? 0 : 1;
  const found = leastCost(
    { size: cells * WAYS.length, visit: (node, edge) => visitNeighbours(walk, node, edge) },
    start,
    endLayer * cells + goal,
  );
  if (!found) return { kind: 'no way', reason: 'cut-off' };
  return packageWay(walk, found.path, input, views);
}

function cellAt(walk: Walk, place: Place): number {
  const i = Math.round((place.xM - walk.x0M) / CELL_M);
  const j = Math.round((place.yM - walk.y0M) / CELL_M);
  return i < 0 || j < 0 || i >= walk.nx || j >= walk.ny ? -1 : j * walk.nx + i;
}

const placeOf = (walk: Walk, cell: number): Place => ({
  xM: walk.x0M + (cell % walk.nx) * CELL_M,
  yM: walk.y0M + Math.floor(cell / walk.nx) * CELL_M,
});

function walkGrid(scene: Scene, input: StalkInput, views: FishView[]): Walk {
  const { box } = scene.ground;
  const nx = Math.floor((box.xMaxM - box.xMinM) / CELL_M) + 1;
  const ny = Math.floor((box.yMaxM - box.yMinM) / CELL_M) + 1;
  const cells = nx * ny;
  const walk: Walk = {
    nx,
    ny,
    x0M: box.xMinM,
    y0M: box.yMinM,
    open: new Uint8Array(cells),
    wade: new Uint8Array(cells),
    depthM: new Float64Array(cells),
    alarm: WAYS.map(() => new Float64Array(cells)),
    seen: WAYS.map(() => new Float64Array(cells * views.length)),
  };
  const sample = { depthM: 0, u: 0, v: 0 };
  const { flow } = scene;
  for (let cell = 0; cell < cells; cell++) {
    const place = placeOf(walk, cell);
    sampleFlow(flow, place.xM, place.yM, sample);
    walk.depthM[cell] = sample.depthM;
    walk.wade[cell] = sample.depthM > 0.03 ? 1 : 0;
    const blocked =
      solidAt(scene, place) || nearHazard(scene, place) || unsurveyedWater(scene, place);
    const wadeable = walk.wade[cell]
      ? mayWade(sample.depthM, Math.hypot(sample.u, sample.v), input.angler)
      : true;
    walk.open[cell] = !blocked && wadeable ? 1 : 0;
    if (!walk.open[cell]) continue;
    for (let p = 0; p < WAYS.length; p++) {
      const posture = WAYS[p]!;
      const at = {
        ...place,
        posture,
        heightM: input.angler.heightM,
        motionMps: POSTURE[posture].paceMps,
      };
      for (let f = 0; f < views.length; f++) {
        const e = exposureAt(scene, views[f]!, at, input.conditions);
        walk.alarm[p]![cell]! += Math.max(0, e - ALARM.threshold);
        walk.seen[p]![f * cells + cell] = e;
      }
    }
  }
  return walk;
}

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

/** Marked hazards keep this far off, m. */
const HAZARD_M = 1.5;

function nearHazard(scene: Scene, place: Place): boolean {
  return featuresOf(scene.plan, 'hazard').some((h) =>
    shapePlaces(h.shape).some((p) => Math.hypot(p.xM - place.xM, p.yM - place.yM) < HAZARD_M),
  );
}

function paceAt(walk: Walk, cell: number, layer: number): number {
  return POSTURE[WAYS[layer]!].paceMps * (walk.wade[cell] ? WADING_PACE : 1);
}

/** Seconds a step takes, and what it costs. */
function stepCost(
  walk: Walk,
  from: number,
  to: number,
  layer: number,
  lengthM: number,
): { seconds: number; cost: number } {
  const seconds =
    (0.5 * lengthM) / paceAt(walk, from, layer) + (0.5 * lengthM) / paceAt(walk, to, layer);
  const alarm = 0.5 * (walk.alarm[layer]![from]! + walk.alarm[layer]![to]!);
  const wading = 0.5 * (walk.wade[from]! + walk.wade[to]!);
  const cost =
    seconds * (1 + wading * WADING_COST + (alarm / ALARM.tauS) * ALARM_COST_S) +
    METRE_COST_S * lengthM;
  return { seconds, cost };
}

function visitNeighbours(walk: Walk, node: number, edge: (to: number, cost: number) => void): void {
  const cells = walk.nx * walk.ny;
  const layer = Math.floor(node / cells);
  const cell = node - layer * cells;
  const i = cell % walk.nx;
  const j = (cell - i) / walk.nx;
  for (let dj = -1; dj <= 1; dj++) {
    for (let di = -1; di <= 1; di++) {
      if (
        (di === 0 && dj === 0) ||
        i + di < 0 ||
        j + dj < 0 ||
        i + di >= walk.nx ||
        j + dj >= walk.ny
      )
        continue;
      const next = cell + dj * walk.nx + di;
      // No cutting corners past something solid.
      if (!walk.open[next] || !walk.open[cell + di] || !walk.open[cell + dj * walk.nx]) continue;
      edge(
        layer * cells + next,
        stepCost(walk, cell, next, layer, CELL_M * Math.hypot(di, dj)).cost,
      );
    }
  }
  const other = 1 - layer;
  const alarm = Math.max(walk.alarm[0]![cell]!, walk.alarm[1]![cell]!);
  edge(other * cells + cell, CHANGE_S * (1 + (alarm / ALARM.tauS) * ALARM_COST_S));
}

function packageWay(walk: Walk, path: number[], input: StalkInput, views: FishView[]): StalkResult {
  const cells = walk.nx * walk.ny;
  const legs: StalkLeg[] = [];
  let seconds = 0;
  let wadedM = 0;
  let deepestM = 0;
  const alarmed = views.map(() => 0);
  let leg: StalkLeg | null = null;
  for (let n = 1; n < path.length; n++) {
    const fromLayer = Math.floor(path[n - 1]! / cells);
    const layer = Math.floor(path[n]! / cells);
    const from = path[n - 1]! % cells;
    const to = path[n]! % cells;
    if (layer !== fromLayer) {
      leg = null;
      seconds += CHANGE_S;
      continue;
    }
    const wading = walk.wade[to] === 1;
    if (!leg || leg.wading !== wading) {
      leg = {
        posture: WAYS[layer]!,
        wading,
        places: [placeOf(walk, from)],
        lengthM: 0,
        seconds: 0,
        worst: { exposure: 0, fishId: null, place: placeOf(walk, from) },
      };
      legs.push(leg);
    }
    const lengthM = Math.hypot(...between(placeOf(walk, from), placeOf(walk, to)));
    const step = stepCost(walk, from, to, layer, lengthM);
    leg.places.push(placeOf(walk, to));
    leg.lengthM += lengthM;
    leg.seconds += step.seconds;
    seconds += step.seconds;
    if (wading) wadedM += lengthM;
    deepestM = Math.max(deepestM, walk.depthM[to]!);
    const seen = walk.seen[layer]!;
    for (let f = 0; f < views.length; f++) {
      const e = seen[f * cells + to]!;
      alarmed[f]! += Math.max(0, e - ALARM.threshold) * step.seconds;
      if (e > leg.worst.exposure) {
        leg.worst = { exposure: e, fishId: views[f]!.fish.id, place: placeOf(walk, to) };
      }
    }
  }
  const nothing = { exposure: 0, fishId: null, place: input.to };
  const calmWith = (dose: number, tau: number) => Math.exp(-dose / tau);
  return {
    kind: 'way',
    legs,
    seconds,
    lengthM: legs.reduce((sum, l) => sum + l.lengthM, 0),
    wadedM,
    deepestM,
    worst: legs.reduce(
      (worst, l) => (l.worst.exposure > worst.exposure ? l.worst : worst),
      nothing as StalkLeg['worst'],
    ),
    calm: views.map((v, f) => ({
      fishId: v.fish.id,
      low: calmWith(alarmed[f]!, ALARM.tauBandS[0]),
      best: calmWith(alarmed[f]!, ALARM.tauS),
      high: calmWith(alarmed[f]!, ALARM.tauBandS[1]),
    })),
  };
}

const between = (a: Place, b: Place): [number, number] => [b.xM - a.xM, b.yM - a.yM];
