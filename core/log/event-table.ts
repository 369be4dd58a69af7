import type { Felt } from '../sink/index';

/** How a try stands. */
export const TRY_STATES = [
  'open',
  'hooked',
  'landed',
  'lost',
  'put down',
  'foul-hooked',
  'let be',
  'left',
] as const;
export type TryState = (typeof TRY_STATES)[number];

/** What the fish did with the fly. */
export type FlyAnswer = 'looked' | 'turned' | 'missed' | 'took';

/** How a lie was emptied. */
export type Emptied = 'taken' | 'pricked' | 'bolted';

/** What the next move hears of an event: an answer to one cover, a look at the water, something changed. */
export type Heard =
  'nothing' | 'looked' | 'turned' | 'missed' | 'down' | 'rise' | 'seen' | 'not seen' | 'changed';

/** What one kind of event means, everywhere. */
export interface EventMeaning {
  /** What its button says, and the time line. */
  word: string;
  /** Where it is pressed: among the first six, while a fish is on, under "Something else", or nowhere. */
  press: 'first' | 'fish on' | 'else' | null;
  /** The cast reached the fish: it counts as one cover. */
  isCast: boolean;
  /** A fly was laid on the water: where it fell, and whether it dragged, may be said. */
  isLaid: boolean;
  /** It shows that a fish of the kind sought was at the target. */
  showsFish: boolean;
  answer: FlyAnswer | null;
  /** The state in which it leaves the try; null: as it was. */
  ends: TryState | null;
  /** What the fish gets over by being left in peace. */
  rest: 'wary' | 'put down' | null;
  /** How it empties the lie; null: whoever was there may be there still. */
  empties: Emptied | null;
  move: Heard | null;
  /** What the drift said of the bed. */
  bed: Felt | null;
  /** What it does to the fly and its knots. */
  tackle: 'tied anew' | 'cleaned' | 'fish' | 'snag' | null;
}

const PLAIN: EventMeaning = {
  word: '',
  press: 'else',
  isCast: false,
  isLaid: false,
  showsFish: false,
  answer: null,
  ends: null,
  rest: null,
  empties: null,
  move: null,
  bed: null,
  tackle: null,
};
/** A cover to which nothing of the kind sought came. */
const COVER = { ...PLAIN, isCast: true, isLaid: true, move: 'nothing' as const };
/** A fish that came to the fly. */
const CAME = { ...PLAIN, press: 'first' as const, isCast: true, isLaid: true, showsFish: true };
/** A fish that had been on. */
const WAS_ON = { ...PLAIN, press: 'fish on' as const, showsFish: true };
const SAID = { ...PLAIN, press: null };

/**
 * Every event and all its meanings: whoever reads events reads them here, by column and never by code.
 * Buttons stand in this order. What the columns say is common practice, put into words by us.
 */
