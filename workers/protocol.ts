import type {
  CastNow,
  CastQuestion,
  CastStudy,
  DriftBand,
  FollowDown,
  Lay,
  FishInOrder,
  Mend,
  PoolCover,
  Shot,
  OrderAsked,
  ShotsQuestion,
  ShotsResult,
} from '../core/cast/index';
import type { DayPlan } from '../core/day/index';
import type { BeatPlan, LevelName } from '../core/formats/index';
import type { Place } from '../core/grid/index';
import type { FishOptions, LieField, Method, MethodDifference, LieStudy } from '../core/lies/index';
import type {
  AnglerAt,
  Conditions,
  Fish,
  GlareHour,
  Lookout,
  LookoutInput,
  Posture,
  RingPoint,
  WindowView,
} from '../core/sight/index';
import type {
  FarBank,
  StalkInput,
  StalkResult,
  StalkStudy,
  WayStudyInput,
} from '../core/stalk/index';
import type { Rig, RigPlan, Tackle } from '../core/rig/index';
import type { BenchAnswer, BenchAsked, FeltAt, NoBench } from '../core/sink/index';
import type { Settings } from '../core/log/index';
import type { DayBook } from '../core/outing/index';
import type { RouteAsk, RouteQuestion, RouteResult, RouteStand } from '../core/route/index';
import type { CalibrationResult, FlowField, WaterReading } from '../core/water/index';
import type { PaintedWater, PaintJob } from './paint-water';

/** What each worker offers. Arrays in results are handed over, not copied, where said. */

export interface FlowEvents {
  onProgress(fraction: number): void;
  onCoarse(flow: FlowField): void;
}

export interface FlowWorker {
  /** null when cancelled. The result's arrays are handed over. */
  solve(
    plan: BeatPlan,
    dischargeM3s: number,
    events: FlowEvents,
    options?: { cellM?: number; from?: FlowField },
  ): Promise<FlowField | null>;
  /** The first picture alone; null when a newer question came. */
  picture(plan: BeatPlan, dischargeM3s: number): Promise<FlowField | null>;
  /** Fits roughness and discharge to what was measured; a few seconds. */
  calibrate(plan: BeatPlan, onProgress: (fraction: number) => void): Promise<CalibrationResult>;
  /** Stops the running solve within one turn (40 ms). */
  cancel(): void;
}

/** Which fish, and the light of the hour: shade is worked out where the scene is. */
export type RateInput = Omit<FishOptions, 'shade'> & { light: Conditions | null };

export interface ReadWorker {
  take(plan: BeatPlan, flow: FlowField): void;
  /** Another level of the same beat, for what would change a lie. */
  keepLevel(name: LevelName, flow: FlowField): void;
  rate(input: RateInput): LieField;
  study(input: RateInput, place: Place): LieStudy;
  difference(input: RateInput, other: Method): MethodDifference;
  /** Outlines of the shade on the water, in the plan frame, m. */
  shade(light: Conditions): [number, number][][];
  lookouts(input: LookoutInput): Lookout[];
  /** Glances and shade by hour at one fish, from one place; glances 0 where it cannot be seen. */
  glare(input: LookoutInput, from: Place): GlareHour[];
  /** What the eye reads from the water that was taken, or from another flow. */
  read(other?: FlowField): WaterReading;
}

/** The rig at the fish, with the cast as it stands and what was felt before. */
export interface BenchQuestion {
  fish: Fish;
  /** null: no cast stands yet, and the fly lands a middling lead above it. */
  landing: Place | null;
  lay: Lay;
  plan: RigPlan;
  tackle: Pick<Tackle, 'box'>;
  felt: readonly FeltAt[];
  windMps: number;
  bedSpreadM: number;
  /** What the record held of the angler's sink and of beds before these drifts; absent: nothing. */
  before?: NonNullable<BenchAsked['before']>;
  /** From where, and in what light, the angler looks for what floats; null: no stand. */
  seen: {
    from: Place & { posture: Posture; heightM: number };
    light: Conditions;
    polarised: boolean;
  } | null;
}
export interface BenchTold {
  answer: BenchAnswer | NoBench;
  leadM: number;
  /** Share of looks that see one's own fly, by where it passes the fish; null: not asked, or hidden. */
  seen: number | null;
}

export interface LiveWorker {
  /** Everything after this speaks of this water. */
  take(plan: BeatPlan, flow: FlowField): void;
  /** The drift and all else that follows the pointer; with a film when it rests. */
  cast(question: CastQuestion, mend: Mend | null, runs: number): { band: DriftBand; now: CastNow };
  /** What hangs on the line: how it sinks at the fish, what helps, and what the record says. */
  bench(question: BenchQuestion): BenchTold;
  window(
    fish: Fish,
    angler: (AnglerAt & { rodM: number }) | null,
    conditions: Conditions,
  ): WindowView;
  ring(fish: Fish, posture: Posture, heightM: number, conditions: Conditions): RingPoint[];
  /** E of a still angler at a stand to one fish, for each of the conditions (the hours of a day). */
  exposures(
    fish: Fish,
    stand: { xM: number; yM: number; posture: Posture; heightM: number },
    hours: Conditions[],
  ): number[];
}

export interface StalkWorker {
  /** The nearest slack water below that can be walked or waded to; null: none. */
  followDown(fish: Fish, input: StalkInput): FollowDown | null;
  take(plan: BeatPlan, flow: FlowField): void;
  plan(input: StalkInput): StalkResult;
  study(input: WayStudyInput): StalkStudy;
  farBank(input: StalkInput): FarBank;
  /** Which fish first, of up to eight; a stand for each. A second or so. */
  order(fish: Fish[], input: StalkInput, how: OrderAsked): FishInOrder;
  /** The route over a beat: some seconds, kept for the same question. null when cancelled. */
  route(
    question: RouteQuestion,
    ask: RouteAsk,
    onProgress: (share: number) => void,
  ): Promise<{ stands: RouteStand[]; result: RouteResult } | null>;
  /** Stops every route under way. */
  cancelRoute(): void;
  /** One cast to begin from; null when nothing can be cast from anywhere. Some tenths of a second. */
  quickShot(question: ShotsQuestion): Shot | null;
}

export interface ShotsWorker {
  take(plan: BeatPlan, flow: FlowField): void;
  /** null when cancelled, or when a newer search has begun. */
  find(
    question: ShotsQuestion,
    onProgress: (fraction: number) => void,
  ): Promise<ShotsResult | null>;
  /** Stops the running search within one turn (40 ms). */
  cancel(): void;
  /** What is asked once the pointer rests: every lay, mends, covers, the landing. A third of a second. */
  castStudy(question: CastQuestion): CastStudy;
  /** The water within reach in order of cover. */
  covers(stand: Place, rod: { rodM: number; rig: Rig }, reachM: number): PoolCover[];
}

export interface PaintWorker {
  paint(job: PaintJob): PaintedWater;
}

/** Whose day it is, and what the line at the top of the page says of the water. */
export type DaySettings = Pick<
  Settings,
  'methods' | 'species' | 'legalLimitC' | 'waterTempC' | 'waterTempAt'
>;
export interface DayWorker {
  /** The whole day over the book's beats, as seen from one of them. Some tens of milliseconds. */
  plan(book: DayBook, settings: DaySettings, beatId: string): DayPlan;
}
