import { RUNS } from '../../../core/cast/index';
import type { BeatPlan } from '../../../core/formats/index';
import { spec, type AnySpec } from '../../engine/run-answers';
import { driftRigNow, rodMOf } from '../../state/selectors';
import { castQuestion, shotsQuestion } from './questions';

/**
 * What Cast asks: the drift and all that follows the pointer of the live worker; every lay, covers and
 * the search for shots of a worker that nobody drags against. `findShots` is the engine's own way to
 * ask that worker, with progress.
 */
export function castAnswers(plan: BeatPlan, findShots: AnySpec['ask']): AnySpec[] {
  return [
    spec({
      name: 'drift',
      question(s) {
        const cast = castQuestion(plan, s);
        return cast && { cast, mend: s.mend, runs: s.dragging ? RUNS.dragging : RUNS.settled };
      },
      async ask(workers, { cast, mend, runs }) {
        const began = performance.now();
        const { band, now } = await workers.live.cast(cast, mend, runs);
        return { band, now, ms: performance.now() - began };
      },
      then: ({ band }) => (band.best.film ? {} : { filmAtS: null, filmRuns: false }),
    }),
    spec({
      name: 'castStudy',
      water: 'final',
      when: 'at-rest',
      wanted: (s) => s.step === 'cast',
      question: (s) => castQuestion(plan, s),
      ask: (workers, cast) => workers.shots.castStudy(cast),
    }),
    spec({
      name: 'pool',
      water: 'final',
      when: 'at-rest',
      wanted: (s) => s.step === 'cast',
      question: (s) =>
        s.poolAsked && s.stand
          ? {
              stand: s.stand,
              rod: { rodM: rodMOf(s), rig: driftRigNow(s) },
              reachM: s.settings.landsWithinHalfMetreToM,
            }
          : null,
      ask: (workers, q) => workers.shots.covers(q.stand, q.rod, q.reachM),
    }),
    spec({
      name: 'shots',
      water: 'final',
      when: 'on-call',
      question: (s) => shotsQuestion(plan, s),
      ask: findShots as never,
      then: () => ({ shotsCompared: [] }),
    }),
  ];
}
