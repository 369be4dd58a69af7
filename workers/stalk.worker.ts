import * as Comlink from 'comlink';
import { createScene, type Scene } from '../core/sight/index';
import { planStalk } from '../core/stalk/index';
import type { StalkWorker } from './protocol';

let scene: Scene | null = null;

const worker: StalkWorker = {
  take(plan, flow) {
    scene = createScene(plan, flow);
  },
  plan(input) {
    if (!scene) throw new Error('stalk worker: take(plan, flow) comes first');
    return planStalk(scene, input);
  },
};
Comlink.expose(worker);
