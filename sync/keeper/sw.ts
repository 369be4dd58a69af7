/// <reference lib="webworker" />
import { CacheFirst, NetworkFirst, Serwist, type RouteMatchCallbackOptions } from 'serwist';

/**
 * Keeps the bank's pages on the device, so that they open without a network: the outing and the
 * quick read, and all that they can ever be made of. What that is, the build itself says
 * (`/kept-parts.json`, by `scripts/kept-parts.mjs`). A page of a newer build takes the place of the kept one
 * only once every part of it is kept, so that at each moment one whole build is on the device.
 */
declare const self: ServiceWorkerGlobalScope;

const PAGES = 'pebble-lane-pages';
const PARTS = 'pebble-lane-parts';
const LIST = '/kept-parts.json';
/** Stands in the cache once everything of a build was kept, and holds its list. */
const KEPT_WHOLE = '/kept-whole';
/** Until the kept page is shown instead, s. */
const PATIENCE_S = 2;
/** Parts that are fetched at a time. */
const AT_ONCE = 6;

interface Kept {
  build: string;
  /** Paths of pages, and of all that they are made of. */
  pages: string[];
  parts: string[];
}

const keptNow = async (): Promise<Kept | null> =>
  ((await (await caches.open(PAGES)).match(KEPT_WHOLE))?.json() as Promise<Kept> | undefined) ??
  null;

/** Scripts, sheets and fonts that a page names. */
const namedBy = async (page: Response): Promise<string[]> => [
  ...new Set((await page.text()).match(/\/_next\/static\/[\w./~-]+\.\w+/g) ?? []),
];
const isOf = async (page: Response, { parts }: Kept): Promise<boolean> =>
  (await namedBy(page)).every((path) => parts.includes(path));

/** A way in that leads elsewhere (not paired any more) must not stand for the page. */
const isWhole = (response: Response) => response.status === 200 && !response.redirected;
const whole = {
  cacheWillUpdate: async ({ response }: { response: Response }) =>
    isWhole(response) ? response : null,
};
/** A page that was fetched anew is kept only where it is of the build whose parts are kept. */
const ofKeptBuild = {
  cacheWillUpdate: async ({ response }: { response: Response }) => {
    const kept = await keptNow();
    return kept && isWhole(response) && (await isOf(response.clone(), kept)) ? response : null;
  },
};
/** A worker's script from a cache must not carry the cache's own address: it would lose its fragment. */
const asOwn = {
  handlerWillRespond: async ({ request, response }: { request: Request; response: Response }) =>
    request.destination === 'worker'
      ? new Response(response.body, { status: response.status, headers: response.headers })
      : response,
};

const isPage = ({ request, url }: RouteMatchCallbackOptions) =>
  request.mode === 'navigate' && ['/outing', '/read'].includes(url.pathname);
const isPart = ({ url, sameOrigin }: RouteMatchCallbackOptions) =>
  sameOrigin &&
  (url.pathname.startsWith('/_next/static/') || /^\/(icon|apple-icon|manifest)/.test(url.pathname));

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
        plugins: [ofKeptBuild],
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

/** A page asks that all of the build be kept; it is answered once it is. */
self.addEventListener('message', (event) => {
  const port = event.ports[0];
  if (event.data !== 'keep' || !port) return;
  event.waitUntil(
    keepAll().then(
      () => port.postMessage({ ok: true }),
      () => port.postMessage({ ok: false }),
    ),
  );
});

async function keepAll(): Promise<void> {
  const [pages, parts] = await Promise.all([caches.open(PAGES), caches.open(PARTS)]);
  const before = await keptNow();
  const list = (await (await fetched(LIST, 'no-store')).json()) as Kept;
  const missing: string[] = [];
  for (const path of list.parts) if (!(await parts.match(path))) missing.push(path);
  const fetchSome = async () => {
    for (let path = missing.pop(); path !== undefined; path = missing.pop())
      await parts.put(path, await fetched(path));
  };
  await Promise.all(Array.from({ length: AT_ONCE }, fetchSome));
  const shown = await Promise.all(list.pages.map((path) => fetched(path, 'no-store')));
  for (const page of shown)
    if (!(await isOf(page.clone(), list)))
      throw new Error('The server was given a new build meanwhile.');
  await Promise.all(shown.map((page, i) => pages.put(list.pages[i]!, page)));
  // From now on the page may say that it opens without a network.
  await pages.put(KEPT_WHOLE, Response.json(list));
  // A page of the build before may still be open.
  const used = new Set([...list.parts, ...(before?.parts ?? [])]);
  for (const { url } of await parts.keys()) {
    const { pathname } = new URL(url);
    if (pathname.startsWith('/_next/') && !used.has(pathname)) await parts.delete(url);
  }
}

async function fetched(path: string, cache?: RequestCache): Promise<Response> {
  const response = await fetch(path, cache && { cache });
  if (!isWhole(response)) throw new Error(`${path}: ${response.status}`);
  return response;
}
