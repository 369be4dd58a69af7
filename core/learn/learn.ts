import type { Species } from '../fish/index';
import type { LossCause, MissCause } from '../log/index';
import { FACTORS, GROUP_OF, SPOOK_FACTORS, type FactorName } from './factors';
import { homesByRating, type HomeBin } from './homes';
import { answeredFirst, saidOf } from './said';
import {
  calibrationOf,
  pool,
  shrunkAt,
  wilson,
  type Calibration,
  type Count,
  type Share,
} from './stats';
import type { TryFact } from './try-facts';
import { FALSE_ALARMS, LEAST, verdictOf, type Verdict } from './verdict';

export interface Group {
  name: string;
  /** So many of the group, drawn towards the other groups. */
  takes: Share;
  verdict: Verdict;
}
export interface FactorTold {
  factor: FactorName;
  /** Over all of its groups. */
  mean: number;
  groups: Group[];
}

/** What was said with a chance, against how often it came; `fit`: whether what was said better came oftener. */
export interface Told {
  found: Share;
  said: number;
  verdict: Verdict;
  fit: Calibration | null;
}

/** One species: each of the one before, and what was to be expected of it then. */
export interface Conversion {
  species: Species | null;
  tries: number;
  looked: Told | null;
  took: Share;
  hooked: Told | null;
  landed: Share;
}

export interface Learned {
  tries: number;
  looks: number;
  /** Tries that carry no prediction: from before there were any, or where no cast was worked out. */
  unsaid: number;
  /** Tries whose taps contradict one another: landed or lost, with the take taken back. */
  odd: number;
  sinceMs: number | null;
  /** Month by month, oldest first: "2026-06". */
  months: { month: string; tries: number; looks: number; takes: number }[];
  /** Was the plan right? Each null: it was never said. Home is of places in which nobody had seen a fish. */
  plan: {
    home: { bins: HomeBin[]; all: HomeBin | null };
    look: Told | null;
    calm: Told | null;
    drag: Told | null;
    sink: Told | null;
  };
  factors: FactorTold[];
  /** Put down, of the tries: by posture, by distance, by level. */
  spooks: FactorTold[];
  conversion: Conversion[];
  misses: { cause: MissCause; share: Share }[];
  missesVerdict: Verdict;
  losses: { cause: LossCause; share: Share }[];
}

/** What the tries say. Nothing is said that is wider than what it claims: an interval that holds the mean is "even". */
export function learn(facts: readonly TryFact[]): Learned {
  const looked = facts.filter((f) => f.looked);
  const misses = causes<MissCause>(facts.flatMap((f) => f.misses));
  const early = misses.find((m) => m.cause === 'early')?.share.k ?? 0;
  const late = misses.find((m) => m.cause === 'late')?.share.k ?? 0;
  return {
    tries: facts.length,
    looks: looked.length,
    unsaid: facts.filter((f) => f.homeSaid === null && f.parts === null).length,
    odd: facts.filter((f) => f.odd).length,
    sinceMs: facts.reduce<number | null>((t, f) => Math.min(t ?? Infinity, f.openedMs), null),
    months: byMonth(facts),
    plan: {
      home: homesByRating(facts),
      look: looksOf(facts, LEAST.tries),
      calm: calmOf(facts),
      drag: ofCasts(facts, (f) => ({
        chance: f.parts?.drag ?? null,
        yes: f.dragged.yes,
        no: f.dragged.no,
      })),
      sink: ofCasts(facts, (f) => ({
        chance: f.ticksSaid,
        yes: f.felt.touched,
        no: f.felt.clear,
      })),
    },
    factors: byFactors(looked, FACTORS, (f) => f.took),
    spooks: byFactors(facts, SPOOK_FACTORS, (f) => f.spooked),
    conversion: conversionsOf(facts),
    misses,
    missesVerdict: verdictOf(wilson(late, early + late), 0.5, LEAST.causes),
    losses: causes<LossCause>(facts.flatMap((f) => f.loss ?? [])),
  };
}

/** Every month that something was tried in. */
function byMonth(facts: readonly TryFact[]): Learned['months'] {
  const months = new Map<string, Learned['months'][number]>();
  for (const f of facts) {
    let m = months.get(f.month);
    if (!m) months.set(f.month, (m = { month: f.month, tries: 0, looks: 0, takes: 0 }));
    m.tries++;
    if (f.looked) m.looks++;
    if (f.took) m.takes++;
  }
  return [...months.values()].sort((a, b) => (a.month < b.month ? -1 : 1));
}

