import { CHANCE, logistic, logit } from '../chance/index';
import { clamp } from '../grid/index';
import { SHOWN_A_WORKING } from '../lies/index';
import { ALARM } from '../stalk/index';
import { BEFORE, LEAST_TO_REFIT, RESTS_ON, sure, type Refitted } from './refit-rules';
import { settle } from './settle';
import type { TryFact } from './try-facts';

/** As many tries are refitted together: the newest. */
const MOST_TRIES = 2000;
export const NO_WATER = '';

/** Times what was guessed of noticing, alarm and answer. */
type Constants = readonly [noticing: number, alarm: number, answer: number];

/** What a try that was played says, with all that does not change from one guess to the next. */
export interface Played {
  /** Logit of home at slope 1 and constant 0; null: the chance that it was home is as it was said. */
  x: number | null;
  home: number;
  water: number;
  end: 'on the way' | 'down' | 'answered' | 'blank';
  covers: number;
  /** null: a place of which only the rating was known. */
  cast: {
    exposure: number;
    way: number;
    seen: number;
    /** What of a cover stays undisturbed beside being seen. */
    spared: number;
    look: number;
    answers: number;
  } | null;
  workings: number;
  /** Noticing, alarm and answer that are in what was said. */
  applied: Constants;
}

/** What is over the threshold at which a fish notices, rounded off at the knee: a way is not seen evenly. */
const over = (exposure: number) => KNEE * Math.log1p(Math.exp((exposure - ALARM.threshold) / KNEE));
const KNEE = 0.03;

/** The still angler's exposure with a body so many times as wide: E = s/(1 + s), s of the width. */
export const seenAs = (exposure: number, times: number) =>
  (times * exposure) / (1 - exposure + times * exposure);

/** Times the dose of alarm of a way, or of a cover, whose still angler is seen so: it goes with what is over the threshold. */
export const doseTimes = (exposure: number, noticing: number) =>
  over(seenAs(exposure, noticing)) / over(exposure);

/** Logit of P(home) at slope 1 and constant 0. */
export const plainLogit = (f: Pick<TryFact, 'homeSaid' | 'homeOffset' | 'homeSlope'>) =>
  (logit(f.homeSaid!) - f.homeOffset) / f.homeSlope;

/** What a try says of home, notice and answer; null: nothing. */
export function playedOf(f: TryFact, waters: readonly string[]): Played | null {
  const isLie = RESTS_ON.home(f);
  const { parts } = f;
  if (!isLie && !parts) return null;
  const end =
    f.downAt === 0
      ? 'on the way'
      : f.answeredAt !== null
        ? 'answered'
        : f.downAt !== null
          ? 'down'
          : 'blank';
  return {
    x: isLie ? plainLogit(f) : null,
    home: parts?.home ?? 1,
    water: waters.indexOf(f.beatId ?? NO_WATER),
    end,
    covers: end === 'answered' ? f.answeredAt! : end === 'down' ? f.downAt! : f.casts,
    cast: parts && {
      exposure: clamp(f.exposure ?? 0, 0.001, 0.999),
      way: sure(f.calmSaid ?? parts.calm),
      seen: sure(parts.seen),
      spared: sure(parts.undisturbed / sure(parts.seen)),
      look: parts.look,
      answers: f.answersSaid,
    },
    workings: f.workings,
    applied: [f.applied.noticing, f.applied.alarm, f.applied.answer],
  };
}

/**
 * How a try would have gone, had a fish been home: of a blank the chance that it stays one; of any other
 * end the logarithm of its chance. By constants that were not those it was said with: what is in it of
 * them already is taken out. Absent: as it was said.
 */
