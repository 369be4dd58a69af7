import { foldTry, type EventCode, type Try } from '../../../core/log/index';
import type { BeatPlan } from '../../../core/formats/index';
import { plainFish } from '../../../core/outing/index';
import { findRig, startOf, type Tackle } from '../../../core/rig/index';
import type { Felt, FeltAt } from '../../../core/sink/index';
import type { BenchQuestion } from '../../../workers/protocol';
import { steadyLight } from '../../state/light';
import { rigOf, targetOf } from '../../state/selectors';
import type { WorkspaceState } from '../../state/state';

/** How well a bed is known, m: one that was sounded, and one that was told. */
const SOUNDED_M = 0.03;
const TOLD_M = 0.12;

const FELT: Partial<Record<EventCode, Felt>> = { clear: 'clear', bottom: 'ticked', hung: 'hung' };

/** Every drift of this beat at this level whose bed was felt, and what its plan had said. */
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

const wasSounded = (plan: BeatPlan) => plan.features.some((f) => f.kind === 'sounding');

export function benchQuestion(plan: BeatPlan, s: WorkspaceState): BenchQuestion | null {
  const target = targetOf(s);
  if (!target) return null;
  const { tackle, windMps, anglerHeightM: heightM, polarised } = s.settings;
  const rig = rigOf(s);
  return {
    fish: plainFish(target),
    landing: s.landing,
    lay: s.lay,
    plan: rig,
    tackle: { box: tackle.box },
    felt: feltDrifts(s.tries, tackle, s.level),
    windMps,
    bedSpreadM: wasSounded(plan) ? SOUNDED_M : TOLD_M,
    seen: s.stand
      ? {
          from: { ...s.stand, posture: s.posture, heightM },
          light: steadyLight(plan, s),
          polarised,
        }
      : null,
  };
}
