import { EMPTY_SNAPSHOT, readSnapshot, type TrySnapshot } from '../core/log/index';
import { problemIn, type StoredShape } from './stored-shapes';

/** A text of the book that is not what it should be. */
export class Unreadable extends Error {}

/** A stored text as what it is. Throws `Unreadable` with why. */
export function parsed<T>(shape: StoredShape, text: string): T {
  const value = jsonIn(text);
  const problem = problemIn(shape, value);
  if (problem) throw new Unreadable(`${problem.part || 'it'} ${problem.why}`);
  return value as T;
}

/** Throws `Unreadable` where a text is no JSON. */
export function jsonIn(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    throw new Unreadable('its text is cut off or damaged');
  }
}

/** The rows that can be read; one that cannot is left out, so that it breaks nothing but itself (`listUnreadable` names it). */
export function readable<R, T>(rows: readonly R[], read: (row: R) => T): T[] {
  return rows.flatMap((row) => {
    try {
      return [read(row)];
    } catch (error) {
      if (error instanceof Unreadable) return [];
      throw error;
    }
  });
}

/**
 * What the plan said of a try, as it was kept. A part of it that is damaged says nothing, and the rest
 * stands: the try and what happened in it are kept either way.
 */
export function snapshotIn(text: string): TrySnapshot {
  let kept: TrySnapshot;
  try {
    kept = readSnapshot(jsonIn(text));
  } catch {
    return EMPTY_SNAPSHOT;
  }
  const sound = { ...kept };
  for (;;) {
    const problem = problemIn('snapshot', sound);
    if (!problem) return sound;
    const part = problem.part.split('.')[0] as keyof TrySnapshot;
    if (!(part in EMPTY_SNAPSHOT) || sound[part] === EMPTY_SNAPSHOT[part]) return EMPTY_SNAPSHOT;
    Object.assign(sound, { [part]: EMPTY_SNAPSHOT[part] });
  }
}

/** What an event says beside its code; nothing where that is damaged. */
export function detailIn(text: string): Record<string, unknown> {
  try {
    return parsed('event detail', text);
  } catch {
    return {};
  }
}
