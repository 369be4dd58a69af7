import * as Comlink from 'comlink';
import { coverGrid, createShotSearch } from '../core/cast/index';
import { createScene, type Scene } from '../core/sight/index';
import { createStalkKeep } from '../core/stalk/index';
import { TURN_MS } from './flow-job';
import type { ShotsWorker } from './protocol';

let scene: Scene | null = null;
let kept = createStalkKeep();
let generation = 0;
const taken = (): Scene => {
  if (!scene) throw new Error('shots worker: take(plan, flow) comes first');
  return scene;
};
const giveWay = () => new Promise<void>((resolve) => setTimeout(resolve, 0));

const worker: ShotsWorker = {
  take(plan, flow) {
    generation++;
    scene = createScene(plan, flow);
    kept = createStalkKeep();
  },
  async find(question, onProgress) {
    const mine = ++generation;
    const search = createShotSearch(taken(), question, kept);
    for (;;) {
      if (mine !== generation) return null;
      if (search.advance(TURN_MS)) return search.result();
      onProgress(search.progress);
      await giveWay();
    }
  },
  cancel() {
    generation++;
  },
  covers: (stand, rodM, reachM) => coverGrid(taken(), stand, rodM, reachM),
};
Comlink.expose(worker);
