import { normalCdf } from '../chance/index';
import { cholesky, dot, forwards } from './linear';
import type { CurvePrior } from './regimes';

/** A reading of the water's temperature, in hours of the day's clock (before midnight: negative). */
export interface CurveReading {
  id: string;
  h: number;
  tempC: number;
  /** What the prior has at its place: the mean there, and its swing over this beat's. */
  priorMeanC: number;
  swingRatio: number;
  /** Height over this beat's, hundreds of m; 0 at the beat itself. */
  aboveHm: number;
  /** A beat's name: readings of one other place share what that place is off by. */
  site: string | null;
  /** Days before this one: yesterday's water was another. */
  daysBefore: number;
}

/** What is not in the curve's form, standard deviations. */
export const CURVE_GUESS = {
  /** Clouds, gusts, side streams: forgets within hours. */
  residualC: 0.4,
  residualH: 3,
  thermometerC: 0.2,
  /** Another beat, moved here by its height; two such differences are .4 C apart. */
  siteC: 0.2,
  /** A day's mean against the day before. */
  dayC: 1,
  swingPoints: 15,
  warmestPoints: 13,
  /** Points reach so many deviations to both sides. */
  reach: 2.4,
} as const;

/** A fitted day: a mixture over swing and hour of the maximum, each with a normal mean. */
export interface FittedCurve {
  prior: CurvePrior;
  /** At hours of the clock: 80 % band, middle, and the chance that the water is at or over the limit. */
  at(h: number): { lowC: number; bestC: number; highC: number; sdC: number };
  over(h: number, limitC: number): number;
  meanC: { best: number; sd: number };
  swingC: { best: number; sd: number };
  warmestH: { best: number; sd: number };
}

/** Fewer readings than this decide alone; more are thinned evenly. */
const MOST_READINGS = 240;
const BAND_SD = 1.2816;
const LEAST_WEIGHT = 1e-5;

/**
 * From -1 at the coldest hour up a half cosine to 1 at the warmest, and down another over the night (form
 * after Caissie 2006). Any hour, also of the day before.
 */
export function dayShape(h: number, coldestH: number, warmestH: number): number {
  const since = (((h - coldestH) % 24) + 24) % 24;
  const up = warmestH - coldestH;
  return since <= up
    ? -Math.cos((Math.PI * since) / up)
    : Math.cos((Math.PI * (since - up)) / (24 - up));
}

interface Component {
  weight: number;
  swingC: number;
  warmestH: number;
  /** K⁻¹-weighted misfit, L⁻¹(y - mean): what readings move. */
  moved: Float64Array;
}

/**
 * The day's temperature from its prior and any number of readings. Swing and hour of the maximum on a
 * grid; mean, height and what forgets are exact (normal). `lapse`: how much colder a hundred metres
 * higher, C. Pure; throws RangeError where a reading is no number.
 */
