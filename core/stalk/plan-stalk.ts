import { memoizeByObject, type Place } from '../grid/index';
import type { BeatPlan } from '../formats/index';
import {
  createScene,
  POSTURES,
  type Conditions,
  type Fish,
  type Posture,
  type Scene,
} from '../sight/index';
import { DRY_M, sampleFlow, type FlowField } from '../water/index';
import { ALARM, tauBandOf, type Alarm, type HidingSchool, type WadingSchool } from './guesses';
import { walk, type Walked, type Worst } from './legs';
import { ownMud } from './own-mud';
import { fishSeen, seenField, type FishSeen, type SeenField } from './seen-field';
import { cellAt, CLOSED, walkGrid, type Forbidden, type WalkGrid } from './walk-grid';
import { costsOf, searchWay, type Weighing } from './way-search';
import type { WadingBody } from './wading';

/** A fish that looks. `weight`: what alarming it costs; 1 for one that is surely there. */
export type Watcher = Fish & { weight?: number };

export interface StalkInput {
  /** One place, or the entries to choose among. */
  from: Place | readonly Place[];
  to: Place;
  /** How the angler means to cast from there. */
  endPosture: Posture;
  fish: readonly Watcher[];
  angler: WadingBody;
  conditions: Conditions;
  /** Schools; the first is the default. */
  wading?: WadingSchool;
  hiding?: HidingSchool;
  /** Places the way must pass, in order. */
  via?: readonly Place[];
  /** Spots taken out by hand. */
  forbidden?: readonly Forbidden[];
  /** Default ALARM. */
  alarm?: Alarm;
  /** Step of the grid, m: .25, or coarser while something is dragged. */
  cellM?: number;
}

/** A stalk without its end: what does not change with where the angler means to stand. */
export type StalkQuestion = Omit<StalkInput, 'to' | 'endPosture' | 'via'>;

/** Chance that a fish is still calm, with the alarm time at its low and high guess. */
export interface Calm {
  fishId: string;
  low: number;
  best: number;
  high: number;
}

export interface StalkWay extends Omit<Walked, 'doses'> {
  kind: 'way';
  worst: Worst;
  calm: Calm[];
  /** What the way weighs in all, s: only to compare ways by. */
  cost: number;
}

export interface NoWay {
  kind: 'no way';
  reason:
    | 'no-start'
    | 'start-blocked'
    | 'stand-blocked'
    | 'stand-too-deep'
    | 'off-the-land'
    | 'via-blocked'
    | 'fish-on-land'
    | 'forbidden'
    | 'cut-off';
  /** The fish, or the number of the waypoint, that it is about. */
  about?: string;
}
export type StalkResult = StalkWay | NoWay;

/** What alarming a fish of each surety costs, beside one that is surely there (our guesses). */
const SURETY_WEIGHT = { sure: 1, likely: 0.8, maybe: 0.4 } as const;
export const FINE_M = 0.25;

/** What a search stands on; worked out once and kept while the same things are asked of. */
export interface StalkContext {
  scene: Scene;
  grid: WalkGrid;
  seen: SeenField;
}

/**
 * The ground of a question. `kept` may hold what an earlier question worked out (`createStalkKeep`):
 * a grid for the same body and spots, and what a fish sees in the same light.
 */
export function stalkContext(scene: Scene, input: StalkQuestion, kept?: StalkKeep): StalkContext {
  const { fish, angler, conditions, forbidden = [], cellM = FINE_M } = input;
  const { heightM } = angler;
  const once = kept ?? createStalkKeep();
  const grid = once.grid([angler, forbidden, cellM], () =>
    walkGrid(scene, angler, forbidden, cellM),
  );
  const looking = fish.map((f) =>
    once.fish([f, heightM, conditions], () => fishSeen(scene, f, heightM, conditions)),
  );
  const mud = input.hiding === 'own-mud' ? fish.map((f) => ownMud(scene, grid, f)) : null;
  return { scene, grid, seen: seenField(scene, looking, mud) };
}

/** Answers kept by what was asked; the oldest make room. */
export interface StalkKeep {
  grid(key: unknown, make: () => WalkGrid): WalkGrid;
  fish(key: unknown, make: () => FishSeen): FishSeen;
}

const KEPT = { grids: 8, fish: 40 };

export function createStalkKeep(): StalkKeep {
  return { grid: keep<WalkGrid>(KEPT.grids), fish: keep<FishSeen>(KEPT.fish) };
}

function keep<T>(most: number) {
  const held = new Map<string, T>();
  return (key: unknown, make: () => T): T => {
    const text = JSON.stringify(key);
    const known = held.get(text);
    if (known !== undefined) return known;
    const made = make();
    if (held.size >= most) held.delete(held.keys().next().value!);
    held.set(text, made);
    return made;
  };
}

const scenesOf = memoizeByObject<FlowField, WeakMap<BeatPlan, Scene>>(() => new WeakMap());

/**
 * The least costly way from a place to a stand, with posture as state (walking, crouched, kneeling,
 * crawling): being noticed by every fish, footfall, wading by class and footing, hazards forbidden,
 * time and effort. The search is exact on its grid (Dijkstra 1959). What cannot be is data, with
 * its reason. Never a promise that a crossing is safe.
 */
