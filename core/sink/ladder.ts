import { fallSpeedMps, flyShape, type Fly, type RigPlan, type Tackle } from '../rig/index';
import { hungRig, type HungRig } from './hung';
import { depthOnLane } from './lane';
import { leadForDepthM, settledShare, sunkAtFish, type SinkAsked } from './sink-lead';
import type { SinkStart } from '../rig/index';

/** One thing that helps, with the number it needs here, and how deep it then is. */
export type Rung = {
  /** How deep the lowest fly then passes the fish, m. */
  depthM: number;
  /** Whether that is where it should be. */
  enough: boolean;
} & (
  | { kind: 'tuck' }
  | { kind: 'lead'; moreM: number; leadM: number }
  | { kind: 'fly'; fly: Fly; fallMps: number }
  | { kind: 'float'; moreM: number; hungM: number }
  | { kind: 'shot'; massMg: number; aboveM: number }
);

export interface LadderAsked {
  plan: RigPlan;
  tackle: Pick<Tackle, 'box'>;
  lane: SinkAsked['lane'];
  start: SinkStart;
  leadM: number;
  /** Where the lowest fly should be as it passes the fish, m down. */
  wantedM: number;
  /** The angler's own sink multiplier. */
  multiplier: number;
}

const SHOTS_MG = [100, 200, 300, 400];
const SHOT_ABOVE_M = 0.2;
const FLOAT_STEP_M = 0.15;
const MOST_FLOAT_STEPS = 6;
/** A longer rig alone gives nothing until the old one had time to get down. */
const HAD_TIME = 0.9;
/** Nearer than this to where it should be is there, m. */
export const NEAR_M = 0.03;
const LEAD_STEP_M = 0.05;
const LEAST_LEAD_M = 0.1;

const withParts = (
  plan: RigPlan,
  change: (p: RigPlan['parts'][number], i: number) => RigPlan['parts'][number],
) => ({
  ...plan,
  parts: plan.parts.map(change),
});

/** The lowest fly of a rig, by its place in the list of parts. */
export function lowestFly(plan: RigPlan): number {
  for (let i = plan.parts.length - 1; i >= 0; i--) if (plan.parts[i]!.part === 'fly') return i;
  return -1;
}

export const withFly = (plan: RigPlan, index: number, flyId: string): RigPlan =>
  withParts(plan, (p, i) => (i === index && p.part === 'fly' ? { ...p, flyId } : p));

export const withFloat = (plan: RigPlan, moreM: number): RigPlan => {
  const float = plan.parts.find((p) => p.part === 'float');
  if (!float) return plan;
  return withParts(plan, (p) => (p === float ? { ...float, hungM: float.hungM + moreM } : p));
};

export const withShot = (plan: RigPlan, massMg: number, aboveFlyM = SHOT_ABOVE_M): RigPlan => ({
  ...plan,
  parts: [
    ...plan.parts.filter((p) => p.part !== 'shot'),
    ...(massMg > 0 ? [{ part: 'shot', massMg, aboveFlyM } as const] : []),
  ],
});

/**
 * Not getting down: what helps, in order, lightest change first, each with the number it needs on this
 * lane. The first is how it is laid, not what hangs. Empty: it is where it should be.
 */
export function downLadder(asked: LadderAsked): Rung[] {
  const { plan, tackle, lane, start, leadM, wantedM, multiplier } = asked;
  const rigOf = (p: RigPlan): HungRig | null => hungRig(p, tackle.box, multiplier);
  const rig = rigOf(plan);
  if (!rig) return [];
  const depthOf = (r: HungRig, s: SinkStart, lead: number) =>
    sunkAtFish({ lane, rig: r, start: s }, lead, 0.05).depthM[0] ?? 0;
  if (depthOf(rig, start, leadM) >= wantedM - NEAR_M) return [];
  const rung = (depthM: number) => ({ depthM, enough: depthM >= wantedM - NEAR_M });
  const rungs: Rung[] = [];
  if (start !== 'tucked') rungs.push({ kind: 'tuck', ...rung(depthOf(rig, 'tucked', leadM)) });
  const lead = leadForDepthM({ lane, rig, start }, wantedM) ?? -lane.fromM;
  if (lead > leadM + LEAD_STEP_M)
    rungs.push({
      kind: 'lead',
      moreM: lead - leadM,
      leadM: lead,
      ...rung(depthOf(rig, start, lead)),
    });
  const at = lowestFly(plan);
  const heavier = heavierFlies(plan, tackle.box, at);
  let best: Rung | null = null;
  for (const { fly, fallMps } of heavier) {
    const r = rigOf(withFly(plan, at, fly.id));
    if (!r) continue;
    best = { kind: 'fly', fly, fallMps, ...rung(depthOf(r, start, leadM)) };
    if (best.enough) break;
  }
  if (best) rungs.push(best);
  const float = plan.parts.find((p) => p.part === 'float');
  if (float && settledShare({ lane, rig, start }, leadM) > HAD_TIME) {
    let longer: Rung | null = null;
    for (let n = 1; n <= MOST_FLOAT_STEPS; n++) {
      const moreM = n * FLOAT_STEP_M;
      if (float.hungM + moreM > depthOnLane(lane, 0) * 1.5) break;
      const r = rigOf(withFloat(plan, moreM));
      if (!r) break;
      longer = {
        kind: 'float',
        moreM,
        hungM: float.hungM + moreM,
        ...rung(depthOf(r, start, leadM)),
      };
      if (longer.enough) break;
    }
    if (longer) rungs.push(longer);
  }
  let shot: Rung | null = null;
  for (const massMg of SHOTS_MG) {
    const r = rigOf(withShot(plan, massMg));
    if (!r) break;
    shot = { kind: 'shot', massMg, aboveM: SHOT_ABOVE_M, ...rung(depthOf(r, start, leadM)) };
    if (shot.enough) break;
  }
  if (shot) rungs.push(shot);
  return rungs;
}

