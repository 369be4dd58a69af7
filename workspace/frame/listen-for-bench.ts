import { valueOf } from '../state/answer';
import type { WorkspaceStore } from '../state/store';

/** Times kept. */
const MOST_TIMES = 400;

/**
 * For the bench, from outside: how long each drift took from asking to having it, newest last, ms, under
 * `window.pebbleLane`. What a drag feels; the state itself keeps none of it. Gives the way to stop.
 */
export function listenForBench(store: WorkspaceStore): () => void {
  const times: number[] = [];
  (window as { pebbleLane?: unknown }).pebbleLane = { answerMs: () => [...times] };
  let last = valueOf(store.getState(), 'drift');
  return store.subscribe((s) => {
    const drift = valueOf(s, 'drift');
    if (drift === last) return;
    last = drift;
    if (!drift) return;
    times.push(drift.ms);
    if (times.length > MOST_TIMES) times.shift();
  });
}
