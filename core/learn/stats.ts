import { normalQuantile } from '../chance/index';
import { lnGamma, quantilesOf } from '../moves/index';

/** A share with its interval. */
export interface Share {
  best: number;
  low: number;
  high: number;
  /** Of so many. */
  k: number;
  n: number;
}

/** Wilson's interval of k in n (Wilson 1927), at a level of confidence. n 0: nothing is known. */
export function wilson(k: number, n: number, level = 0.95): Share {
  if (n === 0) return { best: NaN, low: 0, high: 1, k, n };
  const z = normalQuantile((1 + level) / 2);
  const p = k / n;
  const middle = (p + (z * z) / (2 * n)) / (1 + (z * z) / n);
  const half = (z / (1 + (z * z) / n)) * Math.sqrt((p * (1 - p)) / n + (z * z) / (4 * n * n));
  return { best: p, low: Math.max(0, middle - half), high: Math.min(1, middle + half), k, n };
}

/** A group of one factor: so many of so many. */
export interface Count {
  k: number;
  n: number;
}

/** How alike the groups of a factor are: each one's rate about the mean, as strong as so many trials. */
export interface Pooling {
  mean: number;
  strength: number;
}

const STRENGTHS = [4, 8, 16, 32, 64, 128, 256, 512, 1024];

/** ln of the chance of k in n under a Beta(a, b), without what is the same for all a and b. */
function logBetaBinomial(k: number, n: number, a: number, b: number): number {
  const rises = (x: number, by: number) => lnGamma(x + by) - lnGamma(x);
  return rises(a, k) + rises(b, n - k) - rises(a + b, n);
}

/**
 * Mean and strength of a factor's groups: the mean is that of all (with one of each added), the strength
 * the mean over a grid of how well each tells the groups (empirical Bayes, even in its logarithm).
 */
export function pool(groups: readonly Count[]): Pooling {
  const k = groups.reduce((s, g) => s + g.k, 0);
  const n = groups.reduce((s, g) => s + g.n, 0);
  const mean = (k + 1) / (n + 2);
  const logs = STRENGTHS.map((strength) =>
    groups.reduce(
      (s, g) => s + logBetaBinomial(g.k, g.n, strength * mean, strength * (1 - mean)),
      0,
    ),
  );
  const top = Math.max(...logs);
  const weights = logs.map((l) => Math.exp(l - top));
  const sum = weights.reduce((a, b) => a + b, 0);
  const strength = Math.exp(
    weights.reduce((s, w, i) => s + (w / sum) * Math.log(STRENGTHS[i]!), 0),
  );
  return { mean, strength };
}

/** A group's rate drawn towards the others: few trials far, many hardly. */
export const shrunk = (count: Count, pooling: Pooling): Share => shrunkAt(count, pooling).told;

/** The same, and with its interval at another level too: surer than .95. */
export function shrunkAt(
  { k, n }: Count,
  { mean, strength }: Pooling,
  level = 0.95,
): { told: Share; sure: Share } {
  const rate = { a: strength * mean + k, b: strength * (1 - mean) + n - k };
  const [least, low, high, most] = quantilesOf(rate, [
    (1 - level) / 2,
    0.025,
    0.975,
    (1 + level) / 2,
  ]) as [number, number, number, number];
  const share = { best: rate.a / (rate.a + rate.b), k, n };
  return { told: { ...share, low, high }, sure: { ...share, low: least, high: most } };
}

/** Rate of the first less the second, with its interval (Newcombe 1998, method 10: Wilson's intervals squared together). */
export function difference(
  a: Count,
  b: Count,
  level = 0.95,
): { best: number; low: number; high: number } {
  const [one, other] = [wilson(a.k, a.n, level), wilson(b.k, b.n, level)];
  if (a.n === 0 || b.n === 0) return { best: NaN, low: -1, high: 1 };
  const best = one.best - other.best;
  return {
    best,
    low: best - Math.hypot(one.best - one.low, other.high - other.best),
    high: best + Math.hypot(one.high - one.best, other.best - other.low),
  };
}

/** The value that a chi-square of so many figures stays under with this chance (Wilson and Hilferty 1931, within 1 % from .9 on). */
export function chiSquareQuantile(share: number, figures: number): number {
  const by = 2 / (9 * figures);
  return figures * (1 - by + normalQuantile(share) * Math.sqrt(by)) ** 3;
}

/** One thing that was said with a chance, and whether it came. */
export interface Said {
  chance: number;
  came: boolean;
}

/** logit P(came) = a + b logit(said): b 1 and a 0 where what was said was right. */
export interface Calibration {
  slope: number;
  slopeSd: number;
  shift: number;
  shiftSd: number;
  n: number;
}

const MOST_STEPS = 30;
/** A weak pull to b = 1, a = 0, as of so few trials: few tries say little. */
const PULL = 0.25;
const logit = (p: number) => Math.log(p / (1 - p));
/** Nothing is said as never or always. */
const within = (p: number) => Math.min(0.995, Math.max(0.005, p));

/** Logistic regression of what came on what was said (Newton's steps). null: nothing was said. */
export const calibration = (said: readonly Said[]): Calibration | null =>
  calibrationOf(said.map((s) => ({ chance: s.chance, k: s.came ? 1 : 0, n: 1 })));

/** The same of things said alike n times, of which k came. */
export function calibrationOf(said: readonly ({ chance: number } & Count)[]): Calibration | null {
  if (said.length === 0) return null;
  let [a, b] = [0, 1];
  let information = [PULL, 0, PULL];
  for (let step = 0; step < MOST_STEPS; step++) {
    let [ga, gb] = [-PULL * a, -PULL * (b - 1)];
    let [haa, hab, hbb] = [PULL, 0, PULL];
    for (const { chance, k, n } of said) {
      const x = logit(within(chance));
      const p = 1 / (1 + Math.exp(-(a + b * x)));
      const w = n * p * (1 - p);
      ga += k - n * p;
      gb += (k - n * p) * x;
      haa += w;
      hab += w * x;
      hbb += w * x * x;
    }
    information = [haa, hab, hbb];
    const det = haa * hbb - hab * hab;
    const da = (hbb * ga - hab * gb) / det;
    const db = (haa * gb - hab * ga) / det;
    a += da;
    b += db;
    if (Math.abs(da) + Math.abs(db) < 1e-10) break;
  }
  const [haa, hab, hbb] = information as [number, number, number];
  const det = haa * hbb - hab * hab;
  return {
    slope: b,
    slopeSd: Math.sqrt(haa / det),
    shift: a,
    shiftSd: Math.sqrt(hbb / det),
    n: said.reduce((sum, s) => sum + s.n, 0),
  };
}
