import { plainFish } from '../../../core/outing/index';
import { howOf } from '../../../core/planning/index';
import { isFed, type CastQuestion, type Lay, type ShotsQuestion } from '../../../core/cast/index';
import { entriesOf, type BeatPlan } from '../../../core/formats/index';
import { steadyLight } from '../../state/light';
import {
  anglerOf,
  calmWayOf,
  driftRigNow,
  flyOf,
  homeOf,
  markOf,
  othersOf,
  targetOf,
  tempOf,
  watchers,
} from '../../state/selectors';
import { NOTHING_ASKED, type ShotsAsked } from '../../state/shots-asked';
import type { WorkspaceState } from '../../state/state';

/** Drift is followed this long, s; a line that is fed out much longer. */
export const DRIFT_S = 6;
const FED_DRIFT_S = 30;
export const driftSecondsOf = (lay: Lay) => (isFed(lay.kind) ? FED_DRIFT_S : DRIFT_S);

/** The cast as it stands on the plan; null without a stand and a landing place. */
export function castQuestion(plan: BeatPlan, s: WorkspaceState): CastQuestion | null {
  if (!s.stand || !s.landing) return null;
  const target = targetOf(s);
  return {
    stand: s.stand,
    landing: s.landing,
    lay: s.lay,
    posture: s.posture,
    angler: anglerOf(s),
    conditions: steadyLight(plan, s),
    windSchool: howOf(s.settings).windSchool,
    castFrom: howOf(s.settings).castFrom,
    target: target && plainFish(target),
    others: othersOf(s),
    rig: driftRigNow(s),
    seconds: driftSecondsOf(s.lay),
    ...(target && { chance: { ...fishAsked(s), calmWay: calmWayOf(s) } }),
  };
}

/** What is known of the target beside where it lies: what the chance of it hangs on. */
function fishAsked(s: WorkspaceState) {
  const { species, landingDraws, alarm } = howOf(s.settings);
  return {
    fly: flyOf(s),
    species,
    home: homeOf(s),
    waterTempC: tempOf(s),
    unmarked: markOf(s) === null,
    landingDraws,
    alarm,
  };
}

/** Where to stand and how to cast, with what the angler pinned, left out and weighed. */
export function shotsQuestion(
  plan: BeatPlan,
  s: WorkspaceState,
  asked: ShotsAsked = s.asked,
): ShotsQuestion | null {
  const target = targetOf(s);
  if (!target) return null;
  return {
    target: plainFish(target),
    // Those that Stalk keeps from alarming too: its way is the one that is told here.
    others: watchers(s).filter((w) => w.id !== target.id),
    angler: anglerOf(s),
    ...fishAsked(s),
    rig: driftRigNow(s),
    conditions: steadyLight(plan, s),
    from: s.from ?? entriesOf(plan),
    ...howOf(s.settings),
    forbidden: s.out,
    ...(asked.pinLanding && s.landing && { landing: s.landing }),
    pin: {
      ...(asked.pinStand && s.stand && { stand: s.stand }),
      ...(asked.pinLay && { lay: asked.pinLay }),
    },
    exclude: { spots: asked.withoutSpots, lays: asked.withoutLays },
    wishes: asked.wishes,
  };
}

/** The same for another fish, with nothing pinned or left out. */
export const shotsQuestionAt = (plan: BeatPlan, s: WorkspaceState, markId: string) =>
  shotsQuestion(plan, { ...s, markId, lieId: null }, NOTHING_ASKED);
