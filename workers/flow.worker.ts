import * as Comlink from 'comlink';
import { calibrate, createFlowRun } from '../core/water/index';
import { runFlowJob } from './flow-job';
import type { FlowWorker } from './protocol';

let generation = 0;

const worker: FlowWorker = {
  async solve(plan, dischargeM3s, events, options) {
    const mine = ++generation;
    const giveWay = () => new Promise<void>((resolve) => setTimeout(resolve, 0));
    const run = createFlowRun(plan, { dischargeM3s, ...options });
    return runFlowJob(run, events, () => mine !== generation, giveWay);
  },
  async calibrate(plan, onProgress) {
    return calibrate(plan, onProgress);
  },
  cancel() {
    generation++;
  },
};
Comlink.expose(worker);
