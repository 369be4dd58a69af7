import type {
  CastNow,
  CastStudy,
  DriftBand,
  FishInOrder,
  FollowDown,
  PoolCover,
  ShotsResult,
} from '../../core/cast/index';
import type { DayPlan } from '../../core/day/index';
import type { LieField, LieStudy, MethodDifference } from '../../core/lies/index';
import type { RouteResult, RouteStand } from '../../core/route/index';
import type { GlareHour, Lookout, RingPoint, WindowView } from '../../core/sight/index';
import type { FarBank, StalkResult, StalkStudy } from '../../core/stalk/index';
import type { WaterReading } from '../../core/water/index';
import type { BenchTold } from '../../workers/protocol';

export interface HourExposure {
  hour: number;
  exposure: number;
}

export type HourGlare = GlareHour & { hour: number };

/** Which fish first; the fish it speaks of by id, in the order they were asked about. */
export interface FishOrder {
  fishIds: string[];
  sequence: FishInOrder;
}

/** A route, and the stands that it numbers. */
export interface RouteAnswer {
  stands: RouteStand[];
  result: RouteResult;
}

/** Everything that is computed from the water, by name. */
export interface AnswerValues {
  /** The day over the book's beats: curves, stops, order. Asked without any water. */
  day: DayPlan;
  /** What the eye reads of the water; and of the level laid beside it. */
  reading: WaterReading;
  otherReading: WaterReading;
  lies: LieField;
  /** The chosen lie asked further. */
  study: LieStudy & { lieId: string };
  /** Where the chosen method and the one laid beside it part. */
  difference: MethodDifference;
  /** From where the target sees the angler. */
  ring: RingPoint[];
  /** How the angler at the stand is noticed, by hour of the strip. */
  hours: HourExposure[];
  /** Places to look from, best first. */
  lookouts: Lookout[];
  /** Glances that see the target from the viewer, and shade over it, by hour of the strip. */
  glare: HourGlare[];
  /** Rings of the shade on the water at this hour, m. */
  shade: [number, number][][];
  /** What the target sees of the viewer. */
  window: WindowView;
  /** The drift of the cast on the plan, what else follows the pointer, and how long it took, ms. */
  drift: { band: DriftBand; now: CastNow; ms: number };
  castStudy: CastStudy;
  /** Covers of the pool from this stand. */
  pool: PoolCover[];
  /** Where to stand and how to cast. */
  shots: ShotsResult;
  /** The way to the stand. */
  stalk: StalkResult;
  /** The way asked further: others, what would change it, care. */
  stalkStudy: StalkStudy;
  /** Coming from the other bank. */
  farBank: FarBank;
  order: FishOrder;
  /** The route over the beat, and a first sketch of it over the best lies. */
  route: RouteAnswer;
  routeSketch: RouteAnswer;
  /** What hangs on the line, at the chosen fish. */
  bench: BenchTold;
  /** Slack water below that a hooked fish can be followed to; place null: none. */
  followDown: { to: FollowDown | null };
}
export type AnswerName = keyof AnswerValues;

/**
 * none: nothing to ask · asking: no value yet · fresh: the answer to what is on the screen · stale:
 * the answer to what was, kept until the next comes · failed: the last question could not be answered.
 */
export interface Answer<R> {
  value: R | null;
  /** The question that `value` answers, with its water, as text. */
  of: string;
  state: 'none' | 'asking' | 'fresh' | 'stale' | 'failed';
}
export type Answers = { readonly [N in AnswerName]: Answer<AnswerValues[N]> };

export const NO_ANSWER: Answer<never> = { value: null, of: '', state: 'none' };

export const NO_ANSWERS: Answers = {
  day: NO_ANSWER,
  reading: NO_ANSWER,
  otherReading: NO_ANSWER,
  lies: NO_ANSWER,
  study: NO_ANSWER,
  difference: NO_ANSWER,
  ring: NO_ANSWER,
  hours: NO_ANSWER,
  lookouts: NO_ANSWER,
  glare: NO_ANSWER,
  shade: NO_ANSWER,
  window: NO_ANSWER,
  drift: NO_ANSWER,
  castStudy: NO_ANSWER,
  pool: NO_ANSWER,
  shots: NO_ANSWER,
  stalk: NO_ANSWER,
  stalkStudy: NO_ANSWER,
  farBank: NO_ANSWER,
  order: NO_ANSWER,
  route: NO_ANSWER,
  routeSketch: NO_ANSWER,
  bench: NO_ANSWER,
  followDown: NO_ANSWER,
};

type WithAnswers = { answers: Answers };

/** The last answer, fresh or stale; null while there is none. */
export const valueOf = <N extends AnswerName>(s: WithAnswers, name: N): AnswerValues[N] | null =>
  s.answers[name].value as AnswerValues[N] | null;

/** The answer to what is on the screen; null while there is none. */
export const freshOf = <N extends AnswerName>(s: WithAnswers, name: N): AnswerValues[N] | null =>
  s.answers[name].state === 'fresh' ? (s.answers[name].value as AnswerValues[N] | null) : null;

/** Shown, but not the answer to what is on the screen. */
export const isStale = (s: WithAnswers, name: AnswerName): boolean =>
  s.answers[name].value !== null && s.answers[name].state !== 'fresh';

/** On its way, and nothing to show yet. */
export const isAsking = (s: WithAnswers, name: AnswerName): boolean =>
  s.answers[name].state === 'asking';
