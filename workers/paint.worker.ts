import * as Comlink from 'comlink';
import { paintWater } from './paint-water';
import type { PaintWorker } from './protocol';

const worker: PaintWorker = {
  paint(job) {
    const painted = paintWater(job);
    return Comlink.transfer(painted, [painted.rgba.buffer]);
  },
};
Comlink.expose(worker);
