import { parentPort, workerData } from 'node:worker_threads';
import type { BeatPlan } from '../core/formats/index';
import { createFlowRun, encodeFlow } from '../core/water/index';

/** What the server's solver hands to a thread, and what comes back. */
export interface SolveOrder {
  plan: BeatPlan;
  dischargeM3s: number;
  cellM: number;
}
export type SolveNews =
  { kind: 'progress'; progress: number } | { kind: 'done'; blob: Uint8Array; status: string };

/** Between two reports, ms. */
const REPORT_MS = 250;

const order = workerData as SolveOrder;
const run = createFlowRun(order.plan, { dischargeM3s: order.dischargeM3s, cellM: order.cellM });
while (!run.advance(REPORT_MS)) tell({ kind: 'progress', progress: run.progress });
const flow = run.result();
tell({ kind: 'done', blob: encodeFlow(flow), status: flow.status });

function tell(news: SolveNews): void {
  parentPort!.postMessage(news);
}
