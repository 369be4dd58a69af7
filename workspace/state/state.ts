import type {
  CastFrom,
  CastNow,
  CastStudy,
  DriftBand,
  FirstCast,
  PoolCover,
  Sequence,
  ShotsResult,
} from '../../core/cast/index';
import type { BeatPlan, LevelName } from '../../core/formats/index';
import type { Place } from '../../core/grid/index';
import type { Species } from '../../core/fish/index';
import type {
  Lie,
  LieField,
  Method,
  MethodDifference,
  PreyMix,
  QuickAnswers,
  QuickReading,
  RatedDay,
  Season,
} from '../../core/lies/index';
import type {
  Conditions,
  Fish,
  Lookout,
  NoticeGuesses,
  Rise,
  RingPoint,
  WindowView,
} from '../../core/sight/index';
import type { Alarm, FarBank, StalkResult, StalkWay } from '../../core/stalk/index';
import type { TryEvent } from '../../core/log/index';
import type { UnitSystem } from '../../core/units/index';
import type { FlowField, Probe, WaterReading } from '../../core/water/index';
import type { LieStudy, StalkStudy } from '../../workers/protocol';
import type { Address } from './address';
import { toCivil } from '../../core/units/civil-time';
import { NOTHING_ASKED, type ShotsAsked } from './shots-asked';
import { ALL_LIES, type LieFilter } from './lie-filter';

/** What a fish was seen to do. */
export const BEHAVIOURS = ['holding', 'rising', 'nymphing', 'cruising', 'glued', 'gone'] as const;
export type Behaviour = (typeof BEHAVIOURS)[number];

/** Where and how a fish was seen before. */
export type Sighting = Pick<Fish, 'xM' | 'yM' | 'fishDepthM' | 'headingRad' | 'surety'> & {
  behaviour: Behaviour;
  seenMs: number;
};

/** A mark as the workspace holds it: a fish of this beat, and where it had been before. */
export interface Mark extends Fish {
  behaviour: Behaviour;
  note: string;
  photoId: string | null;
  seenMs: number;
  history: Sighting[];
}

/** A ring tapped on this beat. */
export type KeptRise = Rise & { id: string };

export interface Try {
  id: string;
  markId: string | null;
  fly: string;
  openedMs: number;
  zoneOffsetMin: number;
  snapshot: unknown;
  events: TryEvent[];
}

export interface Settings {
  units: UnitSystem;
  waterTempC: number | null;
  anglerHeightM: number;
  anglerMassKg: number;
  maxWadeM: number;
  rodM: number;
  rodHand: 'right' | 'left';
  landsWithinHalfMetreToM: number;
  comfortableM: number;
  methods: {
    holding: Method;
    wading: 'never-unless' | 'for-the-angle';
    hiding: 'creep' | 'screen';
    castFrom: CastFrom;
    wind: 'tilt' | 'heavier-line' | 'change-sides';
  };
  species: Species;
  fishLengthCm: number;
  turbidityNtu: number;
  prey: PreyMix;
  sky: Conditions['sky'];
  windMps: number;
  windFrom: 'unknown' | 'upstream' | 'downstream' | 'true-left' | 'true-right';
  polarised: boolean;
  noticing: NoticeGuesses & Alarm;
  localNotes: string;
  sharpen: 'by-itself' | 'when-asked';
  solveOn: 'best' | 'device' | 'server';
}

/** A quick read as it was kept: one place as told, and what it was rated then. */
export interface KeptRead {
  id: string;
  beatId: string | null;
  /** Where it is on its beat; null until placed. */
  xM: number | null;
  yM: number | null;
  takenMs: number;
  zoneOffsetMin: number;
  answers: QuickAnswers;
  result: Extract<QuickReading, { ok: true }>;
  note: string;
}

/** What the page is opened with. */
export interface BeatInput {
  id: string;
  streamName: string;
  plan: BeatPlan;
  marks: Mark[];
  tries: Try[];
  reads: KeptRead[];
  rises: KeptRise[];
  settings: Settings;
  nowMs: number;
}

export type FlowState =
  | { kind: 'opening' }
  | { kind: 'solving'; progress: number }
  | { kind: 'ready' }
  | { kind: 'cancelled' }
  | { kind: 'failed'; message: string };

export const OVERLAYS = ['pieces', 'seams', 'foam', 'leaves', 'measured'] as const;
export type Overlay = (typeof OVERLAYS)[number];

export interface HourExposure {
  hour: number;
  exposure: number;
}

