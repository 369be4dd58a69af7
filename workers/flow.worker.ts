import * as Comlink from 'comlink';
import { calibrate, createFlowRun } from '../core/water/index';
import { firstPicture, runFlowJob } from './flow-job';
import type { FlowWorker } from './protocol';

let generation = 0;
const giveWay = () => new Promise<void>((resolve) => setTimeout(resolve, 0));

const worker: FlowWorker = {
  async solve(plan, dischargeM3s, events, options) {
    const mine = ++generation;
    const run = createFlowRun(plan, { dischargeM3s, ...options });
    return runFlowJob(run, events, () => mine !== generation, giveWay);
  },
  async picture(plan, dischargeM3s) {
    const mine = ++generation;
    await giveWay();
    if (mine !== generation) return null;
    const run = createFlowRun(plan, { dischargeM3s });
    return firstPicture(run, () => mine !== generation, giveWay);
  },
  async calibrate(plan, onProgress) {
    return calibrate(plan, onProgress);
  },
  cancel() {
    generation++;
  },
};
Comlink.expose(worker);
