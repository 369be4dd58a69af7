import { nearestOnSegment, wrapAngle, type Place } from '../grid/index';
import { featuresOf, shapePlaces, type BeatPlan, type FeatureKind } from '../formats/index';
import type { Fish, Scene } from '../sight/index';
import { DRY_M, sampleFlow } from '../water/index';

/** What a hooked fish makes for, and what breaks a tippet. */
const SNAGS = ['log', 'rootwad', 'snag', 'weed', 'boulder', 'overhang'] as const;
export type SnagKind = (typeof SNAGS)[number] | 'undercut';

export interface Snag {
  kind: SnagKind;
  /** Its outline, line or middle. */
  places: readonly Place[];
  radiusM: number;
}

/** Where a hooked fish is led, and what to keep it from. */
export interface LeadAway {
  from: Place;
  to: Place;
  /** False: no slack shallow water is within reach, and `to` is the stand itself. */
  slack: boolean;
  /** Plan angle of the side pressure: toward the landing, and away from the nearest danger. */
  pressureRad: number;
  /** The nearest danger to the fish and its way; null when none is near. */
  danger: { kind: SnagKind; at: Place; awayM: number } | null;
  /** The other fish that the way passes nearest, within the alarm of a fight. */
  passes: { fishId: string; awayM: number } | null;
  /** 0-1: how good a landing it is. */
  quality: number;
}

/** Slack, shallow water that the angler reaches from the stand: where a fish is landed (our guesses). */
export const LANDING = {
  mostDepthM: 0.4,
  leastDepthM: 0.08,
  mostPaceMps: 0.3,
  withinM: 5,
} as const;
const LANDING_STEP_M = 0.5;
/** A fight alarms within this of the way the fish is led, m. */
export const FIGHT_ALARM_M = 1.5;
/** A danger farther than this from the fish and its way is let be, m. */
const DANGER_M = 2;

export function snagsOf(plan: BeatPlan): Snag[] {
  const out: Snag[] = [];
  for (const kind of SNAGS)
    for (const f of featuresOf(plan, kind as FeatureKind))
      out.push({
        kind,
        places: shapePlaces(f.shape),
        radiusM: 'diameterM' in f ? f.diameterM / 2 : 0,
      });
  for (const f of featuresOf(plan, 'bank'))
    if (f.form === 'undercut')
      out.push({ kind: 'undercut', places: shapePlaces(f.shape), radiusM: f.cutM ?? 0 });
  return out;
}

/** How near a snag comes to a straight way, and where. */
function nearTo(snag: Snag, a: Place, b: Place): { at: Place; awayM: number } {
  let best = { at: snag.places[0]!, awayM: Infinity };
  const n = snag.places.length;
  for (let i = 0; i < n; i++) {
    const p = snag.places[i]!;
    const away = nearestOnSegment(p, a, b).distanceM;
    if (away < best.awayM) best = { at: p, awayM: away };
    if (i + 1 === n) break;
    for (const end of [a, b]) {
      const q = snag.places[i + 1]!;
      const { t, distanceM } = nearestOnSegment(end, p, q);
      if (distanceM < best.awayM)
        best = {
          at: { xM: p.xM + t * (q.xM - p.xM), yM: p.yM + t * (q.yM - p.yM) },
          awayM: distanceM,
        };
    }
  }
  return { at: best.at, awayM: Math.max(0, best.awayM - snag.radiusM) };
}

/** How surely a fish is alarmed by one that passes along a straight way: e^(-(d/reach)^2). */
export const alarmedBy = (at: Place, from: Place, to: Place, reachM: number): number =>
  Math.exp(-((nearestOnSegment(at, from, to).distanceM / reachM) ** 2));

/**
 * Near the stand, shallow and slack, down-current of the fish rather than above it, out of the
 * others' water and away from snags; the stand itself where there is none.
 */
export function leadAway(
  scene: Scene,
  stand: Place,
  fish: Fish,
  others: readonly Fish[],
  snags: readonly Snag[] = snagsOf(scene.plan),
): LeadAway {
  const { flow } = scene;
  const sample = { depthM: 0, u: 0, v: 0 };
  let to: Place = stand;
  let least = Infinity;
  for (let dx = -LANDING.withinM; dx <= LANDING.withinM; dx += LANDING_STEP_M) {
    for (let dy = -LANDING.withinM; dy <= LANDING.withinM; dy += LANDING_STEP_M) {
      const off = Math.hypot(dx, dy);
      if (off > LANDING.withinM) continue;
      const place = { xM: stand.xM + dx, yM: stand.yM + dy };
      sampleFlow(flow, place.xM, place.yM, sample);
      if (
        sample.depthM < Math.max(DRY_M, LANDING.leastDepthM) ||
        sample.depthM > LANDING.mostDepthM ||
        Math.hypot(sample.u, sample.v) > LANDING.mostPaceMps
      )
        continue;
      const alarm = others.reduce((sum, o) => sum + alarmedBy(o, fish, place, FIGHT_ALARM_M), 0);
      const above = Math.max(0, aheadM(fish, place));
      let cost = off + 6 * alarm + 0.8 * above;
      // Nothing that could still be best is looked at for snags.
      if (cost >= least) continue;
      for (const s of snags) cost += 4 * Math.max(0, 1 - nearTo(s, place, place).awayM);
      if (cost < least) {
        least = cost;
        to = place;
      }
    }
  }
  return judged(fish, to, least < Infinity, others, snags);
}

const aheadM = (fish: Fish, p: Place) =>
  (p.xM - fish.xM) * Math.cos(fish.headingRad) + (p.yM - fish.yM) * Math.sin(fish.headingRad);

function judged(
  fish: Fish,
  to: Place,
  slack: boolean,
  others: readonly Fish[],
  snags: readonly Snag[],
): LeadAway {
  let danger: LeadAway['danger'] = null;
  for (const s of snags) {
    const { at, awayM } = nearTo(s, fish, to);
    if (awayM < DANGER_M && awayM < (danger?.awayM ?? Infinity))
      danger = { kind: s.kind, at, awayM };
  }
  let passes: LeadAway['passes'] = null;
  for (const o of others) {
    const { distanceM } = nearestOnSegment(o, fish, to);
    if (distanceM < FIGHT_ALARM_M && distanceM < (passes?.awayM ?? Infinity))
      passes = { fishId: o.id, awayM: distanceM };
  }
  const toward = Math.atan2(to.yM - fish.yM, to.xM - fish.xM);
  let pressureRad = toward;
  if (danger) {
    const flee = Math.atan2(fish.yM - danger.at.yM, fish.xM - danger.at.xM);
    const share = 0.5 * (1 - danger.awayM / DANGER_M);
    pressureRad = wrapAngle(toward + share * wrapAngle(flee - toward));
  }
  const quality =
    (slack ? 1 : 0.3) *
    (danger ? 0.4 + (0.6 * danger.awayM) / DANGER_M : 1) *
    (passes ? 0.4 + (0.6 * passes.awayM) / FIGHT_ALARM_M : 1) *
    (aheadM(fish, to) > 0 ? 0.7 : 1);
  return { from: { xM: fish.xM, yM: fish.yM }, to, slack, pressureRad, danger, passes, quality };
}
