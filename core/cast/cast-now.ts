import { distanceToPolyline, wrapAngle, type Place } from '../grid/index';
import type { Conditions, Fish, Posture, Scene } from '../sight/index';
import type { FlowField } from '../water/index';
import { DEFAULT_RIG, type Rig } from '../rig/index';
import { bestMend, type BestMend } from './best-mend';
import { coverOrder, structureAt, type Cover, type StructureKind } from './covers';
import { driftBand, FINENESS, RUNS } from './drift-band';

import type { DriftResult } from './drift-result';
import { falseCast, type FalseCast } from './false-cast';
import { castTip, LAY_PRECISION, layReachM, type Lay } from './lays';
import { laneThrough, leadFor, nearestOnLane, type Lead } from './lead';
import { leadAway, type LeadAway } from './lead-away';
import { castAllowed, type CastRefusal } from './cast-allowed';
import { obstaclesOf, roomBehind, type CastKind, type RoomBehind } from './room-behind';
import { SEARCHED_LAYS, type ShotAngler } from './shots-input';
import type { DriftInput } from './drift-input';
import { grassBefore, liesOverSolid, SURE_SHARE } from './stands';
import { windOnCast, type WindOnCast, type WindSchool } from './wind';

/** A cast as it stands on the plan: who, from where, to where, and how the line is laid. */
export interface CastQuestion {
  stand: Place;
  landing: Place;
  lay: Lay;
  posture: Posture;
  angler: ShotAngler;
  conditions: Conditions;
  windSchool: WindSchool;
  target: Fish | null;
  others: readonly Fish[];
  rig?: Rig;
  seconds: number;
}

/** Everything about a cast that follows the pointer. */
export interface CastNow {
  distanceM: number;
  sureM: number;
  /** From straight below the fish (0) to straight above (pi), against its local current; null: no fish. */
  angleRad: number | null;
  /** The line as laid to the target, and to the nearest other fish; null where there is none. */
  liningM: number | null;
  lines: { fishId: string; awayM: number } | null;
  /** Up-current of the fish along its lane, m; null: no fish. */
  leadM: number | null;
  room: RoomBehind;
  /** How it can be thrown from here; null when it cannot, and why not. */
  by: CastKind | null;
  refusal: CastRefusal | null;
  /** Farthest this lay is thrown with this rod, m; Infinity when the arm decides. */
  layReachM: number;
  wind: WindOnCast;
  falseCast: FalseCast | null;
  snag: boolean;
  grassM: number;
  /** Plan angle to strike in: with the local current at the fish. */
  strikeRad: number | null;
}

/** A lay from this stand to this place, beside the others. */
export interface LayRow {
  lay: Lay;
  /** null: cannot be thrown from here, and why not. */
  by: CastKind | null;
  refusal: CastRefusal | null;
  cleanS: { low: number; best: number; high: number };
  firstMicroS: number | null;
  firstWakeS: number | null;
  passesFish: DriftResult['passesFish'];
  known: boolean;
}

/** What is asked once the pointer rests. */
export interface CastStudy {
  lead: Lead | null;
  rows: LayRow[];
  mend: BestMend | null;
  leadAway: LeadAway | null;
  covers: Cover[];
  structure: StructureKind | null;
}

export const driftInputOf = (q: CastQuestion): DriftInput => ({
  tip: castTip(q.stand, q.landing, q.angler.rodM, q.lay.kind),
  stand: q.stand,
  landing: q.landing,
  lay: q.lay,
  seconds: q.seconds,
  rig: q.rig ?? DEFAULT_RIG,
  ...(q.target && {
    fish: { xM: q.target.xM, yM: q.target.yM, headingRad: q.target.headingRad },
  }),
});

