import type { Place } from '../grid/index';
import { diameterMm, stretchKgPerM, type Rig } from '../rig/index';
import { fullReachM, heldAir, layAir, pullAt, type AirPart, type Hang } from './air';
import { borrowChain, renewTangents, tighten, type Chain } from './chain';
import { surfaceInto, upCurrentRad, type Current } from './drift-current';
import { RETRIEVE_MPS, type DriftInput, type Mend } from './drift-input';
import type { DriftFrame } from './drift-result';
import { HELD_ON_WATER_M, isFed, LAY_DEFAULTS, layLine, mayBeHeld, type Lay } from './lays';
import { followInto, rodFor, swing, type Rod } from './rod';

const DEFAULT_RATIO = 15;
const DEFAULT_MICRO_SLACK = 0.02;
/** Slack of this much between rod and water is left alone, m. */
const LOOSE_M = 0.1;
const WATER_DENSITY = 999.7;
/** Cross-flow drag coefficient of a half-wetted cylinder at these Reynolds numbers, and its wetted share. */
const CROSS_COEFFICIENT = 1.4;
const WETTED_SHARE = 0.6;
/** Slip below which friction is taken as linear, m/s. */
const SLIP_FLOOR_MPS = 0.03;
/** Slip that the first step assumes, m/s. */
const FIRST_SLIP_MPS = 0.1;
/** Line on dry ground hardly moves: friction times this. */
const GROUND_DRAG = 200;
/** Line fed out adds at most this much, m. */
const MOST_FED_M = 20;
/** A mend leaves this much of the line beyond the leader as it lies, m (our guess). */
const MEND_KEEPS_M = 0.4;

// Own copies: imported functions are reached through getters, and these are called for every node.
const surfaceAt = surfaceInto;
const tightenChain = tighten;

/** A tip higher than this is raised over the line; what hangs from it reaches at most so far out, m. */
const HELD_TIP_M = 1.2;
const MOST_HELD_OUT_M = 1.3;
/** A pile thrown from near has this much line beyond the distance, m. */
const HELD_PILE_M = 0.5;

/** One drift under way. */
export interface Run {
  chain: Chain;
  air: AirPart;
  rod: Rod;
  current: Current;
  rig: Rig;
  /** 1/2 rho Cn d (wetted share) times the length each node stands for, N s2/m2: times slip is friction. */
  wet: Float64Array;
  /** As many nodes as paid out line may come to. */
  most: number;
  stepM: number;
  dt: number;
  roughly: boolean;
  feedGain: number;
  /** Line is paid out only while the water carries it away from the rod, and taken in before. */
  fedLate: boolean;
  retrieveMps: number;
  end: { held: true; x: number; y: number };
  /** Where the fly would be without tension. */
  freeFly: Place;
}

export function startRun(current: Current, input: DriftInput, dt: number): Run {
  const { landing, lay } = input;
  const { rig } = input;
  const upRad = upCurrentRad(current, landing.xM, landing.yM);
  const rod = rodFor(input.tip, landing, lay, upRad, current, input.stand);
  const heightM = Math.max(0.2, rod.zM);
  const nodeM = input.nodeM ?? 0.2;
  const distance = Math.hypot(rod.xM - landing.xM, rod.yM - landing.yM);
  const hang: Hang = lay.kind === 'high-stick' ? 'over' : 'lowered';
  const empty = layAir(heightM, 0, hang);
  const heldOnM = HELD_ON_WATER_M.tippet + (lay.kind === 'pile' ? HELD_ON_WATER_M.pile : 0);
  const held = mayBeHeld(lay.kind) && heightM > HELD_TIP_M && distance - heldOnM < MOST_HELD_OUT_M;
  const onWater = held
    ? Math.min(heldOnM, distance)
    : Math.max(2 * nodeM, distance - empty.restReachM);
  const ux = distance > 0 ? (rod.xM - landing.xM) / distance : 1;
  const uy = distance > 0 ? (rod.yM - landing.yM) / distance : 0;
  const entry = { xM: landing.xM + ux * onWater, yM: landing.yM + uy * onWater };
  const own: Lay = held && lay.kind === 'pile' ? { kind: 'pile', extraM: HELD_PILE_M } : lay;
  const laid = layLine(own, landing, entry, upRad, held ? Math.min(nodeM, 0.1) : nodeM);
  const slack = 1 + (input.microSlack ?? DEFAULT_MICRO_SLACK);
  const stepM = laid.stepM * slack;
  const lengthM = stepM * (laid.n - 1);
  const air = held
    ? heldAir(rig, heightM, lengthM, distance - onWater)
    : layAir(heightM, stretchKgPerM(rig, lengthM, empty.lengthM), hang);
  air.lengthM = Math.max(air.lengthM, Math.hypot(distance - onWater, heightM));
  const fed = isFed(lay.kind) ? Math.ceil(MOST_FED_M / stepM) : 0;
  const most = laid.n + fed;
  const chain = borrowChain(laid.n, input.dragRatio ?? DEFAULT_RATIO, most);
  chain.x.set(laid.x);
  chain.y.set(laid.y);
  chain.rest.fill(stepM);
  chain.zeta.fill(rig.flyDragNsPerM);
  chain.rest[laid.n - 1] = fullReachM(heightM, air.lengthM);
  const handLine = lay.kind !== 'feed' && lay.kind !== 'bank-lay';
  return {
    chain,
    air,
    rod,
    current,
    rig,
    wet: wettedDrag(most, stepM, rig),
    most,
    stepM,
    dt,
    roughly: input.roughly ?? false,
    feedGain: lay.kind === 'feed' ? (lay.gain ?? LAY_DEFAULTS.feedGain) : 0,
    fedLate: lay.kind === 'late-feed',
    retrieveMps: handLine ? (input.retrieveMps ?? RETRIEVE_MPS) : 0,
    end: { held: true, x: rod.xM, y: rod.yM },
    freeFly: { xM: landing.xM, yM: landing.yM },
  };
}

