import type { BeatPlan } from '../../../core/formats/index';
import { spec, type AnySpec } from '../../engine/run-answers';
import { HOURS } from '../../state/hours';
import { conditionsAt, steadyLight } from '../../state/light';
import { plainFish } from '../../../core/outing/index';
import { rodMOf, targetOf } from '../../state/selectors';
import type { WorkspaceState } from '../../state/state';
import { lookoutInput } from './questions';

/** Shade on the water moves no faster than is seen in this time, ms. */
const FIVE_MINUTES = 300_000;
const ONE_MINUTE = 60_000;

/** What Spot asks: the sight ring, where to look from and when, shade, and what the fish sees. */
export function spotAnswers(plan: BeatPlan): AnySpec[] {
  const here = (s: WorkspaceState) => s.step === 'spot';
  return [
    spec({
      name: 'ring',
      question(s) {
        const target = targetOf(s);
        return (
          target && {
            fish: plainFish(target),
            posture: s.posture,
            heightM: s.settings.anglerHeightM,
            light: steadyLight(plan, s),
          }
        );
      },
      ask: (workers, q) => workers.live.ring(q.fish, q.posture, q.heightM, q.light),
    }),
    spec({
      name: 'lookouts',
      wanted: here,
      when: 'at-rest',
      question(s) {
        const input = lookoutInput(plan, s);
        return input.targets.length > 0 ? input : null;
      },
      ask: (workers, input) => workers.read.lookouts(input),
    }),
    spec({
      name: 'glare',
      wanted: here,
      when: 'at-rest',
      question(s) {
        const target = targetOf(s);
        if (!target || !s.viewer) return null;
        return {
          input: { ...lookoutInput(plan, s), targets: [plainFish(target)] },
          from: s.viewer,
        };
      },
      async ask(workers, { input, from }) {
        const by = await workers.read.glare(input, from);
        return by.map((g, i) => ({ hour: HOURS[i]!, ...g }));
      },
    }),
    spec({
      name: 'shade',
      wanted: here,
      question: (s) =>
        conditionsAt(plan, Math.round(s.atMs / FIVE_MINUTES) * FIVE_MINUTES, s.settings),
      ask: (workers, light) => workers.read.shade(light),
    }),
    spec({
      name: 'window',
      wanted: here,
      question(s) {
        const target = targetOf(s);
        if (!target) return null;
        const { anglerHeightM: heightM } = s.settings;
        const rodM = rodMOf(s);
        return {
          fish: plainFish(target),
          angler: s.viewer && { ...s.viewer, posture: s.posture, heightM, rodM },
          light: conditionsAt(plan, Math.round(s.atMs / ONE_MINUTE) * ONE_MINUTE, s.settings),
        };
      },
      ask: (workers, q) => workers.live.window(q.fish, q.angler, q.light),
    }),
  ];
}
