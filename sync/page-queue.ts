import { sendQueued } from './client';
import { createQueue, QUIET, type Queue, type QueueReport, type WithLock } from './queue';
import { openQueueDb } from './queue-store';

/** The queue as a page holds it: what is posted, how it stands, and who listens. */
export interface PageQueue extends Pick<
  Queue,
  | 'post'
  | 'flush'
  | 'sendWhatIsMissing'
  | 'sendAgain'
  | 'throwAway'
  | 'wouldLose'
  | 'journal'
  | 'forget'
> {
  get(): QueueReport;
  subscribe(listener: () => void): () => void;
}

const LOCK = 'pebble-lane.sender';
const CHANNEL = 'pebble-lane.queue';

/**
 * One sender over all pages of this device. Browsers grant locks to secure pages only (https, or this
 * machine itself): elsewhere each page sends for itself, which repeats at worst, since every request
 * carries its own id.
 */
const withLock: WithLock = (work) =>
  navigator.locks ? navigator.locks.request(LOCK, work).then(() => undefined) : work();

let made: PageQueue | null = null;

/** The page's own queue, made at the first use. On the server there is nothing to send. */
export function pageQueue(): PageQueue {
  made ??= typeof window === 'undefined' ? NO_QUEUE : createPageQueue();
  return made;
}

const NO_QUEUE: PageQueue = {
  post: async () => false,
  journal: async () => [],
  forget: async () => {},
  flush: async () => {},
  sendWhatIsMissing: async () => {},
  sendAgain: async () => {},
  throwAway: async () => {},
  wouldLose: () => false,
  get: () => QUIET,
  subscribe: () => () => {},
};

function createPageQueue(): PageQueue {
  let report = QUIET;
  const listeners = new Set<() => void>();
  const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(CHANNEL);
  const queue = createQueue({
    open: openQueueDb,
    sentLog: () => import('./sent-log').then((m) => m.createSentLog()),
    nowMs: Date.now,
    send: sendQueued,
    withLock,
    announce: () => channel?.postMessage('changed'),
    report(next) {
      report = next;
      for (const listener of [...listeners]) listener();
    },
  });
  if (channel) channel.onmessage = () => void queue.lookAgain();
  const wake = () => void queue.flush().then(queue.sendWhatIsMissing);
  window.addEventListener('online', wake);
  document.addEventListener('visibilitychange', () => {
    if (document.visibilityState === 'visible') wake();
  });
  window.addEventListener('beforeunload', (event) => {
    if (queue.wouldLose()) event.preventDefault();
  });
  wake();
  return {
    ...queue,
    get: () => report,
    subscribe(listener) {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
  };
}
