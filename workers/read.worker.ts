import * as Comlink from 'comlink';
import type { BeatPlan } from '../core/formats/index';
import { rateLies } from '../core/lies/index';
import { readWater } from '../core/water/index';
import type { FlowField } from '../core/water/index';
import type { ReadWorker } from './protocol';

let water: { plan: BeatPlan; flow: FlowField } | null = null;

const worker: ReadWorker = {
  take(plan, flow) {
    water = { plan, flow };
  },
  rate(options) {
    if (!water) throw new Error('read worker: take(plan, flow) comes first');
    return rateLies(water.plan, water.flow, options);
  },
  read(other) {
    if (!other && !water) throw new Error('read worker: take(plan, flow) comes first');
    return readWater(other ?? water!.flow);
  },
};
Comlink.expose(worker);
