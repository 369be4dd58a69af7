import { distanceToPolyline, wrapAngle, type Place } from '../grid/index';
import {
  CHANCE,
  chanceOf,
  comesAt,
  dwellAt,
  landingSigmaM,
  linedByChord,
  linedChance,
  lookAt,
  placeIn,
  tightFromSlackS,
  type ShotChance,
} from '../chance/index';
import {
  exposureAt,
  fishView,
  type Conditions,
  type Fish,
  type Posture,
  type Scene,
} from '../sight/index';
import type { FlowField } from '../water/index';
import type { Rig } from '../rig/index';
import { bestMend, type BestMend } from './best-mend';
import { coverOrder, structureAt, type Cover, type StructureKind } from './covers';
import { driftBand, FINENESS, RUNS } from './drift-band';

import type { DriftResult } from './drift-result';
import { falseCast, type FalseCast } from './false-cast';
import { castTip, isFed, LAY_PRECISION, layReachM, type Lay } from './lays';
import { laneThrough, leadFor, nearestOnLane, type Lead } from './lead';
import { leadAway, type LeadAway } from './lead-away';
import { castAllowed, type CastRefusal } from './cast-allowed';
import { obstaclesOf, roomBehind, type CastKind, type RoomBehind } from './room-behind';
import { roomAhead, type RoomAhead } from './room-ahead';
import { isWeighted, targetWater, type DriftKnown, type TargetWater } from './shot-candidate';
import { SEARCHED_LAYS, type ShotAngler, type ShotsInput } from './shots-input';
import type { DriftInput } from './drift-input';
import type { CastFrom } from './shot-terms';
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
  /** From which side of the fish the angler casts; absent: any. */
  castFrom?: CastFrom;
  target: Fish | null;
  others: readonly Fish[];
  rig: Rig;
  seconds: number;
  /** What the chance of it hangs on beside the cast; absent: only the drift is asked. */
  chance?: ChanceAsked;
}

/** What is known of the fish beside where it lies: the chance that it is home, and calm when one stands there. */
export type ChanceAsked = Pick<
  ShotsInput,
  'fly' | 'species' | 'home' | 'waterTempC' | 'unmarked' | 'landingDraws' | 'alarm'
> & { calmWay: number };

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
  ahead: RoomAhead;
  /** The chance of an honest look as the drift has it; null without a fish or without what it hangs on. */
  chance: ShotChance | null;
  /** How well the fish sees the still angler at the stand, 0-1; null as above. */
  exposure: number | null;
  /** Clean seconds within reach, and what the fish needs; null as above. */
  dwell: { hasS: number; needsS: number } | null;
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
  /** Chance of an honest look within three covers, home included; null where that is not asked, or it cannot be thrown. */
  value: number | null;
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
  rig: q.rig,
  ...(q.target && {
    fish: { xM: q.target.xM, yM: q.target.yM, headingRad: q.target.headingRad },
  }),
});

/** What every cast at one fish shares, kept for the fish asked about last: the free flies round it. */
const heldWaters = new WeakMap<FlowField, { key: string; water: TargetWater }>();

export function waterAt(scene: Scene, q: CastQuestion): TargetWater | null {
  if (!q.target || !q.chance) return null;
  const { calmWay: _calm, home: _home, ...asked } = q.chance;
  const key = JSON.stringify([
    q.target,
    asked,
    q.rig.landsMg,
    q.conditions.turbidityNtu ?? 0,
    q.angler.learned?.hook ?? 0,
    roughKey(q),
  ]);
  const held = heldWaters.get(scene.flow);
  if (held?.key === key) return held.water;
  const input = {
    ...asked,
    home: 1,
    target: q.target,
    rig: q.rig,
    conditions: q.conditions,
    angler: q.angler,
  };
  const water = targetWater(scene, input);
  heldWaters.set(scene.flow, { key, water });
  return water;
}
const roughKey = (q: CastQuestion) => Math.round(10 * q.conditions.windMps);

/** When the fish would take a fly that lands there, s; undefined without a fish that is asked about. */
export function takeAt(scene: Scene, q: CastQuestion): number | undefined {
  const water = waterAt(scene, q);
  if (!water) return undefined;
  const k = placeIn(water.map, q.landing.xM, q.landing.yM);
  return ((k < 0 ? null : comesAt(water.map, k)) ?? 0) + water.map.reach.needS;
}

