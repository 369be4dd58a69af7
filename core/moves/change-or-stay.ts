import { above, isAbove, meanOf, quantileOf, type Rate } from './beta';

/** What a clean drift of either pays before any was made (our guess): one in fourteen, and loose. */
const PRIOR: Rate = { a: 0.7, b: 9.3 };
/** Surer than this that one is better, change (our guess); sooner than so many drifts each, do not. */
export const SURE = 0.8;
export const LEAST_DRIFTS = 5;
const MOST_DRIFTS = 200;

/** Drifts of one rod, rig or angler: how good the lies were that it met, and whether it was taken. */
export interface Side {
  name: string;
  drifts: number;
  takes: number;
  /** Mean chance of a take that its lies promised, 0-1; null: not known. */
  promised: number | null;
}

export type Verdict =
  | { kind: 'too few'; needs: number }
  | { kind: 'change'; to: 0 | 1 }
  | { kind: 'no telling'; needs: number | null };

export interface ChangeOrStay {
  /** Takes a clean drift of each, with the 10th and 90th percentile. */
  rates: [SideRate, SideRate];
  /** Chance that the first is better, 0-1. */
  firstBetter: number;
  /** Takes an hour between the two, at the pace they were fished. */
  verdict: Verdict;
}
export interface SideRate {
  best: number;
  low: number;
  high: number;
  /** Drifts as they weigh: at lies that promised more than the other's, each says more. */
  weighed: number;
}

/** Two rods, rigs or anglers on the same water: which takes more, how surely, and how long until that is known. */
export function changeOrStay(sides: readonly [Side, Side]): ChangeOrStay {
  const known = sides.every((s) => s.promised !== null && s.promised > 0);
  const drifts = sides[0].drifts + sides[1].drifts;
  const mean = known
    ? sides.reduce((sum, s) => sum + s.promised! * s.drifts, 0) / Math.max(1, drifts)
    : 1;
  const weighed = sides.map((s) =>
    Math.max(s.takes, known && mean > 0 ? (s.drifts * s.promised!) / mean : s.drifts),
  ) as [number, number];
  const rateOf = (takes: number, n: number): Rate => ({
    a: PRIOR.a + takes,
    b: PRIOR.b + n - takes,
  });
  const rates = [rateOf(sides[0].takes, weighed[0]), rateOf(sides[1].takes, weighed[1])] as const;
  const firstBetter = isAbove(rates[0], rates[1]);
  const told = (r: Rate, n: number): SideRate => ({
    best: meanOf(r),
    low: quantileOf(r, 0.1),
    high: quantileOf(r, 0.9),
    weighed: n,
  });
  const least = Math.min(sides[0].drifts, sides[1].drifts);
  return {
    rates: [told(rates[0], weighed[0]), told(rates[1], weighed[1])],
    firstBetter,
    verdict:
      least < LEAST_DRIFTS
        ? { kind: 'too few', needs: LEAST_DRIFTS - least }
        : firstBetter >= SURE
          ? { kind: 'change', to: 0 }
          : firstBetter <= 1 - SURE
            ? { kind: 'change', to: 1 }
            : { kind: 'no telling', needs: moreDrifts(rates) },
  };
}

/** Drifts more of each until it is known, should both go on as they have; null: not within two hundred. */
function moreDrifts([one, other]: readonly [Rate, Rate]): number | null {
  const going = (r: Rate, n: number): Rate => ({
    a: r.a + n * meanOf(r),
    b: r.b + n * (1 - meanOf(r)),
  });
  const isSure = (n: number) => {
    const p = isAbove(going(one, n), going(other, n));
    return Math.max(p, 1 - p) >= SURE;
  };
  if (!isSure(MOST_DRIFTS)) return null;
  let [no, yes] = [0, MOST_DRIFTS];
  while (yes - no > 1) {
    const mid = (no + yes) >> 1;
    if (isSure(mid)) yes = mid;
    else no = mid;
  }
  return yes;
}

/** Share of takes on top from which a dropper only tangles (common practice). */
const ON_TOP = 0.6;

/** Whether to cut the dropper off: sure by `SURE` that more than six takes in ten are on top. */
export function dropperOff(onTop: number, takes: number): { chance: number; off: boolean } {
  const chance = above({ a: 1 + onTop, b: 1 + takes - onTop }, ON_TOP);
  return { chance, off: chance >= SURE };
}
