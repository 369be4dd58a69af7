import type { BeatPlan } from '../../core/formats/index';
import type { SpecsOf } from '../engine/engine';
import type { AnySpec } from '../engine/run-answers';
import { benchAnswers } from '../steps/bench/answers';
import { dayAnswers } from '../steps/day/answers';
import { castAnswers } from '../steps/cast/answers';
import { readAnswers } from '../steps/read/answers';
import { spotAnswers } from '../steps/spot/answers';
import { stalkAnswers } from '../steps/stalk/answers';

/** Every answer of the workspace, step by step: later ones may ask about earlier ones. */
export const answerSpecs = (
  plan: BeatPlan,
  { source, findShots, onRoute }: Parameters<SpecsOf>[0],
): readonly AnySpec[] => [
  ...dayAnswers(),
  ...readAnswers(plan, source),
  ...spotAnswers(plan),
  ...castAnswers(plan, findShots),
  ...stalkAnswers(plan, onRoute),
  ...benchAnswers(plan),
];