/** The chance of this very cast, one blur of the kept map: it follows the pointer. */
function chanceNow(
  scene: Scene,
  q: CastQuestion,
  known: DriftKnown,
  cast: { distanceM: number; sureM: number; crossMps: number },
): { chance: ShotChance; exposure: number; dwell: NonNullable<CastNow['dwell']> } | null {
  const water = waterAt(scene, q);
  if (!water) return null;
  const { target, chance, stand, landing } = q;
  const scatter = q.angler.learned?.scatter;
  const sigmaM = landingSigmaM(cast.distanceM, cast.sureM, cast.crossMps, scatter);
  const blurM = Math.hypot(sigmaM, water.placeM);
  const rig = q.rig;
  const view = fishView(scene, target!, q.conditions);
  const heightM = q.angler.heightM;
  const at = { xM: stand.xM, yM: stand.yM, posture: q.posture, heightM };
  const exposure = exposureAt(scene, view, at, q.conditions);
  const slackM = known.slackM ?? 1;
  const facts = {
    home: chance!.home,
    calmWay: chance!.calmWay,
    exposure,
    tauS: water.tauS,
    distanceToFishM: Math.hypot(stand.xM - target!.xM, stand.yM - target!.yM),
    distanceM: cast.distanceM,
    sureM: cast.sureM,
    crossMps: cast.crossMps,
    scatter,
    placeM: water.placeM,
    cleanS: known.cleanS,
    lined: known.laid
      ? linedChance(known.laid, known.stepM!, rig, target!, sigmaM, water)
      : linedByChord(landing, stand, rig, target!, sigmaM, water),
    strike: { kind: water.strike, tightS: known.tightS ?? tightFromSlackS(slackM) },
  };
  const look = lookAt(water.map, landing, known.cleanS, blurM);
  const free = lookAt(water.map, landing, FREE_S, blurM).presented;
  const k = placeIn(water.map, landing.xM, landing.yM);
  return {
    chance: chanceOf(look, free, sigmaM, facts),
    exposure,
    dwell: {
      hasS: k < 0 ? 0 : dwellAt(water.map, k, known.cleanS),
      needsS: water.map.reach.needS,
    },
  };
}
const FREE_S = 8;

export function castNow(
  scene: Scene,
  q: CastQuestion,
  drift: DriftKnown & { laid: readonly Place[] },
): CastNow {
  const { laid } = drift;
  const { stand, landing, target, angler } = q;
  const aimRad = Math.atan2(landing.yM - stand.yM, landing.xM - stand.xM);
  const distanceM = Math.hypot(landing.xM - stand.xM, landing.yM - stand.yM);
  const leaderM = q.rig.leaderM;
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
  const rod = rodOf(q);
  const ahead = roomAhead(scene, stand, landing, q.posture, angler.heightM, angler.rodM);
  const spot = { distanceM, angleRad, grassM, room, ahead };
  const { cast, refusal } = castAllowed(spot, q.lay.kind, rod);
  const sureM =
    angler.landsWithinHalfMetreToM *
    SURE_SHARE[q.posture] *
    wind.distanceShare *
    LAY_PRECISION[q.lay.kind] *
    (cast === 'side' ? CHANCE.sideCast : 1);
  const told = chanceNow(scene, q, drift, { distanceM, sureM, crossMps: wind.crossMps });
  let lines: CastNow['lines'] = null;
  for (const o of q.others) {
    const awayM = distanceToPolyline(o, laid);
    if (awayM < (lines?.awayM ?? Infinity)) lines = { fishId: o.id, awayM };
  }
  return {
    distanceM,
    sureM,
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
    ahead,
    chance: told?.chance ?? null,
    exposure: told?.exposure ?? null,
    dwell: told?.dwell ?? null,
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
export function leadAlong(flow: FlowField, fish: Fish, landing: Place): number {
  const lane = laneThrough(flow, fish, LANE_M, 1);
  const { alongM, offM } = nearestOnLane(lane, landing);
  const ahead =
    (landing.xM - fish.xM) * Math.cos(fish.headingRad) +
    (landing.yM - fish.yM) * Math.sin(fish.headingRad);
  return offM < OFF_LANE_M && alongM < 0 ? -alongM : ahead;
}
const LANE_M = 8;
const OFF_LANE_M = 1;

/** Lays beside are followed this long, s: a fed one as long as the chosen. */
const ROW_S = 6;

/** What decides beside the spot whether a lay can be thrown. */
const rodOf = (q: CastQuestion) => ({
  rodM: q.angler.rodM,
  leaderM: q.rig.leaderM,
  weighted: q.chance ? isWeighted(q.chance.fly) : false,
  ...(q.castFrom && { from: q.castFrom }),
});

export function castStudy(scene: Scene, q: CastQuestion): CastStudy {
  const { flow } = scene;
  const { target, angler, stand, landing } = q;
  const input = driftInputOf(q);
  const now = castNow(scene, q, { cleanS: 0, laid: [landing, stand], stepM: 1 });
  const takeS = takeAt(scene, q);
  const rows = laysBeside(q.lay).map((lay): LayRow => {
    const tip = castTip(stand, landing, angler.rodM, lay.kind);
    const seconds = isFed(lay.kind) ? input.seconds : Math.min(ROW_S, input.seconds);
    const own = { ...input, seconds, lay, tip, ...(takeS !== undefined && { takeS }) };
    const { best, cleanS } = driftBand(flow, { ...FINENESS.quick, ...own }, RUNS.settled, false);
    const { cast, refusal } = castAllowed(now, lay.kind, rodOf(q));
    return {
      lay,
      by: cast,
      refusal,
      cleanS,
      firstMicroS: best.firstMicroS,
      firstWakeS: best.firstWakeS,
      passesFish: best.passesFish,
      known: best.status === 'ok',
      value: cast ? (castNow(scene, { ...q, lay }, best).chance?.found ?? null) : null,
    };
  });
  return {
    lead: target && leadFor(flow, target),
    rows: rows.sort(
      (a, b) =>
        Number(b.by !== null) - Number(a.by !== null) ||
        (b.value ?? 0) - (a.value ?? 0) ||
        b.cleanS.best - a.cleanS.best,
    ),
    mend: bestMend(flow, { ...input, seconds: Math.min(ROW_S, input.seconds) }),
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
