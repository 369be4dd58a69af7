import { memoizeByObject, type Place } from '../grid/index';
import type { Reason } from '../units/index';
import type { BeatPlan } from '../formats/index';
import { createScene, type Posture, type Scene } from '../sight/index';
import type { StalkKeep } from '../stalk/index';
import { sampleSurface, surfaceCurrent, type FlowField } from '../water/index';
import { driftBand } from './drift-band';
import { castTip, type Lay, type LayKind } from './lays';
import { usefulDriftM, type Lead } from './lead';
import { leadAway, type LeadAway } from './lead-away';
import { createDriftEstimate, estimateKey, estimateSecondsInto } from './drift-estimate';
import { obstaclesOf, type CastKind, type RoomBehind } from './room-behind';
import {
  cleanQuality,
  forAndAgainst,
  qualitiesOf,
  sumOf,
  totalOf,
  type ShotFacts,
  type TermWeights,
} from './shot-terms';
import { shotsInput, type ShotsInput, type ShotsQuestion } from './shots-input';
import {
  candidate,
  castOf,
  driftOf,
  shotContext,
  type Candidate,
  type SearchStats,
  type ShotContext,
} from './shot-candidate';
import { simulateDrift } from './simulate-drift';
import { standsFor, type Stand } from './stands';
import { alternatives, type Alternative } from './alternatives';
import type { WindOnCast } from './wind';

/** One plan to be carried out: where from, how, and what speaks for and against it. */
export interface Shot {
  stand: Place;
  posture: Posture;
  landing: Place;
  lay: Lay;
  cast: CastKind;
  facts: ShotFacts;
  qualities: TermWeights;
  /** 0-100: only a sort order. */
  total: number;
  cleanS: { low: number; best: number; high: number };
  passesFish: 'clean' | 'micro' | 'wake' | 'misses' | null;
  /** Why the drift ends. */
  dragReason: Reason | null;
  room: RoomBehind;
  wind: WindOnCast;
  waySeconds: number;
  leadAway: LeadAway;
  for: Reason[];
  against: Reason[];
}

export interface ShotsFound {
  kind: 'shots';
  shots: Shot[];
  alternatives: Alternative[];
  lead: Lead;
  landing: Place;
  looked: SearchStats;
}

export interface NoShots {
  kind: 'no shots';
  reason: 'no-start' | 'no-stand' | 'no-lay' | 'fish-on-land' | 'landing-on-land';
  looked: SearchStats;
}
export type ShotsResult = ShotsFound | NoShots;

const COARSE = { nodeM: 0.5, dtS: 0.2, roughly: true } as const;
const FINE = { nodeM: 0.2, dtS: 0.1 } as const;
/** None goes on within this of a better one of its lay, m. */
const SPACED_M = 0.8;
/** Round the best, stands within this are looked at too, m. */
const ROUND_M = 0.9;

/** How hard a search looks. */
interface Effort {
  /** So many go on from the quick look, an equal part of each lay; so many of those are looked at closely. */
  coarse: number;
  fine: number;
  /** Round so many of the best the neighbours are looked at too. */
  round: number;
  /** Shots of one pickDiverse, at most. */
  pickDiverse: number;
}
const WHOLE: Effort = { coarse: 1200, fine: 100, round: 6, pickDiverse: 5 };
/** One cast to begin from, on a wide grid of stands. */
const QUICK: Effort = { coarse: 60, fine: 12, round: 0, pickDiverse: 1 };
const QUICK_STAND_STEP_M = 1;
/** Two shots are truly different when their stands are this far apart, or the line is laid otherwise, m. */
const APART_M = 3;
/** A shot with less than this share of the best total is not shown. */
const WORTH_SHOWING = 0.7;

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
 * All stands that can be reached x all lays, judged as `shot-terms.ts` lists; the best pickDiverse that
 * truly differ, each with what speaks for and against it, and why the obvious alternatives lose.
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
  const steps = search(scene, input, QUICK, keep);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value.kind === 'shots' ? step.value.shots[0]! : null;
  }
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
  const ground = shotContext(scene, input, looked);
  if (!wet(ground.landing)) return no('landing-on-land');
  const stands = yield* standsFor(scene, input, ground.landing, obstaclesOf(scene.plan), keep);
  if (!stands) return no('no-start');
  looked.stands = stands.length;
  if (stands.length === 0) return no('no-stand');
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
  for (const c of pickDiverse(fine, effort.pickDiverse)) {
    shots.push(shotOf(ground, c));
    yield 0.98;
  }
  shots.sort((a, b) => b.total - a.total);
  return {
    kind: 'shots',
    shots,
    alternatives: alternatives(ground, stands, shots[0]!),
    lead: ground.lead,
    landing: ground.landing,
    looked,
  };
}

