import { finish, memoizeByObject, saying, type Place } from '../grid/index';
import { CHANCE } from '../chance/index';
import type { BeatPlan } from '../formats/index';
import { createScene, type Scene } from '../sight/index';
import type { StalkKeep } from '../stalk/index';
import { sampleSurface, surfaceCurrent, type FlowField } from '../water/index';
import { alternatives } from './alternatives';
import { pickDiverse } from './pick-diverse';
import { isLookedAt, neighbours, quickLook, spaced } from './quick-look';
import { obstaclesOf } from './room-behind';
import {
  candidate,
  driftOf,
  shotContextSteps,
  type Aim,
  type Candidate,
  type SearchStats,
  type ShotContext,
} from './shot-candidate';
import { shotSteps } from './shot-of';
import type { NoShots, Shot, ShotsResult, WouldHelp } from './shots-found';
import { shotsInput, type ShotsInput, type ShotsQuestion } from './shots-input';
import { simulateDrift } from './simulate-drift';
import { standsAtSteps, standsFor, waysCalm, type Stand } from './stands';

const COARSE = { nodeM: 0.5, dtS: 0.2, roughly: true } as const;
const FINE = { nodeM: 0.2, dtS: 0.1 } as const;
/** How hard a search looks. */
interface Effort {
  /** So many go on from the quick look, an equal part of each lay; so many of those are looked at closely. */
  coarse: number;
  fine: number;
  /** Round so many of the best the neighbours are looked at too. */
  round: number;
  /** Shots of one pickDiverse, at most. */
  pickDiverse: number;
  /** Told however small the chance; what would help is asked where none is worth the name. */
  anyChance?: boolean;
  asksHelp?: boolean;
}
const WHOLE: Effort = { coarse: 700, fine: 80, round: 6, pickDiverse: 5, asksHelp: true };
/** One cast to begin from, on a wide grid of stands. */
const QUICK: Effort = { coarse: 60, fine: 12, round: 0, pickDiverse: 1, anyChance: true };
const QUICK_STAND_STEP_M = 1;
/** A shot with less than this chance is not shown. */
const LEAST_CHANCE = 0.1;

export interface ShotSearch {
  /** Looks for about `budgetMs`; true when finished. The answer hangs on the input alone, never on the clock. */
  advance(budgetMs: number): boolean;
  /** 0-1. */
  progress: number;
  /** Throws until `advance` has returned true. */
  result(): ShotsResult;
}

/** A search that can be given way to and dropped. `keep` may hold what a stalk has worked out. */
export function createShotSearch(
  scene: Scene,
  question: ShotsQuestion,
  keep?: StalkKeep,
): ShotSearch {
  const steps = search(scene, shotsInput(scene.plan, question), WHOLE, keep);
  let result: ShotsResult | null = null;
  return {
    progress: 0,
    advance(budgetMs) {
      const until = performance.now() + budgetMs;
      while (!result && performance.now() < until) {
        const next = steps.next();
        if (next.done) result = next.value;
        else this.progress = next.value;
      }
      return result !== null;
    },
    result() {
      if (!result) throw new Error('shot search: advance() has not finished');
      return result;
    },
  };
}

const scenesOf = memoizeByObject<FlowField, WeakMap<BeatPlan, Scene>>(() => new WeakMap());

/**
 * All stands that can be reached x all lays x the places worth aiming at, ordered by the chance of an
 * honest look and a hook (`core/chance`); the best that truly differ, each with what speaks for and
 * against it, and why the obvious alternatives lose.
 */
export function findShots(plan: BeatPlan, flow: FlowField, question: ShotsQuestion): ShotsResult {
  const scenes = scenesOf(flow);
  const scene = scenes.get(plan) ?? createScene(plan, flow);
  scenes.set(plan, scene);
  const run = createShotSearch(scene, question);
  while (!run.advance(200));
  return run.result();
}

/**
 * One cast to begin from: the same search on fewer stands and candidates, the best alone. null when
 * nothing can be cast from anywhere. Some tenths of a second less than the whole search.
 */
export function quickShot(scene: Scene, question: ShotsQuestion, keep?: StalkKeep): Shot | null {
  const input = { ...shotsInput(scene.plan, question), standStepM: QUICK_STAND_STEP_M };
  const found = finish(search(scene, input, QUICK, keep));
  return found.kind === 'shots' ? found.shots[0]! : null;
}

