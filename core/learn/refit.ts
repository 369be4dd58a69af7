import { CHANCE, logistic, logit, normalQuantile, scatterAt } from '../chance/index';
import type { Season } from '../lies/index';
import {
  blankWeight,
  depthPattern,
  NO_PRIORS,
  type PatternPrior,
  type PriorName,
  type Priors,
} from '../log/index';
import { refitPlay } from './refit-play';
import { BEFORE, LEAST_TO_REFIT, logOf, RESTS_ON, sure, type Refitted } from './refit-rules';
import { settle } from './settle';
import { chiSquareQuantile } from './stats';
import type { TryFact } from './try-facts';

/** One figure that was refitted: as it was guessed, and what the record says, 95 times in 100. */
export interface RefitPart {
  /** Of what: a beat's id, a season, near or far; '' where there is but one. */
  of: string;
  guessed: number;
  best: number;
  low: number;
  high: number;
  spread: number;
  /** From so many places, takes, casts or drifts. */
  n: number;
  moved: boolean;
}
export interface Refit {
  name: PriorName;
  parts: RefitPart[];
  /** Tries that it rests on, and when the first of them was opened, UTC ms. */
  tries: number;
  sinceMs: number | null;
  /**
   * too few · as guessed, or could be chance · moved: it is in the reckoning of the plans · along: by itself
   * it could be chance, but with others it has moved, and is in the reckoning with them.
   */
  verdict: 'too few' | 'even' | 'moved' | 'along';
}

/** Of a hundred records in which the guesses are right so many may move one. */
const FALSE_MOVES = 0.05;

/** All that tries alone can refit. */
export function refitted(facts: readonly TryFact[]): Refitted[] {
  return [
    ...refitPlay(facts),
    refitHook(facts.filter(RESTS_ON.hook)),
    refitScatter(facts.filter(RESTS_ON.scatter)),
    refitDepth(facts.filter(RESTS_ON.depth)),
  ];
}

/** Judges refits together: each must be surer than if it were the only one that is asked. */
export function judged(all: readonly Refitted[]): Refit[] {
  const isEnough = (p: { n: number }) => p.n >= LEAST_TO_REFIT;
  const isSure = (p: Refitted['parts'][number]) =>
    isEnough(p) && Math.abs(p.best - p.guessed) > far * p.spread;
  const families = new Map(all.flatMap((r) => (r.with ? [[r.with.name, r.with] as const] : [])));
  const asked = families.size + all.reduce((n, r) => n + r.parts.filter(isEnough).length, 0);
  const level = FALSE_MOVES / Math.max(1, asked);
  const far = normalQuantile(1 - level / 2);
  const hasMoved = (family: string) => {
    const { far: together, figures } = families.get(family)!;
    const own = all.filter((r) => r.with?.name === family);
    return (
      own.some((r) => r.parts.some((p) => isSure(p))) ||
      (own.some((r) => r.parts.some(isEnough)) && together > chiSquareQuantile(1 - level, figures))
    );
  };
  return all.map(({ name, facts, parts, with: family }) => {
    const judgedParts = parts.map((p) => ({
      ...p,
      low: p.best - Z * p.spread,
      high: p.best + Z * p.spread,
      moved: isSure(p),
    }));
    return {
      name,
      parts: judgedParts,
      tries: facts.length,
      sinceMs:
        facts.length === 0 ? null : facts.reduce((t, f) => Math.min(t, f.openedMs), Infinity),
      verdict: judgedParts.some((p) => p.moved)
        ? 'moved'
        : !judgedParts.some(isEnough)
          ? 'too few'
          : family && hasMoved(family.name)
            ? 'along'
            : 'even',
    };
  });
}
const Z = 1.96;

/** The value that goes with every plan: what has moved and was not taken back. */
export function priorsFrom(
  refits: readonly Refit[],
  takenBack: readonly PriorName[],
  told: { untilMs: number; beds: Priors['beds']; depth: Priors['depth'] },
): Priors {
  const of = (name: PriorName) => {
    const refit = refits.find((r) => r.name === name);
    const isIn = refit?.verdict === 'moved' || refit?.verdict === 'along';
    return refit && isIn && !takenBack.includes(name) ? refit : null;
  };
  const one = (name: PriorName, plain: number) => of(name)?.parts[0]?.best ?? plain;
  const scatter = of('scatter');
  const times = (which: string) => {
    const part = scatter?.parts.find((p) => p.of === which);
    return part?.moved ? Math.exp(part.best) : 1;
  };
  // The angler's sink and the beds come of the same drifts: where one has moved both are told.
  const felt = of('sink') ?? of('beds');
  const back = (name: PriorName) => takenBack.includes(name);
  const sink = back('sink') ? undefined : refits.find((r) => r.name === 'sink')?.parts[0];
  const depth = of('depth');
  // As long as nothing is in it, it is the value that everything prepared before was made with.
  if (!refits.some((r) => of(r.name)) && !back('home')) return NO_PRIORS;
  return {
    untilMs: told.untilMs,
    home: homePriors(of('home'), !takenBack.includes('home')),
    noticing: Math.exp(one('noticing', 0)),
    alarm: Math.exp(one('alarm', 0)),
    answer: Math.exp(one('answer', 0)),
    hook: one('hook', 0),
    scatter: { near: times('near'), far: times('far'), wind: times('wind') },
    sink: felt && sink ? { lnM: sink.best, spread: sink.spread } : NO_PRIORS.sink,
    beds: felt && !back('beds') ? told.beds : [],
    depth: depth
      ? Object.fromEntries(
          Object.entries(told.depth).filter(([s]) =>
            depth.parts.some((p) => p.of === s && p.moved),
          ),
        )
      : {},
  };
}

