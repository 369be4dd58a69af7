import { CHANCE, logistic, logit } from '../chance/index';
import { NO_PRIORS, type Applied, type Priors } from '../log/index';
import { doseTimes, NO_WATER, plainLogit } from './refit-play';
import { sure } from './refit-rules';
import type { TryFact } from './try-facts';

/** What was said of a try, as far as it was: chances 0-1. */
export interface SaidOf {
  /** A fish at home, of a lie; null: a marked fish, or no chance. */
  home: number | null;
  /** Calm on arrival. */
  calm: number | null;
  /** An answer to the first cast; null: the cast was not worked out. */
  answered: number | null;
  hooked: number | null;
}

/** What was said then; with `priors`, what would be said of the same try now. */
export function saidOf(f: TryFact, priors?: Priors): SaidOf {
  const { home } = priors ?? NO_PRIORS;
  const { noticing, alarm, answer, hook } = timesOf(priors ?? f.applied, f.applied);
  const isLie = f.homeSaid !== null && f.homeSaid > 0 && f.homeSaid < 1;
  const again = priors !== undefined && isLie;
  const shift = (home.waters[f.beatId ?? NO_WATER] ?? home.all).offset;
  const homeNow = again ? logistic(home.slope * plainLogit(f) + shift) : f.homeSaid;
  const { parts } = f;
  if (!parts) return { home: homeNow, calm: f.calmSaid, answered: null, hooked: null };
  const times = f.exposure === null ? 1 : doseTimes(f.exposure, noticing) / alarm;
  const calm = (f.calmSaid ?? parts.calm) ** times;
  const own = parts.look * Math.min(1, answer * f.answersSaid);
  return {
    home: homeNow,
    calm: f.calmSaid === null ? null : calm,
    answered: (homeNow ?? parts.home) * calm * CHANCE.leftOut * own,
    hooked: Number.isNaN(parts.hooked) ? null : logistic(logit(sure(parts.hooked)) + hook),
  };
}

/** Constants over those that are in what was said. */
const timesOf = (now: Applied, then: Applied) => ({
  noticing: now.noticing / then.noticing,
  alarm: now.alarm / then.alarm,
  answer: now.answer / then.answer,
  hook: now.hook - then.hook,
});

/** Whether the first cast was answered; null: none was made, and nothing was put down on the way. */
export const answeredFirst = (f: TryFact): boolean | null =>
  f.casts === 0 && f.downAt !== 0 ? null : f.answeredAt === 1;
