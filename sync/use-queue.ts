'use client';

import { useSyncExternalStore } from 'react';
import { pageQueue } from './page-queue';
import { QUIET, type QueueReport } from './queue';

/** How the line to the server stands. */
export function useQueueReport(): QueueReport {
  const queue = pageQueue();
  return useSyncExternalStore(queue.subscribe, queue.get, () => QUIET);
}
