import { isOver, foldTry, triesAt, type Try } from '../../core/log/index';
import { targetOf } from '../state/selectors';
import type { WorkspaceState } from '../state/state';

/** Tries at the chosen fish, or in the chosen lie; none while nothing is chosen. */
export function triesHere(s: WorkspaceState, beatId: string): Try[] {
  const target = targetOf(s);
  return target ? triesAt({ beatId, markId: s.markId, place: target }, s.tries) : [];
}

/** The one that goes on there; null: none does. */
export const openTryHere = (s: WorkspaceState, beatId: string): Try | null =>
  triesHere(s, beatId).find((t) => !isOver(foldTry(t.fly, t.events).state)) ?? null;
