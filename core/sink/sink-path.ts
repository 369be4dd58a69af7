import { borrowChain, renewTangents, tighten } from '../cast/index';
import {
  acrossDragPerM,
  alongDragPerM,
  fallSpeedMps,
  flyFriction,
  WATER_KG_PER_M3,
  type SinkStart,
} from '../rig/index';
import { lineAt, type HungRig } from './hung';
import { laneEndM, sampleIndex, surfaceOnLane, type SinkLane } from './lane';

export interface SinkInput {
  lane: SinkLane;
  rig: HungRig;
  start: SinkStart;
  /** Where the lowest fly lands along the lane, m. */
  landingM: number;
  /** Lifted here, m along the lane; default: where the lane ends. */
  liftM?: number;
  /** Longest that it is followed, s. */
  seconds?: number;
  /** Coarser, while something is dragged. */
  roughly?: boolean;
  /** Nodes and steps halved: for checks alone. */
  fine?: boolean;
  /** The line in hand of a tight line: where the tip is, m along the lane and above the water, and how fast it
   * follows: with the surface unless said. */
  tip?: { alongM: number; heightM: number; moveMps?: number };
}

/** One drift of what sinks: at each moment where every fly is. Depths m below the surface. */
export interface SinkPath {
  status: 'ok' | 'unknown';
  t: number[];
  /** Along the lane, by fly from the lowest up. */
  alongM: number[][];
  depthM: number[][];
  /** The float, the dry or the upper end. */
  topM: number[];
  /** Vertical pull on what floats, N. */
  loadN: number[];
  /** When the lowest fly first lies on the bed, s; null: it never does. */
  bottomAtS: number | null;
}

/** The rod's own friction on a node that hangs in the air, N s/m per m: it only settles it. */
const AIR_DRAG = 1e-3;
const HELD_FAST = 1e3;
const SLIP_FLOOR_MPS = 0.02;
const GRAVITY = 9.81;
/** The floating line behind a leader is drawn lengthwise, N s/m: 3 m of it. */
const LINE_BEHIND = 0.008;
const FLOAT_CD = 0.6;
const BED_GAP_M = 0.005;
const HEAP_M = 0.01;
const MOST_S = { bare: 10, floated: 30 } as const;
const NODES = {
  bare: { first: 0.02, grow: 1.25, most: 0.2 },
  floated: { first: 0.03, grow: 1.35, most: 0.15 },
} as const;
/** Where the nodes are, m above the lowest fly: close by everything that hangs, wider between. */
export function nodePlaces(rig: HungRig, fine = false): number[] {
  const isFloated = rig.top === 'float' || rig.top === 'dry';
  const { first, grow, most } = NODES[isFloated ? 'floated' : 'bare'];
  const k = fine ? 0.5 : 1;
  const at = [0];
  const stops = [...new Set([...rig.loads.slice(1).map((l) => l.atM), rig.lengthM])];
  for (const stop of stops) {
    const from = at[at.length - 1]!;
    const isLoad = stop < rig.lengthM - 1e-9;
    const up: number[] = [];
    const down: number[] = [];
    let [a, b, step, stepDown] = [from, stop, first * k, isLoad ? first * k : most * k];
    while (b - a > 1e-9) {
      if (b - a <= Math.min(step, stepDown) * 1.5) break;
      if (step <= stepDown) {
        a += step;
        up.push(a);
        step = Math.min(most * k, step * grow);
      } else {
        b -= stepDown;
        down.unshift(b);
        stepDown = Math.min(most * k, stepDown * grow);
      }
    }
    at.push(...up, ...down, stop);
  }
  return at;
}

const tightenChain = tighten;

/**
 * How a rig sinks along a lane: the drift's own chain stood on edge, x along the lane, y up. The
 * friction of each node is quadratic, across by White's cylinder and lengthwise by Glauert and
 * Lighthill's, on the slip of the last step; the water has its profile and follows its bed. What floats
 * stays on the surface. Errors: none; an answer that did not settle says `unknown`.
 */
