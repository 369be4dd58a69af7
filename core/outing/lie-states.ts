import { foldTry, isOver, type Try, type TryFold } from '../log/index';
import {
  refilled,
  restAfter,
  worthAnotherLookH,
  type Coverable,
  type Emptied,
} from '../moves/index';

/** How a lie, or a fish, stands after what was tried on it today. */
export type LieState =
  | { kind: 'being worked' }
  /** Covered, and nobody answered. */
  | { kind: 'covered'; casts: number; atMs: number }
  /** Put down or shy: back to it at its time. */
  | { kind: 'resting'; untilMs: number }
  /** Left in peace long enough to be tried again. */
  | { kind: 'rested'; sinceMs: number }
  /** The fish is out of it; when it pays another look, within the day, or never. */
  | { kind: 'vacant'; how: Emptied; sinceMs: number; backMs: number | null };

const HOUR_MS = 3_600_000;

const HOW: Partial<Record<TryFold['state'], Emptied>> = {
  landed: 'taken',
  'foul-hooked': 'taken',
  'let be': 'pricked',
  lost: 'pricked',
};

export interface LieStateQuestion {
  /** Tries on this one lie or fish, of today. */
  tries: readonly Try[];
  /** Chance that a fish was home before, 0-1. */
  home: number;
  cover: Pick<Coverable, 'a' | 'coverS' | 'takeS'>;
  /** What elsewhere pays, takes an hour. */
  lambda: number;
  /** There and back, min. */
  detourMin: number;
  nowMs: number;
}

/** How it stands now; null: untried today. */
export function lieState(q: LieStateQuestion): LieState | null {
  const last = [...q.tries].sort((a, b) => b.openedMs - a.openedMs)[0];
  if (!last) return null;
  const fold = foldTry(last.fly, last.events);
  const event = fold.timeline.filter((t) => !t.undone).at(-1)?.event ?? null;
  if (!isOver(fold.state)) return { kind: 'being worked' };
  const atMs = event?.clientMs ?? last.openedMs;
  const how = HOW[fold.state];
  if (how) {
    const hours = worthAnotherLookH(q.home, how, q.cover, q.lambda, q.detourMin);
    return {
      kind: 'vacant',
      how,
      sinceMs: atMs,
      backMs: hours === null ? null : atMs + hours * HOUR_MS,
    };
  }
  // What it did last before it was left says how long it sulks.
  const did = fold.timeline.filter((t) => !t.undone && t.event.code !== 'leave').at(-1)?.event;
  const rest = did ? restAfter(did.code, q.lambda) : ({ kind: 'none' } as const);
  if (did && (rest.kind === 'beside' || rest.kind === 'come back')) {
    const untilMs = did.clientMs + rest.minutes * 60_000;
    return q.nowMs < untilMs ? { kind: 'resting', untilMs } : { kind: 'rested', sinceMs: untilMs };
  }
  return { kind: 'covered', casts: fold.casts, atMs };
}

/** Chance that a vacant lie is held again at a time, 0-1. */
export const heldAgain = (
  state: Extract<LieState, { kind: 'vacant' }>,
  home: number,
  atMs: number,
): number => refilled(home, state.how, (atMs - state.sinceMs) / HOUR_MS);
