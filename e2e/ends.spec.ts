import { mkdtempSync } from 'node:fs';
import { request as ask } from 'node:http';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { startServer } from './server';

const freePort = () =>
  new Promise<number>((resolve) => {
    const s = createServer().listen(0, '127.0.0.1', () => {
      const { port } = s.address() as { port: number };
      s.close(() => resolve(port));
    });
  });

test('asked to end in the middle of a write: the write is kept and answered, then the book is closed', async ({
  request,
}) => {
  const folder = mkdtempSync(join(tmpdir(), 'pebble-ends-'));
  const port = await freePort();
  const server = await startServer(folder, port);
  const body = JSON.stringify({ startMs: 5, endMs: null, timeZone: 'UTC', note: 'last' });
  const sent = ask({
    host: '127.0.0.1',
    port,
    method: 'PUT',
    path: '/api/v1/outings/last',
    headers: {
      origin: server.url,
      'content-type': 'application/json',
      'content-length': String(Buffer.byteLength(body)),
    },
  });
  const answered = new Promise<number>((resolve, reject) => {
    sent.on('response', (r) => {
      r.resume();
      resolve(r.statusCode!);
    });
    sent.on('error', reject);
  });
  sent.write(body.slice(0, 20));
  await new Promise((r) => setTimeout(r, 400));
  const ended = server.stop();
  await new Promise((r) => setTimeout(r, 400));
  sent.end(body.slice(20));
  expect(await answered).toBe(200);
  await ended;
  expect(server.printed()).toContain('the book is closed');

  const again = await startServer(folder, port);
  const bank = (await (await request.get(`${again.url}/api/v1/bank`)).json()) as {
    log: { outings: { note: string }[] };
  };
  expect(bank.log.outings.map((o) => o.note)).toEqual(['last']);
  // A page of somebody else that sends to this machine is turned away.
  for (const [headers, status] of [
    [{ origin: 'https://stranger.example' }, 403],
    [{ origin: again.url, 'content-type': 'text/plain' }, 415],
  ] as const) {
    const refused = await request.put(`${again.url}/api/v1/settings`, {
      headers,
      data: '{"units":"us"}',
    });
    expect(refused.status()).toBe(status);
  }
  await again.stop();
});
