// What the pages of the bank are made of, read off a build: the keeper (sync/keeper/sw.ts) takes all of it
// along, so that nothing has to be fetched where there is no network, however a page is used.
import { readdirSync, readFileSync } from 'node:fs';
import { basename, join } from 'node:path';

/** Pages that open without a network; `outing` and `read` below `app/`. */
export const PAGES = ['outing', 'read'];

/**
 * Every file of `.next/static` that can be reached from these pages, as a path of the address: what the
 * build names for the page, then whatever those name, and so on. A script names another by its path
 * as text, whether it loads it at once, later, or in a worker; a sheet names its fonts.
 */
export function partsOf(build, pages = PAGES) {
  const root = join(build, 'static');
  const files = new Map(
    readdirSync(root, { recursive: true, withFileTypes: true })
      .filter((e) => e.isFile() && !e.name.endsWith('.map'))
      .map((e) => [e.name, join(e.parentPath, e.name)]),
  );
  const named = (text) =>
    [...text.matchAll(/[\w.~-]+\.(?:js|css|woff2?|wasm|json|png|svg)\b/g)]
      .map((m) => m[0])
      .filter((name) => files.has(name));
  const text = (path) => readFileSync(path, 'utf8');
  const found = new Set(
    [
      join(build, 'build-manifest.json'),
      ...pages.map((p) => join(build, `server/app/${p}/page_client-reference-manifest.js`)),
    ].flatMap((path) => named(text(path))),
  );
  // A set gives what is added while it is walked.
  for (const name of found)
    if (/\.(js|css)$/.test(name)) for (const next of named(text(files.get(name)))) found.add(next);
  return [...found]
    .map((name) => `/_next/static${files.get(name).slice(root.length)}`)
    .sort((a, b) => basename(a).localeCompare(basename(b)));
}
