import { cellIndex, type Place } from '../grid/index';
import { sampleFlow, surfaceFactor, traceStreamline, type FlowField } from '../water/index';

/** A rise as tapped: where it showed and when. `seq` counts taps; clocks may be set back. */
export interface Rise {
  seq: number;
  atMs: number;
  xM: number;
  yM: number;
}

/** The rises of one fish. */
export interface Riser {
  rises: Rise[];
  /** Middle of the rings, and their scatter, m. */
  place: Place;
  scatterM: number;
  /** Mean interval and its standard deviation, s; null with fewer than two usable intervals. */
  intervalS: number | null;
  spreadS: number | null;
  /** Spread over interval is at most `REGULAR`. */
  regular: boolean;
  /** How the place moves from rise to rise, m a minute; null with fewer than four rises. */
  driftMPerMin: { x: number; y: number } | null;
}

export interface RiseReading {
  risers: Riser[];
  /** Chance that two fish rise rather than one, 0-1. */
  twoFish: number;
  /** Taps whose clock went backwards: the interval there is left out. */
  backwards: number[];
}

/** Spread over interval that an angler would call regular (our guess). */
export const REGULAR = 0.35;
/** Rings of one fish scatter at least this much: the tap is no better, m. */
const LEAST_SCATTER_M = 0.2;
/** Fewer taps than this are one fish, whatever they look like. */
const TWO_FROM = 5;

/** Intervals, fish by place and rhythm, and how sure it is that two rise. */
export function readRises(taps: readonly Rise[]): RiseReading {
  const rises = [...taps].sort((a, b) => a.seq - b.seq);
  const backwards = rises.flatMap((r, i) => (i > 0 && r.atMs < rises[i - 1]!.atMs ? [r.seq] : []));
  if (rises.length === 0) return { risers: [], twoFish: 0, backwards };
  const one = [rises];
  const two = rises.length >= TWO_FROM ? splitByPlace(rises) : null;
  const twoFish = two ? chanceOfTwo(rises, two) : 0;
  const groups = two && twoFish > 0.5 ? two : one;
  return { risers: groups.map(riser), twoFish, backwards };
}

function riser(rises: Rise[]): Riser {
  const place = middle(rises);
  const gaps = intervals(rises);
  const intervalS = gaps.length >= 2 ? mean(gaps) : null;
  const spreadS = intervalS === null ? null : deviation(gaps);
  return {
    rises,
    place,
    scatterM: scatter(rises),
    intervalS,
    spreadS,
    regular: intervalS !== null && spreadS! / intervalS <= REGULAR,
    driftMPerMin: rises.length >= 4 ? driftOf(rises) : null,
  };
}

/** Taps closer than this are one ring tapped twice, s. */
const TAPPED_TWICE_S = 1.5;

/** Seconds between rises that follow one another; a clock set back gives none. */
function intervals(rises: readonly Rise[]): number[] {
  return rises
    .slice(1)
    .map((r, i) => (r.atMs - rises[i]!.atMs) / 1000)
    .filter((s) => s > TAPPED_TWICE_S);
}

const mean = (list: readonly number[]) => list.reduce((a, b) => a + b, 0) / list.length;
function deviation(list: readonly number[]): number {
  const m = mean(list);
  return list.length < 2
    ? 0
    : Math.sqrt(list.reduce((s, v) => s + (v - m) ** 2, 0) / (list.length - 1));
}
const middle = (rises: readonly Rise[]): Place => ({
  xM: mean(rises.map((r) => r.xM)),
  yM: mean(rises.map((r) => r.yM)),
});
/** Standard deviation along one axis, m. */
function scatter(rises: readonly Rise[]): number {
  const c = middle(rises);
  const sum = rises.reduce((s, r) => s + (r.xM - c.xM) ** 2 + (r.yM - c.yM) ** 2, 0);
  return Math.max(LEAST_SCATTER_M, Math.sqrt(sum / (2 * Math.max(1, rises.length - 1))));
}

/** Slope of place against time by least squares. */
function driftOf(rises: readonly Rise[]): { x: number; y: number } {
  const t = rises.map((r) => (r.atMs - rises[0]!.atMs) / 60_000);
  const tm = mean(t);
  const tt = t.reduce((s, v) => s + (v - tm) ** 2, 0);
  if (tt < 1e-9) return { x: 0, y: 0 };
  const slope = (of: (r: Rise) => number) =>
    rises.reduce((s, r, i) => s + (t[i]! - tm) * of(r), 0) / tt;
  return { x: slope((r) => r.xM), y: slope((r) => r.yM) };
}

