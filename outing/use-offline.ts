'use client';

import { useEffect, useState } from 'react';

export type Offline =
  | 'asking'
  /** The page opens without a network. */
  | 'ready'
  /** The browser does not trust the address, or keeps no pages: logging is off without a network. */
  | 'denied';

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

/** Parts that came just after the page are handed over too: the keeper may not have seen them come. */
async function keepParts(worker: ServiceWorker | null): Promise<void> {
  await Promise.all([
    import('./water-picture'),
    import('./try-view'),
    import('./take-view'),
    import('./readings-view'),
    import('./tries-view'),
    import('./places-view'),
    import('./landed'),
    import('./not-taken-here'),
    import('./now-foot'),
  ]);
  const paths = performance
    .getEntriesByType('resource')
    .map((e) => new URL(e.name))
    .filter((u) => u.origin === window.location.origin && u.pathname.startsWith('/_next/static/'))
    .map((u) => u.pathname);
  if (!worker) return;
  await new Promise<void>((resolve, reject) => {
    const channel = new MessageChannel();
    const late = setTimeout(() => reject(new Error('the page was not kept')), 20_000);
    channel.port1.onmessage = (event: MessageEvent<{ ok: boolean }>) => {
      clearTimeout(late);
      if (event.data.ok) resolve();
      else reject(new Error('the page was not kept'));
    };
    worker.postMessage({ keep: ['/outing', ...new Set(paths)] }, [channel.port2]);
  });
}
