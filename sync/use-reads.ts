'use client';

import { useState } from 'react';
import type { KeptRead } from '../core/log/index';
import { changes } from './client';
import { pageQueue } from './page-queue';

/** Quick reads of the book and of this device: shown at once, kept by the queue. */
export function useReads(fromBook: readonly KeptRead[]) {
  const [reads, setReads] = useState(fromBook);
  return {
    reads,
    add(read: KeptRead) {
      setReads((now) => [read, ...now]);
      void pageQueue().post(changes.putRead(read));
    },
    replace(read: KeptRead) {
      const before = reads.find((r) => r.id === read.id);
      setReads((now) => now.map((r) => (r.id === read.id ? read : r)));
      void pageQueue().post(changes.putRead(read, before));
    },
    drop(id: string) {
      setReads((now) => now.filter((r) => r.id !== id));
      void pageQueue().post(changes.dropRead(id));
    },
  };
}
