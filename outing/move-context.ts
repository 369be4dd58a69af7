import type { Try } from '../core/log/index';
import type { MoveContext } from '../core/moves/index';
import type { OutingShared } from './shared';

/** Chance of seeing a fish that is there by going up to look, in water that is clear, and in stained (our guess). */
const SEEN_ON_LOOKING = { clear: 0.5, stained: 0.15 } as const;
const STAINED_NTU = 12;
/** Another stand so near leaves something to do while this fish rests, m. */
const IN_REACH_M = 4;

/** What the phone knows of a try beside its events. */
export function moveContext(
  attempt: Try,
  { view, now }: Pick<OutingShared, 'view' | 'now'>,
  lambda: number,
): MoveContext {
  const mark = view.log.marks.find((m) => m.id === attempt.markId);
  const stand = attempt.snapshot.cast?.stand;
  const pack = view.packs.find((p) => p.beatId === attempt.beatId)?.pack;
  const others = (pack?.targets ?? []).filter((t) => t.id !== attempt.snapshot.target?.id);
  const inReach =
    stand !== undefined &&
    others.some(
      ({ shot }) =>
        shot && Math.hypot(shot.stand.xM - stand.xM, shot.stand.yM - stand.yM) < IN_REACH_M,
    );
  const stained = (attempt.snapshot.water.turbidityNtu ?? 0) > STAINED_NTU;
  return {
    lambda,
    nowMs: now,
    seenMinutesAgo: mark && mark.seenMs > 0 ? (attempt.openedMs - mark.seenMs) / 60_000 : null,
    othersInReach: inReach,
    seenOnLooking: stained ? SEEN_ON_LOOKING.stained : SEEN_ON_LOOKING.clear,
  };
}