/** Two groups by place: two-means from the two rings furthest apart. Deterministic. */
function splitByPlace(rises: readonly Rise[]): [Rise[], Rise[]] | null {
  let far: [Rise, Rise] = [rises[0]!, rises[0]!];
  let most = 0;
  for (const a of rises) {
    for (const b of rises) {
      const d = Math.hypot(a.xM - b.xM, a.yM - b.yM);
      if (d > most) {
        most = d;
        far = [a, b];
      }
    }
  }
  let centres: [Place, Place] = far;
  let groups: [Rise[], Rise[]] = [[], []];
  for (let round = 0; round < 12; round++) {
    groups = [[], []];
    for (const r of rises) {
      const d = centres.map((c) => Math.hypot(r.xM - c.xM, r.yM - c.yM));
      groups[d[0]! <= d[1]! ? 0 : 1].push(r);
    }
    if (groups.some((g) => g.length < 2)) return null;
    centres = [middle(groups[0]), middle(groups[1])];
  }
  return groups;
}

/**
 * One fish against two by the Bayesian information criterion (Schwarz 1978): Gaussian scatter of
 * the rings, and log-normal intervals within each fish.
 */
function chanceOfTwo(rises: readonly Rise[], two: readonly [Rise[], Rise[]]): number {
  const n = rises.length;
  const one = fit([rises]) - 0.5 * 5 * Math.log(n);
  const both = fit(two) + mixing(two, n) - 0.5 * 11 * Math.log(n);
  return 1 / (1 + Math.exp(one - both));
}

/** Which fish each rise belongs to is not known beforehand. */
const mixing = (groups: readonly (readonly Rise[])[], n: number) =>
  groups.reduce((s, g) => s + g.length * Math.log(g.length / n), 0);

/** Log-likelihood of rings and rhythm, each group by its own best values. */
function fit(groups: readonly (readonly Rise[])[]): number {
  let sum = 0;
  for (const g of groups) {
    const c = middle(g);
    const s = Math.max(
      LEAST_SCATTER_M,
      Math.sqrt(
        g.reduce((a, r) => a + (r.xM - c.xM) ** 2 + (r.yM - c.yM) ** 2, 0) / (2 * g.length),
      ),
    );
    for (const r of g) {
      const d2 = (r.xM - c.xM) ** 2 + (r.yM - c.yM) ** 2;
      sum += -d2 / (2 * s * s) - 2 * Math.log(s) - Math.log(2 * Math.PI);
    }
    const logs = intervals(g).map(Math.log);
    if (logs.length < 2) continue;
    const m = mean(logs);
    const sd = Math.max(0.15, Math.sqrt(mean(logs.map((v) => (v - m) ** 2))));
    for (const v of logs) sum += -((v - m) ** 2) / (2 * sd * sd) - Math.log(sd) - v - 0.919;
  }
  return sum;
}

/** How a trout drops back as it rises (our guesses; the two metres are common practice). */
export const ASCENT = {
  /** Upward pace, m/s: best, slow, quick. */
  riseMps: 0.35,
  slowMps: 0.2,
  quickMps: 0.5,
  /** Share of the current's pace that it gives way to. */
  givesWay: 0.85,
  /** From the ring to the tap, s: the ring drifts on meanwhile. */
  noticedS: 0.8,
} as const;
/** A riser holds about this far up-current of its ring in knee-to-thigh-deep moving water (common practice), m. */
export const RULE_OF_THUMB_M = 2;

export interface TrueLie {
  /** Where it holds: up-current of the ring along the way of the water. */
  place: Place;
  /** Distance from the ring, m, and its band for slow and quick risers. */
  backM: number;
  band: { low: number; high: number };
  /** Pace of the surface at the ring, m/s. */
  surfaceMps: number;
  /** The common-practice two metres, for comparison. */
  byRule: Place;
}

/**
 * The lie behind a ring: the fish drops back by the current while it rises from its depth, and the
 * ring drifts on until it is noticed. Followed up-current from the ring. null on dry ground.
 */
