import { distanceToPolyline, type Place } from '../grid/index';
import type { Scene } from '../sight/index';
import { currentOf, upCurrentRad, type Current } from './drift-current';
import { castAllowed } from './cast-allowed';
import { castTip, LAY_PRECISION, type Lay } from './lays';
import { PASS_M, PAST_FISH_M } from './drift-result';
import {
  laneAt,
  laneThrough,
  leadFor,
  nearestOnLane,
  usefulDriftM,
  type Lane,
  type Lead,
} from './lead';
import { snagsOf, type Snag } from './lead-away';
import type { CastKind } from './room-behind';
import { qualitiesOf, TERM_WEIGHTS, totalOf, type ShotFacts, type TermWeights } from './shot-terms';
import type { ShotsInput } from './shots-input';
import type { DriftInput } from './drift-input';
import type { Stand } from './stands';

/** A drift is followed this long in a search, s. */
export const FOLLOWED_S = 8;
/** How much was looked at, and by what. */
export interface SearchStats {
  stands: number;
  candidates: number;
  simulated: number;
  /** Of the simulated: the chain did not settle; counted as not known, never as clean. */
  unknown: number;
}

export interface Candidate {
  stand: Stand;
  lay: Lay;
  cast: CastKind;
  cleanS: number;
  facts: ShotFacts;
  qualities: TermWeights;
  total: number;
}

/** All that a search stands on. */
export interface ShotContext {
  scene: Scene;
  input: ShotsInput;
  lane: Lane;
  lead: Lead;
  landing: Place;
  /** Where on the lane the fly lands, m (negative: up-current of the fish). */
  landingAlongM: number;
  /** Whether a free fly from there comes by the fish at all: only then is any drift of use. */
  passes: boolean;
  current: Current;
  upRad: number;
  snags: readonly Snag[];
  weights: TermWeights;
  /** Longer than any drift is of use here, s. */
  followedS: number;
  looked: SearchStats;
}

export function shotContext(scene: Scene, input: ShotsInput, looked: SearchStats): ShotContext {
  const { flow } = scene;
  const lead = leadFor(flow, input.target, {
    ...(input.driftBackM !== undefined && { driftBackM: input.driftBackM }),
  });
  const lane = laneThrough(flow, input.target, LANE_UP_M, LANE_DOWN_M);
  const wished = input.landing ?? laneAt(lane, -lead.leadM).place;
  const { alongM: landingAlongM, offM } = nearestOnLane(lane, wished);
  const current = currentOf(flow);
  return {
    scene,
    input,
    lane,
    lead,
    landing: wished,
    landingAlongM,
    passes: offM <= PASS_M && landingAlongM <= 0,
    current,
    upRad: upCurrentRad(current, wished.xM, wished.yM),
    snags: snagsOf(scene.plan),
    weights: {
      ...TERM_WEIGHTS,
      // Who has chosen a side means it.
      ...(input.castFrom !== 'any-angle' && { angle: CHOSEN_SIDE * TERM_WEIGHTS.angle }),
      ...input.weights,
    },
    followedS: usefulSeconds(lane, landingAlongM),
    looked,
  };
}

/** How long a free fly takes from the landing place to where more drift is of no use, and a little, s. */
const usefulSeconds = (lane: Lane, landingAlongM: number) =>
  Math.min(
    FOLLOWED_S,
    laneAt(lane, PAST_FISH_M).timeS - laneAt(lane, landingAlongM).timeS + MORE_S,
  );
const MORE_S = 0.5;

const CHOSEN_SIDE = 5;
const LANE_UP_M = 8;
const LANE_DOWN_M = 6;

/** By which cast a lay can be thrown from a stand; null when it cannot. */
export const castOf = ({ input }: ShotContext, stand: Stand, lay: Lay): CastKind | null =>
  castAllowed(stand, lay.kind, { rodM: input.angler.rodM, leaderM: input.leaderM }).cast;

/** The drift of a candidate, stopped at its first drag. */
export const driftOf = ({ input, landing }: ShotContext, stand: Place, lay: Lay): DriftInput => ({
  tip: castTip(stand, landing, input.angler.rodM, lay.kind),
  stand,
  landing,
  fish: input.target,
  lay,
  rig: input.rig,
  seconds: FOLLOWED_S,
});

/** A candidate judged by its clean seconds; lining by the line as laid, else by the chord. */
export function candidate(
  ground: ShotContext,
  stand: Stand,
  lay: Lay,
  cast: CastKind,
  cleanS: number,
  laid?: readonly Place[],
): Candidate {
  const { input, landing, lane, landingAlongM } = ground;
  const line = laid ?? [landing, stand.place];
  const room = stand.room.reachM[cast] - stand.distanceM;
  const facts: ShotFacts = {
    usefulM: ground.passes ? usefulDriftM(lane, landingAlongM, cleanS) : 0,
    leadM: Math.max(0, -landingAlongM),
    exposure: stand.exposure,
    othersExposure: stand.othersExposure,
    calm: stand.calm,
    liningM: distanceToPolyline(input.target, line),
    othersLiningM: input.others.reduce(
      (least, o) => Math.min(least, distanceToPolyline(o, line)),
      Infinity,
    ),
    angleRad: stand.angleRad,
    distanceM: stand.distanceM,
    sureM: stand.sureM * LAY_PRECISION[lay.kind],
    easyM: stand.easyM * LAY_PRECISION[lay.kind],
    cast,
    roomLeftM: room,
    headMps: stand.wind.headMps,
    crossMps: stand.wind.crossMps,
    ontoBody: stand.wind.ontoBody,
    wade: stand.wade,
    landing: 1,
    snag: stand.snag,
    lay: lay.kind,
  };
  const qualities = qualitiesOf(facts, {
    from: input.castFrom,
    wading: input.wading ?? 'never-unless',
  });
  return { stand, lay, cast, cleanS, facts, qualities, total: totalOf(qualities, ground.weights) };
}
