import { NO_PRIORS, priorsOf } from '../../../core/log/index';
import type { BeatPlan } from '../../../core/formats/index';
import { BED_KNOWN_M, feltDrifts, plainFish } from '../../../core/outing/index';
import type { BenchQuestion } from '../../../workers/protocol';
import { steadyLight } from '../../state/light';
import { rigOf, targetOf } from '../../state/selectors';
import type { WorkspaceState } from '../../state/state';

const wasSounded = (plan: BeatPlan) => plan.features.some((f) => f.kind === 'sounding');

export function benchQuestion(plan: BeatPlan, s: WorkspaceState): BenchQuestion | null {
  const target = targetOf(s);
  if (!target) return null;
  const { tackle, windMps, anglerHeightM: heightM, polarised } = s.settings;
  const rig = rigOf(s);
  const { sink, beds, untilMs } = priorsOf(s.settings);
  // What is in the priors already is not counted again.
  const isTold = sink.spread !== NO_PRIORS.sink.spread || beds.length > 0;
  const felt = isTold ? s.tries.filter((t) => t.openedMs >= untilMs) : s.tries;
  return {
    fish: plainFish(target),
    landing: s.landing,
    lay: s.lay,
    plan: rig,
    tackle: { box: tackle.box },
    felt: feltDrifts(felt, tackle, s.level),
    ...(isTold && {
      before: {
        ...sink,
        beds: beds.filter((b) => b.beatId === s.daySiteId && b.level === s.level),
      },
    }),
    windMps,
    bedSpreadM: wasSounded(plan) ? BED_KNOWN_M.sounded : BED_KNOWN_M.told,
    seen: s.stand
      ? {
          from: { ...s.stand, posture: s.posture, heightM },
          light: steadyLight(plan, s),
          polarised,
        }
      : null,
  };
}
