import * as Comlink from 'comlink';
import { orderOfFish, quickShot } from '../core/cast/index';
import { createScene, type Scene } from '../core/sight/index';
import {
  createStalkKeep,
  fromFarBank,
  planStalkOn,
  stalkContext,
  studyWay,
} from '../core/stalk/index';
import type { StalkWorker } from './protocol';

/** The other bank is asked about on this grid, m. */
const COARSE_M = 0.5;

let scene: Scene | null = null;
let kept = createStalkKeep();
const taken = (): Scene => {
  if (!scene) throw new Error('stalk worker: take(plan, flow) comes first');
  return scene;
};

const worker: StalkWorker = {
  take(beat, flow) {
    scene = createScene(beat, flow);
    kept = createStalkKeep();
  },
  plan: (input) => planStalkOn(stalkContext(taken(), input, kept), input),
  study: (input) => studyWay(taken(), input, kept),
  farBank(asked) {
    const input = { ...asked, cellM: COARSE_M };
    return fromFarBank(stalkContext(taken(), input, kept), input);
  },
  order: (fish, input, how) => orderOfFish(taken(), fish, input, how, kept),
  quickShot: (question) => quickShot(taken(), question, kept),
};
Comlink.expose(worker);
