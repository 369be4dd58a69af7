import type { Place } from '../grid/index';
import type { Reason } from '../units/index';

export type DragClass = 0 | 1 | 2;

/** One moment of the film: everything from the fly to the rod tip as it lies. */
export interface DriftFrame {
  tS: number;
  /** Nodes from the fly to the entry, then the rod tip. */
  line: Place[];
  /** Pull in each stretch between them, N; the last is the part in the air. */
  tensionN: number[];
  dragMps: number;
}

export interface DriftResult {
  t: Float64Array;
  /** The fly's track, plan metres. */
  x: Float64Array;
  y: Float64Array;
  dragMps: Float64Array;
  /** 0 clean, 1 micro, 2 wake. */
  dragClass: Uint8Array;
  firstMicroS: number | null;
  firstWakeS: number | null;
  cleanS: number;
  cleanM: number;
  passesFish: 'clean' | 'micro' | 'wake' | 'misses' | null;
  passesAtS: number | null;
  /** When it was lifted past the fish, s; null: it was followed as long as was asked. */
  liftedS: number | null;
  reason: Reason | null;
  status: 'ok' | 'unknown';
  /** Line and leader as laid, and at the moment of first drag, from the fly to the tip. */
  laid: Place[];
  /** Line beyond the straight way from fly to tip, m: at the take, or at its end; as laid where none is meant. */
  slackM: number;
  /** The most line and leader that is out beyond the tip while the fly drifts, m. */
  lineOutM: number;
  /** Length of line between one place and the next, m. */
  stepM: number;
  /** How many places of `laid`, from the fly, are leader. */
  leaderPlaces: number;
  atFirstDrag: Place[] | null;
  /** The drift as a film; only when asked for. */
  film?: DriftFrame[];
}

/** Fly against water: clean below, m/s (a setting); a wake above the least capillary-gravity wave (Lamb 1932). */
export const MICRO_MPS = 0.05;
export const WAKE_MPS = 0.2323;
/** A crossing counts when it lasts this long, s. */
export const LASTS_S = 0.15;
/** The fly passes the fish when it comes this near abreast of it, m (our guess). */
export const PASS_M = 0.35;
/** Useful drift is capped this far past the fish, m. */
export const PAST_FISH_M = 1;

/** Still clean when it was lifted: it has given all that a fish could ask of it, and may have gone on so. */
export const cleanToLift = (d: Pick<DriftResult, 'liftedS' | 'firstMicroS'>): boolean =>
  d.liftedS !== null && d.firstMicroS === null;

/** Ends the result after `count` moments. */
export function cutShort(out: DriftResult, count: number): void {
  out.t = out.t.subarray(0, count);
  out.x = out.x.subarray(0, count);
  out.y = out.y.subarray(0, count);
  out.dragMps = out.dragMps.subarray(0, count);
  out.dragClass = out.dragClass.subarray(0, count);
}

/** Steps a crossing must last. */
export const lastingSteps = (dt: number) => Math.max(1, Math.ceil(LASTS_S / dt - 1e-9));

/**
 * When drag first exceeds a limit and lasts, s; null when it never does. Drag over a step stands for
 * the middle of the step, and the crossing lies between two of them.
 */
function firstLasting({ t, dragMps }: DriftResult, limit: number, dt: number): number | null {
  const need = lastingSteps(dt);
  let run = 0;
  for (let n = 1; n < t.length; n++) {
    run = dragMps[n]! > limit ? run + 1 : 0;
    if (run < need) continue;
    const m = n - need + 1;
    const before = m > 1 ? dragMps[m - 1]! : 0;
    const share = (limit - before) / (dragMps[m]! - before);
    return Math.max(0, t[m]! - dt * (m > 1 ? 1.5 - share : 1 - 0.5 * share));
  }
  return null;
}

/** Class of each moment, the first lasting crossings, and what was clean before them. */
export function classifyInto(out: DriftResult, dt: number): void {
  out.firstMicroS = firstLasting(out, MICRO_MPS, dt);
  out.firstWakeS = firstLasting(out, WAKE_MPS, dt);
  for (let n = 0; n < out.t.length; n++) {
    const d = out.dragMps[n]!;
    out.dragClass[n] = d > WAKE_MPS ? 2 : d > MICRO_MPS ? 1 : 0;
  }
  out.cleanS = out.firstMicroS ?? out.t[out.t.length - 1]!;
  for (let n = 1; n < out.t.length && out.t[n]! <= out.cleanS + 1e-9; n++)
    out.cleanM += Math.hypot(out.x[n]! - out.x[n - 1]!, out.y[n]! - out.y[n - 1]!);
}

/** Whether and how the fly passes a fish: where its side of the fish's own line turns. */
export function passInto(
  out: DriftResult,
  fish: { xM: number; yM: number; headingRad: number },
): void {
  const cos = Math.cos(fish.headingRad);
  const sin = Math.sin(fish.headingRad);
  const ahead = (n: number) => (out.x[n]! - fish.xM) * cos + (out.y[n]! - fish.yM) * sin;
  const aside = (n: number) => Math.abs(-(out.x[n]! - fish.xM) * sin + (out.y[n]! - fish.yM) * cos);
  out.passesFish = 'misses';
  for (let n = 1; n < out.t.length; n++) {
    if (!(ahead(n - 1) > 0 && ahead(n) <= 0) || aside(n) > PASS_M) continue;
    const t = out.t[n]!;
    out.passesAtS = t;
    out.passesFish =
      out.firstWakeS !== null && t > out.firstWakeS
        ? 'wake'
        : out.firstMicroS !== null && t > out.firstMicroS
          ? 'micro'
          : 'clean';
    return;
  }
}