export function trueLie(flow: FlowField, ring: Place, depthShare = 0.7): TrueLie | null {
  const s = sampleFlow(flow, ring.xM, ring.yM, { depthM: 0, u: 0, v: 0 });
  if (s.depthM <= 0.05) return null;
  const surfaceMps =
    Math.hypot(s.u, s.v) * surfaceFactor(s.depthM, flow.d84M[cellIndex(flow, ring.xM, ring.yM)]!);
  const back = (riseMps: number) =>
    surfaceMps * ((ASCENT.givesWay * depthShare * s.depthM) / riseMps + ASCENT.noticedS);
  const up = (m: number) =>
    along(traceStreamline(flow, ring, { direction: 'up', maxM: m + 0.5 }).places, m) ?? ring;
  return {
    place: up(back(ASCENT.riseMps)),
    backM: back(ASCENT.riseMps),
    band: { low: back(ASCENT.quickMps), high: back(ASCENT.slowMps) },
    surfaceMps,
    byRule: up(RULE_OF_THUMB_M),
  };
}

/** The place `m` along a line, or its end. */
function along(line: readonly Place[], m: number): Place | undefined {
  let passed = 0;
  for (let i = 1; i < line.length; i++) {
    const [a, b] = [line[i - 1]!, line[i]!];
    const step = Math.hypot(b.xM - a.xM, b.yM - a.yM);
    if (passed + step >= m) {
      const t = step > 0 ? (m - passed) / step : 0;
      return { xM: a.xM + t * (b.xM - a.xM), yM: a.yM + t * (b.yM - a.yM) };
    }
    passed += step;
  }
  return line[line.length - 1];
}

/** Covers a minute that chances are given for. */
export const COVERS = [1, 3, 6, 10] as const;

export interface RiseChance {
  coversPerMin: number;
  /** The next rise falls within a cover, 0-1: casts without regard to its rhythm. */
  unwatched: number;
}

/**
 * Chance that the next rise finds the fly over the fish: each cover keeps it there for `overS`; the
 * share of time that is covered, at most all of it.
 */
export const riseChances = (overS: number): RiseChance[] =>
  COVERS.map((coversPerMin) => ({
    coversPerMin,
    unwatched: Math.min(1, (coversPerMin * overS) / 60),
  }));

/** Rises watched before anything else (common practice: watch several). */
export const WATCH_FIRST = 3;
/** One more rise must better the chance by this to pay. */
const WORTH_WAITING = 0.03;

export interface TimedCast {
  /** Chance that one cast, timed to the rhythm, has the fly there at the next rise. */
  chance: number;
  /** The same after one more rise watched. */
  afterOneMore: number;
  wait: boolean;
}

/**
 * One cast timed for the next rise: the rise comes one interval on, give or take its own spread and
 * what is not yet known of the mean (spread/sqrt(n)); normal errors. One more rise narrows the latter.
 */
export function timedCast(riser: Riser, overS: number): TimedCast | null {
  const { intervalS, spreadS } = riser;
  if (intervalS === null || spreadS === null) return null;
  const n = riser.rises.length - 1;
  const chance = (gaps: number) => {
    // A spread seen over a few gaps is itself unsure: widened as Student's t would.
    const spread =
      Math.max(0.05 * intervalS, spreadS) * Math.sqrt((gaps + 1) / Math.max(1, gaps - 1));
    const error = spread * Math.sqrt(1 + 1 / gaps);
    return erf(overS / 2 / error / Math.SQRT2);
  };
  const now = chance(n);
  const afterOneMore = chance(n + 1);
  return {
    chance: now,
    afterOneMore,
    wait: riser.rises.length < WATCH_FIRST || afterOneMore - now >= WORTH_WAITING,
  };
}

/** Error function to 1.5e-7 (Abramowitz & Stegun 7.1.26), x >= 0. */
function erf(x: number): number {
  const t = 1 / (1 + 0.3275911 * x);
  const poly =
    t *
    (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))));
  return 1 - poly * Math.exp(-x * x);
}

/** How long a drifting fly is over a fish, s: twice its reach along the current at the surface's pace. */
export function overFishS(surfaceMps: number, windowRadiusM: number): number {
  return Math.min(20, (2 * Math.max(0.2, windowRadiusM)) / Math.max(0.05, surfaceMps));
}