export function fitCurve(
  prior: CurvePrior,
  readings: readonly CurveReading[],
  lapse: { best: number; sd: number },
): FittedCurve {
  const wrong = readings.find((r) => !Number.isFinite(r.h) || !Number.isFinite(r.tempC));
  if (wrong)
    throw new RangeError(
      `fitCurve: reading ${wrong.id} is ${wrong.tempC} °C at ${wrong.h} h; both must be numbers.`,
    );
  const used = thinned(readings);
  const n = used.length;
  const l = cholesky(covariance(used, prior.meanSd, lapse.sd), n);
  const y = forwards(
    l,
    used.map((r) => r.tempC - r.priorMeanC),
    n,
  );
  const components: Component[] = [];
  const zs = grid(CURVE_GUESS.warmestPoints);
  const as = grid(CURVE_GUESS.swingPoints);
  for (const zw of zs) {
    // The warmest hour comes some hours after the coldest, and before the next.
    const warmestH = Math.min(
      prior.coldestH + 20,
      Math.max(prior.coldestH + 3, prior.warmestH + zw * prior.warmestSd),
    );
    const s = forwards(
      l,
      used.map((r) => r.swingRatio * dayShape(r.h, prior.coldestH, warmestH)),
      n,
    );
    for (const za of as) {
      const swingC = Math.max(0.02, prior.swingC * (1 + za * prior.swingShare));
      const moved = y.map((v, i) => v - swingC * s[i]!);
      const weight = Math.exp(-0.5 * (zw * zw + za * za + dot(moved, moved)));
      components.push({ weight, swingC, warmestH, moved });
    }
  }
  // Readings far from all of them weigh next to nothing: what is least far counts.
  if (Math.max(...components.map((c) => c.weight)) < 1e-290) reweigh(components, prior);
  const total = components.reduce((sum, c) => sum + c.weight, 0);
  const kept = components
    .map((c) => ({ ...c, weight: c.weight / total }))
    .filter((c) => c.weight > LEAST_WEIGHT);
  const ofMean = forwards(
    l,
    used.map(() => prior.meanSd ** 2),
    n,
  );
  const meanSdLeft = Math.sqrt(Math.max(0, prior.meanSd ** 2 - dot(ofMean, ofMean)));

  interface Normals {
    sd: number;
    means: Float64Array;
    /** Chance of being over the limit that was asked last. */
    over: { limitC: number; p: number } | null;
  }
  const hours = new Map<number, Normals>();
  /** Normal of every component at an hour; they share their spread. */
  function normalsAt(h: number): Normals {
    const known = hours.get(h);
    if (known) return known;
    const k = forwards(
      l,
      used.map((r) => prior.meanSd ** 2 + residualCov(r.h - h)),
      n,
    );
    const variance = prior.meanSd ** 2 + CURVE_GUESS.residualC ** 2 - dot(k, k);
    const means = new Float64Array(kept.length);
    kept.forEach((c, i) => {
      const form = c.swingC * dayShape(h, prior.coldestH, c.warmestH);
      means[i] = prior.meanC + form + dot(k, c.moved);
    });
    const made: Normals = { sd: Math.sqrt(Math.max(1e-6, variance)), means, over: null };
    hours.set(h, made);
    return made;
  }
  function overAt(h: number, limitC: number): number {
    const at = normalsAt(h);
    if (at.over?.limitC === limitC) return at.over.p;
    let under = 0;
    for (let i = 0; i < kept.length; i++)
      under += kept[i]!.weight * normalCdf((limitC - at.means[i]!) / at.sd);
    at.over = { limitC, p: 1 - under };
    return 1 - under;
  }
  return {
    prior,
    at(h) {
      const { sd, means } = normalsAt(h);
      let best = 0;
      for (let i = 0; i < kept.length; i++) best += kept[i]!.weight * means[i]!;
      let variance = sd * sd;
      for (let i = 0; i < kept.length; i++) variance += kept[i]!.weight * (means[i]! - best) ** 2;
      const sdC = Math.sqrt(variance);
      const floor = (c: number) => Math.max(0, c);
      return {
        lowC: floor(best - BAND_SD * sdC),
        bestC: floor(best),
        highC: floor(best + BAND_SD * sdC),
        sdC,
      };
    },
    over: overAt,
    meanC: spread(kept, (c) => prior.meanC + dot(ofMean, c.moved), meanSdLeft),
    swingC: spread(kept, (c) => c.swingC),
    warmestH: spread(kept, (c) => c.warmestH),
  };
}

const residualCov = (byH: number) =>
  CURVE_GUESS.residualC ** 2 * Math.exp(-Math.abs(byH) / CURVE_GUESS.residualH);

/** How readings hang together: one mean, one height, what forgets, one day, one place, the thermometer. */
function covariance(
  readings: readonly CurveReading[],
  meanSd: number,
  lapseSd: number,
): Float64Array {
  const n = readings.length;
  const k = new Float64Array(n * n);
  readings.forEach((a, i) => {
    readings.forEach((b, j) => {
      const day = a.daysBefore > 0 && a.daysBefore === b.daysBefore ? CURVE_GUESS.dayC ** 2 : 0;
      const site = a.site !== null && a.site === b.site ? CURVE_GUESS.siteC ** 2 : 0;
      k[i * n + j] =
        meanSd ** 2 +
        lapseSd ** 2 * a.aboveHm * b.aboveHm +
        residualCov(a.h - b.h) +
        day +
        site +
        (i === j ? CURVE_GUESS.thermometerC ** 2 : 0);
    });
  });
  return k;
}

/** Even steps of a standard normal, both ends in. */
function grid(points: number): number[] {
  const { reach } = CURVE_GUESS;
  return Array.from({ length: points }, (_, i) => -reach + (2 * reach * i) / (points - 1));
}

/** Logs instead of weights, the best at 1. */
function reweigh(components: Component[], prior: CurvePrior): void {
  const logs = components.map((c) => {
    const za = (c.swingC / prior.swingC - 1) / prior.swingShare;
    const zw = (c.warmestH - prior.warmestH) / prior.warmestSd;
    return -0.5 * (za * za + zw * zw + dot(c.moved, c.moved));
  });
  const most = Math.max(...logs);
  components.forEach((c, i) => (c.weight = Math.exp(logs[i]! - most)));
}

function spread(
  components: readonly Component[],
  of: (c: Component) => number,
  ownSd = 0,
): { best: number; sd: number } {
  const best = components.reduce((sum, c) => sum + c.weight * of(c), 0);
  const variance = components.reduce((sum, c) => sum + c.weight * (of(c) - best) ** 2, ownSd ** 2);
  return { best, sd: Math.sqrt(variance) };
}

function thinned(readings: readonly CurveReading[]): readonly CurveReading[] {
  if (readings.length <= MOST_READINGS) return readings;
  const byHour = [...readings].sort((a, b) => a.h - b.h);
  const step = (byHour.length - 1) / (MOST_READINGS - 1);
  return Array.from({ length: MOST_READINGS }, (_, i) => byHour[Math.round(i * step)]!);
}
