import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { connect as connectPlain, type Socket } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { connect as connectTls } from 'node:tls';
import { expect, test } from './test';
import { createRandom } from '../core/grid/index';
import { certificateFor } from '../serving/authority';
import { lanHosts } from '../serving/addresses';
import { CLOSED, spellings } from '../serving/fixtures/spellings';
import { openPaths } from '../serving/open-paths';
import { pathOf } from '../serving/path';
import { freePort } from './free-port';
import { startServer, type Started } from './server';

/** A stranger before the door: raw over a socket, as no browser would send it. */
const SEED = 20261201;
const COUNT = 5_000;
const AT_ONCE = 40;

const folder = mkdtempSync(join(tmpdir(), 'pebble-door-'));
/** Whose book is asked for: a server behind a proxy, and one on the local network. */
let club: Started;
let lan: Started;
let nginx: ChildProcess;
let outside: string;
let ports: { club: number; proxy: number; lan: number };
let lanHost: string;
const open = openPaths(process.cwd());

test.beforeAll(async () => {
  const [c, p, l] = await Promise.all([freePort(), freePort(), freePort()]);
  ports = { club: c, proxy: p, lan: l };
  outside = `localhost:${ports.proxy}`;
  lanHost = `${lanHosts()[0]}:${ports.lan}`;
  await startProxy();
  [club, lan] = await Promise.all([
    startServer(join(folder, 'club'), ports.club, { env: { PEBBLE_PUBLIC: `https://${outside}` } }),
    startServer(join(folder, 'lan'), ports.lan, { lan: true }),
  ]);
});
test.afterAll(async () => {
  await Promise.all([club?.stop(), lan?.stop()]);
  nginx?.kill();
  rmSync(folder, { recursive: true, force: true });
});

/** nginx with the project's own configuration: only names, ports and certificates are this machine's. */
async function startProxy(): Promise<void> {
  const pem = await certificateFor(join(folder, 'proxy-tls'), ['localhost'], Date.now());
  const at = (name: string) => join(folder, name);
  writeFileSync(at('cert.pem'), pem.certPem);
  writeFileSync(at('key.pem'), pem.keyPem, { mode: 0o600 });
  mkdirSync(at('temp'));
  const own = readFileSync('deploy/nginx.conf', 'utf8')
    .replace('listen 443 ssl', `listen 127.0.0.1:${ports.proxy} ssl`)
    .replaceAll('book.example;', 'localhost;')
    .replace('/etc/ssl/book.example.pem', at('cert.pem'))
    .replace('/etc/ssl/book.example.key', at('key.pem'))
    .replace('127.0.0.1:4173', `127.0.0.1:${ports.club}`)
    .replace(/.*127\.0\.0\.1:4174.*\n/, '');
  const temp = ['client_body', 'proxy', 'fastcgi', 'uwsgi', 'scgi']
    .map((n) => `${n}_temp_path ${at('temp')}/${n};`)
    .join('\n');
  writeFileSync(
    at('nginx.conf'),
    `pid ${at('nginx.pid')}; daemon off; user root; error_log ${at('error.log')};
     events {} http { access_log off; ${temp} ${own} }`,
  );
  execFileSync('nginx', ['-t', '-c', at('nginx.conf')], { stdio: 'ignore' });
  nginx = spawn('nginx', ['-c', at('nginx.conf')], { stdio: 'ignore' });
}

type Way = 'plain' | 'TLS' | 'proxy';
const hostOf = (way: Way) => (way === 'TLS' ? lanHost : outside);

function socketOf(way: Way): Socket {
  const to = { host: '127.0.0.1' };
  if (way === 'plain') return connectPlain({ ...to, port: ports.club });
  const port = way === 'TLS' ? ports.lan : ports.proxy;
  return connectTls({ ...to, port, rejectUnauthorized: false, servername: 'localhost' });
}

/** The whole answer to a request as it is written here. */
function raw(way: Way, line: string, more = '', body = ''): Promise<string> {
  return new Promise((resolve) => {
    const socket = socketOf(way);
    let text = '';
    const end = () => {
      socket.destroy();
      resolve(text);
    };
    socket.on('data', (part) => (text += part.toString('latin1')));
    socket.on('close', end);
    socket.on('error', end);
    socket.write(
      `${line} HTTP/1.1\r\nHost: ${hostOf(way)}\r\nConnection: close\r\n${more}\r\n${body}`,
    );
  });
}
const statusOf = (answer: string) => Number(/^HTTP\/1\.[01] (\d{3})/.exec(answer)?.[1] ?? 0);
const codeOf = (s: Started) => /Pairing code: ([\d ]+)/.exec(s.printed())![1]!.trim();

