/** Parts that came just after the page are handed over too: the keeper may not have seen them come. */
export async function keepParts(worker: ServiceWorker | null): Promise<void> {
  await Promise.all([
    import('./now-plan'),
    import('./try-view'),
    import('./take-view'),
    import('./readings-view'),
    import('./tries-view'),
    import('./places-view'),
    import('./landed'),
    import('./not-taken-here'),
    import('./now-foot'),
    import('./next-words'),
    import('./route-line'),
    import('./day-strip'),
    import('./water-day'),
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