export function sinkPath(input: SinkInput): SinkPath {
  const { lane, rig, start, landingM, roughly = false, fine = false } = input;
  const isFloated = rig.top === 'float' || rig.top === 'dry';
  const at = nodePlaces(rig, fine);
  const n = at.length;
  const isHeld = rig.top === 'tip' && input.tip !== undefined;
  const chain = borrowChain(n, 15, n);
  const { x, y, freeX, freeY, heldX, heldY, rest, zeta, lean, tx, ty, lambda } = chain;
  const depth0 = lane.depthM[Math.round(sampleIndex(lane, landingM))]!;
  const dt = isFloated
    ? (roughly ? 0.1 : 0.05) / (fine ? 2 : 1)
    : Math.min(0.1, Math.max(0.03, depth0 / 12)) / (fine ? 2 : 1);
  const seconds = input.seconds ?? (isFloated ? MOST_S.floated : MOST_S.bare);
  const liftM = Math.min(input.liftM ?? Infinity, laneEndM(lane));

  // What every node carries.
  const half = new Float64Array(n);
  const mm = new Float64Array(n);
  const pull = new Float64Array(n);
  const loadOf: (HungRig['loads'][number] | null)[] = new Array(n).fill(null);
  for (let i = 0; i < n; i++) {
    const below = i > 0 ? at[i]! - at[i - 1]! : 0;
    const above = i < n - 1 ? at[i + 1]! - at[i]! : 0;
    rest[i] = above;
    half[i] = 0.5 * (below + above);
    const { mm: thick, kgPerM3 } = lineAt(rig, at[i]!);
    mm[i] = thick;
    const area = Math.PI * 0.25 * (thick / 1000) ** 2;
    pull[i] = (kgPerM3 - WATER_KG_PER_M3) * area * half[i]! * GRAVITY;
  }
  for (const load of rig.loads) {
    const i = at.findIndex((a) => Math.abs(a - load.atM) < 1e-6);
    if (i < 0) continue;
    pull[i] = pull[i]! + load.weightN;
    loadOf[i] = load;
  }
  lay(input, at, x, y, depth0);
  const slipX = new Float64Array(n);
  const slipY = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    const load = loadOf[i];
    slipY[i] = load ? -fallSpeedMps({ ...load.shape, weightN: load.weightN }) : -SLIP_FLOOR_MPS;
    zeta[i] = 0;
  }
  const flies = rig.loads.filter((l) => l.fly !== null);
  const flyNodes = flies.map((l) => at.findIndex((a) => Math.abs(a - l.atM) < 1e-6));
  const path: SinkPath = {
    status: 'ok',
    t: [],
    alongM: flies.map(() => []),
    depthM: flies.map(() => []),
    topM: [],
    loadN: [],
    bottomAtS: null,
  };
  const end = { held: isHeld, x: input.tip?.alongM ?? 0, y: input.tip?.heightM ?? 0 };
  const follows = isHeld ? (input.tip?.moveMps ?? surfaceOnLane(lane, end.x)) : 0;
  const steps = Math.ceil(seconds / dt);
  const top = n - 1;
  if (isHeld) rest[top] = 1e-3;
  for (let step = 0; ; step++) {
    record(path, flyNodes, x, y, step * dt, x[top]!, top > 0 ? pullOnTop() : 0);
    if (path.bottomAtS === null && y[0]! <= -depthAt(x[0]!) + 2 * BED_GAP_M) {
      path.bottomAtS = step * dt;
      if (!isFloated && !isHeld) break;
    }
    if (step >= steps || x[0]! >= liftM || x[top]! >= laneEndM(lane) + rig.lengthM) break;
    renewTangents(chain);
    if (!isHeld) {
      tx[top] = 1;
      ty[top] = 0;
    }
    for (let i = 0; i < n; i++) advance(i, step === 0);
    if (isHeld) end.x += follows * dt;
    if (!tightenChain(chain, end)) {
      path.status = 'unknown';
      break;
    }
    for (let i = 0; i < n; i++) {
      const bed = -depthAt(x[i]!) + BED_GAP_M;
      if (y[i]! < bed) y[i] = bed;
      slipX[i] = 0.5 * (slipX[i]! + (x[i]! - wasX[i]!) / dt - waterX[i]!);
      slipY[i] = 0.5 * (slipY[i]! + (y[i]! - wasY[i]!) / dt - waterY[i]!);
    }
  }
  return path;

  function depthAt(alongM: number): number {
    const f = sampleIndex(lane, alongM);
    const i = Math.min(lane.n - 2, Math.floor(f));
    return lane.depthM[i]! + (f - i) * (lane.depthM[i + 1]! - lane.depthM[i]!);
  }

  function pullOnTop(): number {
    const j = top - 1;
    const dx = x[top]! - x[j]!;
    const dy = y[top]! - y[j]!;
    const d = Math.hypot(dx, dy) || 1;
    return ((lambda[j]! / dt) * dy) / d;
  }

  /** Friction, weight and water of one node; its free place. */
  function advance(i: number, first: boolean): void {
    const isTop = i === top && !isHeld;
    const inAir = y[i]! > 0 && isHeld;
    const f = sampleIndex(lane, x[i]!);
    const k = Math.min(lane.n - 2, Math.floor(f));
    const q = f - k;
    const h = lane.depthM[k]! + q * (lane.depthM[k + 1]! - lane.depthM[k]!);
    let u = follows;
    let w = 0;
    if (!inAir) {
      const k0 = q < 0.5 ? k : k + 1;
      const mean = lane.meanMps[k]! + q * (lane.meanMps[k + 1]! - lane.meanMps[k]!);
      const z = Math.max(0, Math.min(h, h + y[i]!));
      const ratio = Math.log(1 + z / lane.z0M[k0]!) / lane.m[k0]!;
      u = Math.max(0, mean * (1 + lane.fit[k0]! * (ratio - 1)));
      w = y[i]! > 0 ? 0 : u * (y[i]! / h) * lane.slope[k0]!;
    }
    const sx = slipX[i]!;
    const sy = slipY[i]!;
    const load = loadOf[i];
    let z: number;
    let along: number;
    if (inAir) {
      z = AIR_DRAG * half[i]!;
      along = z;
    } else {
      const alongSlip = Math.abs(sx * tx[i]! + sy * ty[i]!);
      const across = Math.abs(sx * ty[i]! - sy * tx[i]!);
      const zn = half[i]! * acrossDragPerM(mm[i]!, Math.max(SLIP_FLOOR_MPS, across));
      const zt = Math.min(zn, half[i]! * alongDragPerM(mm[i]!, alongSlip));
      if (isTop) {
        const v = Math.max(SLIP_FLOOR_MPS, Math.abs(sx));
        const disc = 0.5 * Math.PI * rig.topM * rig.topM;
        z = HELD_FAST;
        along =
          zn +
          0.5 * WATER_KG_PER_M3 * FLOAT_CD * disc * v +
          rig.topDragNsPerM +
          (rig.top === 'leader' && start === 'up-current' ? LINE_BEHIND : 0);
      } else {
        const zf = load ? flyFriction(load.shape, Math.max(SLIP_FLOOR_MPS, Math.hypot(sx, sy))) : 0;
        z = zn + zf;
        along = zt + zf;
      }
    }
    const isFree = isTop && !isFloated && !(rig.top === 'leader' && start === 'up-current');
    if (isFree) {
      // A leader that was tucked holds nothing up: its end is like any other place of it.
      z = half[i]! * acrossDragPerM(mm[i]!, Math.max(SLIP_FLOOR_MPS, Math.hypot(sx, sy)));
      along = z;
    }
    zeta[i] = first ? z : 0.5 * (zeta[i]! + z);
    lean[i] = Math.max(0, Math.min(0.9999999, (z - along) / z));
    const g = isTop && !isFree ? 0 : inAir ? airWeight(i) : pull[i]!;
    const more = lean[i]! / (1 - lean[i]!);
    const fx = (-g * more * ty[i]! * tx[i]!) / zeta[i]!;
    const fy = (-g * (1 + more * ty[i]! * ty[i]!)) / zeta[i]!;
    wasX[i] = x[i]!;
    wasY[i] = y[i]!;
    waterX[i] = u;
    waterY[i] = w;
    heldX[i] = first ? 0 : x[i]! - freeX[i]!;
    heldY[i] = first ? 0 : y[i]! - freeY[i]!;
    freeX[i] = x[i]! + dt * (u + fx);
    // The bed holds what comes to it once the tensions are known.
    freeY[i] = Math.min(isHeld ? Infinity : 0, y[i]! + dt * (w + fy));
    if (isTop && !isFree) freeY[i] = 0;
  }

  function airWeight(i: number): number {
    const { kgPerM3 } = lineAt(rig, at[i]!);
    return kgPerM3 * Math.PI * 0.25 * (mm[i]! / 1000) ** 2 * half[i]! * GRAVITY;
  }
}

