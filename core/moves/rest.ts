import { meaningOf, type EventCode } from '../log/index';

/** What resting a fish buys, by what it did: how soon it forgets, min, and what is to be won. Our guesses. */
const FORGETS = {
  /** It looked, turned away or was missed: shy for a minute or two. */
  wary: { tauMin: 1.5, worth: 0.25 },
  /** It was put down: a quarter of an hour, and not always then. */
  'put down': { tauMin: 12, worth: 0.65 * 0.35 },
} as const;

/** Less than this is no rest. */
const LEAST_REST_MIN = 1;

/** Walking away and coming back costs about so many minutes of fishing elsewhere. */
const BACK_MIN = 3;

export type Rest =
  | { kind: 'none' }
  /** Wait beside it. */
  | { kind: 'beside'; minutes: number }
  /** Fish elsewhere, and come back after so long. */
  | { kind: 'come back'; minutes: number }
  /** What is to be won does not pay the way back. */
  | { kind: 'leave' };

/**
 * How long to leave a fish in peace after what it did, where fishing elsewhere pays `takesAnHour`.
 * Staying beside it pays while what the next minute of calm wins exceeds what it costs:
 * t = τ ln(w/(λτ)); coming back pays from t = -τ ln(1 - 3λ/w) on. Form ours, constants guessed.
 */
export function restAfter(code: EventCode, takesAnHour: number): Rest {
  const { rest: state } = meaningOf(code);
  if (state === null) return { kind: 'none' };
  const { tauMin, worth } = FORGETS[state];
  const perMin = takesAnHour / 60;
  const beside = tauMin * Math.log(worth / (perMin * tauMin));
  if (beside >= LEAST_REST_MIN) return { kind: 'beside', minutes: beside };
  const left = 1 - (BACK_MIN * perMin) / worth;
  return left > 0 ? { kind: 'come back', minutes: -tauMin * Math.log(left) } : { kind: 'leave' };
}

/** Takes an hour of unknown small water (our guess), and how many takes that guess counts for. */
const PRIOR = { takesAnHour: 3, takes: 2 } as const;

/** What an hour of fishing pays today: the guess, drawn to what the day has shown. */
export const paysToday = (takes: number, hours: number): number =>
  (PRIOR.takes + takes) / (PRIOR.takes / PRIOR.takesAnHour + Math.max(0, hours));
