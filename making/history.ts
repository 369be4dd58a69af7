/** States that can be gone back to. Every state is immutable; a drag drafts and commits once. */
export interface History<T> {
  past: readonly T[];
  present: T;
  future: readonly T[];
}

/** Steps that can be taken back. */
const DEPTH = 200;

export const begin = <T>(present: T): History<T> => ({ past: [], present, future: [] });

/** A new state; what was undone before is gone. The same state again changes nothing. */
export function commit<T>(h: History<T>, next: T): History<T> {
  if (next === h.present) return h;
  return { past: [...h.past.slice(1 - DEPTH), h.present], present: next, future: [] };
}

export function undo<T>(h: History<T>): History<T> {
  const before = h.past[h.past.length - 1];
  if (before === undefined) return h;
  return { past: h.past.slice(0, -1), present: before, future: [h.present, ...h.future] };
}

export function redo<T>(h: History<T>): History<T> {
  const [next, ...rest] = h.future;
  if (next === undefined) return h;
  return { past: [...h.past, h.present], present: next, future: rest };
}