/** One step: friction, the current, the rod, the hand, then the tensions. False: not settled. */
export function step(run: Run, first: boolean): boolean {
  const { chain, rod, end } = run;
  renewTangents(chain);
  renewFriction(run, first);
  advect(run);
  const i = chain.n - 1;
  followInto(rod, { xM: chain.x[i]!, yM: chain.y[i]! }, run.current, run.dt);
  end.x = rod.xM;
  end.y = rod.yM;
  if (run.feedGain > 0) payOut(run, run.feedGain);
  else if (run.fedLate && goesAway(run)) payOut(run, LAY_DEFAULTS.feedGain);
  else if (run.retrieveMps > 0) takeIn(run);
  pullEntry(run);
  run.freeFly.xM = chain.freeX[0]!;
  run.freeFly.yM = chain.freeY[0]!;
  return tightenChain(chain, end);
}

function wettedDrag(most: number, stepM: number, rig: Rig): Float64Array {
  return Float64Array.from({ length: most }, (_, i) => {
    const d = diameterMm(rig, i * stepM) / 1000;
    const length = i === 0 || i === most - 1 ? 0.5 * stepM : stepM;
    return 0.5 * WATER_DENSITY * CROSS_COEFFICIENT * WETTED_SHARE * d * length;
  });
}

/** Quadratic friction, linearised on the slip of the last step and averaged with it. */
function renewFriction(run: Run, first: boolean): void {
  const { chain, wet, dt, rig } = run;
  const { n, x, y, freeX, freeY, heldX, heldY, zeta, dry } = chain;
  for (let i = 0; i < n; i++) {
    const dx = x[i]! - freeX[i]!;
    const dy = y[i]! - freeY[i]!;
    heldX[i] = first ? 0 : dx;
    heldY[i] = first ? 0 : dy;
    const slip = first ? FIRST_SLIP_MPS : Math.sqrt(dx * dx + dy * dy) / dt;
    let z = wet[i]! * Math.max(SLIP_FLOOR_MPS, slip) + (i === 0 ? rig.flyDragNsPerM : 0);
    if (dry[i]) z *= GROUND_DRAG;
    zeta[i] = first ? z : 0.5 * (zeta[i]! + z);
  }
}

/** Midpoint rule; Euler's when it need only be rough. */
function advect({ chain, current, dt, roughly }: Run): void {
  const { n, x, y, freeX, freeY } = chain;
  for (let i = 0; i < n; i++) {
    let s = surfaceAt(current, x[i]!, y[i]!);
    chain.dry[i] = s.depthM > 0 ? 0 : 1;
    if (!roughly) s = surfaceAt(current, x[i]! + 0.5 * dt * s.u, y[i]! + 0.5 * dt * s.v);
    freeX[i] = x[i]! + dt * s.u;
    freeY[i] = y[i]! + dt * s.v;
  }
}

