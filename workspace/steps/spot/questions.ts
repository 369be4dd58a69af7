import type { BeatPlan } from '../../../core/formats/index';
import type { LookoutInput } from '../../../core/sight/index';
import { valueOf } from '../../state/answer';
import { lightByHour } from '../../state/light';
import { fishInLie, plainFish } from '../../../core/outing/index';
import { targetOf } from '../../state/selectors';
import type { WorkspaceState } from '../../state/state';

/** Lies looked for beside the marks, at most: the best. */
const LIES_LOOKED_FOR = 12;

/** What to look for: the chosen fish alone, else every mark, and the best lies by their rating. */
export function lookoutInput(plan: BeatPlan, s: WorkspaceState): LookoutInput {
  const target = targetOf(s);
  const lies = (valueOf(s, 'lies')?.lies ?? []).slice(0, LIES_LOOKED_FOR).map((lie) => ({
    ...fishInLie(lie, s.settings.fishLengthCm),
    weight: (0.5 * lie.rating) / 100,
  }));
  return {
    targets: target ? [plainFish(target)] : [...s.marks.map(plainFish), ...lies],
    hours: lightByHour(plan, s),
    posture: s.posture,
    heightM: s.settings.anglerHeightM,
    polarised: s.settings.polarised,
  };
}
