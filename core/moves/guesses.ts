/**
 * Every figure of the next move that nobody has measured: all ours, form and value, until the log
 * refits them. Chances are 0-1, times in the unit that is named.
 */

/** What may be wrong, one main fault at a time; `wary` and `put down` pass with time. */
export const STATES = [
  'gone',
  'unwilling',
  'put down',
  'wary',
  'right',
  'depth',
  'drift',
  'fly',
  'timing',
] as const;
export type MoveState = (typeof STATES)[number];

/** A belief: chance of each state, in the order of `STATES`, summing to 1. */
export type Belief = readonly number[];

/** States in which the fish would take something offered well. */
export const WILLING: readonly MoveState[] = ['right', 'depth', 'drift', 'fly', 'timing'];

/** How a fish was seen to behave; blind: nobody saw one. */
export type Seen = 'rising' | 'nymphing' | 'holding' | 'motionless' | 'blind';

/** Willing to feed at all, by how it was seen. */
export const WILLING_PRIOR: Record<Seen, number> = {
  rising: 0.95,
  nymphing: 0.88,
  holding: 0.6,
  motionless: 0.12,
  blind: 0.85,
};

/** A fish that was seen is still there with this chance, falling by this a minute. */
export const STILL_THERE = { first: 0.97, fallsAMin: 0.012 } as const;

/** Chance that each part of the offer is right where nothing better is known. */
export const OFFER = {
  depth: 0.75,
  /** Deep or stained, and the bottom not felt. */
  depthUnfelt: 0.35,
  depthDryToRiser: 0.98,
  fly: 0.75,
  /** A hatch is known and the fly is of it, or is not. */
  flyOfHatch: 0.85,
  flyNotOfHatch: 0.4,
  timingRiser: 0.6,
  drift: 0.85,
} as const;

/** Share of takes that are missed: by the small and quick more often. */
export const MISSED_SHARE = { trout: 0.3, char: 0.5 } as const;
/** From this share on misses are no sign that the fly is wrong. */
export const OFTEN_MISSED = 0.45;

export const OUTCOMES = ['looked', 'turned', 'missed', 'down', 'rise', 'took'] as const;
export type Outcome = (typeof OUTCOMES)[number];
/** What a cover, or a rest, can be answered by. */
export type CoverAnswer = Outcome | 'nothing';

/** One cover: looked, turned away, missed, put down, a rise elsewhere. `took`, `missed` of the willing come from the offer. */
export const COVER: Record<MoveState, readonly [number, number, number, number, number, number]> = {
  gone: [0, 0, 0, 0, 0.03, 0],
  unwilling: [0.03, 0.01, 0.002, 0.012, 0.005, 0.004],
  'put down': [0, 0, 0, 0.02, 0.002, 0.001],
  wary: [0.04, 0.04, 0.005, 0.07, 0.005, 0.02],
  right: [0.04, 0.02, 0, 0.008, 0.01, 0],
  depth: [0.04, 0.01, 0.012, 0.008, 0.01, 0.025],
  drift: [0.07, 0.16, 0.02, 0.03, 0.01, 0.04],
  fly: [0.18, 0.12, 0.03, 0.008, 0.01, 0.035],
  timing: [0.02, 0.02, 0, 0.008, 0.3, 0],
};
/** A riser rises on beside what it refuses. */
export const RISES_ON: Partial<Record<MoveState, number>> = {
  right: 0.06,
  depth: 0.1,
  drift: 0.15,
  fly: 0.12,
};
/** An unwilling fish is put down the sooner by a streamer. */
export const STREAMER_FRIGHTENS = 0.04;
/** By chance a cover meets the rhythm: so much, and more by covers a minute, to at most. */
export const MEETS = { least: 0.15, more: 0.3, byCoversAMin: 0.06 } as const;

/** What an answer does: [from, to, share]; shares of one state are taken in turn. */
export type Turn = readonly [MoveState, MoveState, number];
export const NOTHING_TURNS = { plain: 0.04, streamer: 0.5 } as const;
export const LOOKED = { fly: 0.3, wary: 0.3 } as const;
export const TURNED = { fly: 0.5, wary: 0.45 } as const;
export const MISSED = { right: 0.5, wary: 0.5, whereOften: 0.2, timing: 0.3, down: 0.2 } as const;
export const DOWN = { gone: 0.35, down: 0.97 } as const;

/** Time passing: how soon each forgets, min, and into what. */
export const FORGETS = {
  wary: { tauMin: 1.5, to: { fly: 0.55, right: 0.25, unwilling: 0.2 } },
  'put down': { tauMin: 12, to: { right: 0.35, unwilling: 0.4, fly: 0.25 } },
  /** It shows itself ready for the same fly again. */
  fly: { tauMin: 6, right: 0.2 },
  unwillingAMin: 0.006,
  goneAMin: 0.003,
} as const;

/** A thing tried again helps by this share each time. */
export const TRIED = 0.55;

export const ACTION_S = {
  again: 0,
  beat: 12,
  drift: 15,
  depth: 30,
  fly: 60,
  rig: 150,
  look: 60,
} as const;
/** What each change mends and spoils. */
export const MENDS = {
  beat: { mends: 0.4 },
  drift: { mends: 0.6, spoils: 0.06 },
  depth: { mends: 0.55, spoils: 0.2 },
  fly: { mends: 0.5, spoils: 0.2 },
  rig: { depth: 0.45, fly: 0.4, unwilling: 0.1, spoilsFly: 0.15, spoilsDepth: 0.15 },
  look: { depth: 0.6 },
} as const;
/** Rests beside it, min. */
export const RESTS_MIN = [1.5, 5, 15] as const;
/** Of a rest so much is lost while another lie is in reach of the stand. */
export const REST_LOST = 0.1;
/** Two moves whose worth differs by less are as good as one another. */
export const AS_GOOD = 0.01;
/** Steps that are looked ahead, and covers after them at most. */
export const LOOK_AHEAD = 2;
export const COVERS_AFTER = 12;
/** A take costs so long, s: half of them are hooked, and a fish is played and let go in twice that. */
export const TAKE_S = 55;

/** What a place and a cover are when only the water is known. */
export const ANSWERS = [
  { fromMps: 0.35, a: 0.55 },
  { fromMps: 0.15, a: 0.45 },
  { fromMps: 0, a: 0.3 },
] as const;
/** Colder than this, °C, a fish answers half as often. */
export const COLD = { belowC: 6, share: 0.5 } as const;
/** A cover: setting up, following it down to at most so long, and picking up, s. */
export const COVER_S = { before: 6, after: 2, beyondFish: 1.5, most: 8, unknown: 2.5 } as const;
/** Nothing was felt of the bottom: water deeper than this, m, or thicker than this, NTU, hides whether the fly is down. */
export const UNFELT = { depthM: 0.8, turbidityNtu: 12 } as const;
/** The bottom was touched: the fly is down. */
export const FELT_DEPTH = 0.9;
/** A longer time without an event is a rest, min. */
export const PAUSE_MIN = 1;
