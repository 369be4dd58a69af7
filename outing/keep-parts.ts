/** The keeper answers within this, ms: two megabytes over a slow network. */
const LATE_MS = 60_000;

/** Has the keeper take along all that the bank's pages are made of; fails where not all of it could be had. */
export async function keepParts(worker: ServiceWorker | null): Promise<void> {
  if (!worker) return;
  await new Promise<void>((resolve, reject) => {
    const channel = new MessageChannel();
    const late = setTimeout(() => reject(new Error('the page was not kept')), LATE_MS);
    channel.port1.onmessage = (event: MessageEvent<{ ok: boolean }>) => {
      clearTimeout(late);
      if (event.data.ok) resolve();
      else reject(new Error('the page was not kept'));
    };
    worker.postMessage('keep', [channel.port2]);
  });
}
