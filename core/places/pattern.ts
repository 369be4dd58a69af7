import { depthPattern, type DepthPattern, type Look, type PatternPrior } from '../log/index';
import { PLACE } from './guesses';

/** A look at a place or a lie: on this outing, or on an earlier one of the same month and level. */
export type DayLook = Look & { earlier?: boolean };

export interface TodaysPattern {
  pattern: Extract<DepthPattern, { kind: 'pattern' }>;
  /** How a place fits, over the mean of those looked at so far: 1 is no better and no worse. */
  fit(depthM: number, meanSpeedMps: number): number;
  looked: number;
  found: number;
}

/** Where fish were found, over places and beats alike; null until two were found, or a season before said so. */
export function todaysPattern(
  looks: readonly DayLook[],
  prior?: PatternPrior,
): TodaysPattern | null {
  const weighed = looks.map((l) =>
    l.earlier ? { ...l, weight: PLACE.earlier * (l.weight ?? 1) } : l,
  );
  const pattern = depthPattern(weighed, prior);
  if (pattern.kind !== 'pattern') return null;
  const now = looks.filter((l) => !l.earlier);
  const seen = now.length > 0 ? now : looks;
  if (seen.length === 0) return null;
  const mean =
    seen.reduce((sum, l) => sum + pattern.fits(l.depthM, l.meanSpeedMps), 0) / seen.length;
  return {
    pattern,
    fit: (depthM, speed) => pattern.fits(depthM, speed) / Math.max(0.01, mean),
    looked: now.length,
    found: now.filter((l) => l.found).length,
  };
}
