import type { BeatPlan } from '../../../core/formats/index';
import type { FlowSource } from '../../engine/flow-source';
import { byIdentity, spec, type AnySpec } from '../../engine/run-answers';
import type { Workers } from '../../engine/workers';
import { freshOf } from '../../state/answer';
import { matchLie } from '../../state/match';
import { lieOf } from '../../state/selectors';
import type { WorkspaceState } from '../../state/state';
import { rateInput } from './questions';

/** What Read asks: the water's pieces and lines, the lies, one lie further, another method. */
export function readAnswers(plan: BeatPlan, source: FlowSource): AnySpec[] {
  const keepLevels = createLevelKeeper(plan, source);
  return [
    spec({
      name: 'reading',
      question: () => 'the water on screen',
      ask: (workers) => workers.read.read(),
    }),
    spec({
      name: 'otherReading',
      // Of the settled water only: a rough one reads much like any other.
      question: (s) => (s.otherState.kind === 'ready' && s.other ? byIdentity(s.other) : null),
      ask: (workers, other) => workers.read.read(other.thing),
    }),
    spec({
      name: 'lies',
      question: (s) => rateInput(plan, s),
      ask: (workers, input) => workers.read.rate(input),
      // The chosen lie is looked for among the new ones: it may have moved, and its id with it.
      then: (lies, s) => ({ lieId: matchLie(lieOf(s), lies) ?? s.lieId }),
    }),
    spec({
      name: 'study',
      wanted: (s) => s.step === 'read' && freshOf(s, 'lies') !== null,
      question(s) {
        const lie = lieOf(s);
        if (!lie) return null;
        const { id: lieId, xM, yM } = lie;
        return { input: rateInput(plan, s), lieId, at: { xM, yM }, level: s.level };
      },
      async ask(workers, { input, lieId, at, level }) {
        await keepLevels(workers, level);
        return { ...(await workers.read.study(input, at)), lieId };
      },
    }),
    spec({
      name: 'difference',
      question: (s: WorkspaceState) =>
        s.otherMethod && { input: rateInput(plan, s), other: s.otherMethod },
      ask: (workers, { input, other }) => workers.read.difference(input, other),
    }),
  ];
}

/** Levels whose flow is at hand are given to the reading worker once: what would change a lie. */
function createLevelKeeper(plan: BeatPlan, source: FlowSource) {
  const given = new Set<string>();
  return async (workers: Workers, shown: string): Promise<void> => {
    for (const level of plan.levels) {
      const at = source.at(level.name);
      const key = source.hashOf(at);
      if (level.name === shown || given.has(key)) continue;
      const flow = await source.find(at);
      if (!flow) continue;
      given.add(key);
      await workers.read.keepLevel(level.name, flow);
    }
  };
}
