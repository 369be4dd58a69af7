'use client';

import { lieName } from '../../words/names';
import { usePart } from '../context';
import { valueOf } from '../state/answer';
import { useFishNames } from '../use-fish-names';

/** Of a lie by its kind and rating, of a fish by its number. */
export function useLieNames(): (id: string) => string {
  const nameOf = useFishNames();
  const lies = usePart((s) => valueOf(s, 'lies'));
  const marks = usePart((s) => s.marks);
  return (id) => {
    if (marks.some((m) => m.id === id)) return nameOf(id);
    const lie = lies?.lies.find((l) => l.id === id);
    return lie ? `${lieName(lie.kind).toLowerCase()} (${Math.round(lie.rating)})` : 'a lie';
  };
}
