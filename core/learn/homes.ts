import { logistic, logit, normalQuantile } from '../chance/index';
import { goes, logOfTry, playedOf } from './refit-play';
import { RESTS_ON, sure } from './refit-rules';
import { settle } from './settle';
import type { Share } from './stats';
import type { TryFact } from './try-facts';
import { FALSE_ALARMS, LEAST, verdictOf, type Verdict } from './verdict';

/** Places rated alike: how often they held a fish, as far as what was tried there shows it, and how often was said. */
export interface HomeBin {
  /** Tenths of P(home): 3 is 30 to 39 of a hundred; null: all. */
  tenth: number | null;
  /** P(home) with its interval; k places of n showed a fish. */
  found: Share;
  said: number;
  verdict: Verdict;
}

/** What a shift of the logit is held to be before anything is counted. */
const WIDE = { mean: 0, spread: 2 };
const Z = 1.96;

/**
 * Did places hold what they were rated at? A place that showed a fish held one; one that stayed silent
 * held none, or one that would not show: so the chance is fitted, and none is counted off.
 */
export function homesByRating(facts: readonly TryFact[]): {
  bins: HomeBin[];
  all: HomeBin | null;
} {
  const told = facts.filter(RESTS_ON.home);
  if (told.length === 0) return { bins: [], all: null };
  const byTenth = new Map<number, TryFact[]>();
  for (const f of told) {
    const tenth = tenthOf(f);
    let list = byTenth.get(tenth);
    if (!list) byTenth.set(tenth, (list = []));
    list.push(f);
  }
  const bins = [...byTenth].sort(([a], [b]) => a - b);
  const level = 1 - FALSE_ALARMS / Math.max(1, bins.length);
  return {
    bins: bins.map(([tenth, list]) => binOf(tenth, list, level)),
    all: binOf(null, told, 1 - FALSE_ALARMS),
  };
}

const tenthOf = (f: TryFact) => Math.min(9, Math.floor(10 * f.homeSaid! + 1e-9));

/** As many of a bin are fitted: the newest. */
const MOST = 500;

function binOf(tenth: number | null, all: readonly TryFact[], level: number): HomeBin {
  const list = all.slice(-MOST);
  const tries = list.map((f) => {
    const play = playedOf(f, [])!;
    return { said: logit(sure(f.homeSaid!)), end: play.end, went: goes(play) };
  });
  const { best, spread } = settle(
    ([shift]) =>
      tries.reduce((log, t) => log + logOfTry(t.end, sure(logistic(t.said + shift!)), t.went), 0),
    [WIDE],
  );
  const mean = (shift: number) =>
    tries.reduce((sum, t) => sum + logistic(t.said + shift), 0) / tries.length;
  const within = (z: number) => ({
    low: mean(best[0]! - z * spread[0]!),
    high: mean(best[0]! + z * spread[0]!),
    n: all.length,
  });
  const said = mean(0);
  return {
    tenth,
    found: { best: mean(best[0]!), ...within(Z), k: all.filter((f) => f.shown).length },
    said,
    verdict: verdictOf(within(normalQuantile((1 + level) / 2)), said, LEAST.places),
  };
}