export function planStalk(plan: BeatPlan, flow: FlowField, input: StalkInput): StalkResult {
  const scenes = scenesOf(flow);
  const scene = scenes.get(plan) ?? createScene(plan, flow);
  scenes.set(plan, scene);
  return planStalkOn(stalkContext(scene, input), input);
}

export function planStalkOn(ground: StalkContext, input: StalkInput): StalkResult {
  const { grid, seen, scene } = ground;
  const problem = whatCannotBe(ground, input);
  if (problem) return problem;
  const starts = startsOf(input)
    .map((p) => cellAt(grid, p))
    .filter((c) => c >= 0 && !grid.closed[c]);
  const goal = cellAt(grid, input.to);
  const how = weighingOf(input);
  const costs = costsOf(grid, seen, how);
  // One may come to the start as low as one likes.
  const cells = grid.nx * grid.ny;
  const nodes = POSTURES.flatMap((_, p) => starts.map((c) => p * cells + c));
  const found = searchWay(costs, nodes, input.via ?? [], goal, POSTURES.indexOf(input.endPosture));
  if (!found) return { kind: 'no way', reason: cutOffBy(grid, starts, goal) };
  const layer = POSTURES.length * cells;
  // Where a stage ends the node repeats itself in the next one.
  const path = found.path.map((n) => n % layer).filter((n, i, all) => i === 0 || n !== all[i - 1]);
  const { doses, ...told } = walk(scene, grid, seen, path, input, how.footfall);
  const [soon, late] = tauBandOf(how.tauS);
  return {
    kind: 'way',
    ...told,
    worst: told.moments.reduce<Worst>((worst, m) => (m.exposure > worst.exposure ? m : worst), {
      exposure: 0,
      fishId: null,
      place: input.to,
    }),
    calm: seen.fish.map(({ view }, f) => ({
      fishId: view.fish.id,
      low: Math.exp(-doses[f]! / soon),
      best: Math.exp(-doses[f]! / how.tauS),
      high: Math.exp(-doses[f]! / late),
    })),
    cost: found.cost,
  };
}

const startsOf = (input: StalkInput): readonly Place[] =>
  'xM' in input.from ? [input.from] : input.from;

export function weighingOf(input: StalkQuestion): Weighing {
  const alarm = input.alarm ?? ALARM;
  return {
    wading: input.wading ?? 'never-unless',
    hiding: input.hiding ?? 'creep',
    tauS: alarm.tauS,
    footfall: alarm.footfall,
    weights: input.fish.map((f) => f.weight ?? SURETY_WEIGHT[f.surety]),
  };
}

/** What makes the question one without an answer, before anything is searched. */
function whatCannotBe({ scene, grid }: StalkContext, input: StalkInput): NoWay | null {
  const no = (reason: NoWay['reason'], about?: string): NoWay => ({
    kind: 'no way',
    reason,
    ...(about !== undefined && { about }),
  });
  const dry = input.fish.find(
    (f) => sampleFlow(scene.flow, f.xM, f.yM, { depthM: 0, u: 0, v: 0 }).depthM <= DRY_M,
  );
  if (dry) return no('fish-on-land', dry.id);
  const starts = startsOf(input);
  if (starts.length === 0) return no('no-start');
  const cells = starts.map((p) => cellAt(grid, p));
  if (cells.every((c) => c < 0)) return no('off-the-land');
  if (cells.every((c) => c < 0 || grid.closed[c])) return no('start-blocked');
  const goal = cellAt(grid, input.to);
  if (goal < 0) return no('off-the-land');
  if (grid.closed[goal] === CLOSED.water) return no('stand-too-deep');
  if (grid.closed[goal] === CLOSED.forbidden) return no('forbidden');
  if (grid.closed[goal]) return no('stand-blocked');
  for (const [i, p] of (input.via ?? []).entries()) {
    const c = cellAt(grid, p);
    if (c < 0 || grid.closed[c]) return no('via-blocked', String(i + 1));
  }
  return null;
}

/** Whether it is the spots taken out by hand that cut the stand off, or the beat itself. */
function cutOffBy(
  grid: WalkGrid,
  starts: readonly number[],
  goal: number,
): 'forbidden' | 'cut-off' {
  const reached = new Uint8Array(grid.nx * grid.ny);
  const todo = [...starts];
  for (const s of todo) reached[s] = 1;
  while (todo.length > 0) {
    const k = todo.pop()!;
    if (k === goal) return 'forbidden';
    const i = k % grid.nx;
    for (const [next, inside] of [
      [k - 1, i > 0],
      [k + 1, i < grid.nx - 1],
      [k - grid.nx, k >= grid.nx],
      [k + grid.nx, k < grid.nx * (grid.ny - 1)],
    ] as const) {
      if (!inside || reached[next]) continue;
      const closed = grid.closed[next]!;
      if (closed !== CLOSED.open && closed !== CLOSED.forbidden) continue;
      reached[next] = 1;
      todo.push(next);
    }
  }
  return 'cut-off';
}
