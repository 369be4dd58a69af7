import { PLACE } from './guesses';
import { placeWorth, wayS, type PlaceLies } from './worth';

/** A place of the water to come, and how far it is from the one before, m. */
export interface PlaceAhead {
  lies: PlaceLies;
  apartM: number;
}

/** Takes and seconds over a mix of places when elsewhere pays λ. */
function over(mix: readonly PlaceAhead[], lambda: number): { takes: number; seconds: number } {
  let takes = 0;
  let seconds = 0;
  for (const { lies, apartM } of mix) {
    const worth = placeWorth(lies, lambda);
    takes += worth.takes;
    seconds += worth.seconds + wayS(apartM);
  }
  return { takes, seconds };
}

const MOST_STEPS = 8;
const MOST_LAMBDA = 200;
/** Halvings of the range: λ to a thousandth. */
const PACE_STEPS = 18;

/** The best long-run rate of such water, takes an hour: λ = takes/time at λ (Dinkelbach's steps; Charnov 1976). */
export function bestRate(mix: readonly PlaceAhead[]): number {
  let lambda = 0;
  for (let i = 0; i < MOST_STEPS; i++) {
    const { takes, seconds } = over(mix, lambda);
    const next = seconds > 0 ? (3600 * takes) / seconds : 0;
    if (Math.abs(next - lambda) < 1e-9) return next;
    lambda = next;
  }
  return lambda;
}

/** The λ at which what is left of the water just fills what is left of the time. */
export function paceFor(mix: readonly PlaceAhead[], waterM: number, timeS: number): number {
  const length = mix.reduce((sum, m) => sum + m.apartM, 0);
  if (length <= 0) return PLACE.leastLambda;
  const times = waterM / length;
  const fits = (lambda: number) => times * over(mix, lambda).seconds <= timeS;
  let slow: number = PLACE.leastLambda;
  let quick: number = MOST_LAMBDA;
  if (fits(slow)) return slow;
  for (let i = 0; i < PACE_STEPS; i++) {
    const mid = (slow + quick) / 2;
    if (fits(mid)) quick = mid;
    else slow = mid;
  }
  return quick;
}

export type PaceBy = 'rate' | 'pace';

/**
 * What an hour of this water pays now: the lesser of its best rate and of the pace that just sees all of
 * it. With time left over one casts more; with too little one stops where the time ends, and does not run.
 * `waterM` and `timeS` null: not known, the rate alone.
 */
export function paysNow(
  mix: readonly PlaceAhead[],
  waterM: number | null,
  timeS: number | null,
): { lambda: number; by: PaceBy } {
  const rate = Math.max(PLACE.leastLambda, bestRate(mix));
  if (waterM === null || timeS === null) return { lambda: rate, by: 'rate' };
  const pace = paceFor(mix, waterM, timeS);
  return pace < rate ? { lambda: pace, by: 'pace' } : { lambda: rate, by: 'rate' };
}
