import type { HomeTrial } from '../lies/index';
import { standing } from './events';
import type { HomePrior, Priors } from './priors';
import { TRIES_AT_HAND, type Try } from './tries';

/** So many casts are one working of a place (common practice). */
export const CASTS_A_WORKING = 3;

/**
 * Lies that were worked without a fish seen first, as trials of the chance that one is home. Tries
 * from before ratings were chances say nothing here.
 */
export function homeTrials(tries: readonly Try[]): HomeTrial[] {
  return tries.flatMap((t) => {
    const { target, rated } = t.snapshot;
    const offset = rated.homeOffset;
    if (t.markId !== null || target?.rating == null || offset == null) return [];
    const events = standing(t);
    const fish = events.some(({ means }) => means.showsFish);
    const casts = events.filter(({ means }) => means.isCast).length;
    if (!fish && casts === 0) return [];
    return [
      {
        chance: target.rating / 100,
        offset,
        ...(rated.homeSlope != null && { slope: rated.homeSlope }),
        workings: Math.max(1, casts / CASTS_A_WORKING),
        fish,
      },
    ];
  });
}

/**
 * What the constant of one beat's water is fitted from: its prior, and the tries that are not in it
 * yet. Where the correction was taken back nothing is fitted.
 */
export function homeAsked(
  tries: readonly Try[],
  { home, untilMs }: Priors,
): { trials: HomeTrial[]; prior: HomePrior; slope: number } {
  // A water that nobody has tried yet has no constant of its own; the key '' is that of places without a beat.
  const beatId = tries[0]?.beatId;
  const own = beatId ? home.waters[beatId] : undefined;
  // Who has all of them and who has the newest alone come to one answer.
  const newest = [...tries].sort((a, b) => a.openedMs - b.openedMs).slice(-TRIES_AT_HAND);
  const since = !home.live ? [] : own ? newest.filter((t) => t.openedMs >= untilMs) : newest;
  return { trials: homeTrials(since), prior: own ?? home.all, slope: home.slope };
}
