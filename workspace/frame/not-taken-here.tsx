'use client';

import type { useQueue } from '../../sync/use-queue';
import { NotTaken } from '../../ui/not-taken';
import { notTakenProps } from '../../words/queue-words';

/** What the book would not take: fetched just after the page. */
export function NotTakenHere({ queue }: { queue: ReturnType<typeof useQueue> }) {
  return <NotTaken {...notTakenProps(queue)} />;
}
