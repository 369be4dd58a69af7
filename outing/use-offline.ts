'use client';

import { useEffect, useState } from 'react';
import type { Offline } from './offline';

/** Keeps the outing's page on the device, so that it opens without a network. */
export function useOffline(): Offline {
  const [state, setState] = useState<Offline>('asking');
  useEffect(() => {
    const keeper = navigator.serviceWorker;
    if (!keeper) {
      setState('denied');
      return;
    }
    let gone = false;
    const settle = async () => {
      await keeper.register('/sw.js');
      const { active } = await keeper.ready;
      const { keepParts } = await import('./keep-parts');
      await keepParts(active);
      if (!gone) setState('ready');
    };
    settle().catch(async () => {
      // Without a network nothing new is kept; what was kept before still opens.
      const kept = await caches.match('/kept-whole').catch(() => undefined);
      if (!gone) setState(kept && keeper.controller ? 'ready' : 'denied');
    });
    return () => {
      gone = true;
    };
  }, []);
  return state;
}
