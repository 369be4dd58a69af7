import type { RatedDay, Method } from '../../core/lies/index';
import type { Place } from '../../core/grid/index';
import type { LearnTold } from '../../core/learn/index';
import type { DayBook } from '../../core/outing/index';
import type { Direction } from '../../core/route/index';
import type { Probe } from '../../core/water/index';
import { ALL_LIES, type LieFilter } from './lie-filter';
import { NOTHING_ASKED, type ShotsAsked } from './shots-asked';

/** One slice a step: what the step has on screen beside the document and the answers. */

export const OVERLAYS = ['pieces', 'seams', 'foam', 'leaves', 'measured'] as const;
export type Overlay = (typeof OVERLAYS)[number];

export interface ReadSlice {
  layer: 'depth' | 'pace';
  /** What is drawn over the water. */
  over: Record<Overlay, boolean>;
  /** Where the water is being asked about, and what it is there. */
  probeAt: Place | null;
  probe: Probe | null;
  shown: LieFilter;
  /** A temperature tried on, beside the one read; null: the one read. */
  triedTempC: number | null;
  /** The day laid by to compare with, and what it was. */
  keptDay: (RatedDay & { words: string }) | null;
  /** The method laid beside the chosen one. */
  otherMethod: Method | null;
  /** The read that the next press on the plan places. */
  placingRead: string | null;
}
export const FRESH_READ: ReadSlice = {
  layer: 'depth',
  over: { pieces: true, seams: false, foam: false, leaves: false, measured: false },
  probeAt: null,
  probe: null,
  shown: ALL_LIES,
  triedTempC: null,
  keptDay: null,
  otherMethod: null,
  placingRead: null,
};

export interface SpotSlice {
  /** True while the next press on the plan marks a fish; while each press is a ring. */
  placing: boolean;
  tapping: boolean;
  /** Where the angler looks from; null: nowhere chosen. */
  viewer: Place | null;
}
export const FRESH_SPOT: SpotSlice = { placing: false, tapping: false, viewer: null };

export interface StalkSlice {
  /** What the next press on the plan does: takes a spot out, or says where the angler is. */
  stalkTool: 'forbid' | 'from' | null;
  /** Which of the ways is shown: 0 the best, then the others. */
  stalkShown: number;
  /** The moment of the way that is pointed at, an index into its moments. */
  wayAt: number | null;
  farBankAsked: boolean;
  orderAsked: boolean;
  /** How the beat is to be worked, once a route is asked for; null: it is not. */
  work: WorkWish | null;
  /** How far the route is, 0-1. */
  workProgress: number;
}
/** What the angler says of a route. */
export interface WorkWish {
  direction: Direction;
  /** Time there is, min; null: no end. */
  minutes: number | null;
  /** Back at the entry within it. */
  turn: boolean;
  /** What elsewhere pays, takes an hour. */
  lambda: number;
}
export const FRESH_STALK: StalkSlice = {
  stalkTool: null,
  stalkShown: 0,
  wayAt: null,
  farBankAsked: false,
  orderAsked: false,
  work: null,
  workProgress: 0,
};

export interface CastSlice {
  /** The moment of the film on screen, s; null: the line as it was laid. */
  filmAtS: number | null;
  filmRuns: boolean;
  /** The search for shots: under way with its share done, stopped by hand, or neither. */
  search: { kind: 'idle' | 'done' | 'stopped' } | { kind: 'looking'; progress: number };
  /** Two shots side by side, by index. */
  shotsCompared: number[];
  asked: ShotsAsked;
  poolAsked: boolean;
}
export const FRESH_CAST: CastSlice = {
  filmAtS: null,
  filmRuns: false,
  search: { kind: 'idle' },
  shotsCompared: [],
  asked: NOTHING_ASKED,
  poolAsked: false,
};

export interface DaySlice {
  /** What the date on screen is planned from, with what was told here since; null: not here yet. */
  dayBook: DayBook | null;
  /** Why it is not here. */
  dayProblem: string | null;
  /** The beat whose workspace this is, as a site of the day. */
  daySiteId: string;
  /** The site that is looked at in Day. */
  dayShown: string | null;
  /** Beats that are being worked out for the day, and how far the one at hand is, 0-1; null: none. */
  dayWorking: { name: string; share: number } | null;
}
export const FRESH_DAY: Omit<DaySlice, 'daySiteId'> = {
  dayBook: null,
  dayProblem: null,
  dayShown: null,
  dayWorking: null,
};

export interface LearnSlice {
  /** Whose tries are counted. */
  learnOf: 'beat' | 'stream' | 'book';
  /** One year's only; null: of every year. */
  learnYear: number | null;
  learned: LearnTold | null;
  /** The record is being worked out anew, or changed. */
  learnWorking: boolean;
  /** Why they are not here. */
  learnProblem: string | null;
  /** The answer that is looked at: its marks are dark. */
  learnShown: string | null;
}
export const FRESH_LEARN: LearnSlice = {
  learnOf: 'stream',
  learnYear: null,
  learned: null,
  learnWorking: false,
  learnProblem: null,
  learnShown: null,
};
