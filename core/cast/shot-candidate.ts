import { distanceToPolyline, finish, type Place } from '../grid/index';
import {
  aimsFor,
  CHANCE,
  comesAt,
  dwellAt,
  freeMap,
  linedByChord,
  linedChance,
  landingSigmaM,
  lookTable,
  placeIn,
  reachOf,
  shotChance,
  strikeKind,
  tightFromSlackS,
  type FreeMap,
  type LookTable,
  type ShotChance,
  type StrikeKind,
} from '../chance/index';
import type { FlyKind } from '../rig/index';
import { fishView, type Scene } from '../sight/index';
import { ALARM } from '../stalk/index';
import { sampleSurface, surfaceCurrent } from '../water/index';
import { currentOf, upCurrentRad, type Current } from './drift-current';
import { castAllowed } from './cast-allowed';
import { castTip, LAY_PRECISION, type Lay } from './lays';
import { landingFor, laneThrough, leadFor, nearestOnLane, type Lane, type Lead } from './lead';
import { snagsOf, type Snag } from './lead-away';
import type { CastKind } from './room-behind';
import { orderOf, type ShotFacts } from './shot-terms';
import type { ShotsInput } from './shots-input';
import type { DriftInput } from './drift-input';
import type { Stand } from './stands';

/** A drift is followed this long in a search at most, s. */
export const FOLLOWED_S = 8;
/** How much was looked at, and by what. */
export interface SearchStats {
  stands: number;
  candidates: number;
  simulated: number;
  /** Of the simulated: the chain did not settle; counted as not known, never as clean. */
  unknown: number;
}

/** A place to put the fly, and what a cast there comes to. */
export interface Aim {
  place: Place;
  table: LookTable;
  upRad: number;
  /** Up-current of the fish along its lane, m. */
  leadM: number;
  /** When a fly there would be taken, s after it lands; and how long a drift is followed. */
  takeS: number;
  followedS: number;
}

export interface Candidate {
  stand: Stand;
  aim: Aim;
  lay: Lay;
  cast: CastKind;
  cleanS: number;
  facts: ShotFacts;
  chance: ShotChance;
  /** What shots are sorted by: see `orderOf`. */
  order: number;
}

/** What is known of the fish that a search stands on. */
export interface TargetWater {
  map: FreeMap;
  placeM: number;
  roughness: number;
  paceMps: number;
  strike: StrikeKind;
  tauS: number;
}

/** All that a search stands on. */
export interface ShotContext {
  scene: Scene;
  input: ShotsInput;
  lead: Lead;
  fish: TargetWater;
  aims: Aim[];
  current: Current;
  snags: readonly Snag[];
  looked: SearchStats;
}

/** What every cast at one fish shares: its free flies, how its place and its take are known. */
export function targetWater(
  scene: Scene,
  input: Pick<
    ShotsInput,
    | 'target'
    | 'conditions'
    | 'fly'
    | 'species'
    | 'waterTempC'
    | 'unmarked'
    | 'landingDraws'
    | 'alarm'
    | 'rig'
  > & { angler?: Pick<ShotsInput['angler'], 'learned'> },
): TargetWater {
  const { flow } = scene;
  const { target, conditions } = input;
  const reach = reachOf(flow, target, {
    fly: input.fly,
    landsMg: input.rig.landsMg,
    ...(input.landingDraws && { landingDraws: true }),
    ...(input.waterTempC !== undefined && { waterTempC: input.waterTempC }),
    ...(conditions.turbidityNtu !== undefined && { turbidityNtu: conditions.turbidityNtu }),
  });
  return {
    map: freeMap(flow, reach),
    placeM: input.unmarked ? CHANCE.unmarkedPlaceM : CHANCE.placeM[target.surety],
    roughness: fishView(scene, target, conditions).roughness,
    paceMps: reach.paceMps,
    strike: strikeKind(input.fly, input.species, target.totalLengthCm, input.angler?.learned?.hook),
    tauS: input.alarm?.tauS ?? ALARM.tauS,
  };
}

export const shotContext = (...asked: Parameters<typeof shotContextSteps>): ShotContext =>
  finish(shotContextSteps(...asked));

/** The same, an aim a step. */
export function* shotContextSteps(
  scene: Scene,
  input: ShotsInput,
  looked: SearchStats,
): Generator<void, ShotContext> {
  const { flow } = scene;
  const lead = leadFor(flow, input.target, {
    ...(input.driftBackM !== undefined && { driftBackM: input.driftBackM }),
  });
  const fish = targetWater(scene, input);
  yield;
  const current = currentOf(flow);
  const lane = laneThrough(flow, input.target, LANE_UP_M, LANE_DOWN_M);
  const wet = (p: Place) =>
    sampleSurface(surfaceCurrent(flow), p.xM, p.yM, { depthM: 0, u: 0, v: 0 }).depthM > 0;
  const old = landingFor(flow, input.target, lead.leadM);
  const usualSigma = Math.hypot(
    landingSigmaM(
      input.angler.comfortableM,
      input.angler.landsWithinHalfMetreToM,
      0,
      input.angler.learned?.scatter,
    ),
    fish.placeM,
  );
  // A landing place that was pinned is the only one; else those with the greatest look, all of them water.
  const places = input.landing
    ? [input.landing]
    : aimsFor(fish.map, usualSigma, wet(old) ? old : null);
  const aims: Aim[] = [];
  for (const place of places) {
    yield;
    aims.push(aimAt(fish.map, current, lane, place));
  }
  return {
    scene,
    input,
    lead,
    fish,
    aims,
    current,
    snags: snagsOf(scene.plan),
    looked,
  };
}

