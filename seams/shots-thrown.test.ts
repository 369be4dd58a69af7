import { castNow, driftBand, driftInputOf, RUNS, type CastFrom } from '../core/cast/index';
import { flowOfBeat, POCKETS } from '../core/lies/fixtures/beats';
import { rateLies } from '../core/lies/index';
import { DEFAULT_SETTINGS, type Mark } from '../core/log/index';
import { createScene } from '../core/sight/index';
import { keptShots } from '../testing/solved';
import { answered } from '../workspace/fixtures/answered';
import { stateWith } from '../workspace/fixtures/state';
import { castQuestion, shotsQuestion } from '../workspace/steps/cast/questions';

/** What the search offers can be thrown where it is drawn, and is thrown there as the search says. */
const flow = flowOfBeat(POCKETS);
const scene = createScene(POCKETS, flow);
const mark: Mark = {
  id: 'm1',
  xM: 11.5,
  yM: 0.9,
  fishDepthM: 0.3,
  headingRad: Math.PI,
  totalLengthCm: 27,
  surety: 'sure',
  behaviour: 'rising',
  note: '',
  photoId: null,
  seenMs: 0,
  history: [],
};
const lies = rateLies(POCKETS, flow, {
  species: 'brown',
  forkLengthCm: 24,
  waterTempC: 12,
  method: 'energy-budget',
});

it.each<[CastFrom]>([['any-angle'], ['below'], ['above'], ['straight-above']])(
  'from %s',
  (castFrom) => {
    const settings = {
      ...DEFAULT_SETTINGS,
      waterTempC: 12,
      methods: { ...DEFAULT_SETTINGS.methods, castFrom },
    };
    const state = stateWith({
      settings,
      flow,
      marks: [mark],
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