/**
 * Document (marks, tries, settings: saved) · session (address, tool, what is dragged) · derived
 * (flow, lies, ring, drift, stalk: never stored by hand, kept marked stale while the next comes).
 */
export interface WorkspaceState extends Address {
  marks: Mark[];
  tries: Try[];
  rises: KeptRise[];
  /** True while each press on the plan is a ring. */
  tapping: boolean;
  /** Quick reads pinned to this beat. */
  reads: KeptRead[];
  /** The read that the next press on the plan places. */
  placingRead: string | null;
  settings: Settings;

  layer: 'depth' | 'pace';
  /** What is drawn over the water in Read. */
  over: Record<Overlay, boolean>;
  /** The level laid beside the one on screen; null: the long section is there. */
  compareLevel: LevelName | null;
  placing: boolean;
  /** True on the printed card: everything a card says is asked for. */
  card: boolean;
  dragging: 'stand' | 'landing' | 'fish' | 'viewer' | 'way' | null;
  /** What the next press on the plan does in Stalk: takes a spot out, or says where the angler is. */
  stalkTool: 'forbid' | 'from' | null;
  /** Where the angler looks from in Spot; null: nowhere chosen. */
  viewer: Place | null;
  notices: string[];
  saving: { waiting: number; problem: string | null };

  flowState: FlowState;
  flow: FlowField | null;
  /** True while `flow` is a first picture or belongs to another level. */
  flowStale: boolean;
  reading: WaterReading | null;
  /** Where the water is being asked about in Read, and what it is there. */
  probeAt: Place | null;
  probe: Probe | null;
  /** Height of the plan on the page: a level compared below keeps its middle. */
  planHeightPx: number;
  /** The same water at 10 cm: too large, not yet, on the way, on screen. */
  sharp: 'no' | 'possible' | 'running' | 'done';
  sharpProgress: number;
  other: FlowField | null;
  otherReading: WaterReading | null;
  otherState: FlowState;
  lies: LieField | null;
  liesStale: boolean;
  /** A temperature tried on, beside the one read; null: the one read. */
  triedTempC: number | null;
  /** The day laid by to compare with, and what it was. */
  keptDay: (RatedDay & { words: string }) | null;
  /** The method laid beside the chosen one, and where they part. */
  otherMethod: Method | null;
  difference: MethodDifference | null;
  /** The chosen lie asked further; belongs to `studyOf`. */
  study: LieStudy | null;
  studyOf: string | null;
  shown: LieFilter;
  ring: RingPoint[] | null;
  drift: DriftBand | null;
  driftStale: boolean;
  /** What else follows the pointer: room behind, wind, lining, angle. Belongs to `drift`. */
  castNow: CastNow | null;
  /** The cast asked further, once the pointer rests. */
  castStudy: CastStudy | null;
  /** The moment of the film on screen, s; null: the line as it was laid. */
  filmAtS: number | null;
  filmRuns: boolean;
  /** Where to stand: the search's state, and its last answer. */
  search: { kind: 'idle' | 'done' | 'stopped' } | { kind: 'looking'; progress: number };
  shots: ShotsResult | null;
  /** True once what the shots were found for has changed. */
  shotsStale: boolean;
  /** Two shots side by side, by index. */
  shotsCompared: number[];
  asked: ShotsAsked;
  /** Covers of the pool from this stand; null: not asked for. */
  pool: PoolCover[] | 'working' | null;
  /** Times from asking to having the answer, newest last, ms: what a drag feels. */
  answerMs: number[];
  stalk: StalkResult | null;
  stalkStale: boolean;
  /** The way asked further: others, what would change it, care. Belongs to the way on screen. */
  stalkStudy: StalkStudy | null;
  /** Which of the ways is shown: 0 the best, then the others. */
  stalkShown: number;
  /** The moment of the way that is pointed at, an index into its moments. */
  wayAt: number | null;
  /** Coming from the other bank: whether it is asked for, and the answer. */
  farBankAsked: boolean;
  farBank: FarBank | null;
  /** Which fish first; null while not asked. The fish it speaks of are named by id. */
  order:
    { of: string; fishIds: string[]; sequence: Sequence; casts: FirstCast[] } | 'working' | null;
  hours: HourExposure[] | null;
  /** Places to look from, best first, over the hours of the strip; and the chosen one's. */
  lookouts: Lookout[] | null;
  lookoutsStale: boolean;
  /** Glances that see the target from the viewer, and shade over it, by hour of the strip. */
  glare: HourGlare[] | null;
  /** Rings of the shade on the water at this hour, m; null while not asked for. */
  shadeOutlines: [number, number][][] | null;
  /** What the target sees of the viewer. */
  windowView: WindowView | null;
}

