import { plainFish, routeQuestion } from '../../../core/outing/index';
import { entriesOf, type BeatPlan } from '../../../core/formats/index';
import { across, whileIt } from '../../../workers/client';
import { spec, type AnySpec } from '../../engine/run-answers';
import { freshOf } from '../../state/answer';
import { HOURS } from '../../state/hours';
import { lightByHour, steadyLight } from '../../state/light';
import {
  anglerOf,
  driftRigNow,
  flyOf,
  homeOf,
  rigOf,
  tempOf,
  targetOf,
  targetsInOrder,
} from '../../state/selectors';
import type { WorkspaceState } from '../../state/state';
import { howOf } from '../../../core/planning/index';
import { careNow, laterLight, stalkInput, stalkTo } from './questions';

/** What Stalk asks: the way, the stand by hour, what else might be done, the far bank, the order of fish. */
export function stalkAnswers(plan: BeatPlan, onRoute: (share: number) => void): AnySpec[] {
  const looked = (s: WorkspaceState) => s.step === 'stalk' || s.card;
  const routed = (s: WorkspaceState, coarse: boolean) => {
    const lies = freshOf(s, 'lies');
    if (!s.work || !lies || !s.flow) return null;
    const light = steadyLight(plan, s);
    const question = routeQuestion({
      marks: s.marks,
      lies: lies.lies,
      flow: s.flow,
      settings: s.settings,
      light,
      waterTempC: tempOf(s),
      nowMs: s.atMs,
      rig: rigOf(s),
      fly: s.fly,
    });
    const shots = { ...question.shots, from: entriesOf(plan) };
    const { minutes, turn, direction, lambda } = s.work;
    return {
      question: { ...question, shots, coarse },
      ask: {
        at: null,
        lambda,
        budgetS: minutes === null ? null : 60 * minutes,
        turn,
        direction,
        ticks: [],
      },
    };
  };
  return [
    ...(['routeSketch', 'route'] as const).map((name) =>
      spec({
        name,
        water: 'final',
        when: 'at-rest',
        wanted: looked,
        question: (s) => routed(s, name === 'routeSketch'),
        ask: (workers, { question, ask }) =>
          whileIt({ onProgress: (share: number) => onRoute(name === 'route' ? share : 0) }, (c) =>
            workers.stalk.route(question, ask, across(c.onProgress)),
          ),
      }),
    ),
    spec({
      name: 'stalk',
      water: 'final',
      // While a cast is dragged its drift comes first: the way follows when it is let go.
      wanted: (s) => s.dragging === null || s.step === 'stalk',
      question: (s) => stalkInput(plan, s),
      ask: (workers, input) => workers.stalk.plan(input),
      then: () => ({ stalkShown: 0, wayAt: null }),
    }),
    spec({
      name: 'hours',
      when: 'at-rest',
      question(s) {
        const target = targetOf(s);
        if (!target || !s.stand) return null;
        return {
          fish: plainFish(target),
          stand: { ...s.stand, posture: s.posture, heightM: s.settings.anglerHeightM },
          hours: lightByHour(plan, s),
        };
      },
      async ask(workers, { fish, stand, hours }) {
        const exposures = await workers.live.exposures(fish, stand, hours);
        return exposures.map((exposure, i) => ({ hour: HOURS[i]!, exposure }));
      },
    }),
    spec({
      name: 'stalkStudy',
      water: 'final',
      when: 'at-rest',
      wanted: looked,
      question(s) {
        // Of the way that is on screen, and of no other.
        if (!freshOf(s, 'stalk')) return null;
        const input = stalkInput(plan, s);
        return (
          input && {
            way: input,
            targetId: targetOf(s)?.id ?? '',
            later: laterLight(plan, s),
            care: careNow(plan, s),
          }
        );
      },
      ask: (workers, input) => workers.stalk.study(input),
    }),
    spec({
      name: 'farBank',
      water: 'final',
      when: 'at-rest',
      wanted: looked,
      question: (s) => (s.farBankAsked ? stalkInput(plan, s) : null),
      ask: (workers, input) => workers.stalk.farBank(input),
    }),
    spec({
      name: 'order',
      water: 'final',
      when: 'at-rest',
      wanted: looked,
      question(s) {
        const fish = targetsInOrder(s);
        if (!s.orderAsked || fish.length === 0) return null;
        return {
          fish,
          how: {
            ...orderHow(s.settings),
            angler: anglerOf(s),
            fly: s.fly,
            rig: driftRigNow(s),
            fishes: Object.fromEntries(
              fish.map((f) => {
                const at = { ...s, markId: f.id, lieId: null };
                return [
                  f.id,
                  {
                    home: homeOf(at),
                    species: s.settings.species,
                    waterTempC: tempOf(s),
                    fly: flyOf(at),
                    rig: driftRigNow(at),
                  },
                ];
              }),
            ),
            ...(s.settings.methods.worth === 'largest' && {
              worth: Object.fromEntries(fish.map((f) => [f.id, (f.totalLengthCm / 25) ** 2])),
            }),
          },
          input: stalkTo(plan, s, entriesOf(plan)[0]!),
        };
      },
      async ask(workers, { fish, input, how }) {
        const sequence = await workers.stalk.order(fish, input, how);
        return { fishIds: fish.map((f) => f.id), sequence };
      },
    }),
  ];
}

/** What the order of fish is asked with beside what the ways are. */
const orderHow = (settings: WorkspaceState['settings']) => {
  const { castFrom, windSchool, landingDraws } = howOf(settings);
  return { castFrom, windSchool, landingDraws };
};
