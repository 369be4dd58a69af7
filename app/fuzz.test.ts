/** @jest-environment node */
import { join } from 'node:path';
import { createRandom } from '../core/grid/index';
import { startFreshBook } from '../store/fixtures/books';
import { closeBook, TABLES, underRequest } from '../services/index';
import { ask } from './fixtures/dispatch.server';
import { validRequests, type Valid } from './fixtures/valid-bodies';

/**
 * Requests that begin as ones of our pages and are bent in one to three places: none may end
 * in a failure of the server, and after each hundred everything that the book shows must open. On both engines.
 */
const SEED = 20261201;
/** A run of the checks tries some; PEBBLE_FUZZ=10000 all of them (docs/validation.md). */
const COUNT = Number(process.env.PEBBLE_FUZZ ?? 2_000);
const LOOK_EVERY = 100;

startFreshBook('pebble-fuzz-');
afterAll(closeBook);

const ODD: unknown[] = [
  null,
  true,
  -1,
  0,
  1e300,
  9e15,
  -9e15,
  0.5,
  '',
  'x'.repeat(3000),
  '\u0000',
  'e\u0301\u202e',
  [],
  {},
  [[[]]],
  { toString: 1 },
  { length: 1e9 },
  '__proto__',
  '9'.repeat(40),
  'up',
  'NaN',
  '2026-13-45',
  [null],
  { id: 'x' },
  'Nowhere/At',
];

type Bag = Record<string, unknown>;
const isBag = (v: unknown): v is Bag => typeof v === 'object' && v !== null;

/** A copy with one to three places bent: another value, a part gone, a part that nobody asked for. */
function bent(body: object, random: () => number): unknown {
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const root = { body: structuredClone(body) as unknown };
  for (let n = 1 + Math.floor(random() * 3); n > 0; n--) {
    let at: Bag = root;
    let key = 'body';
    while (isBag(at[key]) && Object.keys(at[key] as object).length > 0 && random() < 0.8) {
      at = at[key] as Bag;
      key = pick(Object.keys(at as object));
    }
    const how = random();
    if (how < 0.7) at[key] = pick(ODD);
    else if (how < 0.85) delete at[key];
    else at[pick(['extra', '__proto__x', 'was', 'id', 'constructor'])] = pick(ODD);
  }
  return root.body;
}

/** Everything that is shown of the book, as it is asked for. */
const LOOKS = [
  '/bank',
  '/day?date=2026-06-13&zone=Etc/GMT-2',
  '/health',
  '/learn?of=book&beat=b',
  '/learn/record',
  '/tries',
  '/solves',
  '/beats/b/file?frame=plan',
  '/outings/o/tries.csv',
  '/book',
  ...TABLES.map((t) => `/tables/${t}.csv`),
  '/tables/places.geojson',
  '/tables/places.gpx',
];
const PAGES: [string, object, object][] = [
  ['page.tsx', {}, {}],
  ['outings/page.tsx', {}, {}],
  ['outings/[id]/page.tsx', { id: 'o' }, {}],
  ['outings/log/page.tsx', {}, {}],
  ['settings/page.tsx', {}, {}],
  ['read/page.tsx', {}, {}],
  ['phones/page.tsx', {}, {}],
  ['b/[id]/[step]/page.tsx', { id: 'b', step: 'read' }, {}],
  ['make/[way]/[id]/page.tsx', { way: 'sketch', id: 'd1' }, {}],
];

async function everythingOpens(): Promise<string[]> {
  const broken: string[] = [];
  for (const url of LOOKS) {
    const answer = await ask('GET', url).catch(
      (error: unknown) => new Response(String(error), { status: 599 }),
    );
    await answer.arrayBuffer();
    if (answer.status !== 200) broken.push(`${answer.status} ${url}`);
  }
  for (const [file, params, query] of PAGES) {
    const { default: page } = (await import(join(__dirname, file))) as {
      default: (p: object) => unknown;
    };
    const props = { params: Promise.resolve(params), searchParams: Promise.resolve(query) };
    await underRequest({ name: file, visitor: 'machine' }, async () => page(props)).catch(
      (error: { digest?: string; message: string }) => {
        if (!error.digest?.startsWith('NEXT_HTTP_ERROR_FALLBACK;404'))
          broken.push(`${file}: ${error.message}`);
      },
    );
  }
  return broken;
}

it('what the pages send is taken, every kind of it', async () => {
  const refused: string[] = [];
  for (const { method, path, body } of validRequests(1)) {
    const answer = await ask(method, path, body);
    // The record of an empty book has not been worked out.
    const isNothingYet = path === '/learn/record' && answer.status === 404;
    if (!answer.ok && !isNothingYet)
      refused.push(`${answer.status} ${method} ${path} ${await answer.text()}`);
  }
  expect(refused).toEqual([]);
  expect(await everythingOpens()).toEqual([]);
});

it(`${COUNT} bent requests: none is a failure of the server, and everything opens after each hundred`, async () => {
  const random = createRandom(SEED);
  const quiet = jest.spyOn(console, 'error').mockImplementation(() => {});
  const failed: string[] = [];
  const seen = { taken: 0, refused: 0 };
  for (let n = 2; n < COUNT + 2; n++) {
    const all: Valid[] = validRequests(1 + (n % 7));
    const { method, path, body } = all[Math.floor(random() * all.length)]!;
    const told = body && random() < 0.95 ? bent(body, random) : body;
    const answer = await ask(method, path, told);
    if (answer.status >= 500)
      failed.push(`${answer.status} ${method} ${path} ${JSON.stringify(told)}`);
    if (answer.ok) seen.taken++;
    else seen.refused++;
    await answer.arrayBuffer();
    if (n % LOOK_EVERY === 0)
      failed.push(...(await everythingOpens()).map((b) => `after ${n}: ${b}`));
    if (failed.length > 5) break;
  }
  quiet.mockRestore();
  expect(failed).toEqual([]);
  // Both happened often enough to mean something.
  expect(seen.taken).toBeGreaterThan(COUNT / 50);
  expect(seen.refused).toBeGreaterThan(COUNT / 4);
}, 600_000);
