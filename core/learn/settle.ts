import { cholesky, forwards } from '../day/index';

/** What is thought of a figure before anything is counted: mean and spread. */
export interface Before {
  mean: number;
  spread: number;
}
/** The likeliest values, and the spread of each. */
export interface Settled {
  best: number[];
  spread: number[];
  /** Spread of the sum of some of them. */
  spreadOf(which: readonly number[]): number;
  /** How far the first so many of them lie from a place together, in squared spreads (Wald's chi-square). */
  farFrom(at: readonly number[]): number;
}

const MOST_STEPS = 40;
/** Steps end where the last went less than this of a figure's spread. */
const CLOSE = 1e-3;
/** Differences are taken over this share of a figure's spread. */
const STEP = 0.05;

/**
 * The likeliest values of a few figures, and their spreads by the curvature there (Laplace): Newton's
 * steps over differences of `logLikelihood` and a normal prior each. The same data give the same answer.
 */
export function settle(
  logLikelihood: (x: readonly number[]) => number,
  before: readonly Before[],
): Settled {
  const n = before.length;
  const h = before.map((b) => STEP * b.spread);
  const log = (x: readonly number[]) =>
    logLikelihood(x) -
    before.reduce((sum, b, i) => sum + 0.5 * ((x[i]! - b.mean) / b.spread) ** 2, 0);
  let x = before.map((b) => b.mean);
  let here = log(x);
  const moved = (by: [number, number][]) => {
    const at = [...x];
    for (const [i, times] of by) at[i] = at[i]! + times * h[i]!;
    return log(at);
  };
  let lower: Float64Array = new Float64Array(n * n);
  for (let step = 0; step < MOST_STEPS; step++) {
    const slope = new Float64Array(n);
    const bend = new Float64Array(n * n);
    // Both sides of each figure by itself: the mixed differences stand on them.
    const alone = new Float64Array(n);
    for (let i = 0; i < n; i++) {
      const [up, down] = [moved([[i, 1]]), moved([[i, -1]])];
      alone[i] = up + down;
      slope[i] = (up - down) / (2 * h[i]!);
      bend[i * n + i] = -(up - 2 * here + down) / h[i]! ** 2;
      for (let j = 0; j < i; j++) {
        const cross = (a: number) =>
          moved([
            [i, a],
            [j, a],
          ]);
        const mixed =
          (cross(1) + cross(-1) - alone[i]! - alone[j]! + 2 * here) / (2 * h[i]! * h[j]!);
        bend[i * n + j] = bend[j * n + i] = -mixed;
      }
    }
    lower = triangleOf(bend, n, before);
    const by = backwards(lower, forwards(lower, slope, n), n);
    const next = upTheHill(log, x, by, here);
    const far = Math.max(...next.x.map((v, i) => Math.abs(v - x[i]!) / before[i]!.spread));
    [x, here] = [next.x, next.log];
    if (far < CLOSE) break;
  }
  const spreadOf = (which: readonly number[]) => Math.sqrt(varianceOf(lower, which, n));
  const farFrom = (at: readonly number[]) => {
    const rest = Float64Array.from(x, (v, i) => (i < at.length ? v - at[i]! : 0));
    return squaredIn(covarianceOf(lower, at.length, n), rest.subarray(0, at.length));
  };
  return { best: x, spread: x.map((_, i) => spreadOf([i])), spreadOf, farFrom };
}

/** Where the surface is no hilltop yet, the prior's own curvature is added until it is one. */
function triangleOf(bend: Float64Array, n: number, before: readonly Before[]) {
  for (let ridge = 0; ; ridge = ridge === 0 ? 1 : 4 * ridge) {
    const raised = Float64Array.from(bend);
    before.forEach((b, i) => (raised[i * n + i] = raised[i * n + i]! + ridge / b.spread ** 2));
    try {
      return cholesky(raised, n);
    } catch (error) {
      if (!(error instanceof RangeError) || ridge > 1e9) throw error;
    }
  }
}

/** A step, halved until it leads up. */
function upTheHill(
  log: (x: readonly number[]) => number,
  x: readonly number[],
  by: ArrayLike<number>,
  here: number,
) {
  for (let share = 1; share > 1e-6; share /= 2) {
    const at = x.map((v, i) => v + share * by[i]!);
    const there = log(at);
    if (there >= here) return { x: at, log: there };
  }
  return { x: [...x], log: here };
}

/** x of Lᵀ x = b. */
function backwards(l: Float64Array, b: ArrayLike<number>, n: number): Float64Array {
  const x = new Float64Array(n);
  for (let i = n - 1; i >= 0; i--) {
    let sum = b[i]!;
    for (let k = i + 1; k < n; k++) sum -= l[k * n + i]! * x[k]!;
    x[i] = sum / l[i * n + i]!;
  }
  return x;
}

/** Variance of the sum of some figures whose covariance is (L Lᵀ)⁻¹. */
function varianceOf(l: Float64Array, which: readonly number[], n: number): number {
  const weights = new Float64Array(n);
  for (const i of which) weights[i] = 1;
  const v = forwards(l, weights, n);
  return v.reduce((sum, a) => sum + a * a, 0);
}

/** Covariance of the first m figures. */
function covarianceOf(l: Float64Array, m: number, n: number): Float64Array {
  const out = new Float64Array(m * m);
  const columns = Array.from({ length: m }, (_, i) => {
    const unit = new Float64Array(n);
    unit[i] = 1;
    return forwards(l, unit, n);
  });
  columns.forEach((a, i) =>
    columns.forEach((b, j) => (out[i * m + j] = a.reduce((sum, v, k) => sum + v * b[k]!, 0))),
  );
  return out;
}

/** dᵀ C⁻¹ d. */
function squaredIn(covariance: Float64Array, d: Float64Array): number {
  const v = forwards(cholesky(covariance, d.length), d, d.length);
  return v.reduce((sum, a) => sum + a * a, 0);
}
