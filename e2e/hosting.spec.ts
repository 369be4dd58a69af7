import { execFileSync, type ChildProcess } from 'node:child_process';
import { chmodSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { createServer, request, type Server } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from './test';
import { newCluster, type Cluster } from '../store/fixtures/cluster';
import { freePort } from './free-port';
import { packedApp, startPacked } from './packed';
import { startServer, type Started } from './server';

test.describe('packed', () => {
  const folder = mkdtempSync(join(tmpdir(), 'pebble-packed-'));
  let running: ChildProcess;
  test.afterAll(() => {
    running?.kill();
    rmSync(folder, { recursive: true, force: true });
  });

  test('what is packed runs elsewhere, with its own packages alone: pages, the book, threads', async ({
    page,
  }) => {
    const app = packedApp();
    const port = await freePort();
    running = await startPacked(app, port, {
      PEBBLE_LANE_DATA: join(folder, 'data'),
      PEBBLE_BACKUP: join(folder, 'backups'),
    });
    const url = `http://127.0.0.1:${port}`;
    // It looks for four seconds, and a program that has just begun may take longer: it is asked again.
    await expect(() => {
      const env = { NODE_ENV: 'production', PORT: String(port) } as const;
      execFileSync(process.execPath, [join(app, 'healthy.mjs')], { env });
    }).toPass();
    await page.goto(`${url}/b/kettle-slot/read`);
    await expect(page.getByRole('heading', { name: /Sallow Steps|Kettle/ }).first()).toBeVisible();
    // A water that is solved on the server is solved in a thread, from the packed files.
    await expect
      .poll(async () => {
        const jobs = (await (await page.request.get(`${url}/api/v1/solves`)).json()) as {
          state: string;
          progress: number;
        }[];
        return jobs.some((j) => j.state === 'done' || j.progress > 0);
      })
      .toBe(true);
    // Backed up by itself, as it was told to be.
    await expect.poll(() => readdirSync(join(folder, 'backups')).length).toBe(1);
  });
});

test('what is told wrong is refused at the start, in a sentence that names it, without its password', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'pebble-wrong-'));
  const said = async (env: Record<string, string>) =>
    startServer(folder, await freePort(), { env }).then(
      () => 'started',
      (error: Error) => error.message,
    );
  const mysql = await said({ DATABASE_URL: 'mysql://pebble:geheim@db/pebble' });
  expect(mysql).toContain('DATABASE_URL is "mysql://pebble:…@db/pebble"; it must begin with');
  expect(mysql).not.toContain('geheim');
  expect(await said({ PEBBLE_PUBLIC: 'book.example' })).toContain(
    'PEBBLE_PUBLIC is "book.example"',
  );
  expect(await said({ PEBBLE_BACKUP: folder, PEBBLE_BACKUP_HOURS: '0' })).toContain(
    'PEBBLE_BACKUP_HOURS is "0"; it must be a number from 1 to 168.',
  );
});

test.describe('a club: two servers on one PostgreSQL, behind a proxy', () => {
  const folder = mkdtempSync(join(tmpdir(), 'pebble-club-'));
  let cluster: Cluster;
  let proxy: Server;
  let ports: number[];
  let servers: Started[] = [];
  let outside: string;
  /** Which server is asked: each in turn, unless one is named. */
  let turn = 0;
  let only: number | null = null;

  test.beforeAll(async () => {
    // The database's own user passes through it.
    chmodSync(folder, 0o755);
    cluster = await newCluster(join(folder, 'pg'));
    cluster.sql('create database club');
    const [front, ...behind] = await Promise.all([freePort(), freePort(), freePort()]);
    ports = behind;
    outside = `http://localhost:${front}`;
    proxy = createServer((from, to) => {
      const port = ports[only ?? turn++ % 2]!;
      const { method, headers } = from;
      const forwarded = { ...headers, 'x-forwarded-for': from.socket.remoteAddress ?? '' };
      const on = request(
        { host: '127.0.0.1', port, method, path: from.url, headers: forwarded },
        (r) => {
          to.writeHead(r.statusCode!, r.headers);
          r.pipe(to);
        },
      );
      on.on('error', () => to.writeHead(502).end());
      from.pipe(on);
    }).listen(front, 'localhost');
    const env = { DATABASE_URL: cluster.url('club'), PEBBLE_PUBLIC: outside };
    servers = await Promise.all(
      ports.map((port) => startServer(join(folder, String(port)), port, { env })),
    );
  });
  test.afterAll(async () => {
    for (const s of servers) await s.stop();
    proxy?.closeAllConnections();
    proxy?.close();
    await cluster?.stop();
    rmSync(folder, { recursive: true, force: true });
  });

  test('the code that one shows is taken by the other, once; what one keeps the other tells', async ({
    page,
  }) => {
    await page.goto(`${outside}/`);
    await expect(page).toHaveURL(/\/pair$/);
    const code = /Pairing code: ([\d ]+)/.exec(servers[0]!.printed())![1]!;
    only = 1;
    await page.getByLabel(/^Code on the computer/).fill(code);
    await page.getByLabel('Name of this phone').fill('Waders');
    await page.getByRole('button', { name: 'Pair' }).click();
    await expect(page).toHaveURL(/\/outing$/);
    only = null;
    const change = (path: string, data: object) =>
      page.request.put(`${outside}${path}`, { headers: { origin: outside }, data });
    const outing = { startMs: 1e12, endMs: null, timeZone: 'UTC', note: 'through one' };
    only = 0;
    expect((await change('/api/v1/outings/o1', outing)).status()).toBe(200);
    only = 1;
    const bank = await (await page.request.get(`${outside}/api/v1/bank`)).json();
    expect(bank.log.outings).toMatchObject([{ id: 'o1', note: 'through one' }]);
    only = null;
    // The same code again lets nobody in.
    const again = await page.request.post(`${outside}/api/v1/pair`, {
      headers: { origin: outside },
      data: { code, name: 'Other' },
    });
    expect(again.status()).toBe(400);
  });

  test('nobody comes in past the proxy, and nobody unpaired through it', async ({ playwright }) => {
    const stranger = await playwright.request.newContext();
    expect((await stranger.get(`${outside}/api/v1/bank`)).status()).toBe(401);
    expect((await stranger.get(`http://127.0.0.1:${ports[0]}/api/v1/bank`)).status()).toBe(421);
    expect((await stranger.get(`${outside}/api/v1/health`)).status()).toBe(200);
    await stranger.dispose();
  });

  test('a database that is away is said so, nothing is taken, and it goes on once it is back', async ({
    page,
  }) => {
    await cluster.stop();
    const health = await page.request.get(`${outside}/api/v1/health`);
    expect(health.status()).toBe(503);
    expect((await health.json()).error.message).toContain('kept on this device and sent again');
    cluster = await newCluster(join(folder, 'pg'));
    await expect
      .poll(async () => (await page.request.get(`${outside}/api/v1/health`)).status())
      .toBe(200);
  });
});
