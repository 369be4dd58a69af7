import type { Conditions, Scene } from '../sight/index';
import { cautionsOf, type Caution, type CautionInput } from './cautions';
import { otherWays } from './other-ways';
import {
  planStalkOn,
  stalkContext,
  type StalkInput,
  type StalkKeep,
  type StalkWay,
} from './plan-stalk';
import { shadowAt, shadowLeaves, type Shadow } from './shadow';
import { whatIfStalk, type StalkChange } from './what-if-stalk';

/** What is asked beside the way itself is asked on this grid, m. */
const COARSE_M = 0.5;

/** A way asked further. */
export interface StalkStudy {
  /** Truly different ways to the same stand, beside the best. */
  others: StalkWay[];
  changes: StalkChange[];
  /** Of each way: the best, then the others. */
  cautions: Caution[][];
  shadow: Shadow | null;
  /** The hour from which no shadow lies on the water; null: none of those asked about. */
  shadowLeavesHour: number | null;
}

export interface WayStudyInput {
  way: StalkInput;
  targetId: string;
  /** The light of later hours, for what waiting would change. */
  later: { hour: number; conditions: Conditions }[];
  care: CautionInput;
}

/** What else might be done, what wants care, and the shadow that is thrown. Some tenths of a second. */
export function studyWay(
  scene: Scene,
  { way: asked, targetId, later, care }: WayStudyInput,
  keep: StalkKeep,
): StalkStudy {
  const plan = (input: StalkInput) => planStalkOn(stalkContext(scene, input, keep), input);
  const input = { ...asked, cellM: COARSE_M };
  const way = plan(asked);
  const stand = { ...asked.to, posture: asked.endPosture, heightM: asked.angler.heightM };
  const regrid = (forbidden: StalkInput['forbidden']) =>
    stalkContext(scene, { ...input, ...(forbidden && { forbidden }) }, keep);
  const others =
    way.kind === 'way' ? otherWays(regrid(input.forbidden), regrid, input).slice(1) : [];
  return {
    others,
    changes: whatIfStalk(scene, input, targetId, later, plan),
    cautions: way.kind === 'way' ? [way, ...others].map((w) => cautionsOf(scene, w, care)) : [],
    shadow: shadowAt(scene, stand, asked.fish, asked.conditions),
    shadowLeavesHour: shadowLeaves(scene, stand, later),
  };
}