/** Hanging up: the same list backwards, lightest change first. */
export function upLadder(asked: LadderAsked): Rung[] {
  const { plan, tackle, lane, start, leadM, wantedM, multiplier } = asked;
  const rigOf = (p: RigPlan) => hungRig(p, tackle.box, multiplier);
  const rig = rigOf(plan);
  if (!rig) return [];
  const depthOf = (r: HungRig, lead: number) =>
    sunkAtFish({ lane, rig: r, start }, lead, 0.05).depthM[0] ?? 0;
  if (depthOf(rig, leadM) <= wantedM + NEAR_M) return [];
  const rung = (depthM: number) => ({ depthM, enough: depthM <= wantedM + NEAR_M });
  const rungs: Rung[] = [];
  if (plan.parts.some((p) => p.part === 'shot')) {
    const r = rigOf(withShot(plan, 0));
    if (r) rungs.push({ kind: 'shot', massMg: 0, aboveM: 0, ...rung(depthOf(r, leadM)) });
  }
  const float = plan.parts.find((p) => p.part === 'float');
  if (float) {
    let shorter: Rung | null = null;
    for (let n = 1; n <= MOST_FLOAT_STEPS; n++) {
      const moreM = -n * FLOAT_STEP_M;
      if (float.hungM + moreM < 0.2) break;
      const r = rigOf(withFloat(plan, moreM));
      if (!r) break;
      shorter = { kind: 'float', moreM, hungM: float.hungM + moreM, ...rung(depthOf(r, leadM)) };
      if (shorter.enough) break;
    }
    if (shorter) rungs.push(shorter);
  }
  const at = lowestFly(plan);
  let best: Rung | null = null;
  for (const { fly, fallMps } of lighterFlies(plan, tackle.box, at)) {
    const r = rigOf(withFly(plan, at, fly.id));
    if (!r) continue;
    best = { kind: 'fly', fly, fallMps, ...rung(depthOf(r, leadM)) };
    if (best.enough) break;
  }
  if (best) rungs.push(best);
  const less = Math.max(LEAST_LEAD_M, leadForDepthM({ lane, rig, start }, wantedM) ?? leadM);
  if (less < leadM - LEAD_STEP_M)
    rungs.push({ kind: 'lead', moreM: less - leadM, leadM: less, ...rung(depthOf(rig, less)) });
  return rungs;
}

const fallOf = (fly: Fly) => fallSpeedMps(flyShape(fly, 'sinking'));
function byFall(plan: RigPlan, box: readonly Fly[], at: number) {
  const part = plan.parts[at];
  const now = part?.part === 'fly' ? box.find((f) => f.id === part.flyId) : undefined;
  const own = now ? fallOf(now) : 0;
  const sort = now?.sort ?? 'nymph';
  const all = box
    .filter((f) => f.left > 0 && f.sort === sort && f !== now)
    .map((fly) => ({ fly, fallMps: fallOf(fly) }));
  return { own, all };
}
function heavierFlies(plan: RigPlan, box: readonly Fly[], at: number) {
  const { own, all } = byFall(plan, box, at);
  return all.filter((f) => f.fallMps > own * 1.03).sort((a, b) => a.fallMps - b.fallMps);
}
function lighterFlies(plan: RigPlan, box: readonly Fly[], at: number) {
  const { own, all } = byFall(plan, box, at);
  return all.filter((f) => f.fallMps < own * 0.97).sort((a, b) => b.fallMps - a.fallMps);
}
