import type { FlowField } from '../water/index';
import type { DriftInput } from './drift-input';
import { currentOf } from './drift-current';
import { beginLift, lift, startRun, step } from './drift-run';

const STEP_S = 0.1;
const LIFT_S = 0.01;
/** No lift takes longer, whatever the chain has come to: two seconds. */
const MOST_STEPS = 200;
/** Pull on the fly at which the line is tight, N; the threshold hardly matters (.05 to .3). */
const TIGHT_N = 0.1;

/**
 * Seconds from the lift until the line is tight at the fly, when the fish takes after `takeS` of the
 * drift: the rod turns about the hand at a tip pace of 5 m/s up to 80 degrees, no hand helping.
 * Infinity: the lift has not taken up the slack.
 */
export function tightenSeconds(flow: FlowField, input: DriftInput, takeS: number): number {
  const run = startRun(currentOf(flow), input, STEP_S);
  for (let n = 1; n * STEP_S <= takeS + 1e-9; n++) step(run, n === 1);
  run.dt = LIFT_S;
  const rise = beginLift(run, input.stand ?? run.rod.pivot);
  for (let n = 1; n <= MOST_STEPS; n++) {
    const pullN = lift(run, rise);
    if (pullN === null) break;
    if (pullN >= TIGHT_N) return n * LIFT_S;
  }
  return Infinity;
}
