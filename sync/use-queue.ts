'use client';

import { useSyncExternalStore } from 'react';
import { pageQueue } from './page-queue';
import { QUIET, type QueueReport } from './queue';

/** How the line to the book stands, and what can be done about what was not taken. */
export function useQueue(): QueueReport &
  Pick<ReturnType<typeof pageQueue>, 'sendAgain' | 'throwAway'> {
  const queue = pageQueue();
  const report = useSyncExternalStore(queue.subscribe, queue.get, () => QUIET);
  return { ...report, sendAgain: queue.sendAgain, throwAway: queue.throwAway };
}
