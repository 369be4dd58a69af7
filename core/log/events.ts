import type { Species } from '../fish/index';
import { FOULED, meaningOf, type EventCode, type EventMeaning, type TryState } from './event-table';

/** Why a take was missed, as the angler says. */
export const MISS_CAUSES = ['early', 'late', 'never-touched', 'pulled-off'] as const;
export type MissCause = (typeof MISS_CAUSES)[number];
/** Why a hooked fish was lost. */
export const LOSS_CAUSES = [
  'hook-came-out',
  'line-broke',
  'wrapped',
  'slack-line',
  'at-the-net',
] as const;
export type LossCause = (typeof LOSS_CAUSES)[number];
/** Where a cast fell, as the angler faces it: up is along the cast. */
export const FELL_AT = ['on', 'short', 'long', 'left', 'right'] as const;
export type FellAt = (typeof FELL_AT)[number];
export const MISSED_SIZES = ['small', 'fair', 'large'] as const;
export type MissedSize = (typeof MISSED_SIZES)[number];
/** What was changed between two casts. */
export const CHANGED = ['fly', 'depth', 'rig', 'side'] as const;
export type Changed = (typeof CHANGED)[number];
export const HOOKED_IN = ['lip', 'corner', 'tongue', 'gill', 'outside'] as const;
export type HookedIn = (typeof HOOKED_IN)[number];

/** What is told of a fish in the hand; what is absent was not said. SI but for g and cm. */
export interface Catch {
  species?: Species;
  /** Total length. */
  lengthCm?: number;
  girthCm?: number;
  /** As weighed. */
  weightG?: number;
  hookedIn?: HookedIn;
  foughtS?: number;
  outOfWaterS?: number;
  photoId?: string;
  /** Taken home, where local rules allow it; else it went back. */
  kept?: boolean;
}

/**
 * One thing that happened, as the device that saw it says. `id` is made on that device; `seq` is one
 * more than the highest number that the device knows of in this try. Order is by `seq`, never by
 * clock; where two devices that knew nothing of one another used the same number, by device.
 */
export interface TryEvent extends Catch {
  id: string;
  /** The device's own id; '' in events from before devices had one. */
  device: string;
  seq: number;
  code: EventCode;
  clientMs: number;
  zoneOffsetMin: number;
  /** change: the new fly, in free words. On an answer: the fly of the rig that it was for. */
  fly?: string;
  /** change: what was changed; the fly where it is not said. */
  changed?: Changed;
  /** miss. */
  missed?: MissCause;
  missedSize?: MissedSize;
  /** loss. */
  lost?: LossCause;
  /** Of a cast: where it fell. */
  fellAt?: FellAt;
  /** Of a cast: the fly dragged before it was past the fish, or ran clean. */
  dragged?: boolean;
  note?: string;
  /** undo: the event taken back. */
  undoes?: string;
  /** more: the event that this is said of; what is told here holds for it. */
  of?: string;
}

export interface TryFold {
  state: TryState;
  /** Casts that reached the fish: every answer of the fish is one, and "Nothing" is one. */
  casts: number;
  fly: string;
  landedCm: number | null;
  /** In order; `undone` ones stay visible, struck through. */
  timeline: { event: TryEvent; undone: boolean }[];
  /** The event that "Take it back" would undo. */
  last: TryEvent | null;
}

/** By number; of two devices' events under one number, by device: both stand, the order is a convention. */
const inOrder = (a: TryEvent, b: TryEvent) =>
  a.seq - b.seq || (a.device < b.device ? -1 : a.device > b.device ? 1 : 0);

/** A try is the fold of its events. Undoing an undo brings the event back. Events may come in any order. */
export function foldTry(firstFly: string, events: readonly TryEvent[]): TryFold {
  const ordered = [...events].sort(inOrder);
  const undone = new Set<string>();
  // Later undos first, so that an undone undo has no effect.
  for (const e of [...ordered].reverse()) {
    if (e.code === 'undo' && e.undoes !== undefined && !undone.has(e.id)) undone.add(e.undoes);
  }
  const fold: TryFold = {
    state: 'open',
    casts: 0,
    fly: firstFly,
    landedCm: null,
    timeline: [],
    last: null,
  };
  const told = detailsSaid(ordered, undone);
  for (const plain of ordered) {
    const gone = undone.has(plain.id);
    if (plain.code === 'undo') continue;
    if (plain.code === 'more') {
      if (!gone) fold.last = plain;
      continue;
    }
    const more = told.get(plain.id);
    const event = more ? { ...plain, ...more } : plain;
    fold.timeline.push({ event, undone: gone });
    if (gone) continue;
    fold.last = event;
    const { isCast, ends, move } = meaningOf(event.code);
    if (isCast) fold.casts++;
    if (ends) fold.state = ends;
    if (ends === 'landed') fold.landedCm = event.lengthCm ?? null;
    if (move === 'changed' && event.fly) fold.fly = event.fly;
  }
  return fold;
}

/** What was said afterwards of each event, the later over the earlier. */
function detailsSaid(
  ordered: readonly TryEvent[],
  undone: ReadonlySet<string>,
): Map<string, Partial<TryEvent>> {
  const out = new Map<string, Partial<TryEvent>>();
  for (const e of ordered) {
    if (e.code !== 'more' || e.of === undefined || undone.has(e.id)) continue;
    const {
      id: _i,
      device: _d,
      seq: _s,
      code: _c,
      clientMs: _m,
      zoneOffsetMin: _z,
      of,
      ...said
    } = e;
    out.set(of, { ...out.get(of), ...said });
  }
  return out;
}

/** An event that stands, with what it means in its try. */
export interface StandingEvent {
  event: TryEvent;
  means: EventMeaning;
}

/**
 * What happened in a try, in order: what was taken back is left out, what was said afterwards is laid over,
 * and a take that turned out to be foul-hooked is none. Whoever asks what a try shows asks here.
 */
export function standing(t: { fly: string; events: readonly TryEvent[] }): StandingEvent[] {
  const out = foldTry(t.fly, t.events)
    .timeline.filter((e) => !e.undone)
    .map(({ event }): StandingEvent => ({ event, means: meaningOf(event.code) }));
  for (const [i, { means }] of out.entries()) {
    if (means.ends !== 'foul-hooked') continue;
    const took = out.findLastIndex((e, j) => j < i && e.means.answer === 'took');
    if (took >= 0) out[took] = { ...out[took]!, means: FOULED };
  }
  return out;
}
