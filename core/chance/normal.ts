/** Standard normal distribution (Abramowitz & Stegun 1964, 7.1.26: |error| < 1.5e-7). */
export function normalCdf(x: number): number {
  const z = Math.abs(x) / Math.SQRT2;
  const t = 1 / (1 + 0.3275911 * z);
  const poly =
    t *
    (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))));
  const erf = 1 - poly * Math.exp(-z * z);
  return x >= 0 ? 0.5 * (1 + erf) : 0.5 * (1 - erf);
}

/** The place in a standard normal below which a share lies, by bisection; share within (0, 1). */
export function normalQuantile(share: number): number {
  let [lo, hi] = [-8, 8];
  for (let n = 0; n < 60; n++) {
    const mid = (lo + hi) / 2;
    if (normalCdf(mid) < share) lo = mid;
    else hi = mid;
  }
  return (lo + hi) / 2;
}

export const logit = (p: number): number => Math.log(p / (1 - p));
export const logistic = (x: number): number => 1 / (1 + Math.exp(-x));
