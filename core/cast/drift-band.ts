import { createRandom, finish } from '../grid/index';
import type { FlowField } from '../water/index';
import type { DriftInput } from './drift-input';
import { simulateDrift } from './simulate-drift';
import { cleanToLift, type DriftResult } from './drift-result';

/** Ranges of what is not known: friction ratio, slack laid in, pace of the current. */
export const UNKNOWN = {
  dragRatio: [5, 30],
  microSlack: [0, 0.05],
  speedBias: [-0.1, 0.1],
} as const;
export const RUNS = { settled: 24, dragging: 6 } as const;

export interface DriftBand {
  best: DriftResult;
  cleanS: { low: number; best: number; high: number };
}

const RUNS_A_STEP = 8;

/** How finely a drift is followed: what is told at rest, and everything else. */
export const FINENESS = {
  told: { nodeM: 0.1, dtS: 0.05 },
  quick: { nodeM: 0.2, dtS: 0.1 },
} as const;

/**
 * The drift, and the 10th to 90th percentile of its clean seconds over `runs` seeded runs. With
 * `told` the drift itself is followed finely enough to be read off; the runs never are.
 */
export const driftBand = (...asked: Parameters<typeof driftBandSteps>): DriftBand =>
  finish(driftBandSteps(...asked));

/** The same, a few runs a step. */
export function* driftBandSteps(
  flow: FlowField,
  input: DriftInput,
  runs: number = RUNS.settled,
  told: boolean = runs > RUNS.dragging,
): Generator<void, DriftBand> {
  const best = simulateDrift(flow, { ...FINENESS[told ? 'told' : 'quick'], ...input });
  const random = createRandom(1);
  const draw = ([lo, hi]: readonly [number, number]) => lo + (hi - lo) * random();
  const seconds: number[] = [];
  for (let n = 0; n < runs; n++) {
    if (n % RUNS_A_STEP === 0) yield;
    const run = simulateDrift(flow, {
      ...FINENESS.quick,
      ...input,
      film: false,
      stopAtDrag: true,
      dragRatio: draw(UNKNOWN.dragRatio),
      microSlack: draw(UNKNOWN.microSlack),
      speedBias: draw(UNKNOWN.speedBias),
    });
    // The drift itself says how long one that was lifted may have gone on.
    seconds.push(cleanToLift(run) ? Math.max(run.cleanS, best.cleanS) : run.cleanS);
  }
  seconds.push(best.cleanS);
  seconds.sort((a, b) => a - b);
  return {
    best,
    cleanS: {
      low: Math.min(best.cleanS, percentile(seconds, 0.1)),
      best: best.cleanS,
      high: Math.max(best.cleanS, percentile(seconds, 0.9)),
    },
  };
}

/** Linear between order statistics. */
function percentile(sorted: number[], p: number): number {
  const at = p * (sorted.length - 1);
  const i = Math.min(sorted.length - 2, Math.floor(at));
  return sorted[i]! + (at - i) * (sorted[i + 1]! - sorted[i]!);
}
