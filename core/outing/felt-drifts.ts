import { standing, type Try } from '../log/index';
import { findRig, startOf, type Tackle } from '../rig/index';
import type { FeltAt } from '../sink/index';

/** How well a bed is known, m: one that was sounded, and one that was told. */
export const BED_KNOWN_M = { sounded: 0.03, told: 0.12 } as const;

/** Every drift of a beat at a level whose bed was felt, and what its plan had said. */
export function feltDrifts(tries: readonly Try[], tackle: Tackle, level: string): FeltAt[] {
  return tries.flatMap((t): FeltAt[] => {
    const { target, cast, level: at } = t.snapshot;
    const plan = findRig(tackle, cast?.rig.id ?? null);
    if (!target || !cast || !plan || at !== level) return [];
    return standing(t).flatMap(({ event, means }) => {
      if (means.bed === null) return [];
      return [
        {
          id: event.id,
          place: { xM: target.xM, yM: target.yM },
          plan,
          start: startOf(cast.lay.kind, plan),
          leadM: cast.leadM ?? USUAL_LEAD_M,
          felt: means.bed,
        },
      ];
    });
  });
}
const USUAL_LEAD_M = 1;
