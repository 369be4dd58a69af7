import * as Comlink from 'comlink';
import { driftBand, firstCast } from '../core/cast/index';
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
  drift(input, runs) {
    const began = performance.now();
    const band = driftBand(water().flow, input, runs);
    return { ...band, tookMs: performance.now() - began };
  },
  firstCast: (input) => firstCast(water(), input),
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
