import type { Place } from '../grid/index';
import type { Reason } from '../units/index';
import type { Fish } from '../sight/index';
import {
  sampleSurface,
  surfaceCurrent,
  type FlowField,
  type FlowSample,
  type SurfaceCurrent,
} from '../water/index';
import { DEFAULT_RIG, diameterMm, type Rig } from '../rig/index';
import { layAir, pullAt, sagPullN } from './air';
import { createChain, renewTangents, tighten, type Chain } from './chain';

export type Lay =
  | { kind: 'straight' }
  /** `up-current` means the local current at the landing place. */
  | { kind: 'reach'; toward: 'up-current' | 'down-current'; amountM: number };

export interface DriftInput {
  /** Rod tip after the cast; `zM` above the water. */
  tip: { xM: number; yM: number; zM: number };
  landing: Place;
  fish?: Pick<Fish, 'xM' | 'yM' | 'headingRad'>;
  lay: Lay;
  rig?: Rig;
  seconds: number;
  /** Cross-flow over lengthwise friction of line: about 18 for tippet, up to 50; default 15. */
  dragRatio?: number;
  /** Slack laid into every segment, as a share of its length; default .02. */
  microSlack?: number;
  /** Share by which the whole current is taken quicker or slower; default 0. */
  speedBias?: number;
  nodeM?: number;
  dtS?: number;
  /** Follow the fly no further than its first lasting drag: all that clean seconds need. */
  stopAtDrag?: boolean;
}

export type DragClass = 0 | 1 | 2;

export interface DriftResult {
  t: Float64Array;
  /** The fly's track, plan metres. */
  x: Float64Array;
  y: Float64Array;
  dragMps: Float64Array;
  /** 0 clean, 1 micro, 2 wake. */
  dragClass: Uint8Array;
  firstMicroS: number | null;
  firstWakeS: number | null;
  cleanS: number;
  cleanM: number;
  passesFish: 'clean' | 'micro' | 'wake' | 'misses' | null;
  passesAtS: number | null;
  reason: Reason | null;
  status: 'ok' | 'unknown';
  /** Line and leader as laid, and at the moment of first drag, from the fly to the tip. */
  laid: Place[];
  atFirstDrag: Place[] | null;
}

/** Fly against water: clean below, m/s (a setting); a wake above the least capillary-gravity wave (Lamb 1932). */
export const MICRO_MPS = 0.05;
export const WAKE_MPS = 0.2323;
/** A crossing counts when it lasts this long, s. */
const LASTS_S = 0.15;
/** The fly passes the fish when it comes this near abreast of it, m (our guess). */
const PASS_M = 0.35;
const DEFAULT_RATIO = 15;
const DEFAULT_MICRO_SLACK = 0.02;
const WATER_DENSITY = 999.7;
/** Cross-flow drag coefficient of a half-wetted cylinder at these Reynolds numbers, and its wetted share. */
const CROSS_COEFFICIENT = 1.4;
const WETTED_SHARE = 0.6;
/** Slip below which friction is taken as linear, m/s. */
const SLIP_FLOOR_MPS = 0.03;
/** Slip that the first step assumes, m/s. */
const FIRST_SLIP_MPS = 0.1;
/** A rod that follows is swung at least at a stroll, m/s (our guess). */
const LEAST_FOLLOW_MPS = 0.3;
/** Line on dry ground hardly moves: friction times this. */
const GROUND_DRAG = 200;
/** Useful drift is capped this far past the fish, m. */
export const PAST_FISH_M = 1;

/** The surface current as one run takes it: `gain` quicker or slower than solved. */
interface Current {
  surface: SurfaceCurrent;
  gain: number;
  sample: FlowSample;
}

// Own copy: an imported function is reached through a getter, and this one is called 6,000 times a drift.
const sampleAt = sampleSurface;

function surfaceInto(c: Current, xM: number, yM: number): FlowSample {
  const s = sampleAt(c.surface, xM, yM, c.sample);
  s.u *= c.gain;
  s.v *= c.gain;
  return s;
}

/**
 * Drift of a floating fly on line and leader carried by the mean surface current. Line is an
 * inextensible chain that may go slack (`chain.ts`), pulled at the entry by the sag of the part
 * in the air. Fly drag is the distance between the fly and where it would be free, over the step.
 */
