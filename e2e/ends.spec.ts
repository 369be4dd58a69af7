import { mkdtempSync } from 'node:fs';
import { request as ask } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test, type APIRequestContext } from './test';
import { freePort } from './free-port';
import { startServer } from './server';

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
      // It answers that it has begun to listen.
      expect: '100-continue',
    },
  });
  const answered = new Promise<number>((resolve, reject) => {
    sent.on('response', (r) => {
      r.resume();
      resolve(r.statusCode!);
    });
    sent.on('error', reject);
  });
  const heard = new Promise((resolve) => sent.once('continue', resolve));
  sent.write(body.slice(0, 20));
  await heard;
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

test('killed outright three times during a thousand writes: all that was acknowledged is there, once', async ({
  request,
}) => {
  const folder = mkdtempSync(join(tmpdir(), 'pebble-killed-'));
  const port = await freePort();
  let server = await startServer(folder, port);
  const headers = { origin: server.url };
  const put = (path: string, data: object) =>
    request.put(`http://127.0.0.1:${port}/api/v1${path}`, { headers, data }).then(
      (r) => r.ok(),
      () => false,
    );
  const outing = { id: 'o', startMs: 1, endMs: null, timeZone: 'UTC', note: '' };
  const attempt = { beatId: null, markId: null, fly: '', openedMs: 1, zoneOffsetMin: 0 };
  expect(await put('/tries/t', { ...attempt, outing, snapshot: {} })).toBe(true);
  const kills = [230, 470, 810];
  const press = (n: number) =>
    put(`/tries/t/events/e${n}`, {
      device: 'd',
      seq: n,
      code: 'cast',
      clientMs: n,
      zoneOffsetMin: 0,
    });
  const held: number[] = [];
  let waiting: number[] = [];
  for (let n = 1; n <= 1000; n++) {
    if (n === kills[0]) {
      kills.shift();
      // The next few are on their way while it dies.
      const onTheirWay = [n, n + 1, n + 2, n + 3];
      const sent = onTheirWay.map(press);
      server.signal('SIGKILL');
      (await Promise.all(sent)).forEach((ok, i) =>
        ok ? held.push(onTheirWay[i]!) : waiting.push(onTheirWay[i]!),
      );
      server = await startServer(folder, port);
      const { events } = await logOf(request, port);
      expect(held.filter((h) => !events.includes(`e${h}`))).toEqual([]);
      for (const again of waiting) expect(await press(again)).toBe(true);
      held.push(...waiting);
      waiting = [];
      n += 3;
    } else {
      expect(await press(n)).toBe(true);
      held.push(n);
    }
  }
  const { events } = await logOf(request, port);
  expect(events).toHaveLength(1000);
  expect(new Set(events).size).toBe(1000);
  await server.stop();
});

async function logOf(request: APIRequestContext, port: number): Promise<{ events: string[] }> {
  const bank = (await (await request.get(`http://127.0.0.1:${port}/api/v1/bank`)).json()) as {
    log: { tries: { events: { id: string }[] }[] };
  };
  return { events: bank.log.tries[0]!.events.map((e) => e.id) };
}
