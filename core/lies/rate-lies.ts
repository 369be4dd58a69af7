import { cellIndex, fnv1a64, type Place } from '../grid/index';
import { planHash, type BeatPlan } from '../formats/index';
import { traceStreamline, type FlowField } from '../water/index';
import type { Reason } from '../units/index';
import { fishDay, fishProblems, type FishDay, type FishOptions } from './fish-day';
import { headingAt } from './heading';
import { boulderAt, kindAt, type LieKind } from './kinds';
import { boulderIsSolved } from './solved-boulders';
import type { Method } from './methods';
import { largestHere, type LargestHere } from './largest';
import { stretchesOf, type LieStretch } from './stretches';
import { createPlaceNeeds, placeNeedsInto } from './needs';
import { needsField, ratingField, type NeedsField } from './needs-field';
import { choosePeaks } from './peaks';
import { waterForFish, type WaterForFish } from './water-for-fish';
import { reasons } from './why';

export interface Needs {
  shelter: number;
  food: number;
  ease: number;
  air: number;
}

export interface Lie {
  id: string;
  xM: number;
  yM: number;
  kind: LieKind;
  /** The way the fish faces: against the local current. */
  headingRad: number;
  /** 0-100: the chance in a hundred that a fish of the asked size is at home. */
  rating: number;
  needs: Needs;
  profitJph: number;
  /** How ready a fish here is to move for a fly, 0-1: temperature and sight. */
  willing: number;
  /** Largest fish it keeps, and feeds. */
  largest: LargestHere;
  depthM: number;
  /** Depth-mean pace where it lies, m/s. */
  meanSpeedMps: number;
  /** The drift that feeds it, from the lie up to where a fly could be landed. */
  lane: Place[];
  why: Reason[];
}

export type RateOptions = FishOptions;

/** Why there is no lie at all. */
export type NoLies = 'no-water' | 'too-shallow' | 'too-warm' | 'none-good-enough';

export interface LieField {
  /** Chance of a fish at home, 0-1, on the flow's cells; 0 where none can hold. */
  field: Float64Array;
  lies: Lie[];
  /** null when there are lies. */
  nothing: NoLies | null;
  /** How many fish the lies are likely to hold (see `expectedFish`). */
  expected: ExpectedFish;
  /** Even edges along which one lie is like the next. */
  stretches: LieStretch[];
}

export interface ExpectedFish {
  mean: number;
  /** 10th and 90th percentile of lies taken or empty by chance. */
  low: number;
  high: number;
}

/** A lane is followed this far up-current, and on until a fly could be landed, at most, m. */
const LANE_M = 3.5;
const LANE_MOST_M = 8;
/** More cover than this overhead keeps a fly out. */
const FLY_KEPT_OUT = 0.45;

/**
 * Rates every cell of a flow for one fish and lists the lies, best first. Throws RangeError, with
 * every problem named, for a fish or a temperature that `fishProblems` refuses.
 */
export function rateLies(plan: BeatPlan, flow: FlowField, options: RateOptions): LieField {
  const problems = fishProblems(options);
  if (problems.length > 0) throw new RangeError(problems.join(' '));
  const method = options.method ?? 'energy-budget';
  const water = waterForFish(plan, flow);
  const day = fishDay(water, withAltitude(plan, options));
  const needs = needsField(water, day);
  const field = ratingField(water, needs, method, options.homeOffset, options.homeSlope);
  const levelKey = `${planHash(plan)}|${flow.dischargeM3s}`;
  const lies = choosePeaks(water, day, field).map((k) =>
    describe(plan, water, day, field, k, levelKey, method),
  );
  lies.sort((a, b) => b.rating - a.rating);
  return {
    field,
    lies,
    nothing: lies.length > 0 ? null : whyNothing(water, needs, day),
    expected: expectedFish(lies),
    stretches: stretchesOf(lies),
  };
}

/** The beat's own height above the sea, unless another was asked for. */
export const withAltitude = (plan: BeatPlan, o: FishOptions): FishOptions => ({
  ...o,
  altitudeM: o.altitudeM ?? plan.altitudeM ?? 0,
});

/** Share of a full day's suitability below which the temperature alone is reason enough. */
const TOO_WARM = 0.3;

function whyNothing(water: WaterForFish, needs: NeedsField, day: FishDay): NoLies {
  if (!water.open.includes(1)) return 'no-water';
  if (!needs.holds.includes(1)) return 'too-shallow';
  return day.base.warmth < TOO_WARM ? 'too-warm' : 'none-good-enough';
}

const MEAN_TO_TENTH = 1.2816;

/**
 * A lie's rating is the chance that it holds such a fish, each for itself; the band is the normal
 * one of such a sum.
 */
export function expectedFish(lies: readonly { rating: number }[]): ExpectedFish {
  let mean = 0;
  let variance = 0;
  for (const lie of lies) {
    const p = lie.rating / 100;
    mean += p;
    variance += p * (1 - p);
  }
  const off = MEAN_TO_TENTH * Math.sqrt(variance);
  return { mean, low: Math.max(0, mean - off), high: Math.min(lies.length, mean + off) };
}

function describe(
  plan: BeatPlan,
  water: WaterForFish,
  day: FishDay,
  field: Float64Array,
  k: number,
  levelKey: string,
  method: Method,
): Lie {
  const { flow } = water;
  const i = k % flow.nx;
  const j = (k - i) / flow.nx;
  const xM = flow.x0M + i * flow.cellM;
  const yM = flow.y0M + j * flow.cellM;
  const n = placeNeedsInto(water, day, k, createPlaceNeeds());
  const quarter = (m: number) => Math.round(m * 4) / 4;
  const beside = boulderAt(plan, water, k);
  const why = reasons(n, water, day, method, k);
  if (beside !== null && !boulderIsSolved(beside.diameterM, flow.cellM))
    why.push({ what: 'boulder-too-small', value: flow.cellM, unit: 'm', source: 'flow' });
  return {
    id: fnv1a64(`${levelKey}|${quarter(xM)}|${quarter(yM)}`),
    xM,
    yM,
    kind: kindAt(plan, water, k),
    headingRad: headingAt(flow, k),
    rating: Math.round(100 * field[k]!),
    needs: {
      shelter: n.shelter,
      food: n.food,
      ease: n.ease,
      air: n.oxygen * n.temperature,
    },
    profitJph: n.profitJph,
    willing: day.at(k).willing,
    largest: largestHere(water, day, k),
    depthM: flow.depthM[k]!,
    meanSpeedMps: water.pace[k]!,
    lane: laneOf(water, { xM, yM }),
    why,
  };
}

/** The way of the drift to a lie, from the lie up to open sky at least `LANE_M` off. */
function laneOf(water: WaterForFish, lie: Place): Place[] {
  const { flow, cover } = water;
  const { places } = traceStreamline(flow, lie, { direction: 'up', maxM: LANE_MOST_M });
  let passedM = 0;
  for (let i = 1; i < places.length; i++) {
    const [a, b] = [places[i - 1]!, places[i]!];
    passedM += Math.hypot(b.xM - a.xM, b.yM - a.yM);
    const k = cellIndex(flow, b.xM, b.yM);
    if (passedM >= LANE_M && k >= 0 && cover[k]! < FLY_KEPT_OUT) return places.slice(0, i + 1);
  }
  return places;
}