export function goes(p: Played, constants: Constants = p.applied): number {
  const [noticing, alarm, answer] = constants.map((c, i) => c / p.applied[i]!) as [
    number,
    number,
    number,
  ];
  if (!p.cast)
    // Only its rating is known: silence says as much as it is guessed to.
    return p.end === 'blank' ? (1 - SHOWN_A_WORKING) ** p.workings : 0;
  const { exposure, seen, spared, look, answers } = p.cast;
  const times = doseTimes(exposure, noticing) / alarm;
  const way = sure(p.cast.way ** times);
  if (p.end === 'on the way') return Math.log(1 - way);
  const undisturbed = sure(spared * seen ** times);
  const first = sure(look * Math.min(1, answer * answers));
  const later = sure(first * (1 - CHANCE.shared));
  const n = p.covers;
  if (p.end === 'answered') {
    const before = n > 1 ? (1 - first) * (1 - later) ** (n - 2) : 1;
    const own = n > 1 ? later : first;
    return Math.log(way * CHANCE.leftOut * before * undisturbed ** (n - 1) * own);
  }
  const none = n === 0 ? 1 : (1 - first) * (1 - later) ** (n - 1);
  // Of those that are home some never take part: what is left out.
  const silent = 1 - CHANCE.leftOut + CHANCE.leftOut * none;
  if (p.end === 'down') return Math.log(way * silent * undisturbed ** (n - 1) * (1 - undisturbed));
  return way * silent * undisturbed ** n;
}

/** Log of the chance of how a try went, from how it would have gone with a fish at home. */
export const logOfTry = (end: Played['end'], home: number, went: number) =>
  end === 'blank' ? Math.log(1 - home + home * went) : Math.log(home) + went;

/** How every try would have gone, kept for the constants that were asked last: home is asked far oftener. */
function keepOfGoing(tries: readonly Played[]) {
  const kept = new Map<string, Float64Array>();
  return (constants: Constants): Float64Array => {
    const key = constants.join();
    let went = kept.get(key);
    if (went) return went;
    if (kept.size > MOST_KEPT) kept.clear();
    went = Float64Array.from(tries, (p) => goes(p, constants));
    kept.set(key, went);
    return went;
  };
}
const MOST_KEPT = 60;

/**
 * Home by rating and by water, how readily a fish notices, how long its alarm takes, and how often it
 * answers a good cover: all at once, from how each try went. They hang together: a blank is nobody
 * home, or one that saw the angler, or one that would not. Marks that were surely there tell them apart.
 */
export function refitPlay(all: readonly TryFact[]): Refitted[] {
  const facts = all.slice(-MOST_TRIES);
  const lies = facts.filter(RESTS_ON.home);
  const worked = new Map<string, number>();
  for (const f of lies) {
    const id = f.beatId ?? NO_WATER;
    worked.set(id, (worked.get(id) ?? 0) + 1);
  }
  const waters = [...worked].filter(([, n]) => n >= LEAST_TO_REFIT / 2).map(([id]) => id);
  const tries = facts.flatMap((f) => playedOf(f, waters) ?? []);
  const goingOf = keepOfGoing(tries);
  const { best, spread, spreadOf, farFrom } = settle(
    ([slope, shift, noticing, alarm, answer, ...own]) => {
      const went = goingOf([Math.exp(noticing!), Math.exp(alarm!), Math.exp(answer!)]);
      return tries.reduce((log, p, i) => {
        const home =
          p.x === null ? p.home : sure(logistic(slope! * p.x + shift! + (own[p.water] ?? 0)));
        return log + logOfTry(p.end, home, went[i]!);
      }, 0);
    },
    [
      BEFORE.slope,
      BEFORE.homeAll,
      BEFORE.noticing,
      BEFORE.alarm,
      BEFORE.answer,
      ...waters.map(() => ({ mean: 0, spread: BEFORE.homeWater })),
    ],
  );
  // The waters beside the rest are drawn to it: their own differences are judged one by one.
  const together = { name: 'play', far: farFrom([1, 0, 0, 0, 0]), figures: 5 };
  const part = (of: string, guessed: number, i: number, n: number) => ({
    of,
    guessed,
    best: best[i]!,
    spread: spread[i]!,
    n,
  });
  const one = (name: 'noticing' | 'alarm' | 'answer', i: number): Refitted => {
    const own = facts.filter(RESTS_ON[name]);
    return { name, with: together, facts: own, parts: [part('', 0, i, own.length)] };
  };
  return [
    {
      name: 'home',
      with: together,
      facts: lies,
      parts: [
        part('slope', 1, 0, lies.length),
        part('all', 0, 1, lies.length),
        ...waters.map((id, i) => ({
          of: id,
          guessed: 0,
          best: best[1]! + best[5 + i]!,
          spread: spreadOf([1, 5 + i]),
          n: worked.get(id)!,
        })),
      ],
    },
    one('noticing', 2),
    one('alarm', 3),
    one('answer', 4),
  ];
}
