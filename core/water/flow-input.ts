import { planHash, type BeatPlan } from '../formats/index';
import { fnv1a64 } from '../grid/index';
import { createChannel } from './channel';
import { KERNEL_VERSION, kernelHere, type KernelName } from './kernel-name';

/** What a solve is asked with and known by: apart from the solver, so that a page can ask without it. */

export const FINE_CELL_M = 0.2;
/** Beats that this holds are sharpened to SHARP_CELL_M, so that small boulders have honest wakes. */
export const SHARP_CELL_M = 0.1;
const SHARP_LIMIT = { lengthM: 45, widthM: 12 };

/** Changes whenever the solver's answers do, so that older ones are not taken for new. */
const SOLVER_VERSION = 5;

/** Key of a solved flow: everything that goes into it, the step it is solved with among it. */
export const flowInputHash = (
  plan: BeatPlan,
  dischargeM3s: number,
  cellM = FINE_CELL_M,
  kernel: KernelName = kernelHere(),
) =>
  fnv1a64(
    `${planHash(plan)}|${dischargeM3s}|${cellM}|${SOLVER_VERSION}|${kernel} ${KERNEL_VERSION}`,
  );

/** Whether a beat is small enough to be sharpened to SHARP_CELL_M. */
export function canSharpen(plan: BeatPlan): boolean {
  if (plan.lengthM > SHARP_LIMIT.lengthM) return false;
  const channel = createChannel(plan);
  for (let x = 0; x <= plan.lengthM; x += 1)
    if (channel.rightYM(x) - channel.leftYM(x) > SHARP_LIMIT.widthM) return false;
  return true;
}
