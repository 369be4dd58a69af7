import type { HomeTrial } from '../lies/index';
import { foldTry, type EventCode } from './events';
import type { Try } from './tries';

/** What shows that a fish was there. */
export const SHOWS: readonly EventCode[] = [
  'look',
  'refusal',
  'miss',
  'hook',
  'landing',
  'loss',
  'spook',
  'foul',
  'let-be',
];
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
    const fold = foldTry(t.fly, t.events);
    const fish = fold.timeline.some((e) => !e.undone && SHOWS.includes(e.event.code));
    if (!fish && fold.casts === 0) return [];
    return [
      {
        chance: target.rating / 100,
        offset,
        workings: Math.max(1, fold.casts / CASTS_A_WORKING),
        fish,
      },
    ];
  });
}