function aimAt(map: FreeMap, current: Current, lane: Lane, place: Place): Aim {
  const k = placeIn(map, place.xM, place.yM);
  const comes = (k < 0 ? null : comesAt(map, k)) ?? 0;
  const { needS } = map.reach;
  return {
    place,
    table: lookTable(map, place),
    upRad: upCurrentRad(current, place.xM, place.yM),
    leadM: Math.max(0, -nearestOnLane(lane, place).alongM),
    takeS: comes + needS,
    // Never the lane's time alone: a fly that turns in an eddy stays.
    followedS: Math.min(FOLLOWED_S, comes + 2.2 * needS + 1),
  };
}

const LANE_UP_M = 8;
const LANE_DOWN_M = 6;

/** Flies with weight enough to load a rod against the water. */
export const isWeighted = (fly: FlyKind): boolean => fly === 'sunk' || fly === 'indicator';

/** By which cast a lay can be thrown from a stand; null when it cannot. */
export const castOf = ({ input }: ShotContext, stand: Stand, lay: Lay): CastKind | null =>
  castAllowed(stand, lay.kind, {
    rodM: input.angler.rodM,
    leaderM: input.leaderM,
    from: input.castFrom,
    weighted: isWeighted(input.fly),
  }).cast;

/** The drift of a candidate, stopped at its first drag. */
export const driftOf = (
  { input }: ShotContext,
  stand: Place,
  aim: Pick<Aim, 'place' | 'takeS'>,
  lay: Lay,
): DriftInput => ({
  tip: castTip(stand, aim.place, input.angler.rodM, lay.kind),
  stand,
  landing: aim.place,
  fish: input.target,
  lay,
  rig: input.rig,
  seconds: FOLLOWED_S,
  takeS: aim.takeS,
});

/** What a drift has shown; before one is followed, an estimate. */
export interface DriftKnown {
  cleanS: number;
  laid?: readonly Place[];
  stepM?: number;
  /** Slack at the take, m. */
  slackM?: number;
  /** Seconds to tighten, where the strike was simulated. */
  tightS?: number;
}

/** Slack of lays before any is followed, m (medians of simulated ones). */
const USUAL_SLACK_M: Partial<Record<Lay['kind'], number>> = {
  'high-stick': 0.34,
  'bow-and-arrow': 0.5,
  roll: 0.8,
  slack: 2.1,
  pile: 1.8,
  curve: 1.4,
  'aerial-mend': 1.5,
  feed: 1.6,
  'late-feed': 1.3,
};

/** A candidate judged by its drift; lining by the line as laid, else by the chord. */
export function candidate(
  ground: ShotContext,
  stand: Stand,
  aim: Aim,
  lay: Lay,
  cast: CastKind,
  drift: DriftKnown,
): Candidate {
  const { input, fish } = ground;
  const { target, rig } = input;
  const { cleanS } = drift;
  const line = drift.laid ?? [aim.place, stand.place];
  const sureM = stand.sureM * LAY_PRECISION[lay.kind] * (cast === 'side' ? CHANCE.sideCast : 1);
  const k = placeIn(fish.map, aim.place.xM, aim.place.yM);
  const facts: ShotFacts = {
    dwellS: k < 0 ? 0 : dwellAt(fish.map, k, cleanS),
    needS: fish.map.reach.needS,
    leadM: aim.leadM,
    exposure: stand.exposure,
    othersExposure: stand.othersExposure,
    calm: stand.calm,
    liningM: distanceToPolyline(target, line),
    othersLiningM: input.others.reduce(
      (least, o) => Math.min(least, distanceToPolyline(o, line)),
      Infinity,
    ),
    angleRad: stand.angleRad,
    distanceM: stand.distanceM,
    sureM,
    cast,
    roomLeftM: stand.room.reachM[cast] - stand.distanceM,
    headMps: stand.wind.headMps,
    crossMps: stand.wind.crossMps,
    ontoBody: stand.wind.ontoBody,
    wade: stand.wade,
    landing: 1,
    snag: stand.snag,
    hungUp: stand.ahead.risk[cast],
    strikeLow: stand.ahead.strikeLow,
    lay: lay.kind,
  };
  const scatter = input.angler.learned?.scatter;
  const sigmaM = landingSigmaM(stand.distanceM, sureM, stand.wind.crossMps, scatter);
  // Without a line that was laid only the chord is known: the leader lies along it.
  const lined = drift.laid
    ? linedChance(line, drift.stepM!, rig, target, sigmaM, fish)
    : linedByChord(aim.place, stand.place, rig, target, sigmaM, fish);
  const slackM = drift.slackM ?? USUAL_SLACK_M[lay.kind] ?? 1;
  const chance = shotChance(aim.table, {
    home: input.home,
    calmWay: stand.calm,
    exposure: stand.exposure,
    tauS: fish.tauS,
    distanceToFishM: Math.hypot(stand.place.xM - target.xM, stand.place.yM - target.yM),
    distanceM: stand.distanceM,
    sureM,
    scatter,
    crossMps: stand.wind.crossMps,
    placeM: fish.placeM,
    cleanS,
    lined,
    strike: { kind: fish.strike, tightS: drift.tightS ?? tightFromSlackS(slackM) },
  });
  const order = orderOf(chance, facts, {
    from: input.castFrom,
    wading: input.wading ?? 'never-unless',
    wishes: input.wishes ?? {},
    waySeconds: stand.waySeconds,
    dropper: input.fly === 'dry-dropper',
  });
  return { stand, aim, lay, cast, cleanS, facts, chance, order };
}
