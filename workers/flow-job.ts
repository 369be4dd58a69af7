import type { FlowRun, FlowField } from '../core/water/index';

/** A turn of work between looks at the mailbox, ms: a cancel acts within it. */
export const TURN_MS = 40;

export interface FlowJobEvents {
  onProgress(fraction: number): void;
  onCoarse(flow: FlowField): void;
}

/**
 * Runs a solve in turns, giving way between them. null when `cancelled` says so: no step is taken
 * after that.
 */
export async function runFlowJob(
  run: FlowRun,
  events: FlowJobEvents,
  cancelled: () => boolean,
  giveWay: () => Promise<void>,
): Promise<FlowField | null> {
  let shown = false;
  for (;;) {
    if (cancelled()) return null;
    if (run.advance(TURN_MS)) return run.result();
    events.onProgress(run.progress);
    const coarse = run.coarse();
    if (coarse && !shown) {
      shown = true;
      events.onCoarse(coarse);
    }
    await giveWay();
  }
}

/** A run as far as its first picture. null when `cancelled` says so, or where nothing settles at all. */
export async function firstPicture(
  run: FlowRun,
  cancelled: () => boolean,
  giveWay: () => Promise<void>,
): Promise<FlowField | null> {
  for (;;) {
    if (cancelled()) return null;
    const done = run.advance(TURN_MS);
    const coarse = run.coarse();
    if (coarse || done) return coarse;
    await giveWay();
  }
}
