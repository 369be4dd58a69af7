import { DEFAULT_RIG } from '../core/rig/index';
import * as Comlink from 'comlink';
import { castStudy, coverGrid, createShotSearch } from '../core/cast/index';
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

const WARM_STEP_M = 2;

/** A thin search at the deepest place: what it finds is thrown away. */
function warmUp(at: Scene): void {
  const { flow } = at;
  let k = 0;
  for (let i = 1; i < flow.depthM.length; i++) if (flow.depthM[i]! > flow.depthM[k]!) k = i;
  const target = {
    id: 'warm',
    xM: flow.x0M + (k % flow.nx) * flow.cellM,
    yM: flow.y0M + Math.floor(k / flow.nx) * flow.cellM,
    fishDepthM: 0.3,
    headingRad: 0,
    totalLengthCm: 25,
    surety: 'maybe' as const,
  };
  createShotSearch(at, { rig: DEFAULT_RIG, target, standStepM: WARM_STEP_M }).advance(WARM_MS);
}
/** No longer than this, ms. */
const WARM_MS = 300;

const worker: ShotsWorker = {
  take(plan, flow) {
    const mine = ++generation;
    scene = createScene(plan, flow);
    kept = createStalkKeep();
    // The first search would wait for the compiler: a thin one is run for nobody while there is time.
    const here = scene;
    void giveWay().then(() => {
      if (mine === generation) warmUp(here);
    });
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
  castStudy: (question) => castStudy(taken(), question),
  covers: (stand, rod, reachM) => coverGrid(taken(), stand, rod, reachM),
};
Comlink.expose(worker);
