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
  change: 'Changed fly',
  rest: 'Rested it',
  undo: 'Take it back',
};

/**
 * One thing that happened, as the device that saw it says. `id` is made on that device; `seq` is one
 * more than the highest number that the device knows of in this try. Order is by `seq`, never by
 * clock; where two devices that knew nothing of one another used the same number, by device.
 */
export interface TryEvent {
  id: string;
  /** The device's own id; '' in events from before devices had one. */
  device: string;
  seq: number;
  code: EventCode;
  clientMs: number;
  zoneOffsetMin: number;
  /** landing: total length. */
  lengthCm?: number;
  /** change: the new fly, in free words. */
  fly?: string;
  note?: string;
  /** undo: the event taken back. */
  undoes?: string;
}

export type TryState = 'open' | 'hooked' | 'landed' | 'lost' | 'put down';

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
};

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
  for (const event of ordered) {
    const gone = undone.has(event.id);
    if (event.code !== 'undo') fold.timeline.push({ event, undone: gone });
    if (gone || event.code === 'undo') continue;
    fold.last = event;
    if (IS_A_CAST[event.code]) fold.casts++;
    if (event.code === 'hook') fold.state = 'hooked';
    if (event.code === 'loss') fold.state = 'lost';
    if (event.code === 'spook') fold.state = 'put down';
    if (event.code === 'change' && event.fly) fold.fly = event.fly;
    if (event.code === 'landing') {
      fold.state = 'landed';
      fold.landedCm = event.lengthCm ?? null;
    }
  }
  return fold;
}

/** Which buttons make sense now: a fish is landed or lost only once it has taken. */
export function possibleEvents(state: TryState): EventCode[] {
  if (state === 'hooked') return ['landing', 'loss'];
  if (state === 'landed') return [];
  return ['cast', 'look', 'refusal', 'miss', 'hook', 'spook', 'change', 'rest'];
}
