import { parentPort, workerData } from 'node:worker_threads';
import {
  depthsBySeason,
  judged,
  refitSink,
  refitted,
  RESTS_ON,
  type FeltWater,
  type Refit,
  type TryFact,
} from '../core/learn/index';
import type { Priors } from '../core/log/index';
import type { Tackle } from '../core/rig/index';

/** What the record is refitted from. */
export interface RefitOrder {
  facts: TryFact[];
  waters: FeltWater[];
  tackle: Pick<Tackle, 'box'>;
}
export interface RefitDone {
  refits: Refit[];
  beds: Priors['beds'];
  depth: Priors['depth'];
}

const { facts, waters, tackle } = workerData as RefitOrder;
const { refits, beds } = refitSink(waters, tackle, facts.filter(RESTS_ON.sink));
const done: RefitDone = {
  refits: judged([...refitted(facts), ...refits]),
  beds,
  depth: depthsBySeason(facts),
};
parentPort!.postMessage(done);
