import * as Comlink from 'comlink';
import { rateLies } from '../core/lies/index';
import type { ReadWorker } from './protocol';

const worker: ReadWorker = { rate: (plan, flow, options) => rateLies(plan, flow, options) };
Comlink.expose(worker);
