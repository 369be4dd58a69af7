import * as Comlink from 'comlink';
import { firstCast, sequenceTargets, type SequenceTarget } from '../core/cast/index';
import { createScene, type Scene } from '../core/sight/index';
import {
  cautionsOf,
  createStalkKeep,
  fromFarBank,
  otherWays,
  planStalkOn,
  shadowAt,
  shadowLeaves,
  stalkGround,
  whatIfStalk,
  type StalkInput,
} from '../core/stalk/index';
import type { StalkWorker } from './protocol';

/** Questions beside the way itself, and those of the order of fish, are asked on this grid, m. */
const COARSE_M = 0.5;

let scene: Scene | null = null;
let kept = createStalkKeep();
const taken = (): Scene => {
  if (!scene) throw new Error('stalk worker: take(plan, flow) comes first');
  return scene;
};
const plan = (input: StalkInput) => planStalkOn(stalkGround(taken(), input, kept), input);

const worker: StalkWorker = {
  take(beat, flow) {
    scene = createScene(beat, flow);
    kept = createStalkKeep();
  },
  plan,
  study(asked, targetId, later, care) {
    const here = taken();
    const input = { ...asked, cellM: COARSE_M };
    const way = plan(asked);
    const stand = {
      ...asked.to,
      posture: asked.endPosture,
      heightM: asked.angler.heightM,
    };
    const regrid = (forbidden: StalkInput['forbidden']) =>
      stalkGround(here, { ...input, ...(forbidden && { forbidden }) }, kept);
    const others =
      way.kind === 'way' ? otherWays(regrid(input.forbidden), regrid, input).slice(1) : [];
    return {
      others,
      changes: whatIfStalk(here, input, targetId, later, plan),
      cautions: way.kind === 'way' ? [way, ...others].map((w) => cautionsOf(here, w, care)) : [],
      shadow: shadowAt(here, stand, asked.fish, asked.conditions),
      shadowLeavesHour: shadowLeaves(here, stand, later),
    };
  },
  farBank(asked) {
    const input = { ...asked, cellM: COARSE_M };
    return fromFarBank(stalkGround(taken(), input, kept), input);
  },
  order(fish, asked, rod) {
    const here = taken();
    const start = 'xM' in asked.from ? asked.from : asked.from[0]!;
    const casts = fish.map((target) =>
      firstCast(here, {
        target,
        posture: asked.endPosture,
        heightM: asked.angler.heightM,
        rodM: rod.rodM,
        tipHeightM: rod.tipHeightM,
        conditions: asked.conditions,
        entry: start,
      }),
    );
    const targets = fish.map((f, i): SequenceTarget => {
      const way = plan({ ...asked, fish, to: casts[i]!.stand, via: [], cellM: COARSE_M });
      // A stand that no way leads to leaves nobody calm: it comes last.
      const calmOf = fish.map((g) =>
        way.kind === 'way' ? way.calm.find((c) => c.fishId === g.id)!.best : 0,
      );
      return { fish: f, stand: casts[i]!.stand, calmOf };
    });
    return { sequence: sequenceTargets(here, targets, start), casts };
  },
};
Comlink.expose(worker);
