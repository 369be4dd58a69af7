import * as Comlink from 'comlink';
import { followDown, orderOfFish, quickShot } from '../core/cast/index';
import { createScene, type Scene } from '../core/sight/index';
import {
  createStalkKeep,
  fromFarBank,
  planStalkOn,
  stalkContext,
  studyWay,
} from '../core/stalk/index';
import { planRoute, prepareRoute, type RouteGround } from '../core/route/index';
import { TURN_MS } from './flow-job';
import type { StalkWorker } from './protocol';

/** The other bank is asked about on this grid, m. */
const COARSE_M = 0.5;

let scene: Scene | null = null;
let kept = createStalkKeep();
const taken = (): Scene => {
  if (!scene) throw new Error('stalk worker: take(plan, flow) comes first');
  return scene;
};

/** Grounds of routes by what was asked; of this water only. */
let grounds = new Map<string, RouteGround>();
const MOST_GROUNDS = 4;
let routes = 0;
/** One after the other: the sketch first, then the whole. */
let lastRoute: Promise<unknown> = Promise.resolve();
const giveWay = () => new Promise<void>((resolve) => setTimeout(resolve, 0));

const worker: StalkWorker = {
  take(beat, flow) {
    scene = createScene(beat, flow);
    kept = createStalkKeep();
    grounds = new Map();
    routes++;
  },
  plan: (input) => planStalkOn(stalkContext(taken(), input, kept), input),
  study: (input) => studyWay(taken(), input, kept),
  farBank(asked) {
    const input = { ...asked, cellM: COARSE_M };
    return fromFarBank(stalkContext(taken(), input, kept), input);
  },
  followDown: (fish, { from: stand, angler, conditions, wading }) =>
    followDown(
      taken(),
      'xM' in stand ? stand : stand[0]!,
      fish,
      angler,
      { conditions, ...(wading && { wading }) },
      kept,
    ),
  order: (fish, input, how) => orderOfFish(taken(), fish, input, how, kept),
  route(question, ask, onProgress) {
    const mine = routes;
    const after = lastRoute.then(async () => {
      const key = JSON.stringify(question);
      let ground = grounds.get(key);
      if (!ground) {
        const steps = prepareRoute(taken(), question, kept);
        for (;;) {
          const until = performance.now() + TURN_MS;
          let step = steps.next();
          while (!step.done && performance.now() < until) step = steps.next();
          if (mine !== routes) return null;
          if (step.done) {
            ground = step.value;
            break;
          }
          onProgress(step.value);
          await giveWay();
        }
        if (grounds.size >= MOST_GROUNDS) grounds.delete(grounds.keys().next().value!);
        grounds.set(key, ground);
      }
      await giveWay();
      if (mine !== routes) return null;
      return { stands: ground.stands, result: planRoute(ground, ask) };
    });
    lastRoute = after.catch(() => {});
    return after;
  },
  cancelRoute() {
    routes++;
  },
  quickShot: (question) => quickShot(taken(), question, kept),
};
Comlink.expose(worker);