/** Distance from the entry, where it would be free, to the tip. */
function entryToTip({ chain, end }: Run): number {
  const dx = end.x - chain.freeX[chain.n - 1]!;
  const dy = end.y - chain.freeY[chain.n - 1]!;
  return Math.sqrt(dx * dx + dy * dy);
}

/**
 * How far out the line enters the water. The entry node is the nearest to that place, and more or less
 * than the resting length hangs beyond it: the difference is taken off, so that nothing jumps when a
 * node is lifted or laid down.
 */
const entersAt = (run: Run, distance: number) =>
  Math.max(0, distance - (run.air.lengthM - run.air.restLengthM));

/**
 * The sag of the line in the air draws the entry toward the tip. On a slack line it moves alone, and
 * d' = -m T0 (d/d0)^2 gives d(dt) = d/(1 + m T0 d dt/d0^2); on a tight one the pull T is a force that
 * the chain shares out.
 */
function pullEntry(run: Run): void {
  const { chain, end, air, dt } = run;
  const i = chain.n - 1;
  const dx = end.x - chain.freeX[i]!;
  const dy = end.y - chain.freeY[i]!;
  const distance = Math.sqrt(dx * dx + dy * dy);
  chain.pullX = 0;
  chain.pullY = 0;
  if (distance < 1e-6) return;
  const along = (dx * chain.tx[i]! + dy * chain.ty[i]!) / distance;
  const mobility = (1 + (chain.dragRatio - 1) * along * along) / chain.zeta[i]!;
  const tight = chain.lambda[i - 1]! > 0;
  const pull = pullAt(air, entersAt(run, distance));
  const move = tight
    ? Math.min(MOST_PULLED_M, dt * mobility * pull)
    : distance * (1 - 1 / (1 + (mobility * pull * dt) / distance));
  chain.pullX = (move * dx) / distance;
  chain.pullY = (move * dy) / distance;
  chain.freeX[i] = chain.freeX[i]! + chain.pullX;
  chain.freeY[i] = chain.freeY[i]! + chain.pullY;
}
/** A free place farther off than this is a slip of the arithmetic, m. */
const MOST_PULLED_M = 20;

/** Whether the water where the line enters carries it away from the tip. */
function goesAway({ chain, current, end }: Run): boolean {
  const i = chain.n - 1;
  const s = surfaceInto(current, chain.x[i]!, chain.y[i]!);
  return s.u * (chain.x[i]! - end.x) + s.v * (chain.y[i]! - end.y) > 0;
}

/** Line is paid out at `gain` times the pace of the water where it enters; a length that is due becomes a node. */
function payOut(run: Run, gain: number): void {
  const { chain, air, current, end } = run;
  const i = chain.n - 1;
  const s = surfaceInto(current, chain.x[i]!, chain.y[i]!);
  air.lengthM += gain * Math.hypot(s.u, s.v) * run.dt;
  const spare = air.lengthM - air.restLengthM;
  if (spare > 1.5 * run.stepM && chain.n < run.most) {
    const distance = Math.max(1e-6, entryToTip(run));
    const share = Math.min(run.stepM, 0.5 * distance) / distance;
    for (const [at, tip] of [
      [chain.x, end.x],
      [chain.y, end.y],
    ] as const)
      at[i + 1] = at[i]! + share * (tip - at[i]!);
    chain.freeX[i + 1] = chain.freeX[i]! + share * (end.x - chain.freeX[i]!);
    chain.freeY[i + 1] = chain.freeY[i]! + share * (end.y - chain.freeY[i]!);
    chain.rest[i] = run.stepM;
    chain.zeta[i + 1] = chain.zeta[i]!;
    chain.tx[i + 1] = chain.tx[i]!;
    chain.ty[i + 1] = chain.ty[i]!;
    chain.lambda[i + 1] = chain.lambda[i]!;
    chain.dry[i + 1] = chain.dry[i]!;
    chain.n++;
    air.lengthM -= run.stepM;
  }
  chain.rest[chain.n - 1] = fullReachM(air.heightM, air.lengthM);
}

/** Slack that gathers under the rod is taken in, and line lifted off the water as it shortens. */
function takeIn(run: Run): void {
  const { chain, air } = run;
  const loose = air.restReachM - LOOSE_M - entersAt(run, entryToTip(run));
  if (loose <= 0 || chain.n <= 3) return;
  air.lengthM -= Math.min(loose, run.retrieveMps * run.dt);
  if (air.lengthM < air.restLengthM - 0.5 * run.stepM) {
    chain.n--;
    air.lengthM += run.stepM;
    chain.lambda[chain.n] = 0;
  }
  air.lengthM = Math.max(air.lengthM, air.heightM);
  chain.rest[chain.n - 1] = Math.max(entryToTip(run), fullReachM(air.heightM, air.lengthM));
}

