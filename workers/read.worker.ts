import * as Comlink from 'comlink';
import type { BeatPlan, LevelName } from '../core/formats/index';
import { cellIndex } from '../core/grid/index';
import {
  methodDifference,
  rateLies,
  sensitivity,
  whatIf,
  type FishOptions,
} from '../core/lies/index';
import { createScene, lookoutAt, lookouts, shadeField, type Scene } from '../core/sight/index';
import { readWater, type FlowField } from '../core/water/index';
import { outlines } from './outlines';
import type { RateInput, ReadWorker } from './protocol';

let water: { plan: BeatPlan; flow: FlowField; scene: Scene | null } | null = null;
const levels = new Map<LevelName, FlowField>();
let lastShade: { key: string; shade: Float64Array } | null = null;

function held() {
  if (!water) throw new Error('read worker: take(plan, flow) comes first');
  return water;
}

function scene(): Scene {
  const here = held();
  return (here.scene ??= createScene(here.plan, here.flow));
}

function fishFor({ light, ...fish }: RateInput): FishOptions {
  if (!light) return { ...fish, shade: null };
  const key = JSON.stringify(light);
  if (lastShade?.key !== key) lastShade = { key, shade: shadeField(scene(), light) };
  return { ...fish, shade: lastShade.shade };
}

const worker: ReadWorker = {
  take(plan, flow) {
    water = { plan, flow, scene: null };
    lastShade = null;
  },
  keepLevel(name, flow) {
    levels.set(name, flow);
  },
  rate(input) {
    const { plan, flow } = held();
    return rateLies(plan, flow, fishFor(input));
  },
  study(input, place) {
    const { plan, flow } = held();
    const fish = fishFor(input);
    const others = [...levels].map(([name, f]) => ({ name, flow: f }));
    return {
      sensitivity: sensitivity(plan, flow, fish, cellIndex(flow, place.xM, place.yM)),
      changes: whatIf(plan, flow, fish, place, others),
    };
  },
  difference(input, other) {
    const { plan, flow } = held();
    return methodDifference(plan, flow, fishFor(input), input.method ?? 'energy-budget', other);
  },
  shade: (light) => outlines(scene().flow, shadeField(scene(), light), 0.5),
  lookouts: (input) => lookouts(scene(), input),
  glare(input, from) {
    const found = lookoutAt(scene(), input, from);
    const fish = input.targets[0]!;
    const cell = cellIndex(scene().flow, fish.xM, fish.yM);
    return input.hours.map((c, h) => ({
      share: found?.shares[h] ?? 0,
      shade: shadeField(scene(), c)[cell] ?? 0,
    }));
  },
  read(other) {
    return readWater(other ?? held().flow);
  },
};
Comlink.expose(worker);