function* search(
  scene: Scene,
  input: ShotsInput,
  effort: Effort,
  keep?: StalkKeep,
): Generator<number, ShotsResult> {
  const looked: SearchStats = { stands: 0, candidates: 0, simulated: 0, unknown: 0 };
  const no = (reason: NoShots['reason']): NoShots => ({ kind: 'no shots', reason, looked });
  const { flow } = scene;
  const wet = (p: Place) =>
    sampleSurface(surfaceCurrent(flow), p.xM, p.yM, { depthM: 0, u: 0, v: 0 }).depthM > 0;
  if (!wet(input.target)) return no('fish-on-land');
  if (input.lays.length === 0) return no('no-lay');
  if (input.landing && !wet(input.landing)) return no('landing-on-land');
  const ground = yield* saying(0.05, shotContextSteps(scene, input, looked));
  if (ground.aims.length === 0) return no('landing-on-land');
  const befores = yield* standsFor(scene, input, keep);
  if (!befores) return no('no-start');
  const obstacles = obstaclesOf(scene.plan);
  const stands = new Map<Aim, Stand[]>();
  // Every place for the first aim, half of them for the others: the best are looked round again.
  for (const [a, aim] of ground.aims.entries()) {
    const from = a === 0 ? befores : befores.filter((s) => isLookedAt(s, a, input));
    const at = standsAtSteps(scene, input, aim.place, obstacles, from);
    stands.set(aim, yield* saying(0.45, at));
  }
  looked.stands = befores.length;
  if ([...stands.values()].every((list) => list.length === 0)) return no('no-stand');
  const chosen = yield* quickLook(ground, stands, effort.coarse);
  const coarse = yield* simulateAll(ground, chosen, COARSE, 0.65, 0.2);
  const best = spaced(coarse, effort.fine, 0);
  const fine = yield* simulateAll(ground, best, FINE, 0.85, 0.07);
  if (fine.length === 0) return no('no-stand');
  const about = yield* simulateAll(
    ground,
    neighbours(ground, stands, fine, effort.round),
    FINE,
    0.92,
    0.05,
  );
  fine.push(...about);
  const shots: Shot[] = [];
  const picked = pickDiverse(fine, effort.pickDiverse);
  // The way is told as Stalk tells it, on its own finer steps: one number for both.
  const calmAt = effort.asksHelp
    ? yield* saying(
        0.97,
        waysCalm(
          scene,
          input,
          picked.map((c) => c.stand),
          keep,
        ),
      )
    : null;
  for (const c of picked) {
    const calm = calmAt ? calmAt(c.stand) : c.stand.calm;
    // No way on those steps leads there.
    if (calm === null) continue;
    shots.push(yield* saying(0.98, shotSteps(ground, { ...c, stand: { ...c.stand, calm } })));
  }
  shots.sort((a, b) => b.order - a.order);
  if (shots.length === 0) return no('no-stand');
  const told = effort.anyChance ? shots : shots.filter((s) => s.chance.value >= LEAST_CHANCE);
  if (told.length === 0) {
    const best = shots.reduce((a, b) => (b.chance.value > a.chance.value ? b : a));
    return {
      ...no('no-look'),
      best: { value: best.chance.value, heldBack: best.chance.heldBack },
      wouldHelp: effort.asksHelp ? whatWouldHelp(scene, input, best.chance.value, keep) : [],
    };
  }
  return {
    kind: 'shots',
    shots: told,
    alternatives: alternatives(ground, stands, told[0]!),
    lead: ground.lead,
    landing: told[0]!.landing,
    looked,
  };
}

function* simulateAll(
  ground: ShotContext,
  list: readonly Candidate[],
  fineness: { nodeM: number; dtS: number; roughly?: boolean },
  from: number,
  share: number,
): Generator<number, Candidate[]> {
  const out: Candidate[] = [];
  for (let i = 0; i < list.length; i++) {
    if (i % 10 === 0) yield from + (share * i) / list.length;
    const c = list[i]!;
    ground.looked.simulated++;
    const drift = simulateDrift(ground.scene.flow, {
      ...driftOf(ground, c.stand.place, c.aim, c.lay),
      ...fineness,
      seconds: c.aim.followedS,
      stopAtDrag: true,
    });
    if (drift.status !== 'ok') {
      ground.looked.unknown++;
      continue;
    }
    out.push(candidate(ground, c.stand, c.aim, c.lay, c.cast, drift));
  }
  return out;
}

const LONGER_ROD_M = 0.6;
/** A change is worth a word when it brings so much more. */
const HELPS = 0.05;

/** What else could be done or waited for, by a quick search each; only what truly brings more. */
function whatWouldHelp(
  scene: Scene,
  input: ShotsInput,
  now: number,
  keep?: StalkKeep,
): WouldHelp[] {
  const { angler, conditions } = input;
  const tries: [WouldHelp['change'], Partial<ShotsInput>][] = [
    ['longer-rod', { angler: { ...angler, rodM: angler.rodM + LONGER_ROD_M } }],
    ['soft-light', { conditions: { ...conditions, sky: 'overcast', sunPlanRad: null } }],
  ];
  if ((input.wading ?? 'never-unless') === 'never-unless')
    tries.push(['wade', { wading: 'for-the-angle' }]);
  if (conditions.windMps > CHANCE.crossFreeMps)
    tries.push(['no-wind', { conditions: { ...conditions, windMps: 0 } }]);
  return tries
    .flatMap(([change, other]) => {
      const changed = { ...input, ...other, standStepM: QUICK_STAND_STEP_M };
      const steps = search(scene, changed, QUICK, 'conditions' in other ? undefined : keep);
      for (;;) {
        const step = steps.next();
        if (!step.done) continue;
        const value = step.value.kind === 'shots' ? step.value.shots[0]!.chance.value : 0;
        return value > now + HELPS ? [{ change, value }] : [];
      }
    })
    .sort((a, b) => b.value - a.value);
}
