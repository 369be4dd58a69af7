import { Agent, request as ask } from 'node:http';
import { expect, test } from './test';
import { createRandom } from '../core/grid/index';
import { bookOf } from './book-of';
import { OWN } from './page';

/** Ten thousand requests that no page of ours would send: none may end in a failure of the server, none may change the book. */
const COUNT = 10_000;
const AT_ONCE = 12;
const SEED = 20261126;

const PATHS = [
  '/api/v1/marks/a',
  '/api/v1/rises/a',
  '/api/v1/reads/a',
  '/api/v1/settings',
  '/api/v1/outings/a',
  '/api/v1/readings/a',
  '/api/v1/tries/a',
  '/api/v1/tries/a/events/b',
  '/api/v1/tries/table',
  '/api/v1/beats/a',
  '/api/v1/beats/sallow-steps/copy',
  '/api/v1/streams/a',
  '/api/v1/drafts/a',
  '/api/v1/photos/a',
  '/api/v1/flows/a',
  '/api/v1/solves',
  '/api/v1/book',
  '/api/v1/pair',
  '/api/v1/phones/a',
  '/api/v1/feed?after=x',
  '/b/nowhere/read',
  '/outings/nowhere',
];
const METHODS = ['GET', 'PUT', 'POST', 'PATCH', 'DELETE', 'OPTIONS', 'HEAD', 'TRACE'];
const VALUES: unknown[] = [
  null,
  true,
  -1,
  1e300,
  '',
  'x'.repeat(3000),
  '\u0000',
  [],
  {},
  [[[]]],
  { toString: 1 },
  '__proto__',
  NaN,
  '9'.repeat(40),
];
const KEYS = [
  'beatId',
  'xM',
  'code',
  'seq',
  'snapshot',
  'lines',
  'waterTempC',
  'file',
  '__proto__',
  'constructor',
  'methods',
  'outing',
  'events',
  'body',
];

function bodyFor(random: () => number): string {
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const kind = Math.floor(random() * 7);
  if (kind === 0) return '['.repeat(20_000) + ']'.repeat(20_000);
  if (kind === 1) return '{"a":'.repeat(3000) + '1' + '}'.repeat(3000);
  if (kind === 2) return '{"beatId": "a", ';
  if (kind === 3) return JSON.stringify(pick(VALUES) ?? null);
  const out: Record<string, unknown> = {};
  for (let n = 0; n < 1 + random() * 8; n++) out[pick(KEYS)] = pick(VALUES);
  return JSON.stringify(out);
}

test('ten thousand malformed requests: no failure of the server, nothing changed', async ({
  request,
}) => {
  const book = async () => JSON.stringify(await bookOf(request));
  const before = await book();
  const random = createRandom(SEED);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const agent = new Agent({ keepAlive: true, maxSockets: AT_ONCE });
  const failed: string[] = [];
  const seen = new Map<number, number>();
  const send = () =>
    new Promise<void>((resolve) => {
      const method = pick(METHODS);
      const path = pick(PATHS) + (random() < 0.1 ? '%E0%A4%A' : random() < 0.1 ? '?x=%00' : '');
      const body = method === 'GET' || method === 'HEAD' ? '' : bodyFor(random);
      const headers: Record<string, string> = {
        ...(random() < 0.9 && OWN),
        ...(random() < 0.9 && { 'content-type': 'application/json' }),
        ...(random() < 0.05 && { host: 'stranger.example' }),
        ...(random() < 0.05 && { cookie: 'pebble-lane-phone=nonsense' }),
        ...(body !== '' && { 'content-length': String(Buffer.byteLength(body)) }),
      };
      const sent = ask({
        host: '127.0.0.1',
        port: new URL(OWN.origin).port,
        method,
        path,
        headers,
        agent,
      });
      sent.on('response', (answer) => {
        const status = answer.statusCode ?? 0;
        seen.set(status, (seen.get(status) ?? 0) + 1);
        if (status >= 500) failed.push(`${status} ${method} ${path} ${body.slice(0, 80)}`);
        // A stream that goes on is not waited for.
        if (answer.headers['content-type'] === 'text/event-stream') answer.destroy();
        answer.resume();
        answer.on('close', resolve);
      });
      // A connection that is cut off half way is an answer too.
      sent.on('error', () => resolve());
      sent.end(body);
    });
  let left = COUNT;
  await Promise.all(
    Array.from({ length: AT_ONCE }, async () => {
      while (left-- > 0) await send();
    }),
  );
  agent.destroy();
  expect(failed.slice(0, 5)).toEqual([]);
  expect([...seen.values()].reduce((a, b) => a + b, 0)).toBeGreaterThan(0.9 * COUNT);
  expect((await request.get('/api/v1/health')).ok()).toBe(true);
  expect(await book()).toBe(before);
});
