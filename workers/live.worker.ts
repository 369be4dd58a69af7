import * as Comlink from 'comlink';
import {
  castNow,
  cleanToLift,
  driftBand,
  driftInputOf,
  leadAlong,
  leadFor,
  liftPast,
  RUNS,
  takeAt,
  type CastQuestion,
  type DriftInput,
} from '../core/cast/index';
import { showsOn, startOf } from '../core/rig/index';
import { bench, type FeltKeep } from '../core/sink/index';
import {
  createScene,
  exposureAt,
  fishView,
  ownFlySeen,
  sightRing,
  windowView,
  type Scene,
} from '../core/sight/index';
import type { LiveWorker } from './protocol';

let scene: Scene | null = null;
/** Tables of what was felt, of this water. */
let feltKept: FeltKeep = new Map();
function water(): Scene {
  if (!scene) throw new Error('live worker: take(plan, flow) comes first');
  return scene;
}

/** What follows a drag is followed to the lift past the fish; where it never comes there, not for long. */
function upToTheLift(input: DriftInput, { target }: CastQuestion): DriftInput {
  if (!target) return { ...input, seconds: Math.min(input.seconds, DRAGGED_S) };
  const needed = input.takeS === undefined ? DRAGGED_S : Math.max(DRAGGED_S, 2 * input.takeS);
  return {
    ...input,
    seconds: Math.min(input.seconds, needed),
    liftPastM: liftPast(target),
  };
}
const DRAGGED_S = 6;

const worker: LiveWorker = {
  take(plan, flow) {
    scene = createScene(plan, flow);
    feltKept = new Map();
  },
  cast(question, mend, runs) {
    const film = runs > RUNS.dragging;
    const takeS = takeAt(water(), question);
    const input = {
      ...driftInputOf(question),
      film,
      ...(mend && { mend }),
      ...(takeS !== undefined && { takeS }),
    };
    const band = driftBand(water().flow, film ? input : upToTheLift(input, question), runs);
    const { best } = band;
    const known = cleanToLift(best) ? { ...best, cleanS: question.seconds } : best;
    return { band, now: castNow(water(), question, known) };
  },
  ring(fish, posture, heightM, conditions) {
    return sightRing(water(), fishView(water(), fish, conditions), posture, heightM, conditions);
  },
  bench({ fish, landing, lay, seen, ...rest }) {
    const { flow } = water();
    const lead = leadFor(flow, fish);
    const leadM = landing ? Math.max(0, leadAlong(flow, fish, landing)) : lead.leadM;
    const start = startOf(lay.kind, rest.plan);
    const { liftPastM: pastM, reactionM: reachM } = lead;
    const shows = showsOn(rest.plan, rest.tackle);
    return {
      answer: bench(flow, { ...rest, fish, start, leadM, pastM, reachM }, feltKept),
      leadM,
      seen:
        seen && shows && ownFlySeen(water(), seen.from, fish, seen.light, seen.polarised, shows),
    };
  },
  window: (fish, angler, conditions) => windowView(water(), fish, angler, conditions),
  exposures(fish, stand, hours) {
    return hours.map((conditions) =>
      exposureAt(water(), fishView(water(), fish, conditions), stand, conditions),
    );
  },
};
Comlink.expose(worker);