/** Every stand and lay by the quick estimate; of each lay the best, spaced. */
function* quickLook(
  ground: ShotContext,
  stands: readonly Stand[],
  goOn: number,
): Generator<number, Candidate[]> {
  const { input, landing } = ground;
  const proxy = createDriftEstimate();
  const byLay = new Map(input.lays.map((lay): [Lay, Hopeful[]] => [lay, []]));
  const keys = [...new Set(input.lays.map(estimateKey))];
  const sets = keys.map((key) => input.lays.filter((lay) => estimateKey(lay) === key));
  for (let s = 0; s < stands.length; s++) {
    if (s % 50 === 0) yield 0.45 + (0.2 * s) / stands.length;
    const stand = stands[s]!;
    for (const set of sets) {
      const lays = set.filter((lay) => castOf(ground, stand, lay) !== null);
      if (lays.length === 0) continue;
      const tip = castTip(stand.place, landing, input.angler.rodM, lays[0]!.kind);
      const { current, upRad, followedS } = ground;
      estimateSecondsInto(proxy, current, tip, landing, lays, upRad, followedS);
      ground.looked.candidates += lays.length;
      lays.forEach((lay, l) => {
        const cast = castOf(ground, stand, lay)!;
        const c = candidate(ground, stand, lay, cast, proxy.seconds[l]!);
        byLay.get(lay)!.push({ ...c, hoped: upperBound(ground, c, proxy.boundS[l]!) });
      });
    }
  }
  return [...byLay.values()].flatMap((list) =>
    shortlist(list, Math.ceil(goOn / input.lays.length)),
  );
}

/** A candidate by its quick estimate, and its total if its line dragged no sooner than it must. */
type Hopeful = Candidate & { hoped: number };

function upperBound(
  { weights, lane, landingAlongM, passes }: ShotContext,
  c: Candidate,
  boundS: number,
) {
  if (!passes) return c.total;
  const usefulM = usefulDriftM(lane, landingAlongM, Math.max(c.cleanS, boundS));
  const gained = cleanQuality(usefulM, c.facts.leadM) - c.qualities.clean;
  return c.total + (100 * weights.clean * gained) / sumOf(weights);
}

/** Half of them the best as estimated, half the best as hoped: neither estimate is to be trusted alone. */
function shortlist(list: Hopeful[], most: number): Candidate[] {
  if (list.length <= most) return list;
  const likely = spaced(list, most / 2, SPACED_M);
  const taken = new Set<Candidate>(likely);
  const rest = list.filter((c) => !taken.has(c)).map((c) => ({ ...c, total: c.hoped }));
  return [...likely, ...spaced(rest, most / 2, SPACED_M)];
}

/** Of the best few, the stands round them that had no closer look: candidates were spaced. */
function neighbours(
  ground: ShotContext,
  stands: readonly Stand[],
  fine: readonly Candidate[],
  roundBest: number,
): Candidate[] {
  const seen = new Set(fine.map((c) => `${c.lay.kind} ${c.stand.place.xM} ${c.stand.place.yM}`));
  const out: Candidate[] = [];
  for (const c of [...fine].sort((a, b) => b.total - a.total).slice(0, roundBest)) {
    for (const stand of stands) {
      const { xM, yM } = stand.place;
      if (Math.hypot(xM - c.stand.place.xM, yM - c.stand.place.yM) > ROUND_M) continue;
      const key = `${c.lay.kind} ${xM} ${yM}`;
      const cast = castOf(ground, stand, c.lay);
      if (seen.has(key) || !cast) continue;
      seen.add(key);
      out.push({ ...c, stand, cast });
    }
  }
  return out;
}

