import { foldTry, type EventCode, type Try } from '../log/index';
import { findRig, startOf, type Tackle } from '../rig/index';
import type { Felt, FeltAt } from '../sink/index';

const FELT: Partial<Record<EventCode, Felt>> = { clear: 'clear', bottom: 'ticked', hung: 'hung' };

/** How well a bed is known, m: one that was sounded, and one that was told. */
export const BED_KNOWN_M = { sounded: 0.03, told: 0.12 } as const;

/** Every drift of a beat at a level whose bed was felt, and what its plan had said. */
export function feltDrifts(tries: readonly Try[], tackle: Tackle, level: string): FeltAt[] {
  return tries.flatMap((t): FeltAt[] => {
    const { target, cast, level: at } = t.snapshot;
    const plan = findRig(tackle, cast?.rig.id ?? null);
    if (!target || !cast || !plan || at !== level) return [];
    return foldTry(t.fly, t.events).timeline.flatMap(({ event, undone }) => {
      const felt = FELT[event.code];
      if (!felt || undone) return [];
      return [
        {
          id: event.id,
          place: { xM: target.xM, yM: target.yM },
          plan,
          start: startOf(cast.lay.kind, plan),
          leadM: cast.leadM ?? USUAL_LEAD_M,
          felt,
        },
      ];
    });
  });
}
const USUAL_LEAD_M = 1;
