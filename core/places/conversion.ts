/** Lies of one kind that were worked: how many gave a take, and the mean chance that was promised. */
export interface Worked {
  lies: number;
  took: number;
  promised: number;
}
export interface OwnRate {
  /** Own chance of a take at a lie of the kind, with its 80 % band, 0-1. */
  best: number;
  low: number;
  high: number;
  /** Over what was promised. */
  factor: number;
}

const SHARED = { from: -1.6, to: 1.6, points: 33, sd: 0.5 } as const;
const STRENGTHS = [3, 5, 8, 13, 20, 32, 52, 82, 130];

/**
 * Own success by kind of water: each kind's rate scatters about what was promised times one factor of the
 * angler's, all unknown, on a grid (beta-binomial, log-normal factor). Few lies are drawn to the others.
 */
export function ownConversion<K extends string>(
  kinds: Readonly<Record<K, Worked>>,
): Record<K, OwnRate> {
  const names = Object.keys(kinds) as K[];
  const cells: { log: number; c: number; kappa: number }[] = [];
  for (let i = 0; i < SHARED.points; i++) {
    const x = SHARED.from + ((SHARED.to - SHARED.from) * i) / (SHARED.points - 1);
    for (const kappa of STRENGTHS) {
      let log = -0.5 * (x / SHARED.sd) ** 2;
      for (const name of names) {
        const k = kinds[name];
        const m = meanAt(Math.exp(x), k.promised);
        log += betaBinomial(k.took, k.lies, kappa * m, kappa * (1 - m));
      }
      cells.push({ log, c: Math.exp(x), kappa });
    }
  }
  const top = Math.max(...cells.map((g) => g.log));
  const weights = cells.map((g) => Math.exp(g.log - top));
  const sum = weights.reduce((a, b) => a + b, 0);
  const rateOf = (k: Worked): OwnRate => {
    let mean = 0;
    let square = 0;
    cells.forEach((g, i) => {
      const w = weights[i]! / sum;
      const m = meanAt(g.c, k.promised);
      const a = g.kappa * m + k.took;
      const n = g.kappa + k.lies;
      mean += (w * a) / n;
      square += (w * a * (a + 1)) / (n * (n + 1));
    });
    const sd = Math.sqrt(Math.max(0, square - mean * mean));
    return {
      best: mean,
      low: Math.max(0, mean - BAND_SD * sd),
      high: Math.min(1, mean + BAND_SD * sd),
      factor: mean / Math.max(1e-6, k.promised),
    };
  };
  return Object.fromEntries(names.map((name) => [name, rateOf(kinds[name])])) as Record<K, OwnRate>;
}
/** 80 % of a normal. */
const BAND_SD = 1.2816;

const meanAt = (c: number, promised: number) => Math.min(0.98, Math.max(0.005, c * promised));

/** ln of the chance of y in n under a Beta(a, b), without what is the same for all a and b. */
function betaBinomial(y: number, n: number, a: number, b: number): number {
  let log = 0;
  for (let i = 0; i < y; i++) log += Math.log(a + i);
  for (let i = 0; i < n - y; i++) log += Math.log(b + i);
  for (let i = 0; i < n; i++) log -= Math.log(a + b + i);
  return log;
}
