import type { Place } from '../grid/index';
import { sameLie } from '../terms/index';
import type { Try } from './tries';

/** What is worked: a fish that was marked, a place that was told, or a lie of a beat. */
export interface WorkedAt {
  beatId: string | null;
  markId: string | null;
  readId?: string | null | undefined;
  /** Where the lie is; null: nowhere on a plan. */
  place: Place | null;
}

/**
 * The tries that were made at one target, whichever device made them: those of a marked fish by its mark,
 * those of a told place by its read, those of a lie by where it is. Lies are rated anew for every water and
 * get new names then, so a name says nothing.
 */
export function triesAt(at: WorkedAt, tries: readonly Try[]): Try[] {
  if (at.markId !== null) return tries.filter((t) => t.markId === at.markId);
  if (at.readId != null) return tries.filter((t) => t.readId === at.readId);
  return tries.filter((t) => {
    const { target } = t.snapshot;
    if (t.markId !== null || t.readId != null || t.beatId !== at.beatId) return false;
    return target && at.place ? sameLie(target, at.place) : !target && !at.place;
  });
}
