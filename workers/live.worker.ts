import * as Comlink from 'comlink';
import { castNow, driftBand, driftInputOf, RUNS, takeAt } from '../core/cast/index';
import {
  createScene,
  exposureAt,
  fishView,
  sightRing,
  windowView,
  type Scene,
} from '../core/sight/index';
import type { LiveWorker } from './protocol';

let scene: Scene | null = null;
function water(): Scene {
  if (!scene) throw new Error('live worker: take(plan, flow) comes first');
  return scene;
}

const worker: LiveWorker = {
  take(plan, flow) {
    scene = createScene(plan, flow);
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
    const band = driftBand(water().flow, input, runs);
    return { band, now: castNow(water(), question, band.best) };
  },
  ring(fish, posture, heightM, conditions) {
    return sightRing(water(), fishView(water(), fish, conditions), posture, heightM, conditions);
  },
  window: (fish, angler, conditions) => windowView(water(), fish, angler, conditions),
  exposures(fish, stand, hours) {
    return hours.map((conditions) =>
      exposureAt(water(), fishView(water(), fish, conditions), stand, conditions),
    );
  },
};
Comlink.expose(worker);