export function simulateDrift(flow: FlowField, input: DriftInput): DriftResult {
  const { tip, landing, lay, seconds } = input;
  if (!(seconds > 0)) throw new RangeError(`seconds must be positive, got ${seconds}`);
  const rig = input.rig ?? DEFAULT_RIG;
  const dt = input.dtS ?? 0.1;
  const current: Current = {
    surface: surfaceCurrent(flow),
    gain: 1 + (input.speedBias ?? 0),
    sample: { depthM: 0, u: 0, v: 0 },
  };
  const air = layAir(Math.max(0.2, tip.zM), rig.lineKgPerM);
  const restPullN = sagPullN(air.heightM, air.restReachM, air.weightNPerM);
  const at = surfaceInto(current, landing.xM, landing.yM);
  const landingWet = at.depthM > 0;
  const upRad = at.u === 0 && at.v === 0 ? 0 : Math.atan2(-at.v, -at.u);
  const shift = reachShift(lay, upRad);
  const path = tipPath(tip, landing, shift, current);
  const chain = layChain(landing, path(0), air.restReachM, air.fullReachM, rig, input);
  const wet = wettedDrag(chain, rig);
  const steps = Math.ceil(seconds / dt);
  const out = emptyResult(steps + 1, chain, path(0));
  const end = { held: true, x: 0, y: 0 };
  const lasting = Math.max(1, Math.ceil(LASTS_S / dt - 1e-9));
  let dragging = 0;
  let unknown = !landingWet;
  for (let n = 1; n <= steps; n++) {
    renewTangents(chain);
    renewFriction(chain, wet, rig.flyDragNsPerM, dt, n === 1);
    advect(chain, current, dt);
    const held = path(n * dt);
    end.x = held.xM;
    end.y = held.yM;
    pullEntry(chain, end, air, restPullN, dt);
    const freeX = chain.freeX[0]!;
    const freeY = chain.freeY[0]!;
    if (!tighten(chain, end)) unknown = true;
    out.t[n] = n * dt;
    out.x[n] = chain.x[0]!;
    out.y[n] = chain.y[0]!;
    out.dragMps[n] = Math.hypot(chain.x[0]! - freeX, chain.y[0]! - freeY) / dt;
    if (out.atFirstDrag === null && out.dragMps[n]! > MICRO_MPS)
      out.atFirstDrag = linePlaces(chain, held);
    dragging = out.dragMps[n]! > MICRO_MPS ? dragging + 1 : 0;
    if (input.stopAtDrag && dragging >= lasting) {
      cutShort(out, n + 1);
      break;
    }
  }
  classify(out, dt);
  judge(out, input, current, unknown);
  return out;
}

function reachShift(lay: Lay, upRad: number): Place {
  if (lay.kind === 'straight') return { xM: 0, yM: 0 };
  const sign = lay.toward === 'up-current' ? 1 : -1;
  return { xM: sign * lay.amountM * Math.cos(upRad), yM: sign * lay.amountM * Math.sin(upRad) };
}

/**
 * The rod tip over time: displaced by the reach while the line falls, then it follows the line at
 * the pace of the quickest water that the line lies on, past the straight position as far to the
 * other side.
 */
function tipPath(tip: Place, landing: Place, shift: Place, current: Current): (t: number) => Place {
  const amount = Math.hypot(shift.xM, shift.yM);
  if (amount === 0) return () => tip;
  const ux = shift.xM / amount;
  const uy = shift.yM / amount;
  let pace = LEAST_FOLLOW_MPS;
  for (let n = 0; n <= 10; n++) {
    const s = surfaceInto(
      current,
      tip.xM + ((landing.xM - tip.xM) * n) / 10,
      tip.yM + ((landing.yM - tip.yM) * n) / 10,
    );
    pace = Math.max(pace, -(s.u * ux + s.v * uy));
  }
  return (t) => {
    const left = amount - Math.min(2 * amount, pace * t);
    return { xM: tip.xM + left * ux, yM: tip.yM + left * uy };
  };
}

