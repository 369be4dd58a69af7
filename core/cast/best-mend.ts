import type { FlowField } from '../water/index';
import { FINENESS } from './drift-band';
import type { DriftInput, Mend } from './drift-input';
import { simulateDrift } from './simulate-drift';

/** A mend that buys time: when, which way, how much, and how long the drift is clean with it. */
export interface BestMend {
  mend: Mend;
  cleanS: number;
  gainS: number;
}

const EVERY_S = 0.3;
const AMOUNTS_M = [0.4, 0.8, 1.2] as const;
/** Less than this is not worth lifting line for, s (our guess). */
const WORTH_S = 0.3;
/** No later mend is tried, s. */
const LATEST_S = 3;

/**
 * Where a mend would buy time, and how much: every third of a second until the first drag, either
 * way, by three amounts, each followed to its first drag. null where none buys enough: a mend needs
 * slack, and what the line has not, the fly pays.
 */
export function bestMend(flow: FlowField, input: DriftInput): BestMend | null {
  const plain = { ...FINENESS.quick, ...input, film: false, stopAtDrag: true };
  const without = simulateDrift(flow, plain);
  if (without.status !== 'ok' || without.firstMicroS === null) return null;
  let best: BestMend | null = null;
  const last = Math.min(LATEST_S, without.cleanS);
  for (let atS = EVERY_S; atS <= last + 1e-9; atS += EVERY_S) {
    for (const toward of ['up-current', 'down-current'] as const) {
      for (const amountM of AMOUNTS_M) {
        const mend = { atS, toward, amountM };
        const drift = simulateDrift(flow, { ...plain, mend });
        if (drift.status !== 'ok') continue;
        const gainS = drift.cleanS - without.cleanS;
        if (gainS >= WORTH_S && gainS > (best?.gainS ?? 0) + 1e-9)
          best = { mend, cleanS: drift.cleanS, gainS };
      }
    }
  }
  return best;
}
