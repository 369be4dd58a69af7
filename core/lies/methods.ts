import { lerp } from '../grid/index';
import { GUESS } from './guesses';

/** Schools of where fish hold: weights over the same needs. */
export const METHODS = [
  'energy-budget',
  'feed-lane',
  'soft-water',
  'cover-first',
  'thin-seams',
] as const;
export type Method = (typeof METHODS)[number];

/** What is weighed: three needs, oxygen, and the profit of holding there. All 0-1. */
export interface Weighed {
  food: number;
  ease: number;
  shelter: number;
  /** Shelter counted as within reach of it: `shelter` itself unless thin seams are asked about. */
  shelterNear: number;
  oxygen: number;
  profit: number;
  /** How far it rests instead of feeding: it then asks what any resting fish asks. */
  idle: number;
}
export type WeighedName = Exclude<keyof Weighed, 'idle' | 'shelterNear'>;

/** Who looks for large fish in thin seams asks for shelter near it, of a fish that feeds; all others for shelter there. */
export const shelterBy = (n: Weighed, method: Method): number =>
  method === 'thin-seams' ? lerp(n.shelterNear, n.shelter, n.idle) : n.shelter;

const NAMES = ['food', 'ease', 'shelter', 'oxygen', 'profit'] as const;

/** Weights in the order of NAMES, summing to 1: the sweep over a field reads them as plain numbers. */
function weightsOf(w: (typeof GUESS.weights)[Method] | typeof GUESS.restWeights): Float64Array {
  const list = Float64Array.of(w.food, w.ease, w.shelter, w.air, w.profit);
  const sum = list.reduce((a, b) => a + b, 0);
  return list.map((v) => v / sum);
}
const WEIGHTS = Object.fromEntries(METHODS.map((m) => [m, weightsOf(GUESS.weights[m])])) as Record<
  Method,
  Float64Array
>;
const REST = weightsOf(GUESS.restWeights);

/**
 * R = day(T) (sum w n^-2)^-1/2, weights summing to 1 and needs floored at .05: the worst need
 * limits. Warmth multiplies outside, since a uniformly low need inside would flatten every
 * difference; cold does not lower it, since the fish are somewhere. A fish that does not feed rests:
 * w = (1 - idle) w_method + idle w_rest. Our own form.
 */
export function ratingOf(n: Weighed, warmth: number, method: Method): number {
  const w = WEIGHTS[method];
  const { idle } = n;
  const floor = GUESS.needFloor;
  const term = (i: number, need: number) => {
    const held = need > floor ? need : floor;
    return (w[i]! + idle * (REST[i]! - w[i]!)) / (held * held);
  };
  const sum =
    term(0, n.food) +
    term(1, n.ease) +
    term(2, shelterBy(n, method)) +
    term(3, n.oxygen) +
    term(4, n.profit);
  return dayFactor(warmth) / Math.sqrt(sum);
}

/** What the warmth leaves of any rating. */
export const dayFactor = (warmth: number) => GUESS.dayFloor + (1 - GUESS.dayFloor) * warmth;

/** How much each need pulls a rating down under a method: shares of the sum, which add to 1. */
export function pulls(n: Weighed, method: Method): Record<WeighedName, number> {
  const w = WEIGHTS[method];
  const terms = NAMES.map(
    (name, i) =>
      lerp(w[i]!, REST[i]!, n.idle) /
      Math.max(GUESS.needFloor, name === 'shelter' ? shelterBy(n, method) : n[name]) ** 2,
  );
  const sum = terms.reduce((a, b) => a + b, 0);
  return Object.fromEntries(NAMES.map((name, i) => [name, terms[i]! / sum])) as Record<
    WeighedName,
    number
  >;
}