export interface HourGlare {
  hour: number;
  share: number;
  shade: number;
}

type Document = Address & Pick<WorkspaceState, 'marks' | 'tries' | 'reads' | 'rises' | 'settings'>;

/** Session and derived state before anything has been asked or answered. */
export const freshState = (): Omit<WorkspaceState, keyof Document> => ({
  layer: 'depth',
  over: { pieces: true, seams: false, foam: false, leaves: false, measured: false },
  compareLevel: null,
  placing: false,
  card: false,
  placingRead: null,
  tapping: false,
  dragging: null,
  stalkTool: null,
  viewer: null,
  notices: [],
  saving: { waiting: 0, problem: null },
  flowState: { kind: 'opening' },
  flow: null,
  flowStale: false,
  reading: null,
  probeAt: null,
  probe: null,
  planHeightPx: 432,
  sharp: 'no',
  sharpProgress: 0,
  other: null,
  otherReading: null,
  otherState: { kind: 'ready' },
  lies: null,
  liesStale: false,
  triedTempC: null,
  keptDay: null,
  otherMethod: null,
  difference: null,
  study: null,
  studyOf: null,
  shown: ALL_LIES,
  ring: null,
  drift: null,
  driftStale: false,
  castNow: null,
  castStudy: null,
  filmAtS: null,
  filmRuns: false,
  search: { kind: 'idle' },
  shots: null,
  shotsStale: false,
  shotsCompared: [],
  asked: NOTHING_ASKED,
  pool: null,
  answerMs: [],
  stalk: null,
  stalkStale: false,
  stalkStudy: null,
  stalkShown: 0,
  wayAt: null,
  farBankAsked: false,
  farBank: null,
  order: null,
  hours: null,
  lookouts: null,
  lookoutsStale: false,
  glare: null,
  shadeOutlines: null,
  windowView: null,
});

export const markOf = (s: WorkspaceState): Mark | null =>
  s.marks.find((m) => m.id === s.markId) ?? null;
export const lieOf = (s: WorkspaceState): Lie | null =>
  s.lies?.lies.find((l) => l.id === s.lieId) ?? null;

/** What the angler is after: the chosen mark, else a fish thought to lie in the chosen lie. */
export function targetOf(s: WorkspaceState): Fish | null {
  const mark = markOf(s);
  if (mark) return mark;
  const lie = lieOf(s);
  if (!lie) return null;
  return fishIn(lie, s.settings.fishLengthCm);
}

/** The way that is shown: the best, or one of the others; null while there is none. */
export function shownWay(s: WorkspaceState): StalkWay | null {
  if (s.stalkShown > 0) {
    const other = s.stalkStudy?.others[s.stalkShown - 1];
    if (other) return other;
  }
  return s.stalk?.kind === 'way' ? s.stalk : null;
}

/** The fish thought to lie in a lie. The same lie gives the same fish, so that selectors see no change. */
export function fishIn(lie: Lie, totalLengthCm: number): Fish {
  const known = inLies.get(lie);
  if (known?.totalLengthCm === totalLengthCm) return known;
  const fish: Fish = {
    id: lie.id,
    xM: lie.xM,
    yM: lie.yM,
    fishDepthM: 0.75 * lie.depthM,
    headingRad: lie.headingRad,
    totalLengthCm,
    surety: 'maybe',
  };
  inLies.set(lie, fish);
  return fish;
}

const inLies = new WeakMap<Lie, Fish>();

/** Taken, and said, while no temperature has been typed. */
export const ASSUMED_TEMP_C = 11;
export const tempOf = (s: WorkspaceState) =>
  s.triedTempC ?? s.settings.waterTempC ?? ASSUMED_TEMP_C;

/** Season by the beat's date; months turn round south of the line. Without a place: the north's. */
export function seasonAt(atMs: number, zone: string | undefined, latDeg: number): Season {
  const month = Number(toCivil(atMs, zone).slice(5, 7));
  const order: Season[] = ['winter', 'spring', 'summer', 'autumn'];
  const quarter = Math.floor((month % 12) / 3);
  return order[(quarter + (latDeg < 0 ? 2 : 0)) % 4]!;
}

export const numberOfMark = (s: WorkspaceState, id: string) =>
  s.marks.findIndex((m) => m.id === id) + 1;

/** The rod tip after the cast, lowered to the water. */
export const TIP_HEIGHT_M = 0.5;
