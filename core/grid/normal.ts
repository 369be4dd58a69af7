/** Chance that a standard normal is below x; to 1.5e-7 (Abramowitz & Stegun 1964, 7.1.26). */
export function normalCdf(x: number): number {
  const z = Math.abs(x) / Math.SQRT2;
  const t = 1 / (1 + 0.3275911 * z);
  const poly =
    t *
    (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))));
  const upper = 0.5 * poly * Math.exp(-z * z);
  return x > 0 ? 1 - upper : upper;
}