export function castNow(scene: Scene, q: CastQuestion, laid: readonly Place[]): CastNow {
  const { stand, landing, target, angler } = q;
  const aimRad = Math.atan2(landing.yM - stand.yM, landing.xM - stand.xM);
  const distanceM = Math.hypot(landing.xM - stand.xM, landing.yM - stand.yM);
  const leaderM = (q.rig ?? DEFAULT_RIG).leaderM;
  const room = roomBehind(scene, obstaclesOf(scene.plan), {
    stand,
    aimRad,
    posture: q.posture,
    heightM: angler.heightM,
    rodM: angler.rodM,
    leaderM,
  });
  const { windMps, windFromRad = null } = q.conditions;
  const wind = windOnCast(windMps, windFromRad, aimRad, angler.rodHand, q.windSchool);
  const angleRad = target && angleOff(stand, target);
  const grassM = grassBefore(scene, stand, aimRad);
  const rod = { rodM: angler.rodM, leaderM };
  const { cast, refusal } = castAllowed({ distanceM, angleRad, grassM, room }, q.lay.kind, rod);
  let lines: CastNow['lines'] = null;
  for (const o of q.others) {
    const awayM = distanceToPolyline(o, laid);
    if (awayM < (lines?.awayM ?? Infinity)) lines = { fishId: o.id, awayM };
  }
  return {
    distanceM,
    sureM:
      angler.landsWithinHalfMetreToM *
      SURE_SHARE[q.posture] *
      wind.distanceShare *
      LAY_PRECISION[q.lay.kind],
    angleRad,
    liningM: target && distanceToPolyline(target, laid),
    lines,
    leadM: target && leadAlong(scene.flow, target, landing),
    room,
    by: cast,
    refusal,
    layReachM: layReachM(q.lay.kind, angler.rodM, leaderM),
    wind,
    falseCast: target && falseCast(stand, landing, target, q.others),
    snag: liesOverSolid(scene, stand, landing),
    grassM,
    strikeRad: target && wrapAngle(target.headingRad + Math.PI),
  };
}

/** From straight below (0) to straight above (pi), against the fish's own current. */
export const angleOff = (stand: Place, fish: Fish): number =>
  Math.abs(
    wrapAngle(Math.atan2(stand.yM - fish.yM, stand.xM - fish.xM) - fish.headingRad - Math.PI),
  );

/** How far up-current along the fish's lane a place lies; straight along its heading off the lane, m. */
function leadAlong(flow: FlowField, fish: Fish, landing: Place): number {
  const lane = laneThrough(flow, fish, LANE_M, 1);
  const { alongM, offM } = nearestOnLane(lane, landing);
  const ahead =
    (landing.xM - fish.xM) * Math.cos(fish.headingRad) +
    (landing.yM - fish.yM) * Math.sin(fish.headingRad);
  return offM < OFF_LANE_M && alongM < 0 ? -alongM : ahead;
}
const LANE_M = 8;
const OFF_LANE_M = 1;

export function castStudy(scene: Scene, q: CastQuestion): CastStudy {
  const { flow } = scene;
  const { target, angler, stand, landing } = q;
  const input = driftInputOf(q);
  const leaderM = (q.rig ?? DEFAULT_RIG).leaderM;
  const now = castNow(scene, q, [stand, landing]);
  const rows = laysBeside(q.lay).map((lay): LayRow => {
    const tip = castTip(stand, landing, angler.rodM, lay.kind);
    const own = { ...input, lay, tip };
    const { best, cleanS } = driftBand(flow, { ...FINENESS.quick, ...own }, RUNS.settled, false);
    const { cast, refusal } = castAllowed(now, lay.kind, { rodM: angler.rodM, leaderM });
    return {
      lay,
      by: cast,
      refusal,
      cleanS,
      firstMicroS: best.firstMicroS,
      firstWakeS: best.firstWakeS,
      passesFish: best.passesFish,
      known: best.status === 'ok',
    };
  });
  return {
    lead: target && leadFor(flow, target),
    rows: rows.sort(
      (a, b) => Number(b.by !== null) - Number(a.by !== null) || b.cleanS.best - a.cleanS.best,
    ),
    mend: bestMend(flow, input),
    leadAway: target && leadAway(scene, stand, target, q.others),
    covers: coverOrder(stand, landing),
    structure: target && structureAt(scene.plan, target),
  };
}

/** Every lay once; the chosen one with its own amount. */
const laysBeside = (chosen: Lay): Lay[] =>
  SEARCHED_LAYS.map((lay) => (sameLay(lay, chosen) ? chosen : lay));

/** The same way of laying, whatever its amount. */
export const sameLay = (a: Lay, b: Lay): boolean =>
  a.kind === b.kind && ('toward' in a ? 'toward' in b && a.toward === b.toward : true);
