import { depthOnLane, type SinkLane } from './lane';
import { scatterOnLane } from './depth-at';
import type { SinkPath } from './sink-path';

/** The bed is a rough field: its spread and how far apart its tops are, as shares of D84 (from memory; our guess). */
const ROUGH = { spread: 0.4, leastM: 0.015, spacing: 0.5, leastSpacingM: 0.02 } as const;
export const bedSpreadM = (d84M: number): number => Math.max(ROUGH.leastM, ROUGH.spread * d84M);
const spacingM = (d84M: number) => Math.max(ROUGH.leastSpacingM, ROUGH.spacing * d84M);

/** Touches per metre at a clearance above the mean bed (Rice 1944). */
export function touchesPerM(clearanceM: number, d84M: number): number {
  const b = bedSpreadM(d84M);
  const c = Math.max(0, clearanceM);
  return Math.exp((-c * c) / (2 * b * b)) / (2 * Math.PI * spacingM(d84M));
}

/** Five-point Gauss-Hermite, for a normal: nodes in spreads and weights. */
const HERMITE = [
  [-2.8569700138728056, 0.011257411327720691],
  [-1.3556261799742659, 0.22207592200561266],
  [0, 0.5333333333333333],
  [1.3556261799742659, 0.22207592200561266],
  [2.8569700138728056, 0.011257411327720691],
] as const;

export interface Ticks {
  /** Expected touches in the whole drift. */
  touches: number;
  /** Chance that it touches at all, and that it hangs up. */
  ticks: number;
  hangs: number;
  /** From where it ticks, m along the lane: one drift in four has touched by there; null: it hardly does. */
  fromM: number | null;
}

/** A fly that lies on the stones hangs the more the deeper it lies in them (our guess). */
const HANG_SHARE = 0.12;
/** A quarter of the drifts: what an occasional tick is. */
export const OCCASIONAL = 0.25;

/** How often a drift touches and hangs, over the drift's own scatter. `bedShiftM`: the bed lies so much lower than drawn. */
export function ticksOf(
  path: SinkPath,
  lane: SinkLane,
  {
    bedShiftM = 0,
    fly = 0,
    toM = Infinity,
  }: { bedShiftM?: number; fly?: number; toM?: number } = {},
): Ticks {
  const { s, depth, t } = goingOn(path, fly, toM);
  let [clear, holds, touches] = [0, 0, 0];
  const soFar = HERMITE.map(() => 0);
  let fromM: number | null = null;
  const hung = HERMITE.map(() => 0);
  for (let i = 1; i < s.length && s[i - 1]! < toM; i++) {
    const ds = s[i]! - s[i - 1]!;
    if (ds <= 0) continue;
    const mid = 0.5 * (s[i]! + s[i - 1]!);
    const index = Math.max(0, Math.min(lane.n - 1, Math.round((mid - lane.fromM) / lane.stepM)));
    const d84 = lane.d84M[index]!;
    const sd = scatterOnLane(lane, mid, 0.5 * (t[i]! + t[i - 1]!));
    const c = depthOnLane(lane, mid) + bedShiftM - 0.5 * (depth[i]! + depth[i - 1]!);
    const b = bedSpreadM(d84);
    let ticked = 0;
    HERMITE.forEach(([x, weight], q) => {
      const here = c + x * sd;
      const n = touchesPerM(here, d84) * ds;
      soFar[q] = soFar[q]! + n;
      hung[q] = hung[q]! + HANG_SHARE * n * (1 + Math.max(0, -here) / b);
      ticked += weight * (1 - Math.exp(-soFar[q]!));
    });
    if (fromM === null && ticked >= OCCASIONAL) fromM = s[i]!;
  }
  HERMITE.forEach(([, weight], q) => {
    touches += weight * soFar[q]!;
    clear += weight * Math.exp(-soFar[q]!);
    holds += weight * Math.exp(-hung[q]!);
  });
  return { touches, ticks: 1 - clear, hangs: Math.min(1 - clear, 1 - holds), fromM };
}

/** A fly that came to the bed as drawn goes on as it fell: the real bed may lie lower. */
function goingOn(path: SinkPath, fly: number, toM: number) {
  const [s, depth, t] = [path.alongM[fly]!, path.depthM[fly]!, path.t];
  const last = s.length - 1;
  if (path.bottomAtS === null || last < 2 || s[last]! >= toM || !Number.isFinite(toM))
    return { s, depth, t };
  const back = Math.max(0, last - FALLS_ON);
  const seconds = t[last]! - t[back]! || 1;
  const along = Math.max(LEAST_ON_MPS, (s[last]! - s[back]!) / seconds);
  const down = Math.max(0, (depth[last]! - depth[back]!) / seconds);
  const steps = Math.max(1, Math.ceil((toM - s[last]!) / ON_STEP_M));
  const stepS = (toM - s[last]!) / along / steps;
  const on = Array.from({ length: steps }, (_, i) => (i + 1) * stepS);
  return {
    s: [...s, ...on.map((d) => s[last]! + along * d)],
    depth: [...depth, ...on.map((d) => depth[last]! + down * d)],
    t: [...t, ...on.map((d) => t[last]! + d)],
  };
}
const FALLS_ON = 5;
const LEAST_ON_MPS = 0.02;
const ON_STEP_M = 0.1;

/** Clearance at which three metres of drift touch one time in four, m: what a drift aims at. */
export function aimClearanceM(d84M: number): number {
  let [lo, hi] = [0, 1];
  for (let n = 0; n < 40; n++) {
    const mid = 0.5 * (lo + hi);
    if (1 - Math.exp(-AIM_OVER_M * touchesPerM(mid, d84M)) > OCCASIONAL) lo = mid;
    else hi = mid;
  }
  return 0.5 * (lo + hi);
}
const AIM_OVER_M = 3;