function homePriors(refit: Refit | null, live: boolean): Priors['home'] {
  if (!refit) return { ...NO_PRIORS.home, live };
  const part = (of: string) => refit.parts.find((p) => p.of === of)!;
  const all = part('all');
  return {
    slope: part('slope').best,
    all: { offset: all.best, spread: Math.hypot(all.spread, BEFORE.homeWater) },
    waters: Object.fromEntries(
      refit.parts
        .filter((p) => p.of !== 'slope' && p.of !== 'all')
        .map((p) => [p.of, { offset: p.best, spread: p.spread }]),
    ),
    live,
  };
}

/** Within this of where it was aimed a cast fell "on" it, m. */
const ON_M = 0.5;

/** Hooked, given a take: a shift of what was said, in the logit. */
function refitHook(facts: readonly TryFact[]): Refitted {
  const { best, spread } = settle(
    ([shift]) =>
      facts.reduce(
        (sum, f) =>
          sum + logOf(logistic(logit(sure(f.parts!.hooked)) + shift! - f.applied.hook), f.hooked),
        0,
      ),
    [BEFORE.hook],
  );
  const parts = [{ of: '', guessed: 0, best: best[0]!, spread: spread[0]!, n: facts.length }];
  return { name: 'hook', facts, parts };
}

/** The scatter of casts by distance and by wind, from those of which it was said where they fell. */
function refitScatter(facts: readonly TryFact[]): Refitted {
  const { best, spread } = settle(
    ([near, far, wind]) =>
      facts.reduce((sum, f) => {
        const { sigmaM, crossMps } = f.parts!;
        const at = (s: Priors['scatter']) => scatterAt(s, f.castM!, Math.abs(crossMps));
        const own = { near: Math.exp(near!), far: Math.exp(far!), wind: Math.exp(wind!) };
        const sigma = (sigmaM * at(own)) / at(f.applied.scatter);
        const on = sure(1 - Math.exp(-0.5 * (ON_M / sigma) ** 2));
        return sum + f.fell.on * Math.log(on) + f.fell.off * Math.log(1 - on);
      }, 0),
    [BEFORE.scatter, BEFORE.scatter, BEFORE.scatter],
  );
  const casts = (is: (f: TryFact) => boolean) =>
    facts.filter(is).reduce((n, f) => n + f.fell.on + f.fell.off, 0);
  const middleM = (CHANCE.nearM + CHANCE.farM) / 2;
  const counts = {
    near: casts((f) => f.castM! <= middleM),
    far: casts((f) => f.castM! > middleM),
    wind: casts((f) => Math.abs(f.parts!.crossMps) > CHANCE.crossFreeMps + CHANCE.windyByMps / 2),
  };
  return {
    name: 'scatter',
    facts,
    parts: (['near', 'far', 'wind'] as const).map((of, i) => ({
      of,
      guessed: 0,
      best: best[i]!,
      spread: spread[i]!,
      n: counts[of],
    })),
  };
}

// Where fish were found, by season.

/** As many of a season's places are looked at: the newest. */
const MOST_LOOKS = 600;

/** Where fish lay in each season: centres of depth and pace, with their spread. */
export function depthsBySeason(facts: readonly TryFact[]): Partial<Record<Season, PatternPrior>> {
  const seasons = [...new Set(facts.map((f) => f.season))];
  return Object.fromEntries(
    seasons.flatMap((season) => {
      const own = facts.filter((f) => f.season === season && RESTS_ON.depth(f));
      const pattern = depthPattern(
        own.slice(-MOST_LOOKS).map((f) => ({
          depthM: f.depthM!,
          meanSpeedMps: f.meanSpeedMps!,
          found: f.shown,
          weight: blankWeight(f.casts),
        })),
      );
      return pattern.kind === 'pattern'
        ? [[season, { depthM: pattern.depthM, meanSpeedMps: pattern.meanSpeedMps }]]
        : [];
    }),
  );
}

/** Where fish were found in a season, and where the places lay that stayed blank: ln of depth, with the spread of their difference (Welch). */
function refitDepth(facts: readonly TryFact[]): Refitted {
  const seasons = [...new Set(facts.map((f) => f.season))];
  return {
    name: 'depth',
    facts,
    parts: seasons.flatMap((season) => {
      const own = facts.filter((f) => f.season === season);
      const found = momentsOf(own.filter((f) => f.shown));
      const blank = momentsOf(own.filter((f) => !f.shown));
      if (!found || !blank) return [];
      return [
        {
          of: season,
          guessed: blank.mean,
          best: found.mean,
          spread: Math.sqrt(found.variance / found.n + blank.variance / blank.n),
          n: own.length,
        },
      ];
    }),
  };
}

/** Mean and variance of the logarithm of depth; null: fewer than two. */
function momentsOf(facts: readonly TryFact[]) {
  const logs = facts.map((f) => Math.log(f.depthM!));
  const n = logs.length;
  if (n < 2) return null;
  const mean = logs.reduce((a, b) => a + b, 0) / n;
  return { n, mean, variance: logs.reduce((a, l) => a + (l - mean) ** 2, 0) / (n - 1) };
}