/** Shares by the groups of several factors. Many questions at once: each must be surer, so that all together raise a false alarm 5 times in 100. */
function byFactors(
  facts: readonly TryFact[],
  factors: readonly FactorName[],
  came: (f: TryFact) => boolean,
): FactorTold[] {
  const counts = factors.map((factor) => ({ factor, groups: grouped(facts, factor, came) }));
  const asked = counts.reduce((n, c) => n + c.groups.filter((g) => g.n >= LEAST.looks).length, 0);
  const level = 1 - FALSE_ALARMS / Math.max(1, asked);
  return counts.map(({ factor, groups }) => {
    const pooled = pool(groups);
    return {
      factor,
      mean: pooled.mean,
      groups: groups.map((g) => {
        const { told, sure } = shrunkAt(g, pooled, level);
        return {
          name: g.name,
          takes: told,
          verdict: verdictOf(sure, pooled.mean, LEAST.looks),
        };
      }),
    };
  });
}

function grouped(
  facts: readonly TryFact[],
  factor: FactorName,
  came: (f: TryFact) => boolean,
): ({ name: string } & Count)[] {
  const groups = new Map<string, { name: string; k: number; n: number }>();
  for (const f of facts) {
    const name = GROUP_OF[factor](f);
    if (name === null) continue;
    let g = groups.get(name);
    if (!g) groups.set(name, (g = { name, k: 0, n: 0 }));
    g.n++;
    if (came(f)) g.k++;
  }
  return [...groups.values()].sort((a, b) => b.n - a.n);
}

/** What was said alike of some casts or tries, and how many of them came. */
type SaidOften = { chance: number } & Count;

/** What was said of each, with how often it came; of whom nothing was, or nobody knows, is left out. */
function saidOften(
  facts: readonly TryFact[],
  of: (f: TryFact) => { chance: number | null; came: boolean | null },
): SaidOften[] {
  const out: SaidOften[] = [];
  for (const f of facts) {
    const { chance, came } = of(f);
    if (chance !== null && came !== null) out.push({ chance, k: came ? 1 : 0, n: 1 });
  }
  return out;
}

/** What was said against what came; null: nothing was. */
function toldOf(all: readonly SaidOften[], least: number): Told | null {
  const n = all.reduce((sum, s) => sum + s.n, 0);
  if (n === 0) return null;
  const found = wilson(
    all.reduce((sum, s) => sum + s.k, 0),
    n,
  );
  const said = all.reduce((sum, s) => sum + s.n * s.chance, 0) / n;
  return { found, said, verdict: verdictOf(found, said, least), fit: calibrationOf(all) };
}

/** Who was put down on the way can only be one that was home. */
const calmOf = (facts: readonly TryFact[]) =>
  toldOf(
    saidOften(facts, (f) => ({
      chance:
        f.calmSaid === null ? null : 1 - (f.parts?.home ?? f.homeSaid ?? 1) * (1 - f.calmSaid),
      came: f.downAt !== 0,
    })),
    LEAST.tries,
  );

const looksOf = (facts: readonly TryFact[], least: number) =>
  toldOf(
    saidOften(facts, (f) => ({ chance: saidOf(f).answered, came: answeredFirst(f) })),
    least,
  );

/** Counted by casts: all of a try were said alike. */
const ofCasts = (
  facts: readonly TryFact[],
  of: (f: TryFact) => { chance: number | null; yes: number; no: number },
) =>
  toldOf(
    facts.flatMap((f) => {
      const { chance, yes, no } = of(f);
      if (chance === null || Number.isNaN(chance)) return [];
      return [{ chance, k: yes, n: yes + no }];
    }),
    LEAST.tries,
  );

function conversionsOf(facts: readonly TryFact[]): Conversion[] {
  const species = [...new Set(facts.map((f) => f.species))];
  const count = (list: readonly TryFact[], is: (f: TryFact) => boolean) => list.filter(is).length;
  return species
    .map((name): Conversion => {
      const own = facts.filter((f) => f.species === name);
      const took = count(own, (f) => f.took);
      const hooked = count(own, (f) => f.hooked);
      return {
        species: name,
        tries: own.length,
        looked: looksOf(own, LEAST.looks),
        took: wilson(
          took,
          count(own, (f) => f.looked),
        ),
        hooked: toldOf(
          saidOften(
            own.filter((f) => f.took),
            (f) => ({ chance: saidOf(f).hooked, came: f.hooked }),
          ),
          LEAST.looks,
        ),
        landed: wilson(
          count(own, (f) => f.landed),
          hooked,
        ),
      };
    })
    .sort((a, b) => b.tries - a.tries);
}

function causes<C extends string>(all: readonly C[]): { cause: C; share: Share }[] {
  const counts = new Map<C, number>();
  for (const cause of all) counts.set(cause, (counts.get(cause) ?? 0) + 1);
  return [...counts]
    .map(([cause, k]) => ({ cause, share: wilson(k, all.length) }))
    .sort((a, b) => b.share.k - a.share.k);
}
