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
function density(a: number, b: number): { x: number; weight: number }[] {
  const lnB = lnGamma(a) + lnGamma(b) - lnGamma(a + b);
  const out: { x: number; weight: number }[] = [];
  for (let i = 0; i < POINTS; i++) {
    // x = u³(10 - 15u + 6u²) flattens both ends; dx/du = 30 u²(1-u)².
    const u = (i + 0.5) / POINTS;
    const x = u ** 3 * (10 - 15 * u + 6 * u * u);
    const dx = (30 * u * u * (1 - u) ** 2) / POINTS;
    const ln = (a - 1) * Math.log(x) + (b - 1) * Math.log1p(-x) - lnB;
    out.push({ x, weight: Math.exp(ln) * dx });
  }
  const sum = out.reduce((s, p) => s + p.weight, 0);
  return out.map((p) => ({ x: p.x, weight: p.weight / sum }));
}

/** A rate between 0 and 1 with a Beta density. */
export interface Rate {
  a: number;
  b: number;
}

/** Chance that a rate is above x. */
export function above({ a, b }: Rate, x: number): number {
  return density(a, b).reduce((sum, p) => sum + (p.x > x ? p.weight : 0), 0);
}

/** Chance that the first rate is above the second. */
export function isAbove(first: Rate, second: Rate): number {
  const one = density(first.a, first.b);
  const other = density(second.a, second.b);
  let sum = 0;
  let below = 0;
  // Both rules share their points: half of a common point counts.
  for (let i = 0; i < POINTS; i++) {
    sum += one[i]!.weight * (below + other[i]!.weight / 2);
    below += other[i]!.weight;
  }
  return sum;
}

export const meanOf = ({ a, b }: Rate): number => a / (a + b);

/** The values under which shares of the density lie; shares from the least up. */
export function quantilesOf(rate: Rate, shares: readonly number[]): number[] {
  const out: number[] = [];
  let sum = 0;
  for (const p of density(rate.a, rate.b)) {
    sum += p.weight;
    while (out.length < shares.length && sum >= shares[out.length]!) out.push(p.x);
  }
  return shares.map((_, i) => out[i] ?? 1);
}

/** The value under which a share of the density lies. */
export const quantileOf = (rate: Rate, share: number): number => quantilesOf(rate, [share])[0]!;
