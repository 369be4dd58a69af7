import * as Comlink from 'comlink';
import type { BeatPlan, LevelName } from '../core/formats/index';
import { methodDifference, rateLies, studyLie, type FishOptions } from '../core/lies/index';
import { createScene, glareAt, lookouts, shadeField, type Scene } from '../core/sight/index';
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
    return studyLie(plan, flow, fishFor(input), place, levels);
  },
  difference(input, other) {
    const { plan, flow } = held();
    return methodDifference(plan, flow, fishFor(input), input.method ?? 'energy-budget', other);
  },
  shade: (light) => outlines(scene().flow, shadeField(scene(), light), 0.5),
  lookouts: (input) => lookouts(scene(), input),
  glare: (input, from) => glareAt(scene(), input, from),
  read(other) {
    return readWater(other ?? held().flow);
  },
};
Comlink.expose(worker);