// What a step remembers of each node: one set for all, as the chain is borrowed.
const MOST_NODES = 512;
const wasX = new Float64Array(MOST_NODES);
const wasY = new Float64Array(MOST_NODES);
const waterX = new Float64Array(MOST_NODES);
const waterY = new Float64Array(MOST_NODES);

function record(
  path: SinkPath,
  nodes: readonly number[],
  x: Float64Array,
  y: Float64Array,
  t: number,
  topM: number,
  loadN: number,
): void {
  path.t.push(t);
  nodes.forEach((i, k) => {
    path.alongM[k]!.push(x[i]!);
    path.depthM[k]!.push(Math.max(0, -y[i]!));
  });
  path.topM.push(topM);
  path.loadN.push(loadN);
}

/** Places of the nodes as what sinks lands. */
function lay(
  { rig, start, landingM, tip }: SinkInput,
  at: readonly number[],
  x: Float64Array,
  y: Float64Array,
  depthM: number,
): void {
  const isFloated = rig.top === 'float' || rig.top === 'dry';
  const heap = isFloated ? rig.lengthM : Math.min(rig.lengthM - 0.2, 1.3 * depthM + 0.3);
  at.forEach((a, i) => {
    y[i] = 0;
    if (tip && rig.top === 'tip') {
      const share = a / rig.lengthM;
      x[i] = landingM + share * (tip.alongM - landingM);
      y[i] = share * tip.heightM;
    } else if (start === 'beyond-float') x[i] = landingM + a;
    else if (start === 'up-current') x[i] = landingM - a;
    else if (a <= heap) x[i] = landingM - (HEAP_M * a) / heap;
    else x[i] = landingM - HEAP_M - (a - heap);
  });
}
