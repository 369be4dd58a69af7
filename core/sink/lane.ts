import { laneThrough } from '../cast/index';
import type { Place } from '../grid/index';
import { sampleFlow, surfaceFactor, type FlowField, type FlowSample } from '../water/index';

/**
 * The water along one lane of surface drift, sampled evenly. Distances m along it, down-current
 * positive, 0 abreast of the fish; speeds m/s.
 */
export interface SinkLane {
  fromM: number;
  stepM: number;
  n: number;
  depthM: Float64Array;
  surfaceMps: Float64Array;
  /** Depth mean. */
  meanMps: Float64Array;
  d84M: Float64Array;
  /** How steeply the bed falls, over `SLOPE_OVER_M`, held to what the current follows. */
  slope: Float64Array;
  /** What the profile hangs on at each sample: z0, m(h/z0) and the share that fits it to the surface. */
  z0M: Float64Array;
  m: Float64Array;
  fit: Float64Array;
  places: Place[];
  /** The bed leaves the current somewhere: beyond it the fly falls by itself. */
  steep: boolean;
}

const STEP_M = 0.1;
const SLOPE_OVER_M = 0.6;
/** Steeper than this the current leaves the bed (our guess). */
const MOST_SLOPE = 0.25;
const Z0_PER_D84 = 0.1;
const LEAST_D84_M = 0.002;

interface Water {
  depthM: number;
  surfaceMps: number;
  d84M: number;
  place: Place;
}

export function laneFrom(fromM: number, water: readonly Water[]): SinkLane {
  const n = water.length;
  const make = (f: (i: number) => number) => Float64Array.from({ length: n }, (_, i) => f(i));
  const depthM = make((i) => water[i]!.depthM);
  const d84M = make((i) => Math.max(LEAST_D84_M, water[i]!.d84M));
  const surfaceMps = make((i) => water[i]!.surfaceMps);
  const meanMps = make((i) => surfaceMps[i]! / surfaceFactor(depthM[i]!, d84M[i]!));
  const z0M = make((i) => Z0_PER_D84 * d84M[i]!);
  const m = make((i) => {
    const a = depthM[i]! / z0M[i]!;
    return ((1 + a) * Math.log(1 + a) - a) / a;
  });
  const fit = make((i) => {
    const top = Math.log(1 + depthM[i]! / z0M[i]!) / m[i]!;
    return (surfaceMps[i]! / meanMps[i]! - 1) / (top - 1);
  });
  const half = Math.round(SLOPE_OVER_M / STEP_M / 2);
  let steep = false;
  const slope = make((i) => {
    const [a, b] = [Math.max(0, i - half), Math.min(n - 1, i + half)];
    const s = b > a ? (depthM[b]! - depthM[a]!) / ((b - a) * STEP_M) : 0;
    if (Math.abs(s) > MOST_SLOPE) steep = true;
    return Math.max(-MOST_SLOPE, Math.min(MOST_SLOPE, s));
  });
  const places = water.map((w) => w.place);
  const whole = { fromM, stepM: STEP_M, n, depthM, surfaceMps, meanMps, d84M, slope };
  return { ...whole, z0M, m, fit, places, steep };
}

/** A lane that is alike everywhere. */
export const evenLane = (
  depthM: number,
  surfaceMps: number,
  d84M: number,
  fromM = -8,
  toM = 8,
): SinkLane =>
  laneFrom(
    fromM,
    Array.from({ length: Math.round((toM - fromM) / STEP_M) + 1 }, (_, i) => ({
      depthM,
      surfaceMps,
      d84M,
      place: { xM: -fromM - i * STEP_M, yM: 0 },
    })),
  );

const LEAST_DEPTH_M = 0.05;

/** The lane of surface drift through a fish, as the fly meets it; null: it lies on dry land. */
export function sinkLane(
  flow: FlowField,
  fish: Place,
  upM: number,
  downM: number,
): SinkLane | null {
  const lane = laneThrough(flow, fish, upM, downM);
  const s: FlowSample = { depthM: 0, u: 0, v: 0 };
  const waterAt = (p: Place): Water => {
    sampleFlow(flow, p.xM, p.yM, s);
    const i = Math.round((p.xM - flow.x0M) / flow.cellM);
    const j = Math.round((p.yM - flow.y0M) / flow.cellM);
    const d84M =
      flow.d84M[
        Math.max(0, Math.min(flow.ny - 1, j)) * flow.nx + Math.max(0, Math.min(flow.nx - 1, i))
      ]!;
    const speed = Math.hypot(s.u, s.v);
    return { depthM: s.depthM, surfaceMps: speed * surfaceFactor(s.depthM, d84M), d84M, place: p };
  };
  const water: Water[] = [];
  const first = Math.ceil(lane.alongM[0]! / STEP_M);
  const last = Math.floor(lane.alongM[lane.alongM.length - 1]! / STEP_M);
  let k = 0;
  let fromM = first * STEP_M;
  for (let i = first; i <= last; i++) {
    const at = i * STEP_M;
    while (k < lane.alongM.length - 2 && lane.alongM[k + 1]! < at) k++;
    const t = (at - lane.alongM[k]!) / (lane.alongM[k + 1]! - lane.alongM[k]! || 1);
    const [a, b] = [lane.places[k]!, lane.places[k + 1] ?? lane.places[k]!];
    const w = waterAt({ xM: a.xM + t * (b.xM - a.xM), yM: a.yM + t * (b.yM - a.yM) });
    if (w.depthM < LEAST_DEPTH_M) {
      // The lane runs dry: up-current of the fish it begins beyond, down-current it ends here.
      if (i > 0) break;
      water.length = 0;
      fromM = at + STEP_M;
    } else water.push(w);
  }
  return water.length < 3 || fromM > 0 ? null : laneFrom(fromM, water);
}

/** Where along a lane, as an index with its share; held at the ends. */
export const sampleIndex = (lane: SinkLane, alongM: number): number =>
  Math.max(0, Math.min(lane.n - 1, (alongM - lane.fromM) / lane.stepM));

const between = (a: Float64Array, x: number): number => {
  const i = Math.min(a.length - 2, Math.floor(x));
  return a[i]! + (x - i) * (a[i + 1]! - a[i]!);
};
export const depthOnLane = (lane: SinkLane, alongM: number): number =>
  between(lane.depthM, sampleIndex(lane, alongM));
export const surfaceOnLane = (lane: SinkLane, alongM: number): number =>
  between(lane.surfaceMps, sampleIndex(lane, alongM));
export const laneEndM = (lane: SinkLane): number => lane.fromM + (lane.n - 1) * lane.stepM;

/** The same lane so much quicker, deeper or rougher: for bands and the record. */
export const laneLike = (
  lane: SinkLane,
  by: { speed?: number; depth?: number; deeperM?: number; d84?: number },
): SinkLane => {
  const { speed = 1, depth = 1, deeperM = 0, d84 = 1 } = by;
  return laneFrom(
    lane.fromM,
    Array.from({ length: lane.n }, (_, i) => ({
      depthM: Math.max(LEAST_DEPTH_M, lane.depthM[i]! * depth + deeperM),
      surfaceMps: lane.surfaceMps[i]! * speed,
      d84M: lane.d84M[i]! * d84,
      place: lane.places[i]!,
    })),
  );
};