function layChain(
  landing: Place,
  tip: Place,
  restReachM: number,
  fullReachM: number,
  rig: Rig,
  input: DriftInput,
): Chain {
  const nodeM = input.nodeM ?? 0.2;
  const distance = Math.hypot(tip.xM - landing.xM, tip.yM - landing.yM);
  const onWater = Math.max(2 * nodeM, distance - restReachM);
  const n = Math.max(3, Math.round(onWater / nodeM) + 1);
  const chain = createChain(n, input.dragRatio ?? DEFAULT_RATIO);
  const ux = distance > 0 ? (tip.xM - landing.xM) / distance : 1;
  const uy = distance > 0 ? (tip.yM - landing.yM) / distance : 0;
  const step = onWater / (n - 1);
  const slack = 1 + (input.microSlack ?? DEFAULT_MICRO_SLACK);
  for (let i = 0; i < n; i++) {
    chain.x[i] = landing.xM + ux * step * i;
    chain.y[i] = landing.yM + uy * step * i;
    chain.rest[i] = step * slack;
    chain.zeta[i] = rig.flyDragNsPerM;
  }
  chain.rest[n - 1] = Math.max(fullReachM, distance - onWater);
  return chain;
}

/** Quadratic friction, linearised on the slip of the last step and averaged with it. */
function renewFriction(
  chain: Chain,
  wet: Float64Array,
  flyDragNsPerM: number,
  dt: number,
  first: boolean,
): void {
  const { n, x, y, freeX, freeY, zeta, dry } = chain;
  for (let i = 0; i < n; i++) {
    const slip = first ? FIRST_SLIP_MPS : Math.hypot(x[i]! - freeX[i]!, y[i]! - freeY[i]!) / dt;
    let z = wet[i]! * Math.max(SLIP_FLOOR_MPS, slip) + (i === 0 ? flyDragNsPerM : 0);
    if (dry[i]) z *= GROUND_DRAG;
    zeta[i] = first ? z : 0.5 * (zeta[i]! + z);
  }
}

/** 1/2 rho Cn d (wetted share) times the length each node stands for, N s2/m2: times slip is friction. */
function wettedDrag(chain: Chain, rig: Rig): Float64Array {
  const { n, rest } = chain;
  let fromFly = 0;
  return Float64Array.from({ length: n }, (_, i) => {
    const before = i > 0 ? rest[i - 1]! : 0;
    const after = i < n - 1 ? rest[i]! : 0;
    const d = diameterMm(rig, fromFly) / 1000;
    fromFly += after;
    return 0.5 * WATER_DENSITY * CROSS_COEFFICIENT * WETTED_SHARE * d * 0.5 * (before + after);
  });
}

/** Midpoint rule. */
function advect(chain: Chain, current: Current, dt: number): void {
  const { n, x, y, freeX, freeY } = chain;
  for (let i = 0; i < n; i++) {
    let s = surfaceInto(current, x[i]!, y[i]!);
    chain.dry[i] = s.depthM > 0 ? 0 : 1;
    s = surfaceInto(current, x[i]! + 0.5 * dt * s.u, y[i]! + 0.5 * dt * s.v);
    freeX[i] = x[i]! + dt * s.u;
    freeY[i] = y[i]! + dt * s.v;
  }
}

/** The sag of the line in the air draws the entry toward the tip. Never past where it hangs slack. */
function pullEntry(
  chain: Chain,
  end: Place2,
  air: ReturnType<typeof layAir>,
  restPullN: number,
  dt: number,
): void {
  const i = chain.n - 1;
  const dx = end.x - chain.freeX[i]!;
  const dy = end.y - chain.freeY[i]!;
  const distance = Math.hypot(dx, dy);
  if (distance < 1e-6) return;
  const along = (dx * chain.tx[i]! + dy * chain.ty[i]!) / distance;
  const mobility = (1 + (chain.dragRatio - 1) * along * along) / chain.zeta[i]!;
  const wish = dt * mobility * pullAt(air, distance, restPullN);
  const move = Math.min(wish, 0.5 * distance, 0.05);
  chain.freeX[i] = chain.freeX[i]! + (move * dx) / distance;
  chain.freeY[i] = chain.freeY[i]! + (move * dy) / distance;
}

type Place2 = { x: number; y: number };

function linePlaces(chain: Chain, tip: Place): Place[] {
  const out: Place[] = [];
  for (let i = 0; i < chain.n; i++) out.push({ xM: chain.x[i]!, yM: chain.y[i]! });
  out.push(tip);
  return out;
}

