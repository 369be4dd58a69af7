import type { BeatPlan } from '../../../core/formats/index';
import { plainFish } from '../../../core/outing/index';
import { spec, type AnySpec } from '../../engine/run-answers';
import { steadyLight } from '../../state/light';
import { anglerOf, targetOf } from '../../state/selectors';
import type { WorkspaceState } from '../../state/state';
import { benchQuestion } from './questions';

/** What the Bench asks: the rig at the chosen fish; Cast shows its sinking too. And where a fish is followed to. */
export function benchAnswers(plan: BeatPlan): AnySpec[] {
  return [
    spec({
      name: 'bench',
      water: 'final',
      when: 'at-rest',
      wanted: (s) => s.step === 'bench' || s.step === 'cast',
      question: (s) => benchQuestion(plan, s),
      ask: (workers, q) => workers.live.bench(q),
    }),
    spec({
      name: 'followDown',
      water: 'final',
      when: 'at-rest',
      wanted: (s) => s.step === 'bench',
      question(s: WorkspaceState) {
        const target = targetOf(s);
        if (!target || !s.stand) return null;
        return {
          fish: plainFish(target),
          input: {
            from: s.stand,
            to: s.stand,
            endPosture: 'stand' as const,
            fish: [],
            angler: anglerOf(s),
            conditions: steadyLight(plan, s),
            wading: s.settings.methods.wading,
          },
        };
      },
      ask: async (workers, { fish, input }) => ({
        to: await workers.stalk.followDown(fish, input),
      }),
    }),
  ];
}
