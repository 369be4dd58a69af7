import { parentPort, workerData } from 'node:worker_threads';
import { packBeat, type BeatPack, type PackOrder } from '../core/outing/index';

/** What comes back from the thread that works a beat out for the bank. */
export type PackNews = { kind: 'progress'; progress: number } | { kind: 'done'; pack: BeatPack };

/** Between two reports, ms. */
const REPORT_MS = 200;

let said = 0;
const pack = packBeat(workerData as PackOrder, (progress) => {
  const now = performance.now();
  if (now - said < REPORT_MS) return;
  said = now;
  tell({ kind: 'progress', progress });
});
tell({ kind: 'done', pack });

function tell(news: PackNews): void {
  parentPort!.postMessage(news);
}
