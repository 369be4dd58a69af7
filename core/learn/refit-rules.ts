import { clamp } from '../grid/index';
import type { PriorName } from '../log/index';
import type { Before } from './settle';
import type { TryFact } from './try-facts';

/** Fewer than this refit nothing (common practice of counting). */
export const LEAST_TO_REFIT = 30;
/** How well the guesses are held to be known: spread of each figure before a record (our own). */
export const BEFORE = {
  slope: { mean: 1, spread: 0.35 },
  homeAll: { mean: 0, spread: 0.85 },
  /** Waters differ from one another by this. */
  homeWater: 0.5,
  noticing: { mean: 0, spread: 0.7 },
  alarm: { mean: 0, spread: 0.7 },
  answer: { mean: 0, spread: 0.5 },
  hook: { mean: 0, spread: 0.8 },
  scatter: { mean: 0, spread: 0.4 },
} as const satisfies Record<string, Before | number>;

/** Nothing is never or always. */
export const sure = (p: number) => clamp(p, 1e-6, 1 - 1e-6);

/** Log of the chance of what came, or did not. */
export const logOf = (p: number, came: boolean) => Math.log(came ? sure(p) : 1 - sure(p));

/**
 * Which tries a figure rests on. A constant is refitted from these alone, and shown with them.
 * Sink, beds and the depth of a season are told elsewhere: they need the water.
 */
export const RESTS_ON: Record<PriorName, (f: TryFact) => boolean> = {
  home: (f) => f.homeSaid !== null && f.homeSaid > 0 && f.homeSaid < 1,
  noticing: (f) => f.parts !== null && f.exposure !== null && f.distanceM !== null,
  alarm: (f) => f.parts !== null && f.calmSaid !== null,
  answer: (f) => f.parts !== null && f.casts > 0 && f.downAt !== 0,
  hook: (f) => f.took && f.parts !== null && f.parts.hooked > 0 && f.parts.hooked < 1,
  scatter: (f) => f.parts !== null && f.castM !== null && f.fell.on + f.fell.off > 0,
  sink: (f) => f.felt.touched + f.felt.clear > 0,
  beds: (f) => f.felt.touched + f.felt.clear > 0,
  depth: (f) => f.homeSaid !== null && f.depthM !== null && f.meanSpeedMps !== null,
};

/** A refit before it is judged: its figures, each with its spread. */
export interface Refitted {
  name: PriorName;
  /** What was refitted in one go, and hangs together: how far all of it lies from the guesses (chi-square), of so many figures. */
  with?: { name: string; far: number; figures: number };
  facts: readonly { openedMs: number }[];
  parts: { of: string; guessed: number; best: number; spread: number; n: number }[];
}
