import { foldTry, isOver, standing, type Emptied, type Try } from '../log/index';
import { refilled, restAfter, worthAnotherLookH, type Coverable } from '../moves/index';

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
  | { kind: 'vacant'; how: Emptied; sinceMs: number; backMs: number | null }
  /** The fish in it was let be: it is there, and not worth another cast today. */
  | { kind: 'let be'; atMs: number };

const HOUR_MS = 3_600_000;

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
  if (!isOver(fold.state)) return { kind: 'being worked' };
  const events = standing(last);
  const atMs = events.at(-1)?.event.clientMs ?? last.openedMs;
  // What it did last before it was left says how the lie stands.
  const did = events.filter(({ means }) => means.ends !== 'left').at(-1);
  if (did?.means.ends === 'let be') return { kind: 'let be', atMs };
  const how = did?.means.empties;
  if (how) {
    const hours = worthAnotherLookH(q.home, how, q.cover, q.lambda, q.detourMin);
    return {
      kind: 'vacant',
      how,
      sinceMs: atMs,
      backMs: hours === null ? null : atMs + hours * HOUR_MS,
    };
  }
  const rest = did ? restAfter(did.event.code, q.lambda) : ({ kind: 'none' } as const);
  if (did && (rest.kind === 'beside' || rest.kind === 'come back')) {
    const untilMs = did.event.clientMs + rest.minutes * 60_000;
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
