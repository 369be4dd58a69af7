import { finish, memoizeByObject, saying, type Place } from '../grid/index';
import type { Reason } from '../units/index';
import type { BeatPlan } from '../formats/index';
import { withinCovers, CHANCE, type Part, type ShotChance } from '../chance/index';
import { createScene, type Posture, type Scene } from '../sight/index';
import type { StalkKeep } from '../stalk/index';
import { sampleSurface, surfaceCurrent, type FlowField } from '../water/index';
import { driftBandSteps } from './drift-band';
import { castTip, type Lay, type LayKind } from './lays';
import type { Lead } from './lead';
import { leadAway, type LeadAway } from './lead-away';
import { createDriftEstimate, estimateKey, estimateSecondsInto } from './drift-estimate';
import type { RoomAhead } from './room-ahead';
import { obstaclesOf, type CastKind, type RoomBehind } from './room-behind';
import { forAndAgainst, orderOf, type ShotFacts } from './shot-terms';
import { shotsInput, type ShotsInput, type ShotsQuestion } from './shots-input';
import {
  candidate,
  castOf,
  driftOf,
  shotContextSteps,
  type Aim,
  type Candidate,
  type SearchStats,
  type ShotContext,
} from './shot-candidate';
import { simulateDrift } from './simulate-drift';
import { STAND_STEP_M, standsAtSteps, standsFor, waysCalm, type Stand } from './stands';
import { tightenSeconds } from './tighten-line';
import { alternatives, type Alternative } from './alternatives';
import type { WindOnCast } from './wind';

