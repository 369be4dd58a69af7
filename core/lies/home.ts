import { GUESS } from './guesses';

/**
 * The chance that a fish of the asked size is at home in a place, from its rating R (0-1):
 * logit P = 1.56 b (logit R - logit .70) + a, b 1 until a log says otherwise. Eighty of a hundred is a place that holds such a fish
 * four days in five. The three figures are guesses until a log refits `a`, one for a water.
 */
export function homeChance(rating: number, offset = 0, slope = 1): number {
  if (rating <= 0) return 0;
  if (rating >= 1) return 1;
  return logistic(slope * GUESS.homeSlope * (logit(rating) - logit(GUESS.homeHalf)) + offset);
}

const logit = (p: number) => Math.log(p / (1 - p));
const logistic = (x: number) => 1 / (1 + Math.exp(-x));

/** One place that was worked: the chance as it was told then, and what came of it. */
export interface HomeTrial {
  /** P(home) with the offset that held then, 0-1. */
  chance: number;
  offset: number;
  /** The slope that held then; 1 where it is absent. */
  slope?: number;
  /** Times the place was worked through. */
  workings: number;
  /** Whether a fish was seen, felt or taken there. */
  fish: boolean;
}

export interface HomeFit {
  /** Posterior mean of the water's constant, and its 80 % band. */
  offset: number;
  low: number;
  high: number;
  trials: number;
}

/** A fish at home shows itself in this share of workings (our guess). */
export const SHOWN_A_WORKING = 0.4;
const GRID = { from: -4, to: 4, step: 0.05 };
const BAND = { low: 0.1, high: 0.9 };

/**
 * The water's constant from its log: prior N(0, 1), or what an earlier record has left; a place where a fish was seen or felt has
 * likelihood P d, a blank 1 - P d, with d = 1 - .6^workings. The same data give the same answer.
 */
export function fitHome(
  trials: readonly HomeTrial[],
  prior = { offset: 0, spread: 1 },
  slope = 1,
): HomeFit {
  const usable = trials.filter((t) => t.chance > 0 && t.chance < 1 && t.workings > 0);
  const grid: { a: number; log: number }[] = [];
  for (let n = 0; n <= Math.round((GRID.to - GRID.from) / GRID.step); n++) {
    const a = GRID.from + n * GRID.step;
    const log = usable.reduce(
      (sum, t) => {
        const p = logistic((slope * (logit(t.chance) - t.offset)) / (t.slope ?? 1) + a);
        const found = p * (1 - (1 - SHOWN_A_WORKING) ** t.workings);
        return sum + Math.log(t.fish ? found : 1 - found);
      },
      -0.5 * ((a - prior.offset) / prior.spread) ** 2,
    );
    grid.push({ a, log });
  }
  const most = Math.max(...grid.map((g) => g.log));
  const weights = grid.map((g) => Math.exp(g.log - most));
  const all = weights.reduce((x, y) => x + y, 0);
  const mean = grid.reduce((sum, g, n) => sum + (weights[n]! * g.a) / all, 0);
  const quantile = (share: number) => {
    let sum = 0;
    for (let n = 0; n < grid.length; n++) {
      sum += weights[n]! / all;
      if (sum >= share) return grid[n]!.a;
    }
    return GRID.to;
  };
  return {
    // Adding 0 turns a negative nought positive.
    offset: Math.round(mean * 1000) / 1000 + 0,
    low: quantile(BAND.low),
    high: quantile(BAND.high),
    trials: usable.length,
  };
}