/** The best of a list, none within `apartM` of a better one. */
export function spaced(list: Candidate[], most: number, apartM: number): Candidate[] {
  list.sort((a, b) => b.total - a.total || b.cleanS - a.cleanS);
  if (apartM === 0) return list.slice(0, most);
  const out: Candidate[] = [];
  for (const c of list) {
    if (out.length === most) break;
    const p = c.stand.place;
    let free = true;
    for (const o of out) {
      const dx = o.stand.place.xM - p.xM;
      const dy = o.stand.place.yM - p.yM;
      if (dx * dx + dy * dy < apartM * apartM) {
        free = false;
        break;
      }
    }
    if (free) out.push(c);
  }
  return out;
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
      ...driftOf(ground, c.stand.place, c.lay),
      ...fineness,
      seconds: ground.followedS,
      stopAtDrag: true,
    });
    if (drift.status !== 'ok') {
      ground.looked.unknown++;
      continue;
    }
    out.push(candidate(ground, c.stand, c.lay, c.cast, drift.cleanS, drift.laid));
  }
  return out;
}

/**
 * The best that truly differ: first stands well apart, no lay more than twice; then, if there is room,
 * from the same stands the line laid another way.
 */
export function pickDiverse(list: readonly Candidate[], most = WHOLE.pickDiverse): Candidate[] {
  const sorted = [...list].sort((a, b) => b.total - a.total || b.cleanS - a.cleanS);
  const out: Candidate[] = [];
  const near = (a: Candidate, b: Candidate) =>
    Math.hypot(a.stand.place.xM - b.stand.place.xM, a.stand.place.yM - b.stand.place.yM) < APART_M;
  const alike = (a: Candidate, b: Candidate) =>
    near(a, b) && (a.lay.kind === b.lay.kind || alikeLays(a.lay.kind, b.lay.kind));
  for (const same of [near, alike]) {
    for (const c of sorted) {
      if (out.length === most) break;
      const used = out.filter((o) => o.lay.kind === c.lay.kind).length;
      if (used < 2 && c.total >= WORTH_SHOWING * sorted[0]!.total && !out.some((o) => same(o, c)))
        out.push(c);
    }
  }
  return out;
}

/** Lays that put the line down the same way. */
const STRAIGHT: readonly LayKind[] = ['straight', 'roll', 'bow-and-arrow'];
const LOOSE: readonly LayKind[] = ['slack', 'pile'];
const alikeLays = (a: LayKind, b: LayKind) =>
  [STRAIGHT, LOOSE].some((group) => group.includes(a) && group.includes(b));

/** A candidate in full: its band, where the fish is led, and its reasons. */
export function shotOf(ground: ShotContext, c: Candidate): Shot {
  const { scene, input } = ground;
  const away = leadAway(scene, c.stand.place, input.target, input.others, ground.snags);
  const { best, cleanS } = driftBand(scene.flow, driftOf(ground, c.stand.place, c.lay));
  const facts = { ...c.facts, landing: away.quality };
  const qualities = qualitiesOf(facts, {
    from: input.castFrom,
    wading: input.wading ?? 'never-unless',
  });
  return {
    stand: c.stand.place,
    posture: c.stand.posture,
    landing: ground.landing,
    lay: c.lay,
    cast: c.cast,
    facts,
    qualities,
    total: totalOf(qualities, ground.weights),
    cleanS,
    passesFish: best.passesFish,
    dragReason: best.reason,
    room: c.stand.room,
    wind: c.stand.wind,
    waySeconds: c.stand.waySeconds,
    leadAway: away,
    ...forAndAgainst(qualities, ground.weights, facts, cleanS.best),
  };
}