/** One plan to be carried out: where from, how, its chance, and what speaks for and against it. */
export interface Shot {
  stand: Place;
  posture: Posture;
  landing: Place;
  lay: Lay;
  cast: CastKind;
  facts: ShotFacts;
  /** Chance of an honest look within three covers, its parts and its band; and of a hook once it takes. */
  chance: ShotChance;
  /** What shots are sorted by, and nothing else. */
  order: number;
  cleanS: { low: number; best: number; high: number };
  passesFish: 'clean' | 'micro' | 'wake' | 'misses' | null;
  /** Why the drift ends. */
  dragReason: Reason | null;
  room: RoomBehind;
  ahead: RoomAhead;
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

/** Something else done or waited for, and the best chance that it would bring. */
export interface WouldHelp {
  change: 'longer-rod' | 'wade' | 'soft-light' | 'no-wind';
  value: number;
}

export interface NoShots {
  kind: 'no shots';
  reason:
    | 'no-start'
    | 'no-stand'
    | 'no-lay'
    | 'fish-on-land'
    | 'landing-on-land'
    /** Casts can be made, but none with a chance worth the name. */
    | 'no-look';
  looked: SearchStats;
  /** With `no-look`: the best there is, what holds it back, and what would help. */
  best?: { value: number; heldBack: Part };
  wouldHelp?: WouldHelp[];
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
  /** Told however small the chance; what would help is asked where none is worth the name. */
  anyChance?: boolean;
  asksHelp?: boolean;
}
const WHOLE: Effort = { coarse: 700, fine: 80, round: 6, pickDiverse: 5, asksHelp: true };
/** One cast to begin from, on a wide grid of stands. */
const QUICK: Effort = { coarse: 60, fine: 12, round: 0, pickDiverse: 1, anyChance: true };
const QUICK_STAND_STEP_M = 1;
/** Two shots are truly different when their stands are this far apart, or the line is laid otherwise, m. */
const APART_M = 3;
/** A shot with less than this chance, or this share of the best order, is not shown. */
const LEAST_CHANCE = 0.1;
const WORTH_SHOWING = 0.6;

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
  const calmAt = effort.asksHelp ? yield* saying(0.97, waysCalm(scene, input, keep)) : null;
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

/** Thinned by x alone, so that a mirrored stream is thinned alike. */
function isLookedAt({ place }: { place: Place }, aim: number, input: ShotsInput): boolean {
  return Math.abs(Math.round(place.xM / (input.standStepM ?? STAND_STEP_M))) % 2 === aim % 2;
}

/** Every aim, stand and lay by the quick estimate; of each the best, spaced. */
function* quickLook(
  ground: ShotContext,
  stands: ReadonlyMap<Aim, readonly Stand[]>,
  goOn: number,
): Generator<number, Candidate[]> {
  const { input, aims } = ground;
  const proxy = createDriftEstimate();
  const keys = [...new Set(input.lays.map(estimateKey))];
  const sets = keys.map((key) => input.lays.filter((lay) => estimateKey(lay) === key));
  const out: Candidate[] = [];
  const most = Math.ceil(goOn / (input.lays.length * aims.length));
  for (const [a, aim] of aims.entries()) {
    const byLay = new Map(input.lays.map((lay): [Lay, Hopeful[]] => [lay, []]));
    const list = stands.get(aim)!;
    for (let s = 0; s < list.length; s++) {
      if (s % 50 === 0) yield 0.45 + (0.2 * (a + s / list.length)) / aims.length;
      const stand = list[s]!;
      for (const set of sets) {
        const lays = set.filter((lay) => castOf(ground, stand, lay) !== null);
        if (lays.length === 0) continue;
        const tip = castTip(stand.place, aim.place, input.angler.rodM, lays[0]!.kind);
        const { current } = ground;
        estimateSecondsInto(proxy, current, tip, aim.place, lays, aim.upRad, aim.followedS);
        ground.looked.candidates += lays.length;
        lays.forEach((lay, l) => {
          const cast = castOf(ground, stand, lay)!;
          const c = candidate(ground, stand, aim, lay, cast, { cleanS: proxy.seconds[l]! });
          byLay.get(lay)!.push({ ...c, hoped: upperBound(ground, c, proxy.boundS[l]!) });
        });
      }
    }
    for (const found of byLay.values()) out.push(...shortlist(found, most));
  }
  return out;
}

/** A candidate by its quick estimate, and its order if its line dragged no sooner than it must. */
type Hopeful = Candidate & { hoped: number };

/** Only the clean seconds differ: the look is read again, the rest scales. */
function upperBound({ fish }: ShotContext, c: Candidate, boundS: number): number {
  if (boundS <= c.cleanS) return c.order;
  const { chance, aim } = c;
  const blurM = Math.hypot(chance.sigmaM, fish.placeM);
  const look = aim.table.at(boundS, blurM).presented * chance.parts.lined * chance.parts.seen;
  const value =
    CHANCE.leftOut * chance.parts.calm * withinCovers(look, chance.undisturbed, CHANCE.covers);
  return c.order + (value - chance.value) * chance.hooked;
}

/** Half of them the best as estimated, half the best as hoped: neither estimate is to be trusted alone. */
function shortlist(list: Hopeful[], most: number): Candidate[] {
  if (list.length <= most) return list;
  const likely = spaced(list, most / 2, SPACED_M);
  const taken = new Set<Candidate>(likely);
  const rest = list.filter((c) => !taken.has(c)).map((c) => ({ ...c, order: c.hoped }));
  return [...likely, ...spaced(rest, most / 2, SPACED_M)];
}

/** Of the best few, the stands round them that had no closer look: candidates were spaced. */
function neighbours(
  ground: ShotContext,
  stands: ReadonlyMap<Aim, readonly Stand[]>,
  fine: readonly Candidate[],
  roundBest: number,
): Candidate[] {
  const keyOf = (aim: Aim, lay: Lay, p: Place) =>
    `${ground.aims.indexOf(aim)} ${lay.kind} ${p.xM} ${p.yM}`;
  const seen = new Set(fine.map((c) => keyOf(c.aim, c.lay, c.stand.place)));
  const out: Candidate[] = [];
  for (const c of [...fine].sort((a, b) => b.order - a.order).slice(0, roundBest)) {
    for (const stand of stands.get(c.aim)!) {
      const { xM, yM } = stand.place;
      if (Math.hypot(xM - c.stand.place.xM, yM - c.stand.place.yM) > ROUND_M) continue;
      const key = keyOf(c.aim, c.lay, stand.place);
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
  list.sort((a, b) => b.order - a.order || b.cleanS - a.cleanS);
  if (apartM === 0) return list.slice(0, most);
  const out: Candidate[] = [];
  for (const c of list) {
    if (out.length >= most) break;
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

/**
 * The best that truly differ: first stands well apart, no lay more than twice; then, if there is room,
 * from the same stands the line laid another way.
 */
export function pickDiverse(list: readonly Candidate[], most = WHOLE.pickDiverse): Candidate[] {
  const sorted = [...list].sort((a, b) => b.order - a.order || b.cleanS - a.cleanS);
  const out: Candidate[] = [];
  const near = (a: Candidate, b: Candidate) =>
    Math.hypot(a.stand.place.xM - b.stand.place.xM, a.stand.place.yM - b.stand.place.yM) < APART_M;
  const alike = (a: Candidate, b: Candidate) =>
    near(a, b) && (a.lay.kind === b.lay.kind || alikeLays(a.lay.kind, b.lay.kind));
  for (const same of [near, alike]) {
    for (const c of sorted) {
      if (out.length >= most) break;
      const used = out.filter((o) => o.lay.kind === c.lay.kind).length;
      if (used < 2 && c.order >= worthShowing(sorted[0]!.order) && !out.some((o) => same(o, c)))
        out.push(c);
    }
  }
  return out;
}

/** Points below nought are shared the other way round. */
const worthShowing = (best: number) => (best > 0 ? WORTH_SHOWING * best : best / WORTH_SHOWING);

/** Lays that put the line down the same way. */
const STRAIGHT: readonly LayKind[] = ['straight', 'roll', 'bow-and-arrow'];
const LOOSE: readonly LayKind[] = ['slack', 'pile'];
const alikeLays = (a: LayKind, b: LayKind) =>
  [STRAIGHT, LOOSE].some((group) => group.includes(a) && group.includes(b));

/** A candidate in full: its band, its strike, where the fish is led, and its reasons. */
export const shotOf = (ground: ShotContext, c: Candidate): Shot => finish(shotSteps(ground, c));

function* shotSteps(ground: ShotContext, c: Candidate): Generator<void, Shot> {
  const { scene, input } = ground;
  const { stand, aim, lay } = c;
  const away = leadAway(scene, stand.place, input.target, input.others, ground.snags);
  const drift = driftOf(ground, stand.place, aim, lay);
  yield;
  const { best, cleanS } = yield* driftBandSteps(scene.flow, drift);
  const tightS = tightenSeconds(scene.flow, drift, aim.takeS);
  const told = candidate(ground, stand, aim, lay, c.cast, { ...best, tightS });
  const facts = { ...told.facts, landing: away.quality };
  return {
    stand: stand.place,
    posture: stand.posture,
    landing: aim.place,
    lay,
    cast: c.cast,
    facts,
    chance: told.chance,
    order: orderOf(told.chance, facts, {
      from: input.castFrom,
      wading: input.wading ?? 'never-unless',
      wishes: input.wishes ?? {},
      waySeconds: stand.waySeconds,
      dropper: input.fly === 'dry-dropper',
    }),
    cleanS,
    passesFish: best.passesFish,
    dragReason: best.reason,
    room: stand.room,
    ahead: stand.ahead,
    wind: stand.wind,
    waySeconds: stand.waySeconds,
    leadAway: away,
    ...forAndAgainst(told.chance, facts),
  };
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
