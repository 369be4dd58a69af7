import type { Place } from '../grid/index';
import { featuresOf, shapePlaces, type BeatPlan } from './beat-plan';

/** Where no entry is marked one is taken this far back from the water, m. */
const BACK_FROM_WATER_M = 2;

/** Every entry of a beat; without one, the down-current end of the true left bank. Never empty. */
export function entriesOf(plan: BeatPlan): Place[] {
  const marked = featuresOf(plan, 'entry').map((e) => shapePlaces(e.shape)[0]!);
  if (marked.length > 0) return marked;
  const left = featuresOf(plan, 'bank').find((b) => b.side === 'left')!;
  const foot = shapePlaces(left.shape)[0]!;
  return [{ xM: foot.xM, yM: foot.yM - BACK_FROM_WATER_M }];
}
