import type { Species } from '../fish/index';

export const EVENT_CODES = [
  'cast',
  'look',
  'refusal',
  'miss',
  'hook',
  'loss',
  'landing',
  'spook',
  'change',
  'rest',
  // What else happens to a cast, and other ends of a try.
  'snag',
  'fly-lost',
  'weed',
  'bottom',
  // Of what sinks: it never touched, and it hung on the bed.
  'clear',
  'hung',
  'other-species',
  'foul',
  'let-be',
  'leave',
  // Beside the casts: a rise that was not to the fly; who went up to look.
  'rise',
  'seen',
  'unseen',
  // Said afterwards of an event before it.
  'more',
  'undo',
] as const;
export type EventCode = (typeof EVENT_CODES)[number];

/** What the button says, and the time line. */
export const EVENT_WORDS: Record<EventCode, string> = {
  cast: 'Nothing',
  look: 'Looked',
  refusal: 'Turned away',
  miss: 'Missed',
  hook: 'Took',
  loss: 'Came off',
  landing: 'Landed',
  spook: 'Put down',
  change: 'Changed',
  rest: 'Rested it',
  snag: 'Snagged',
  'fly-lost': 'Fly lost',
  weed: 'Weed on it',
  bottom: 'Ticked the bed',
  clear: 'Never touched',
  hung: 'Hung on the bed',
  'other-species': 'Another kind took',
  foul: 'Foul-hooked',
  'let-be': 'Let be, too small',
  leave: 'Left it',
  rise: 'Rose, not to it',
  seen: 'Went up, saw it',
  unseen: 'Went up, saw none',
  more: 'Said more',
  undo: 'Take it back',
};

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

export type TryState =
  'open' | 'hooked' | 'landed' | 'lost' | 'put down' | 'foul-hooked' | 'let be' | 'left';

/** States that end a try. */
export const isOver = (state: TryState): boolean => state !== 'open' && state !== 'hooked';

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

const IS_A_CAST: Partial<Record<EventCode, true>> = {
  cast: true,
  look: true,
  refusal: true,
  miss: true,
  hook: true,
  bottom: true,
  clear: true,
  'other-species': true,
  rise: true,
};

/** Whether an event counts as a cast that reached the water. */
export const isCast = (code: EventCode): boolean => IS_A_CAST[code] ?? false;

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
    if (IS_A_CAST[event.code]) fold.casts++;
    if (event.code === 'hook') fold.state = 'hooked';
    if (event.code === 'loss') fold.state = 'lost';
    if (event.code === 'spook') fold.state = 'put down';
    if (event.code === 'foul') fold.state = 'foul-hooked';
    if (event.code === 'let-be') fold.state = 'let be';
    if (event.code === 'leave') fold.state = 'left';
    if (event.code === 'change' && event.fly) fold.fly = event.fly;
    if (event.code === 'landing') {
      fold.state = 'landed';
      fold.landedCm = event.lengthCm ?? null;
    }
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

/** Which buttons make sense now: a fish is landed or lost only once it has taken. */
export function possibleEvents(state: TryState): EventCode[] {
  if (state === 'hooked') return ['landing', 'loss', 'foul'];
  if (isOver(state) && state !== 'lost' && state !== 'put down') return [];
  return [
    ...(['cast', 'look', 'refusal', 'miss', 'hook', 'spook', 'change', 'rest'] as const),
    ...([
      'snag',
      'fly-lost',
      'weed',
      'bottom',
      'clear',
      'hung',
      'other-species',
      'let-be',
    ] as const),
    ...(['rise', 'seen', 'unseen'] as const),
  ];
}