export const EVENTS = {
  cast: { ...COVER, word: 'Nothing', press: 'first' },
  look: { ...CAME, word: 'Looked', answer: 'looked', rest: 'wary', move: 'looked' },
  refusal: { ...CAME, word: 'Turned away', answer: 'turned', rest: 'wary', move: 'turned' },
  hook: { ...CAME, word: 'Took', answer: 'took', ends: 'hooked', tackle: 'fish' },
  miss: { ...CAME, word: 'Missed', answer: 'missed', rest: 'wary', move: 'missed' },
  // By the cast or on the way: it is no cover of its own, and where the cast fell may be said.
  spook: {
    ...PLAIN,
    word: 'Put down',
    press: 'first',
    isLaid: true,
    showsFish: true,
    ends: 'put down',
    rest: 'put down',
    move: 'down',
  },
  landing: { ...WAS_ON, word: 'Landed', ends: 'landed', empties: 'taken' },
  loss: {
    ...WAS_ON,
    word: 'Came off',
    ends: 'lost',
    rest: 'put down',
    empties: 'pricked',
    move: 'down',
  },
  // It had not taken: what was pressed as a take before it is none (`FOULED`).
  foul: { ...WAS_ON, word: 'Foul-hooked', ends: 'foul-hooked', empties: 'taken' },
  change: { ...PLAIN, word: 'Changed', move: 'changed', tackle: 'tied anew' },
  rest: { ...PLAIN, word: 'Rested it' },
  snag: { ...PLAIN, word: 'Snagged', tackle: 'snag' },
  'fly-lost': { ...PLAIN, word: 'Fly lost', tackle: 'tied anew' },
  weed: { ...PLAIN, word: 'Weed on it', tackle: 'cleaned' },
  bottom: { ...COVER, word: 'Ticked the bed', bed: 'ticked' },
  clear: { ...COVER, word: 'Never touched', bed: 'clear' },
  // It stopped before it was past the fish: no cover.
  hung: { ...PLAIN, word: 'Hung on the bed', isLaid: true, bed: 'hung', tackle: 'snag' },
  // The drift was good enough for somebody; of the kind sought it says what an unanswered cover says.
  'other-species': { ...COVER, word: 'Another kind took', tackle: 'fish' },
  // It was seen, and not fished for: it stays where it is.
  'let-be': { ...PLAIN, word: 'Let be, too small', showsFish: true, ends: 'let be' },
  rise: { ...COVER, word: 'Rose, not to it', showsFish: true, move: 'rise' },
  seen: { ...PLAIN, word: 'Went up, saw it', showsFish: true, move: 'seen' },
  unseen: { ...PLAIN, word: 'Went up, saw none', move: 'not seen' },
  leave: { ...SAID, word: 'Left it', ends: 'left' },
  more: { ...SAID, word: 'Said more' },
  undo: { ...SAID, word: 'Take it back' },
} satisfies Record<string, EventMeaning>;

export type EventCode = keyof typeof EVENTS;

export const EVENT_CODES = Object.keys(EVENTS) as EventCode[];

/** What an event means. */
export const meaningOf = (code: EventCode): EventMeaning => EVENTS[code];

/** The fish had the fly: it took, or was missed. */
export const hadFly = ({ answer }: EventMeaning): boolean =>
  answer === 'took' || answer === 'missed';

/** What "Took" was, once the fish turns out to be foul-hooked: a cover that went wrong. */
export const FOULED: EventMeaning = { ...EVENTS.hook, answer: null, ends: null };

/** Codes whose meaning is such, in the table's order. */
export const codesWhere = (is: (means: EventMeaning) => boolean): EventCode[] =>
  EVENT_CODES.filter((code) => is(EVENTS[code]));

/** Codes that are pressed there, in the order of the buttons. */
export const pressedAt = (where: EventMeaning['press']): EventCode[] =>
  codesWhere((means) => means.press === where);

/** States that end a try. */
export const isOver = (state: TryState): boolean => state !== 'open' && state !== 'hooked';
/** A fish that came off or was put down may be cast to again in the same try. */
const GOES_ON: ReadonlySet<TryState> = new Set(['open', 'lost', 'put down']);

/** Whether the angler may go on casting in this state. */
export const mayCast = (state: TryState): boolean => GOES_ON.has(state);

/** Which buttons make sense now: a fish is landed or lost only once it has taken. */
export function possibleEvents(state: TryState): EventCode[] {
  if (state === 'hooked') return pressedAt('fish on');
  return mayCast(state) ? [...pressedAt('first'), ...pressedAt('else')] : [];
}

/** The presses that lead to a state, the shortest way: a fish that was on had taken. */
export function eventsThatEnd(state: TryState): EventCode[] {
  if (state === 'open') return [];
  const [code] = codesWhere((means) => means.ends === state);
  const [took] = codesWhere((means) => means.ends === 'hooked');
  return EVENTS[code!].press === 'fish on' ? [took!, code!] : [code!];
}
