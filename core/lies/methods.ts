import { GUESS } from './guesses';

/** Schools of where fish hold: weights over the same needs. */
export const METHODS = ['energy-budget', 'feed-lane', 'soft-water', 'cover-first'] as const;
export type Method = (typeof METHODS)[number];

/** What is weighed: three needs, oxygen, and the profit of holding there. All 0-1. */
export interface Weighed {
  food: number;
  ease: number;
  shelter: number;
  oxygen: number;
  profit: number;
}
export type WeighedName = keyof Weighed;

const NAMES = ['food', 'ease', 'shelter', 'oxygen', 'profit'] as const;

/** Weights in the order of NAMES, summing to 1: the sweep over a field reads them as plain numbers. */
function weightsOf(method: Method): Float64Array {
  const w = GUESS.weights[method];
  const list = Float64Array.of(w.food, w.ease, w.shelter, w.air, w.profit);
  const sum = list.reduce((a, b) => a + b, 0);
  return list.map((v) => v / sum);
}
const WEIGHTS = Object.fromEntries(METHODS.map((m) => [m, weightsOf(m)])) as Record<
  Method,
  Float64Array
>;

/**
 * R = day(T) (sum w n^-2)^-1/2, weights summing to 1 and needs floored at .05: the worst need
 * limits. Temperature multiplies outside, since a uniformly low need inside would flatten every
 * difference. Our own form.
 */
export function ratingOf(n: Weighed, temperature: number, method: Method): number {
  const w = WEIGHTS[method];
  const floor = GUESS.needFloor;
  const term = (weight: number, need: number) => {
    const held = need > floor ? need : floor;
    return weight / (held * held);
  };
  const sum =
    term(w[0]!, n.food) +
    term(w[1]!, n.ease) +
    term(w[2]!, n.shelter) +
    term(w[3]!, n.oxygen) +
    term(w[4]!, n.profit);
  return dayFactor(temperature) / Math.sqrt(sum);
}

/** What the temperature leaves of any rating. */
export const dayFactor = (temperature: number) =>
  GUESS.dayFloor + (1 - GUESS.dayFloor) * temperature;

/** How much each need pulls a rating down under a method: shares of the sum, which add to 1. */
export function pulls(n: Weighed, method: Method): Record<WeighedName, number> {
  const w = WEIGHTS[method];
  const terms = NAMES.map((name, i) => w[i]! / Math.max(GUESS.needFloor, n[name]) ** 2);
  const sum = terms.reduce((a, b) => a + b, 0);
  return Object.fromEntries(NAMES.map((name, i) => [name, terms[i]! / sum])) as Record<
    WeighedName,
    number
  >;
}
