import type { Place } from '../grid/index';
import type { Fish, Scene } from '../sight/index';
import {
  createStalkKeep,
  planStalkOn,
  stalkContext,
  type StalkInput,
  type StalkKeep,
  type WadingBody,
  type WadingSchool,
} from '../stalk/index';
import { sampleFlow } from '../water/index';
import { laneThrough } from './lead';
import { LANDING } from './lead-away';

/** Slack water below, where a fish that cannot be brought up is followed to. */
export interface FollowDown {
  place: Place;
  /** Down the lane from the fish, m. */
  downM: number;
  /** The angler's way there. */
  seconds: number;
  wadedM: number;
}

const FARTHEST_M = 25;
const ALONG_STEP_M = 1;
const ASIDE_M = 4;
const ASIDE_STEP_M = 0.5;
const MOST_ASKED = 6;
/** On this grid, m: a fight does not wait. */
const CELL_M = 0.5;

/**
 * The nearest slack, shallow water below a fish that the angler can walk or wade to from the stand;
 * null: none within 25 m can be reached.
 */
export function followDown(
  scene: Scene,
  stand: Place,
  fish: Fish,
  angler: WadingBody,
  how: Pick<StalkInput, 'conditions'> & { wading?: WadingSchool },
  keep: StalkKeep = createStalkKeep(),
): FollowDown | null {
  const lane = laneThrough(scene.flow, fish, 0, FARTHEST_M);
  const question = { ...how, from: stand, fish: [], angler, cellM: CELL_M };
  const context = stalkContext(scene, question, keep);
  let asked = 0;
  let next = ALONG_STEP_M;
  for (const [i, at] of lane.places.entries()) {
    const downM = lane.alongM[i]!;
    if (downM < next) continue;
    next = downM + ALONG_STEP_M;
    const place = slackBeside(scene, at);
    if (!place) continue;
    if (++asked > MOST_ASKED) return null;
    const way = planStalkOn(context, { ...question, to: place, endPosture: 'stand' });
    if (way.kind === 'way') return { place, downM, seconds: way.seconds, wadedM: way.wadedM };
  }
  return null;
}

function slackBeside({ flow }: Scene, at: Place): Place | null {
  let best: Place | null = null;
  let nearest = Infinity;
  const s = { depthM: 0, u: 0, v: 0 };
  for (let dx = -ASIDE_M; dx <= ASIDE_M; dx += ASIDE_STEP_M)
    for (let dy = -ASIDE_M; dy <= ASIDE_M; dy += ASIDE_STEP_M) {
      const d = Math.hypot(dx, dy);
      if (d > ASIDE_M || d >= nearest) continue;
      sampleFlow(flow, at.xM + dx, at.yM + dy, s);
      if (s.depthM < LANDING.leastDepthM || s.depthM > LANDING.mostDepthM) continue;
      if (Math.hypot(s.u, s.v) > LANDING.mostPaceMps) continue;
      nearest = d;
      best = { xM: at.xM + dx, yM: at.yM + dy };
    }
  return best;
}
