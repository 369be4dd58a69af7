import { clamp, type Place } from '../grid/index';
import { reactionDistanceCm, TOTAL_PER_FORK } from '../fish/index';
import { windowRadiusM, type Fish } from '../sight/index';
import { sampleSurface, surfaceCurrent, traceStreamline, type FlowField } from '../water/index';
import { PAST_FISH_M } from './drift-result';

/** How far up-current of a fish the fly must land, part by part, and how far past it may be lifted. */
export interface Lead {
  leadM: number;
  /** How far a riser drops back as it rises; 0 for a fish seen where it lies. */
  driftBackM: number;
  /** How far off it takes what drifts by (Hughes & Dill 1990). */
  reactionM: number;
  /** Room for the splash to be over before the fly is seen. */
  splashM: number;
  /** Time from landing to the fish at the pace of its lane, s. */
  secondsToFish: number;
  /** Past the fish: its window, and what it turns back. */
  liftPastM: number;
  liftS: number;
}

/** Prey that the fish looks for unless said, mm. */
const PREY_MM = 5;
/** A splash is forgotten after this long, and keeps at least this far, s and m (our guesses). */
const SPLASH_S = 0.8;
const LEAST_SPLASH_M = 0.3;
/** A fish that lets the fly by may turn and follow this many of its lengths (our guess). */
const TURN_BACK_LENGTHS = 2;
const LEAST_PACE_MPS = 0.03;

/** The lane of surface drift through a fish: places with their distance and time from it, down-current positive. */
export interface Lane {
  places: Place[];
  alongM: number[];
  timeS: number[];
  /** Index of the place abreast of the fish. */
  at: number;
}

const LANE_STEP_M = 0.05;

export function laneThrough(flow: FlowField, fish: Place, upM: number, downM: number): Lane {
  const up = traceStreamline(flow, fish, { direction: 'up', maxM: upM, stepM: LANE_STEP_M });
  const down = traceStreamline(flow, fish, { direction: 'down', maxM: downM, stepM: LANE_STEP_M });
  const places = [...up.places.slice(1).reverse(), ...down.places];
  const at = up.places.length - 1;
  const current = surfaceCurrent(flow);
  const s = { depthM: 0, u: 0, v: 0 };
  const alongM = new Array<number>(places.length).fill(0);
  const timeS = new Array<number>(places.length).fill(0);
  const paceAt = (i: number) => {
    sampleSurface(current, places[i]!.xM, places[i]!.yM, s);
    return Math.max(LEAST_PACE_MPS, Math.hypot(s.u, s.v));
  };
  const apart = (i: number) =>
    Math.hypot(places[i]!.xM - places[i - 1]!.xM, places[i]!.yM - places[i - 1]!.yM);
  for (let i = at + 1; i < places.length; i++) {
    alongM[i] = alongM[i - 1]! + apart(i);
    timeS[i] = timeS[i - 1]! + apart(i) / paceAt(i);
  }
  for (let i = at - 1; i >= 0; i--) {
    alongM[i] = alongM[i + 1]! - apart(i + 1);
    timeS[i] = timeS[i + 1]! - apart(i + 1) / paceAt(i);
  }
  return { places, alongM, timeS, at };
}

/** The place of a lane `alongM` down-current of the fish (negative: up-current), held at its ends. */
export function laneAt(
  lane: Lane,
  alongM: number,
): { place: Place; timeS: number; alongM: number } {
  const { alongM: s } = lane;
  let lo = 0;
  let hi = s.length - 1;
  if (hi === 0) return { place: lane.places[0]!, timeS: 0, alongM: 0 };
  while (hi - lo > 1) {
    const mid = (lo + hi) >> 1;
    if (s[mid]! <= alongM) lo = mid;
    else hi = mid;
  }
  const t = clamp((alongM - s[lo]!) / (s[hi]! - s[lo]! || 1));
  const [a, b] = [lane.places[lo]!, lane.places[hi]!];
  return {
    place: { xM: a.xM + t * (b.xM - a.xM), yM: a.yM + t * (b.yM - a.yM) },
    timeS: lane.timeS[lo]! + t * (lane.timeS[hi]! - lane.timeS[lo]!),
    alongM: s[lo]! + t * (s[hi]! - s[lo]!),
  };
}

