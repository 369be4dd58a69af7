/// <reference lib="webworker" />
import { CacheFirst, NetworkFirst, Serwist, type RouteMatchCallbackOptions } from 'serwist';

/**
 * Keeps the bank's pages on the device, so that they open without a network: the outing and the
 * quick read, and whatever they are made of. Nothing of the book passes through here.
 */
declare const self: ServiceWorkerGlobalScope;

const PAGES = 'pebble-lane-pages';
const PARTS = 'pebble-lane-parts';
/** Pages that open without a network. */
const KEPT = ['/outing', '/read'];
/** Stands in the cache once everything was kept. */
const KEPT_WHOLE = '/kept-whole';
/** Until the kept page is shown instead, s. */
const PATIENCE_S = 2;

const isPage = ({ request, url }: RouteMatchCallbackOptions) =>
  request.mode === 'navigate' && KEPT.includes(url.pathname);
const isPart = ({ url, sameOrigin }: RouteMatchCallbackOptions) =>
  sameOrigin &&
  (url.pathname.startsWith('/_next/static/') || /^\/(icon|apple-icon|manifest)/.test(url.pathname));

/** A way in that leads elsewhere (not paired any more) must not stand for the page. */
const whole = {
  cacheWillUpdate: async ({ response }: { response: Response }) =>
    response.status === 200 && !response.redirected ? response : null,
};
/** A worker's script from a cache must not carry the cache's own address: it would lose its fragment. */
const asOwn = {
  handlerWillRespond: async ({ request, response }: { request: Request; response: Response }) =>
    request.destination === 'worker'
      ? new Response(response.body, { status: response.status, headers: response.headers })
      : response,
};

const keeper = new Serwist({
  skipWaiting: true,
  clientsClaim: true,
  navigationPreload: false,
  runtimeCaching: [
    {
      matcher: isPage,
      handler: new NetworkFirst({
        cacheName: PAGES,
        networkTimeoutSeconds: PATIENCE_S,
        plugins: [whole],
        matchOptions: { ignoreSearch: true, ignoreVary: true },
      }),
    },
    {
      matcher: isPart,
      handler: new CacheFirst({ cacheName: PARTS, plugins: [whole, asOwn] }),
    },
  ],
});
keeper.addEventListeners();

/** A page hands over what it is made of; it is answered once all of it is kept. */
self.addEventListener('message', (event) => {
  const { keep } = (event.data ?? {}) as { keep?: string[] };
  const port = event.ports[0];
  if (!keep || !port) return;
  event.waitUntil(
    keepAll(keep).then(
      () => port.postMessage({ ok: true }),
      () => port.postMessage({ ok: false }),
    ),
  );
});

async function keepAll(paths: readonly string[]): Promise<void> {
  const [pages, parts] = await Promise.all([caches.open(PAGES), caches.open(PARTS)]);
  for (const path of paths) {
    const isOfPages = KEPT.includes(path);
    if (!isOfPages && (await parts.match(path))) continue;
    const response = await fetch(path);
    if (!response.ok || response.redirected) throw new Error(`${path}: ${response.status}`);
    if (isOfPages) await keepPartsOf(response.clone(), parts);
    await (isOfPages ? pages : parts).put(path, response);
  }
  // From now on the page may say that it opens without a network.
  await pages.put(KEPT_WHOLE, new Response(''));
}

/** Scripts, sheets and fonts that a page names. */
async function keepPartsOf(page: Response, parts: Cache): Promise<void> {
  const named = new Set((await page.text()).match(/\/_next\/static\/[^"'\\\s)>]+/g) ?? []);
  for (const path of named) {
    if (await parts.match(path)) continue;
    const response = await fetch(path);
    if (response.ok) await parts.put(path, response);
  }
}
