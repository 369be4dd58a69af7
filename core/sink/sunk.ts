import type { SinkStart } from '../rig/index';
import type { RigPlan, Tackle } from '../rig/index';
import { passing, reaches, scatterOnLane } from './depth-at';
import { hungRig } from './hung';
import { depthOnLane, type SinkLane } from './lane';
import { leadForDepthM, sunkAtFish, type SunkAtFish } from './sink-lead';
import { sinkPath, type SinkPath } from './sink-path';
import { aimClearanceM, ticksOf, type Ticks } from './ticks';

export interface SunkAsked {
  lane: SinkLane;
  plan: RigPlan;
  tackle: Pick<Tackle, 'box'>;
  start: SinkStart;
  leadM: number;
  /** Where the fish is, m down, and how far past it the line is lifted. */
  fishDepthM: number;
  pastM: number;
  /** The angler's own sink, best and spread of its logarithm. */
  belief: { lnM: number; lnMSpread: number };
}

/** What the long section draws and the Bench says. Lengths m, times s. */
export interface Sunk {
  best: SunkAtFish;
  /** The slowest and the quickest of eight in ten. */
  slow: SinkPath;
  quick: SinkPath;
  /** Depth of the lowest fly at the fish: best, and eight in ten. */
  depthM: number;
  lowM: number;
  highM: number;
  /** Scatter of one drift from the next by the eddies alone. */
  scatterM: number;
  wantedM: number;
  /** Lead that it needs, best and eight in ten; null: no lead on this lane does. */
  lead: { bestM: number; lowM: number; highM: number } | null;
  /** Where it gets to the fish's depth, m along the lane; null: before it was lifted it does not. */
  reachedM: number | null;
  ticks: Ticks;
  /** Of a float or dry: how far behind it the lowest fly rides as it passes, and its pace over the surface's. */
  behindM: number | null;
  topShare: number | null;
}

/** Beside what is not known of the fly: speeds and depths of the water (share of the logarithm). */
const WATER_SPREAD = 0.08;
const EIGHT_IN_TEN = 1.2816;

/** How deep the fly should pass: at the fish, but no deeper than an occasional tick allows. */
export const wantedDepthM = (lane: SinkLane, fishDepthM: number): number => {
  const k = Math.round(-lane.fromM / lane.stepM);
  const d84 = lane.d84M[Math.max(0, Math.min(lane.n - 1, k))]!;
  const h = depthOnLane(lane, 0);
  return Math.max(0.3 * h, Math.min(fishDepthM, h - aimClearanceM(d84)));
};

/** The whole answer for one rig on one lane; null where nothing sinks. */
export function sunk(asked: SunkAsked): Sunk | null {
  const { lane, plan, tackle, start, leadM, fishDepthM, pastM, belief } = asked;
  const spread = Math.hypot(belief.lnMSpread, WATER_SPREAD);
  const rigAt = (by: number) => hungRig(plan, tackle.box, Math.exp(belief.lnM + by * spread));
  const rig = rigAt(0);
  if (!rig) return null;
  const best = sunkAtFish({ lane, rig, start }, leadM, pastM);
  const pathAt = (by: number) =>
    sinkPath({ lane, rig: rigAt(by)!, start, landingM: -leadM, liftM: pastM });
  const slow = pathAt(-EIGHT_IN_TEN);
  const quick = pathAt(EIGHT_IN_TEN);
  const h = depthOnLane(lane, 0);
  const at = (p: SinkPath) => passing(p, 0)?.depthM ?? (p.bottomAtS === null ? 0 : h);
  const wantedM = wantedDepthM(lane, fishDepthM);
  const leads = [0, EIGHT_IN_TEN, -EIGHT_IN_TEN].map((by) =>
    leadForDepthM({ lane, rig: rigAt(by)!, start, roughly: true }, wantedM),
  );
  const [bestM, lowM, highM] = leads;
  const i = best.path.t.findIndex((_, k) => best.path.alongM[0]![k]! >= 0);
  const isFloated = rig.top === 'float' || rig.top === 'dry';
  const paceOf = (k: number) =>
    (best.path.topM[k]! - best.path.topM[Math.max(0, k - 4)]!) /
    Math.max(1e-9, best.path.t[k]! - best.path.t[Math.max(0, k - 4)]!);
  return {
    best,
    slow,
    quick,
    depthM: best.depthM[0] ?? at(best.path),
    lowM: Math.min(at(slow), at(best.path)),
    highM: Math.max(at(quick), at(best.path)),
    scatterM: scatterOnLane(lane, 0, best.atS ?? 0),
    wantedM,
    lead: bestM == null ? null : { bestM, lowM: lowM ?? bestM, highM: highM ?? -lane.fromM },
    reachedM: reaches(best.path, wantedM)?.alongM ?? null,
    ticks: ticksOf(best.path, lane, { toM: pastM }),
    behindM: isFloated && i > 0 ? best.path.topM[i]! - best.path.alongM[0]![i]! : null,
    topShare:
      isFloated && i > 4
        ? paceOf(i) /
          lane.surfaceMps[Math.max(0, Math.min(lane.n - 1, Math.round(-lane.fromM / lane.stepM)))]!
        : null,
  };
}
