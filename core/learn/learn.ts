import { SHOWN_A_WORKING } from '../lies/index';
import type { LossCause, MissCause } from '../log/index';
import { FACTORS, GROUP_OF, type FactorName } from './factors';
import { calibration, pool, shrunk, wilson, type Calibration, type Share } from './stats';
import type { TryFact } from './try-facts';

/** Fewer than these say nothing: looks of a group, places of a bin, tries in all (common practice of counting). */
export const LEAST = { looks: 8, places: 20, tries: 20, causes: 8 } as const;
/** Of a hundred seasons without a signal so many may show one. */
const FALSE_ALARMS = 0.05;

/** too few · as said, or could be chance · clearly more, clearly less. */
export type Verdict = 'too few' | 'even' | 'more' | 'less';

/** Places rated alike: how many showed a fish, and how many should have, as was said then. */
export interface HomeBin {
  /** Tenths of P(home): 3 is 30 to 39 of a hundred. */
  tenth: number;
  found: Share;
  expected: number;
  verdict: Verdict;
}

export interface Group {
  name: string;
  /** Takes for each look, drawn towards the other groups. */
  takes: Share;
  verdict: Verdict;
}
export interface FactorTold {
  factor: FactorName;
  /** Takes for each look over all of its groups. */
  mean: number;
  groups: Group[];
}

export interface Learned {
  tries: number;
  looks: number;
  /** Places in which nobody had seen a fish, by what was said of them. */
  home: { bins: HomeBin[]; all: { found: Share; expected: number; verdict: Verdict } };
  /** Did what was said come: the fish saw the fly, and it was calm on arrival. null: never said. */
  look: { fit: Calibration; verdict: Verdict } | null;
  calm: { found: Share; said: number; verdict: Verdict } | null;
  factors: FactorTold[];
  /** Looked, took, hooked, landed: each of the one before. */
  chain: { looked: Share; took: Share; hooked: Share; landed: Share };
  misses: { cause: MissCause; share: Share }[];
  missesVerdict: Verdict;
  losses: { cause: LossCause; share: Share }[];
}

/** 95 % of one question. */
const Z = 1.96;

const verdictOf = ({ low, high, n }: Share, against: number, least: number): Verdict =>
  n < least ? 'too few' : low > against ? 'more' : high < against ? 'less' : 'even';

/** What the tries say. Nothing is said that is wider than what it claims: an interval that holds the mean is "even". */
export function learn(facts: readonly TryFact[]): Learned {
  const looked = facts.filter((f) => f.looked);
  const counts = FACTORS.map((factor) => ({ factor, groups: grouped(looked, factor) }));
  // Many questions at once: each must be surer, so that all together raise a false alarm 5 times in 100.
  const asked = counts.reduce((n, c) => n + c.groups.filter((g) => g.n >= LEAST.looks).length, 0);
  const level = 1 - FALSE_ALARMS / Math.max(1, asked);
  const misses = causes<MissCause>(facts.flatMap((f) => f.misses));
  const early = misses.find((m) => m.cause === 'early')?.share.k ?? 0;
  const late = misses.find((m) => m.cause === 'late')?.share.k ?? 0;
  return {
    tries: facts.length,
    looks: looked.length,
    home: homeOf(facts),
    look: lookOf(facts),
    calm: calmOf(facts),
    factors: counts.map(({ factor, groups }) => {
      const pooled = pool(groups);
      return {
        factor,
        mean: pooled.mean,
        groups: groups.map((g) => ({
          name: g.name,
          takes: shrunk(g, pooled),
          verdict: verdictOf(shrunk(g, pooled, level), pooled.mean, LEAST.looks),
        })),
      };
    }),
    chain: {
      looked: wilson(looked.length, facts.length),
      took: wilson(looked.filter((f) => f.took).length, looked.length),
      hooked: wilson(facts.filter((f) => f.hooked).length, facts.filter((f) => f.took).length),
      landed: wilson(facts.filter((f) => f.landed).length, facts.filter((f) => f.hooked).length),
    },
    misses,
    missesVerdict: verdictOf(wilson(late, early + late), 0.5, LEAST.causes),
    losses: causes<LossCause>(facts.flatMap((f) => f.loss ?? [])),
  };
}

function grouped(looked: readonly TryFact[], factor: FactorName) {
  const groups = new Map<string, { name: string; k: number; n: number }>();
  for (const f of looked) {
    const name = GROUP_OF[factor](f);
    if (name === null) continue;
    const g = groups.get(name) ?? { name, k: 0, n: 0 };
    groups.set(name, { name, k: g.k + (f.took ? 1 : 0), n: g.n + 1 });
  }
  return [...groups.values()].sort((a, b) => b.n - a.n);
}

/** How often a place of this chance should have shown its fish. */
const shouldShow = (f: TryFact) => f.homeSaid! * (1 - (1 - SHOWN_A_WORKING) ** f.workings);

function homeOf(facts: readonly TryFact[]): Learned['home'] {
  const told = facts.filter((f) => f.homeSaid !== null && f.homeSaid > 0);
  const binOf = (list: readonly TryFact[], level: number, least: number) => {
    const found = wilson(list.filter((f) => f.shown).length, list.length);
    const expected =
      list.length === 0 ? NaN : list.reduce((s, f) => s + shouldShow(f), 0) / list.length;
    const verdict = verdictOf(wilson(found.k, found.n, level), expected, least);
    return { found, expected, verdict };
  };
  const tenths = [...new Set(told.map((f) => tenthOf(f)))].sort((a, b) => a - b);
  const level = 1 - FALSE_ALARMS / Math.max(1, tenths.length);
  return {
    bins: tenths.map((tenth) => ({
      tenth,
      ...binOf(
        told.filter((f) => tenthOf(f) === tenth),
        level,
        LEAST.places,
      ),
    })),
    all: binOf(told, 1 - FALSE_ALARMS, LEAST.places),
  };
}
const tenthOf = (f: TryFact) => Math.min(9, Math.floor(10 * f.homeSaid! + 1e-9));

function lookOf(facts: readonly TryFact[]): Learned['look'] {
  const fit = calibration(
    facts.flatMap((f) => (f.lookSaid === null ? [] : [{ chance: f.lookSaid, came: f.looked }])),
  );
  if (!fit) return null;
  const { slope, slopeSd, n } = fit;
  const share = { best: slope, low: slope - Z * slopeSd, high: slope + Z * slopeSd, k: 0, n };
  return { fit, verdict: verdictOf(share, 1, LEAST.tries) };
}

function calmOf(facts: readonly TryFact[]): Learned['calm'] {
  const told = facts.filter((f) => f.calmSaid !== null);
  if (told.length === 0) return null;
  const found = wilson(told.filter((f) => !f.spooked).length, told.length);
  const said = told.reduce((s, f) => s + f.calmSaid!, 0) / told.length;
  return { found, said, verdict: verdictOf(found, said, LEAST.tries) };
}

function causes<C extends string>(all: readonly C[]): { cause: C; share: Share }[] {
  const names = [...new Set(all)];
  return names
    .map((cause) => ({ cause, share: wilson(all.filter((c) => c === cause).length, all.length) }))
    .sort((a, b) => b.share.k - a.share.k);
}
