import { foldTry, mayCast, standing, type StandingEvent, type Try } from '../log/index';
import type { Situation } from './belief';
import { answersIn, coverSeconds } from './cover-facts';
import {
  FELT_DEPTH,
  MISSED_SHARE,
  OFFER,
  PAUSE_MIN,
  REST_LOST,
  UNFELT,
  type Seen,
} from './guesses';
import { CHANGES, type Change, type Happening, type MoveQuestion } from './next-move';

/** What the phone knows beside the try. */
export interface MoveContext {
  /** What elsewhere pays, takes an hour. */
  lambda: number;
  nowMs: number;
  /** Minutes since the fish was last seen when the try was opened; null: nobody saw it. */
  seenMinutesAgo: number | null;
  /** Another lie is in reach of the stand: a rest costs little. */
  othersInReach: boolean;
  /** Chance of seeing a fish that is there, by going up; 0: nowhere to look from. */
  seenOnLooking: number;
  cannot?: readonly Change[];
  /** Worth of this fish in takes; 1 where all are alike. */
  worth?: number;
}

const SEEN_AS: Record<string, Seen> = {
  rising: 'rising',
  nymphing: 'nymphing',
  holding: 'holding',
  cruising: 'holding',
  glued: 'motionless',
};
const CHANGE_OF = { fly: 'fly', depth: 'depth', rig: 'rig', side: 'drift' } as const;

/** A try as a question of what to do next; null while a fish is on, and once it is over. */
export function moveQuestionOf(t: Try, c: MoveContext): MoveQuestion | null {
  if (!mayCast(foldTry(t.fly, t.events).state)) return null;
  const events = standing(t);
  const happened = happeningsOf(events, t.openedMs, c.nowMs);
  // Before the first cast there is nothing to change yet.
  const cannot = happened.length === 0 ? CHANGES : c.cannot;
  return {
    situation: situationOf(t, events, c),
    happened,
    lambda: c.lambda,
    seenOnLooking: c.seenOnLooking,
    ...(cannot && { cannot }),
    restLost: c.othersInReach ? REST_LOST : 1,
  };
}

function situationOf(t: Try, events: readonly StandingEvent[], c: MoveContext): Situation {
  const { target, cast, predicted, water, rated } = t.snapshot;
  const seen: Seen = t.markId === null ? 'blind' : (SEEN_AS[target?.behaviour ?? ''] ?? 'holding');
  const fly = cast?.rig.fly ?? null;
  const onTop = fly === 'dry' || (fly === 'dry-dropper' && seen === 'rising');
  // What the bed said last holds: touched, the fly is down; never touched, it is not.
  const bed = events.findLast(({ means }) => means.bed !== null)?.means.bed;
  const hides =
    (target?.depthM ?? 0) > UNFELT.depthM || (water.turbidityNtu ?? 0) > UNFELT.turbidityNtu;
  const depth =
    bed === 'ticked' || bed === 'hung'
      ? FELT_DEPTH
      : bed === 'clear'
        ? OFFER.depthUnfelt
        : onTop && seen === 'rising'
          ? OFFER.depthDryToRiser
          : hides
            ? OFFER.depthUnfelt
            : OFFER.depth;
  const casts = events.filter(({ means }) => means.isCast).length;
  const minutes = (c.nowMs - t.openedMs) / 60_000;
  return {
    seen,
    home: seen === 'blind' ? (target?.rating ?? UNKNOWN_RATING) / 100 : null,
    ...(c.seenMinutesAgo !== null && { minutesSinceSeen: Math.max(0, c.seenMinutesAgo) }),
    calm: predicted.calm ?? 1,
    // The surface is a little quicker than the mean; where only it is known, it will do.
    answers:
      predicted.answers ??
      answersIn(target?.meanSpeedMps ?? target?.surfaceSpeedMps ?? null, water.tempC),
    coverS: coverSeconds(cast?.leadM ?? null, target?.surfaceSpeedMps ?? null),
    missedShare:
      // The small char of this list.
      rated.species === 'brook' ? MISSED_SHARE.char : MISSED_SHARE.trout,
    right: {
      drift: predicted.chance?.parts.clean ?? OFFER.drift,
      depth,
      fly: OFFER.fly,
      ...(seen === 'rising' && { timing: OFFER.timingRiser }),
    },
    ...(casts > 1 && minutes > 1 && { coversAMin: casts / minutes }),
    ...(c.worth !== undefined && { worth: c.worth }),
  };
}
/** A place that nobody rated. */
const UNKNOWN_RATING = 50;

/** Events in order, with the pauses between them. */
function happeningsOf(
  events: readonly StandingEvent[],
  openedMs: number,
  nowMs: number,
): Happening[] {
  const out: Happening[] = [];
  let last = openedMs;
  const pause = (until: number) => {
    const min = (until - last) / 60_000;
    if (min > PAUSE_MIN && out.length > 0) out.push({ restMin: min });
    last = Math.max(last, until);
  };
  for (const { event, means } of events) {
    pause(event.clientMs);
    if (means.move === 'changed') out.push(CHANGE_OF[event.changed ?? 'fly']);
    else if (means.move) out.push(means.move);
  }
  pause(nowMs);
  return out;
}