/**
 * An on-water mend: all line farther from the fly than leader and a little is lifted and thrown over
 * with the rod, the farther the more, measured along the line. What slack does not allow, the fly pays.
 */
export function throwOver(run: Run, mend: Mend): void {
  const { chain, rod, rig, stepM } = run;
  const keep = rig.leaderM + MEND_KEEPS_M;
  const whole = stepM * (chain.n - 1);
  const fly = { xM: chain.x[0]!, yM: chain.y[0]! };
  const up = upCurrentRad(run.current, fly.xM, fly.yM);
  const sign = mend.toward === 'up-current' ? 1 : -1;
  for (let i = 0; i < chain.n; i++) {
    const share = Math.max(0, (stepM * i - keep) / Math.max(stepM, whole - keep));
    chain.x[i] = chain.x[i]! + sign * share * mend.amountM * Math.cos(up);
    chain.y[i] = chain.y[i]! + sign * share * mend.amountM * Math.sin(up);
  }
  swing(rod, mend.toward, mend.amountM, up, fly, run.current);
}

/** Line beyond the straight way from the fly to the tip, m: what a strike has to take up. */
/** Line and leader from the fly to the tip, m. */
export const lineOutOf = ({ chain, air, stepM }: Run): number =>
  stepM * (chain.n - 1) + air.lengthM;

export function slackOf(run: Run): number {
  const { chain, air, end } = run;
  const out = Math.hypot(end.x - chain.x[0]!, end.y - chain.y[0]!);
  return Math.max(0, lineOutOf(run) - Math.hypot(out, air.heightM));
}

export function linePlaces({ chain, rod }: Run): Place[] {
  const out: Place[] = [];
  for (let i = 0; i < chain.n; i++) out.push({ xM: chain.x[i]!, yM: chain.y[i]! });
  out.push({ xM: rod.xM, yM: rod.yM });
  return out;
}

export const frameOf = (run: Run, tS: number, dragMps: number): DriftFrame => ({
  tS,
  line: linePlaces(run),
  tensionN: Array.from(run.chain.lambda.subarray(0, run.chain.n), (l) => l / run.dt),
  dragMps,
});

/** A rod lifted about the hand to strike: tip pace, the most it turns, how it begins. */
export interface Lift {
  hand: Place;
  lengthM: number;
  toward: number;
  angleRad: number;
  mostRad: number;
}
const HAND_M = 0.9;
const STRIKE_TIP_MPS = 5;
const STRIKE_TURN_RAD = (80 * Math.PI) / 180;
/** The fly in a fish's mouth gives way to nothing. */
const HELD_FAST = 1e6;

export function beginLift({ rod, end }: Run, stand: Place): Lift {
  const out = Math.hypot(end.x - stand.xM, end.y - stand.yM);
  const angleRad = Math.atan2(rod.zM - HAND_M, out);
  return {
    hand: stand,
    lengthM: Math.hypot(rod.zM - HAND_M, out),
    toward: Math.atan2(end.y - stand.yM, end.x - stand.xM),
    angleRad,
    mostRad: angleRad + STRIKE_TURN_RAD,
  };
}

/** One step of the strike with the fly held fast. The pull on the fly, N; null once the rod has turned all it can. */
export function lift(run: Run, rise: Lift): number | null {
  if (rise.angleRad >= rise.mostRad) return null;
  const { chain, end, air, dt } = run;
  rise.angleRad += (STRIKE_TIP_MPS * dt) / rise.lengthM;
  const out = rise.lengthM * Math.cos(rise.angleRad);
  end.x = rise.hand.xM + out * Math.cos(rise.toward);
  end.y = rise.hand.yM + out * Math.sin(rise.toward);
  const heightM = Math.max(0.2, HAND_M + rise.lengthM * Math.sin(rise.angleRad));
  renewTangents(chain);
  renewFriction(run, false);
  advect(run);
  chain.zeta[0] = HELD_FAST;
  chain.freeX[0] = chain.x[0]!;
  chain.freeY[0] = chain.y[0]!;
  chain.pullX = 0;
  chain.pullY = 0;
  chain.rest[chain.n - 1] = fullReachM(heightM, air.lengthM);
  tightenChain(chain, end);
  return chain.lambda[0]! / dt;
}
