import { castNow, driftBand, driftInputOf, RUNS, type CastFrom } from '../core/cast/index';
import { POCKETS } from '../core/lies/fixtures/beats';
import { createScene } from '../core/sight/index';
import { keptShots } from '../testing/solved';
import { answered } from '../workspace/fixtures/answered';
import { stateWith } from '../workspace/fixtures/state';
import { castQuestion, shotsQuestion } from '../workspace/steps/cast/questions';
import { flow, lies, mark, settings as usual } from './fixtures/pockets';

/** What the search offers can be thrown where it is drawn, and is thrown there as the search says. */
const scene = createScene(POCKETS, flow);
const riser = mark('m1', 11.5, { behaviour: 'rising' });

it.each<[CastFrom]>([['any-angle'], ['below'], ['above'], ['straight-above']])(
  'from %s',
  (castFrom) => {
    const settings = { ...usual, methods: { ...usual.methods, castFrom } };
    const state = stateWith({
      settings,
      flow,
      marks: [riser],
      markId: 'm1',
      level: POCKETS.surveyedLevel,
      ...answered({ lies }),
    });
    const found = keptShots(POCKETS, flow, shotsQuestion(POCKETS, state)!);
    if (found.kind !== 'shots') throw new Error(found.reason);
    for (const shot of found.shots) {
      const { stand, landing, lay, posture } = shot;
      const question = castQuestion(POCKETS, { ...state, stand, landing, lay, posture })!;
      const { best } = driftBand(flow, driftInputOf(question), RUNS.settled);
      const now = castNow(scene, question, best);
      expect([lay.kind, now.refusal, now.by]).toEqual([lay.kind, null, shot.cast]);
      expect(now.chance!.parts.home).toBeCloseTo(shot.chance.parts.home, 12);
      expect(now.sureM).toBeCloseTo(shot.facts.sureM, 9);
      expect(now.exposure).toBeCloseTo(shot.facts.exposure, 9);
    }
  },
);