for (const way of ['plain', 'TLS', 'proxy'] as const) {
  test(`none of ${COUNT} spellings lets a stranger in: ${way}`, async () => {
    const random = createRandom(SEED);
    const all = spellings(random, COUNT);
    const passed: string[] = [];
    const statuses = new Map<number, number>();
    let next = 0;
    const worker = async () => {
      for (let url = all[next++]; url !== undefined; url = all[next++]) {
        const writes = url.includes('outings/stranger');
        const body = '{"startMs":1,"endMs":2,"timeZone":"UTC","note":"x"}';
        const head = `Origin: https://${hostOf(way)}\r\nContent-Type: application/json\r\nContent-Length: ${body.length}\r\n`;
        const answer = writes
          ? await raw(way, `PUT ${url}`, head, body)
          : await raw(way, `GET ${url}`);
        const status = statusOf(answer);
        statuses.set(status, (statuses.get(status) ?? 0) + 1);
        const told = status < 300 && status > 0;
        // A line break ends an address: what is asked for then stands before it.
        const path = pathOf(url.split(/[\s#]/, 1)[0]!);
        if (told && !(path !== null && open.has(path))) passed.push(`${status} ${url}`);
        if (answer.includes(codeOf(way === 'TLS' ? lan : club))) passed.push(`code ${url}`);
      }
    };
    await Promise.all(Array.from({ length: AT_ONCE }, worker));
    expect(passed).toEqual([]);
    // They were answered, not only cut off.
    expect([...statuses.values()].reduce((a, b) => a + b, 0)).toBe(COUNT);
    expect((statuses.get(303) ?? 0) + (statuses.get(401) ?? 0)).toBeGreaterThan(COUNT / 100);
    expect([...statuses.keys()].filter((s) => s >= 500)).toEqual([]);
  });
}

test('what was open once is closed by each way', async () => {
  for (const way of ['plain', 'TLS', 'proxy'] as const)
    for (const path of CLOSED)
      for (const up of ['../..', '%2e%2e/%2e%2e', '%2E./.%2e']) {
        const status = statusOf(await raw(way, `GET /_next/static/${up}${path}`));
        expect([way, path, up, status]).toEqual([way, path, up, 400]);
      }
});

test('the code stands on the page of the machine itself, and on none that comes over the network', async ({
  browser,
}) => {
  const page = await browser.newPage({ ignoreHTTPSErrors: true });
  await page.goto(`https://localhost:${ports.lan}/phones`);
  const code = codeOf(lan);
  await expect(page.getByText(code)).toBeVisible();
  await page.goto(`https://${lanHost}/`);
  await expect(page).toHaveURL(/\/pair$/);
  await page.getByLabel('Code on the computer').fill(code);
  await page.getByRole('button', { name: 'Pair' }).click();
  await expect(page).toHaveURL(/\/outing$/);
  await page.goto(`https://${lanHost}/phones`);
  await expect(page.getByText('It is not shown over the network.')).toBeVisible();
  const fresh = /New pairing code: ([\d ]+)/.exec(lan.printed())![1]!.trim();
  expect(await page.content()).not.toContain(fresh);
  expect(await page.content()).not.toContain(fresh.replace(' ', ''));
  await page.close();
});

/** What a framework or a proxy might believe of a request, were it asked. */
const BELIEVED = [
  'X-Middleware-Subrequest: middleware:middleware:middleware:middleware:middleware',
  'X-Middleware-Rewrite: /phones',
  'X-Middleware-Invoke: 1',
  'X-Invoke-Path: /phones',
  'X-Invoke-Status: 200',
  'X-Matched-Path: /phones',
  'X-Nextjs-Data: 1',
  'X-Rewrite-Url: /phones',
  'X-Original-Url: /phones',
  'X-Forwarded-Host: localhost',
  'X-Forwarded-For: 127.0.0.1',
  'X-Http-Method-Override: PUT',
  'X-Pebble-Remote: 127.0.0.1',
  'Next-Action: 00',
  'Rsc: 1',
  'Rsc: 1\r\nNext-Router-State-Tree: %5B%22%22%2C%7B%22children%22%3A%5B%22phones%22%2C%7B%7D%5D%7D%5D',
];

test('headers that others believe let nobody in, and show nothing of another page', async () => {
  for (const way of ['plain', 'TLS', 'proxy'] as const)
    for (const header of BELIEVED) {
      const closed = statusOf(await raw(way, 'GET /api/v1/bank', `${header}\r\n`));
      expect([way, header, closed]).toEqual([way, header, 401]);
      const open = await raw(way, 'GET /pair', `${header}\r\n`);
      expect([way, header, statusOf(open) < 500]).toEqual([way, header, true]);
      expect(open).not.toContain(codeOf(way === 'TLS' ? lan : club));
      expect(open).not.toContain('Let in');
    }
});

test('a page whose state cannot be read is refused, not failed over', async () => {
  for (const state of ['%', 'x', '%7B%7D', '%5B1%5D', `%5B${'%5B'.repeat(500)}`])
    expect(
      statusOf(await raw('plain', 'GET /pair', `Rsc: 1\r\nNext-Router-State-Tree: ${state}\r\n`)),
    ).toBe(400);
});

test('requests that are two, or none, are answered as one that is bad, and the program goes on', async () => {
  const length = 'Content-Length: 5\r\n';
  const chunked = 'Transfer-Encoding: chunked\r\n';
  const own = `Origin: https://${outside}\r\nContent-Type: application/json\r\n`;
  for (const head of [
    `${own}${length}${chunked}`,
    `${own}${length}Content-Length: 6\r\n`,
    `${own}Content-Length: +5\r\n`,
    `${own}Content-Length: 5, 5\r\n`,
    `${own}${chunked}`,
    `${own}Transfer-Encoding: identity\r\n`,
    `${own}Transfer-Encoding: chunked, chunked\r\n`,
    `${own} folded: yes\r\n`,
    `${own}Bad Header: yes\r\n`,
    `X-Long: ${'a'.repeat(20_000)}\r\n`,
    'X: y\r\n'.repeat(3000),
  ]) {
    const status = statusOf(await raw('plain', 'POST /api/v1/pair', head, '{"a":1}'));
    expect([head.slice(0, 90), status >= 400 || status === 0]).toEqual([head.slice(0, 90), true]);
    expect(status).toBeLessThan(500);
  }
  expect(statusOf(await raw('plain', 'GET /api/v1/health'))).toBe(200);
});

test('a stranger’s body is bounded, kinds that only begin like JSON are none, upgrades are answered', async () => {
  const post = (length: number, kind: string) =>
    raw(
      'plain',
      'POST /api/v1/pair',
      `Origin: https://${outside}\r\nContent-Type: ${kind}\r\nContent-Length: ${length}\r\n`,
      'x'.repeat(length),
    );
  expect(statusOf(await post(1001, 'application/json'))).toBe(413);
  expect(statusOf(await post(20, 'application/jsonp'))).toBe(415);
  expect(statusOf(await post(20, 'application/json'))).toBe(400);
  const upgrade = 'Upgrade: websocket\r\nConnection: Upgrade\r\n';
  expect(statusOf(await raw('plain', 'GET /nowhere', upgrade))).toBe(303);
  expect(statusOf(await raw('plain', 'GET /trust/authority.crt?x'))).not.toBe(200);
  expect(statusOf(await raw('TLS', 'GET /trust/authority.crt?x'))).toBe(200);
});

test('a program that others could reach, and that would ask nobody who he is, does not start', async () => {
  const said = await startServer(join(folder, 'ajar'), await freePort(), {
    env: { HOST: '0.0.0.0' },
  }).then(
    async (s) => {
      await s.stop();
      return 'started';
    },
    (error: Error) => error.message,
  );
  expect(said).toContain('HOST is "0.0.0.0"');
});

test('what another program passed on is not this machine, though it comes from it', async () => {
  const own = await startServer(join(folder, 'own'), await freePort());
  const { port } = new URL(own.url);
  const ask = (headers: Record<string, string>) =>
    fetch(`http://127.0.0.1:${port}/api/v1/bank`, { headers }).then((r) => r.status);
  expect(await ask({})).toBe(200);
  for (const name of ['x-forwarded-for', 'forwarded', 'via', 'x-real-ip'])
    expect([name, await ask({ [name]: '203.0.113.9' })]).toEqual([name, 403]);
  await own.stop();
});
