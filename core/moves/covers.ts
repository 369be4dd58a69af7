/** At most so many covers of one lie are planned. */
export const MOST_COVERS = 8;

/** One lie to be covered: chance p that a fish there is willing and calm, a that one cover is answered; times s. */
export interface Coverable {
  p: number;
  a: number;
  coverS: number;
  /** What a take costs, s. */
  takeS: number;
  worth?: number;
}

/** Chance of a take in n covers. */
export const gainOf = ({ p, a, worth = 1 }: Coverable, n: number): number =>
  worth * p * (1 - (1 - a) ** n);

/** Covers that are made when n are planned: a take ends them. Σ_{k<n} (1 - p + p(1-a)^k). */
export function expectedCovers({ p, a }: Coverable, n: number): number {
  if (a <= 0) return n;
  return n * (1 - p) + (p * (1 - (1 - a) ** n)) / a;
}

/** Seconds that n planned covers come to, takes among them. */
export const secondsOfCovers = (lie: Coverable, n: number): number =>
  lie.coverS * expectedCovers(lie, n) + lie.takeS * gainOf({ ...lie, worth: 1 }, n);

/** Takes over what the time would bring elsewhere, at λ takes an hour. */
export const netOf = (lie: Coverable, n: number, lambda: number): number =>
  gainOf(lie, n) - (lambda / 3600) * secondsOfCovers(lie, n);

/**
 * How many covers pay: on while the odds that are left times the chance beat what elsewhere pays
 * (marginal value, Charnov 1976). n* = floor(ln(odds (a-ρ)/ρ) / -ln(1-a)) + 1, at most `most`; 0 where
 * the first does not pay.
 */
export function bestCovers(lie: Coverable, lambda: number, most = MOST_COVERS): number {
  const { p, a, coverS, takeS, worth = 1 } = lie;
  const perS = lambda / 3600;
  const rho = (perS * coverS) / (worth - perS * takeS);
  if (p <= 0 || a <= 0 || !(rho < a) || rho < 0) return 0;
  if (rho === 0 || p >= 1 || a >= 1) return a >= 1 && p < 1 && p * a < rho ? 0 : a >= 1 ? 1 : most;
  const x = ((p / (1 - p)) * (a - rho)) / rho;
  if (x < 1) return 0;
  return Math.min(most, Math.floor(Math.log(x) / -Math.log(1 - a)) + 1);
}

/** Chance p after n covers that nothing answered. */
export function afterBlanks(p: number, a: number, n: number): number {
  const none = (1 - a) ** n;
  return (p * none) / (1 - p + p * none);
}
