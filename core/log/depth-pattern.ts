/** One place tried or looked at: what the water is there, and whether a fish was found. */
export interface Look {
  depthM: number;
  /** Depth-mean pace, m/s. */
  meanSpeedMps: number;
  found: boolean;
  /** How much a blank says, 0-1: one cast says less than three. Fish found count whole. */
  weight?: number;
}

/** Best value with its 10th and 90th percentile. */
export interface Spread {
  best: number;
  low: number;
  high: number;
}

export type DepthPattern =
  | { kind: 'too few'; found: number; blank: number; needs: number }
  | {
      kind: 'pattern';
      found: number;
      blank: number;
      depthM: Spread;
      meanSpeedMps: Spread;
      /** Chance of a fish at such a place over the chance at the best, 0-1. */
      fits(depthM: number, meanSpeedMps: number): number;
    };

/** Fewer fish than this are no pattern. */
export const LEAST_FOUND = 2;
/** A cast that reaches a fish at home is answered this often (common practice: three show it). */
const ANSWERED = 0.35;

/** How much n casts without an answer say that nobody is home. */
export const blankWeight = (casts: number) => 1 - (1 - ANSWERED) ** casts;

/**
 * Where fish are being found today. Chance of finding one falls off on both sides of a centre,
 * p = most exp(-((ln x - ln c)/s)^2 / 2), for depth and for pace each by itself; centre, spread and
 * most are not known, so all of a grid are weighed by how well they tell the fish found from the
 * places drawn blank (Bayes, even prior in ln c, s and most). Our own model.
 */
export function depthPattern(looks: readonly Look[], prior?: PatternPrior): DepthPattern {
  const found = looks.filter((l) => l.found).length;
  const blank = looks.length - found;
  if (found < LEAST_FOUND && !prior) return { kind: 'too few', found, blank, needs: LEAST_FOUND };
  const weighed = looks.map((l) => ({ ...l, weight: l.found ? 1 : (l.weight ?? 1) }));
  const depth = posterior(
    weighed.map((l) => ({ x: l.depthM, found: l.found, weight: l.weight })),
    [0.08, 2.5],
    prior?.depthM,
  );
  const pace = posterior(
    // Still water has a logarithm too: paces are told apart from 2 cm/s on.
    weighed.map((l) => ({ x: Math.max(0.02, l.meanSpeedMps), found: l.found, weight: l.weight })),
    [0.02, 1.5],
    prior?.meanSpeedMps,
  );
  return {
    kind: 'pattern',
    found,
    blank,
    depthM: depth.spread,
    meanSpeedMps: pace.spread,
    fits: (depthM, meanSpeedMps) =>
      depth.chance(depthM) * pace.chance(Math.max(0.02, meanSpeedMps)),
  };
}

/** Where fish were found before: the centre, with its 10th and 90th percentile. */
export interface PatternPrior {
  depthM: Spread;
  meanSpeedMps: Spread;
}
const EIGHT_IN_TEN = 1.2816;
/** A day's fish lie so far from its season's, in the logarithm (our guess). */
const DAYS_DIFFER = 0.5;
const CENTRES = 60;
const SPREADS = [0.15, 0.22, 0.33, 0.5, 0.75, 1.1];
const MOST = [0.15, 0.3, 0.45, 0.6, 0.75, 0.9];

function posterior(
  looks: readonly { x: number; found: boolean; weight: number }[],
  [lo, hi]: readonly [number, number],
  prior?: Spread,
): { spread: Spread; chance: (x: number) => number } {
  const step = Math.log(hi / lo) / (CENTRES - 1);
  const centres = Array.from({ length: CENTRES }, (_, i) => Math.log(lo) + i * step);
  const cells: { c: number; s: number; log: number }[] = [];
  const before = prior && {
    centre: Math.log(prior.best),
    sd: Math.hypot(DAYS_DIFFER, Math.log(prior.high / prior.low) / (2 * EIGHT_IN_TEN)),
  };
  for (const c of centres) {
    const told = before ? -0.5 * ((c - before.centre) / before.sd) ** 2 : 0;
    for (const s of SPREADS) {
      for (const most of MOST) {
        let log = told;
        for (const l of looks) {
          const p = most * bell(Math.log(l.x), c, s);
          log += l.found ? Math.log(Math.max(1e-9, p)) : l.weight * Math.log(1 - p);
        }
        cells.push({ c, s, log });
      }
    }
  }
  const top = Math.max(...cells.map((g) => g.log));
  const weights = cells.map((g) => Math.exp(g.log - top));
  const sum = weights.reduce((a, b) => a + b, 0);
  const byCentre = centres.map((c) =>
    cells.reduce((a, g, i) => (g.c === c ? a + weights[i]! / sum : a), 0),
  );
  const at = (share: number) => {
    let passed = 0;
    for (let i = 0; i < CENTRES; i++) {
      if (passed + byCentre[i]! >= share) {
        const within = (share - passed) / byCentre[i]! - 0.5;
        return Math.exp(centres[i]! + within * step);
      }
      passed += byCentre[i]!;
    }
    return hi;
  };
  const raw = (x: number) =>
    cells.reduce((a, g, i) => a + weights[i]! * bell(Math.log(x), g.c, g.s), 0);
  const best = Math.max(...centres.map((c) => raw(Math.exp(c))));
  return {
    spread: { best: at(0.5), low: at(0.1), high: at(0.9) },
    chance: (x) => raw(x) / best,
  };
}

const bell = (x: number, c: number, s: number) => Math.exp(-(((x - c) / s) ** 2) / 2);
