/** ln Γ(x), x > 0: Lanczos' series (Numerical Recipes' coefficients, from memory), error under 1e-10. */
export function lnGamma(x: number): number {
  const c = [
    76.1800917294715, -86.5053203294168, 24.01409824083091, -1.231739572450155,
    0.001208650973866179, -0.000005395239384953,
  ];
  const t = x + 5.5 - (x + 0.5) * Math.log(x + 5.5);
  const sum = c.reduce((s, k, i) => s + k / (x + 1 + i), 1.000000000190015);
  return -t + Math.log((2.506628274631 * sum) / x);
}

/** Points of a rule that is dense at both ends, where these densities have their corners. */
const POINTS = 2000;
/** The rule itself, once: places, the logarithms that a density needs there, and widths. */
const RULE = (() => {
  const make = () => new Float64Array(POINTS);
  const [x, lnX, lnRest, dx] = [make(), make(), make(), make()];
  for (let i = 0; i < POINTS; i++) {
    // x = u³(10 - 15u + 6u²) flattens both ends; dx/du = 30 u²(1-u)².
    const u = (i + 0.5) / POINTS;
    x[i] = u ** 3 * (10 - 15 * u + 6 * u * u);
    lnX[i] = Math.log(x[i]!);
    lnRest[i] = Math.log1p(-x[i]!);
    dx[i] = (30 * u * u * (1 - u) ** 2) / POINTS;
  }
  return { x, lnX, lnRest, dx };
})();

/** Weights of a Beta density at the places of the rule; they add up to 1. */
function density(a: number, b: number): Float64Array {
  const lnB = lnGamma(a) + lnGamma(b) - lnGamma(a + b);
  const out = new Float64Array(POINTS);
  let sum = 0;
  for (let i = 0; i < POINTS; i++) {
    out[i] = Math.exp((a - 1) * RULE.lnX[i]! + (b - 1) * RULE.lnRest[i]! - lnB) * RULE.dx[i]!;
    sum += out[i]!;
  }
  for (let i = 0; i < POINTS; i++) out[i] = out[i]! / sum;
  return out;
}

/** A rate between 0 and 1 with a Beta density. */
export interface Rate {
  a: number;
  b: number;
}

/** Chance that a rate is above x. */
export function above({ a, b }: Rate, x: number): number {
  return density(a, b).reduce((sum, weight, i) => sum + (RULE.x[i]! > x ? weight : 0), 0);
}

/** Chance that the first rate is above the second. */
export function isAbove(first: Rate, second: Rate): number {
  const one = density(first.a, first.b);
  const other = density(second.a, second.b);
  let sum = 0;
  let below = 0;
  // Both rules share their points: half of a common point counts.
  for (let i = 0; i < POINTS; i++) {
    sum += one[i]! * (below + other[i]! / 2);
    below += other[i]!;
  }
  return sum;
}

export const meanOf = ({ a, b }: Rate): number => a / (a + b);

/** The values under which shares of the density lie; shares from the least up. */
export function quantilesOf(rate: Rate, shares: readonly number[]): number[] {
  const out: number[] = [];
  let sum = 0;
  density(rate.a, rate.b).forEach((weight, i) => {
    sum += weight;
    while (out.length < shares.length && sum >= shares[out.length]!) out.push(RULE.x[i]!);
  });
  return shares.map((_, i) => out[i] ?? 1);
}

/** The value under which a share of the density lies. */
export const quantileOf = (rate: Rate, share: number): number => quantilesOf(rate, [share])[0]!;
