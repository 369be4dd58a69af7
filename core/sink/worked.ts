import { flyShape, type FlyBox, type RigPlan } from '../rig/index';
import { hungRig, type HungRig } from './hung';
import type { SinkLane } from './lane';
import { sinkPath } from './sink-path';

/** How a fly is worked: held and jigged by a hand's breadth, swung, stripped, twitched dry. */
export type Worked = 'held' | 'swung' | 'stripped' | 'twitched';

/** Depth and seconds of a worked fly at a lie, honestly rough: bands are eight in ten (our guesses). */
export interface WorkedFly {
  kind: Worked;
  depthM: { low: number; best: number; high: number };
  /** Seconds within reach of the lie; null: as long as it is held there. */
  seconds: { low: number; best: number; high: number } | null;
  /** How far off its place it may be, m. */
  placeM: number;
  /** How far a stroke of the rod moves it up, m; 0: it is not jigged. */
  strokeM: number;
}

export interface WorkedAsked {
  lane: SinkLane;
  plan: RigPlan;
  box: FlyBox;
  surfaceMps: number;
  /** How far off the fish takes, m. */
  reachM: number;
  /** Rod tip above the water, m. */
  tipM: number;
  /** Line beyond the tip when held, m; and thrown when swung. */
  heldM: number;
  swungM: number;
  multiplier: number;
}

/** A hand's breadth at the tip, m. */
const JIG_M = 0.09;
const SETTLES_S = 20;
/** A swung line comes round as tan(alpha/2) e^(-k us t/R); alpha off the current as it is met (our guess). */
const SWING = { k: 1.7, alphaRad: Math.PI / 6, share: 0.3 } as const;
const STRIP_MPS = 0.4;
const TWITCH = { moveM: 0.1, everyS: 2 } as const;

/** A held fly lies head up, and is drawn short. */
function heldRig(plan: RigPlan, box: FlyBox, lengthM: number, multiplier: number): HungRig | null {
  const rig = hungRig({ ...plan, kind: 'tight-line' }, box, multiplier);
  if (!rig) return null;
  const loads = rig.loads
    .filter((l) => l.atM < lengthM)
    .map((l) => {
      const part = l.fly === null ? null : plan.parts[l.fly];
      const fly = part?.part === 'fly' ? box.find((f) => f.id === part.flyId) : undefined;
      return fly ? { ...l, shape: { ...flyShape(fly, 'held'), weightN: l.weightN } } : l;
    });
  return { ...rig, loads, lengthM, top: 'tip' };
}

/** How deep a rig hangs that is held in a current from a tip that does not move, m. */
export function heldDepthM(
  lane: SinkLane,
  plan: RigPlan,
  box: FlyBox,
  tipM: number,
  lineM: number,
  multiplier = 1,
): number {
  const rig = heldRig(plan, box, lineM, multiplier);
  if (!rig) return 0;
  const path = sinkPath({
    lane,
    rig,
    start: 'tucked',
    landingM: 0,
    seconds: SETTLES_S,
    liftM: Infinity,
    tip: { alongM: 0, heightM: tipM, moveMps: 0 },
  });
  return path.depthM[0]!.at(-1) ?? 0;
}

const about = (best: number, share: number) => ({
  low: best * (1 - share),
  best,
  high: best * (1 + share),
});

/** Every way of working this rig's fly at a lie; those that make no sense with it are left out. */
export function workedFlies(asked: WorkedAsked): WorkedFly[] {
  const { lane, plan, box, surfaceMps: us, reachM, tipM, heldM, swungM, multiplier } = asked;
  const out: WorkedFly[] = [];
  const isDry = plan.kind === 'dry' || plan.kind === 'two-dries';
  if (isDry)
    return [
      {
        kind: 'twitched',
        depthM: { low: 0, best: 0, high: 0 },
        seconds: about((2 * reachM) / Math.max(0.05, us + TWITCH.moveM / TWITCH.everyS), 0.3),
        placeM: 0.5,
        strokeM: TWITCH.moveM,
      },
    ];
  const held = heldDepthM(lane, plan, box, tipM, heldM, multiplier);
  const lifted = heldDepthM(lane, plan, box, tipM + JIG_M, heldM, multiplier);
  out.push({
    kind: 'held',
    depthM: about(held, THIRD),
    seconds: null,
    placeM: 0.3,
    strokeM: Math.max(0, held - lifted),
  });
  const swung = heldDepthM(lane, plan, box, LOW_TIP_M, Math.min(swungM, LEADER_M), multiplier);
  out.push({
    kind: 'swung',
    depthM: about(swung, THIRD),
    seconds: about(
      (2 * reachM) / (SWING.k * Math.max(0.03, us) * Math.sin(SWING.alphaRad)),
      SWING.share,
    ),
    placeM: 0.5,
    strokeM: 0,
  });
  out.push({
    kind: 'stripped',
    depthM: about(0.7 * swung, 0.5),
    seconds: about((2 * reachM) / STRIP_MPS, 0.3),
    placeM: 0.5,
    strokeM: 0,
  });
  return out;
}
/** Depths of worked flies are good to a third, no finer. */
const THIRD = 0.34;
const LOW_TIP_M = 0.05;
const LEADER_M = 3;
