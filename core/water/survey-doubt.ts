import type { Place } from '../grid/index';
import { createChannel } from './channel';
import { surveyedDepths } from './depths';
import type { BeatPlan } from '../formats/index';

export interface DoubtPlace extends Place {
  /** How far the depth there may be off, m: one spread. */
  spreadM: number;
}

export interface SurveyDoubt {
  places: DoubtPlace[];
  /** What was left when each sounding was predicted from all the others, m. */
  residuals: (Place & { takenM: number; predictedM: number })[];
  /** Root mean square of that, m. */
  rmsM: number;
  /** Where the next sounding would help most; null when the beat is sounded closely everywhere. */
  next: DoubtPlace | null;
}

/** Depths of a stream are alike over about this far, along it and across it, m (our guesses). */
const ALIKE_ALONG_M = 4;
const ALIKE_ACROSS_M = 1.2;
const GRID_ALONG_M = 1.5;
const GRID_ACROSS = 9;
/** Below this share of the beat's spread a further sounding adds little. */
const CLOSE_ENOUGH = 0.55;
/** A beat of few soundings is not taken to be even: its spread is at least this share of its mean depth. */
const LEAST_SPREAD = 0.2;

/**
 * How well a survey knows its bed, in coordinates fitted to the channel: spread s sqrt(1 - max w),
 * w = exp(-d) with d the scaled distance to the nearest depth taken, s the spread of the depths
 * about what their neighbours say. Ours; like the variance of kriging, with the nearest only.
 */
export function surveyDoubt(plan: BeatPlan): SurveyDoubt {
  const channel = createChannel(plan);
  const depths = surveyedDepths(channel);
  const across = (p: Place) => channel.across(p.xM, p.yM);
  const width = (xM: number) => channel.rightYM(xM) - channel.leftYM(xM);
  const taken = depths.taken.map((t) => ({ ...t, n: across(t) }));
  const scaled = (xM: number, n: number, t: (typeof taken)[number]) =>
    Math.hypot((xM - t.xM) / ALIKE_ALONG_M, ((n - t.n) * width(xM)) / ALIKE_ACROSS_M);
  const residuals = taken
    .filter((t) => t.n > 0.02 && t.n < 0.98)
    .map((t) => ({
      xM: t.xM,
      yM: t.yM,
      takenM: t.depthM,
      predictedM: fromOthers(taken, t, (o) => scaled(t.xM, t.n, o)),
    }));
  const meanM = taken.reduce((sum, t) => sum + t.depthM, 0) / taken.length;
  const rmsM =
    residuals.length > 1
      ? Math.sqrt(
          residuals.reduce((sum, r) => sum + (r.takenM - r.predictedM) ** 2, 0) / residuals.length,
        )
      : 0;
  const spread = Math.max(rmsM, LEAST_SPREAD * meanM);
  const places: DoubtPlace[] = [];
  const columns = Math.max(2, Math.round(plan.lengthM / GRID_ALONG_M));
  for (let c = 0; c < columns; c++) {
    const xM = ((c + 0.5) * plan.lengthM) / columns;
    for (let a = 1; a < GRID_ACROSS; a++) {
      const n = a / GRID_ACROSS;
      let nearest = Infinity;
      for (const t of taken) nearest = Math.min(nearest, scaled(xM, n, t));
      // The banks are known to be shallow: the doubt dies toward them.
      const toBank = Math.min(n, 1 - n) * 4;
      const spreadM = spread * Math.sqrt(1 - Math.exp(-nearest)) * Math.min(1, toBank);
      places.push({ xM, yM: channel.leftYM(xM) + n * width(xM), spreadM });
    }
  }
  const worst = places.reduce((a, b) => (b.spreadM > a.spreadM ? b : a));
  return { places, residuals, rmsM, next: worst.spreadM > CLOSE_ENOUGH * spread ? worst : null };
}

/** Inverse-distance mean of the other depths, in fitted coordinates. */
function fromOthers<T extends { depthM: number }>(
  all: readonly T[],
  own: T,
  distance: (other: T) => number,
): number {
  let weight = 0;
  let sum = 0;
  for (const other of all) {
    if (other === own) continue;
    const w = 1 / (distance(other) ** 2 + 0.01);
    weight += w;
    sum += w * other.depthM;
  }
  return weight > 0 ? sum / weight : own.depthM;
}