/** The place of a lane nearest to another, and how far off it is, m. */
export function nearestOnLane(lane: Lane, p: Place): { alongM: number; offM: number } {
  let offM = Infinity;
  let alongM = 0;
  lane.places.forEach((q, i) => {
    const d = Math.hypot(p.xM - q.xM, p.yM - q.yM);
    if (d < offM) [offM, alongM] = [d, lane.alongM[i]!];
  });
  return { alongM, offM };
}

/** Longest lead that is looked for, m. */
const MOST_LEAD_M = 6;

/**
 * Lead: drift-back of the rise + reaction distance + splash margin at the pace of the lane.
 * Lift point: past the window (n = 1.333) and the fish's turn-back.
 */
export function leadFor(
  flow: FlowField,
  fish: Fish,
  options: { driftBackM?: number; preyMm?: number } = {},
): Lead {
  const lane = laneThrough(flow, fish, MOST_LEAD_M, MOST_LEAD_M);
  const s = sampleSurface(surfaceCurrent(flow), fish.xM, fish.yM, { depthM: 0, u: 0, v: 0 });
  const driftBackM = options.driftBackM ?? 0;
  const fork = fish.totalLengthCm / TOTAL_PER_FORK;
  const reactionM = reactionDistanceCm(options.preyMm ?? PREY_MM, fork) / 100;
  const splashM = Math.max(LEAST_SPLASH_M, SPLASH_S * Math.hypot(s.u, s.v));
  const wished = driftBackM + reactionM + splashM;
  const landed = laneAt(lane, -wished);
  const liftPastM = liftPast(fish);
  const leadM = -landed.alongM;
  return {
    leadM,
    driftBackM,
    reactionM,
    splashM,
    secondsToFish: -landed.timeS,
    liftPastM,
    liftS: laneAt(lane, liftPastM).timeS - landed.timeS,
  };
}

/** Where a fly may be lifted: past the window (n = 1.333) and the fish's turn-back, m. */
export const liftPast = (fish: Pick<Fish, 'fishDepthM' | 'totalLengthCm'>): number =>
  windowRadiusM(fish.fishDepthM) + (TURN_BACK_LENGTHS * fish.totalLengthCm) / 100;

/** Where the fly lands for a lead, on the fish's own lane. */
export const landingFor = (flow: FlowField, fish: Place, leadM: number): Place =>
  laneAt(laneThrough(flow, fish, leadM + LANE_STEP_M, 0), -leadM).place;

/**
 * Useful drift, m: what a free fly would travel down the lane from where it lands on it in the clean
 * seconds, capped 1 m past the fish.
 */
export function usefulDriftM(lane: Lane, landingAlongM: number, cleanS: number): number {
  const from = laneTime(lane, landingAlongM);
  const to = laneAlongAt(lane, from + cleanS);
  return Math.max(0, Math.min(to, PAST_FISH_M) - landingAlongM);
}

const laneTime = (lane: Lane, alongM: number) => laneAt(lane, alongM).timeS;
function laneAlongAt(lane: Lane, timeS: number): number {
  const { timeS: t, alongM } = lane;
  const last = t.length - 1;
  if (timeS >= t[last]!) return alongM[last]!;
  let lo = 0;
  let hi = last;
  while (hi - lo > 1) {
    const mid = (lo + hi) >> 1;
    if (t[mid]! <= timeS) lo = mid;
    else hi = mid;
  }
  return alongM[lo]! + ((timeS - t[lo]!) / (t[hi]! - t[lo]! || 1)) * (alongM[hi]! - alongM[lo]!);
}