function emptyResult(count: number, chain: Chain, tip: Place): DriftResult {
  const out: DriftResult = {
    t: new Float64Array(count),
    x: new Float64Array(count),
    y: new Float64Array(count),
    dragMps: new Float64Array(count),
    dragClass: new Uint8Array(count),
    firstMicroS: null,
    firstWakeS: null,
    cleanS: 0,
    cleanM: 0,
    passesFish: null,
    passesAtS: null,
    reason: null,
    status: 'ok',
    laid: linePlaces(chain, tip),
    atFirstDrag: null,
  };
  out.x[0] = chain.x[0]!;
  out.y[0] = chain.y[0]!;
  return out;
}

function cutShort(out: DriftResult, count: number): void {
  out.t = out.t.subarray(0, count);
  out.x = out.x.subarray(0, count);
  out.y = out.y.subarray(0, count);
  out.dragMps = out.dragMps.subarray(0, count);
  out.dragClass = out.dragClass.subarray(0, count);
}

function classify(out: DriftResult, dt: number): void {
  const need = Math.max(1, Math.ceil(LASTS_S / dt - 1e-9));
  const first = (limit: number): number | null => {
    let run = 0;
    for (let n = 1; n < out.t.length; n++) {
      run = out.dragMps[n]! > limit ? run + 1 : 0;
      if (run >= need) return out.t[n - need + 1]! - dt;
    }
    return null;
  };
  out.firstMicroS = first(MICRO_MPS);
  out.firstWakeS = first(WAKE_MPS);
  for (let n = 0; n < out.t.length; n++) {
    const d = out.dragMps[n]!;
    out.dragClass[n] = d > WAKE_MPS ? 2 : d > MICRO_MPS ? 1 : 0;
  }
  out.cleanS = out.firstMicroS ?? out.t[out.t.length - 1]!;
  for (let n = 1; n < out.t.length && out.t[n]! <= out.cleanS + 1e-9; n++) {
    out.cleanM += Math.hypot(out.x[n]! - out.x[n - 1]!, out.y[n]! - out.y[n - 1]!);
  }
}

function judge(out: DriftResult, input: DriftInput, current: Current, unknown: boolean): void {
  if (unknown) out.status = 'unknown';
  const { fish } = input;
  if (fish) {
    // Along its heading: positive ahead. It passes where the sign turns.
    const cos = Math.cos(fish.headingRad);
    const sin = Math.sin(fish.headingRad);
    const ahead = (n: number) => (out.x[n]! - fish.xM) * cos + (out.y[n]! - fish.yM) * sin;
    const aside = (n: number) =>
      Math.abs(-(out.x[n]! - fish.xM) * sin + (out.y[n]! - fish.yM) * cos);
    out.passesFish = 'misses';
    for (let n = 1; n < out.t.length; n++) {
      if (!(ahead(n - 1) > 0 && ahead(n) <= 0)) continue;
      if (aside(n) > PASS_M) continue;
      const t = out.t[n]!;
      out.passesAtS = t;
      out.passesFish =
        out.firstWakeS !== null && t > out.firstWakeS
          ? 'wake'
          : out.firstMicroS !== null && t > out.firstMicroS
            ? 'micro'
            : 'clean';
      break;
    }
  }
  out.reason = reasonOf(out, current);
}

/**
 * Which way drag came, from the line as it lay: quickest water under it against the fly's own,
 * and the strain rate t.grad(u).t along the line from the fly (positive drags at once).
 */
function reasonOf(out: DriftResult, current: Current): Reason | null {
  if (out.firstMicroS === null) return null;
  const line = out.laid;
  const own = surfaceInto(current, line[0]!.xM, line[0]!.yM);
  const flyMps = Math.hypot(own.u, own.v);
  let quickest = 0;
  let slowest = Infinity;
  for (let i = 1; i < line.length - 1; i++) {
    const s = surfaceInto(current, line[i]!.xM, line[i]!.yM);
    const v = Math.hypot(s.u, s.v);
    quickest = Math.max(quickest, v);
    if (s.depthM > 0) slowest = Math.min(slowest, v);
  }
  if (quickest > 1.2 * flyMps + 0.05)
    return { what: 'tongue-between', value: quickest, unit: 'm/s', source: 'chain' };
  if (slowest < 0.7 * flyMps)
    return { what: 'slack-between', value: slowest, unit: 'm/s', source: 'chain' };
  return { what: 'line-at-its-end', value: flyMps, unit: 'm/s', source: 'chain' };
}
