import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import { createServer as createTlsServer, type Server as TlsServer } from 'node:https';
import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import next from 'next';
import { renderUnicodeCompact } from 'uqr';
import {
  backUpByItself,
  backupPlan,
  book,
  bookPlace,
  bookRefusal,
  closeBook,
  dataFolder,
  inFours,
  isDatabase,
  NOT_PAIRED,
  nowMs,
  onNewCode,
  onThrownOut,
  pairingCode,
  sayDoor,
  underRequest,
  type ServedRequest,
} from '../services/index';
import { certificateFor, type Authority } from './authority';
import { askerOf, lanHosts, LOOPBACK, portOf, publicOrigin, staysOnMachine } from './addresses';
import { cutOff, visitorOf, watchThrownOut, type Reach } from './admission';
import { openPaths } from './open-paths';
import { pathOf } from './path';
import { readsRouterState } from './router-state';
import { contentPolicy, newNonce, safetyHeaders, turnedAway, type Door } from './gate';

/**
 * The one server: `node --import tsx serving/main.ts [--lan]`; HOST and PORT say where. Behind a proxy
 * PEBBLE_PUBLIC says under which address; whoever comes through it must be paired.
 */
const lan = process.argv.includes('--lan');
const port = Number(process.env.PORT ?? 4173);
const host = process.env.HOST ?? (lan ? '0.0.0.0' : '127.0.0.1');

/** Certificates and addresses are looked at again so often, ms. */
const LOOK_AGAIN_MS = 6 * 3_600_000;
/** A body is here within this, ms; a whole book takes longer. */
const BODY_MS = 120_000;
const BOOK_MS = 3_600_000;
/** Writes are waited for this long when the program is asked to end, ms. */
const LAST_WRITES_MS = 10_000;

const root = process.cwd();
const app = next({
  dev: false,
  dir: root,
  hostname: host,
  port,
  // The framework listens for upgrades where there are none: such a request is served as any other.
  httpServer: createServer(),
});
const handle = app.getRequestHandler();

/** Where a proxy in front of this server is reached; null: there is none. */
let outside: URL | null = null;
let authority: Authority | null = null;
let door: Door = { hosts: new Set(LOOPBACK), port, secure: lan };
let open: ReadonlySet<string> = new Set();
let closing = false;
/** Writes that are being served; the program ends after the last. */
let writing = 0;

function refuse(
  response: ServerResponse,
  status: number,
  code: string,
  message: string,
  field?: string,
): void {
  response.writeHead(status, { 'content-type': 'application/json', connection: 'close' });
  response.end(JSON.stringify({ error: { code, message, ...(field && { field }) } }));
}

const reach = (): Reach => (outside ? 'proxy' : lan ? 'network' : 'machine');

async function serve(
  request: IncomingMessage,
  response: ServerResponse,
  served: ServedRequest,
): Promise<void> {
  const { method = 'GET', url = '/' } = request;
  const { headers } = request;
  for (const [name, value] of Object.entries(safetyHeaders(door, headers.host)))
    response.setHeader(name, value);
  const away = turnedAway(
    {
      method,
      url,
      host: headers.host,
      origin: headers.origin,
      fetchSite: headers['sec-fetch-site'] as string | undefined,
      contentType: headers['content-type'],
      contentLength: headers['content-length'],
      transferEncoding: headers['transfer-encoding'],
    },
    door,
  );
  if (away) return refuse(response, away.status, away.code, away.message);
  if (!readsRouterState(headers['next-router-state-tree']))
    return refuse(response, 400, 'page', 'What the request says of its page cannot be read.');
  if (closing) return refuse(response, 503, 'closing', 'The program is closing.');
  // The gate has seen that there is one.
  const path = pathOf(url)!;
  served.visitor = await visitorOf(request, response, reach());
  if (served.visitor === 'stranger' && (reach() === 'machine' || !open.has(path)))
    return turnBack(response, path);
  if (path === '/trust/authority.crt' && authority) {
    response.writeHead(200, {
      'content-type': 'application/x-x509-ca-cert',
      'content-disposition': 'attachment; filename="pebble-lane.crt"',
    });
    response.end(authority.authorityPem);
    return;
  }
  if (Number(headers['content-length'] ?? 0) > 0)
    within(request, path === '/api/v1/book' ? BOOK_MS : BODY_MS);
  headers['x-pebble-remote'] = askerOf(
    request.socket.remoteAddress,
    headers['x-forwarded-for']?.toString(),
    outside !== null,
  );
  const policy = contentPolicy(newNonce());
  // The pages' own scripts take their nonce from the request.
  headers['content-security-policy'] = policy;
  response.setHeader('content-security-policy', policy);
  await handle(request, response);
}

/** Cuts a request off whose body does not come. */
function within(request: IncomingMessage, ms: number): void {
  const late = setTimeout(() => request.destroy(), ms).unref();
  for (const over of ['end', 'close'] as const) request.once(over, () => clearTimeout(late));
}

/** A stranger is told what would let him in. */
function turnBack(response: ServerResponse, path: string): void {
  if (reach() === 'machine')
    return refuse(
      response,
      403,
      'passed-on',
      'This program serves its own machine alone, and this request was passed on by another. Start it with PEBBLE_PUBLIC to put it behind a proxy, or with --lan for the local network.',
    );
  if (path.startsWith('/api/')) return refuse(response, 401, 'not-paired', NOT_PAIRED);
  response.writeHead(303, { location: '/pair' });
  response.end();
}

function onRequest(request: IncomingMessage, response: ServerResponse): void {
  const began = performance.now();
  const writes = !['GET', 'HEAD'].includes(request.method ?? 'GET');
  const id = randomUUID().slice(0, 8);
  const name = `${request.method} ${(request.url ?? '').slice(0, 200)} #${id}`;
  response.setHeader('x-request-id', id);
  if (writes) writing++;
  response.once('close', () => {
    if (writes) writing--;
    if (writes || response.statusCode >= 400)
      console.log(
        `${new Date().toISOString()} ${name} ${response.statusCode} ${(performance.now() - began).toFixed(0)} ms`,
      );
  });
  const served: ServedRequest = { name, visitor: 'stranger' };
  underRequest(served, () => serve(request, response, served)).catch((error: unknown) => {
    console.error(`${name} failed:`, error);
    if (!response.headersSent)
      refuse(response, 500, 'internal', 'Something went wrong on this machine; the log says more.');
    else response.destroy();
  });
}

/** Looks at this machine's addresses, and makes the certificate that they need. */
async function look(force = false): Promise<void> {
  const hosts = lan ? lanHosts() : [];
  door = outside
    ? {
        hosts: new Set([outside.hostname]),
        port: portOf(outside),
        secure: outside.protocol === 'https:',
      }
    : { hosts: new Set([...LOOPBACK, ...hosts]), port, secure: lan };
  if (lan)
    authority = await certificateFor(
      join(dataFolder(), 'tls'),
      [...hosts, ...LOOPBACK],
      Date.now(),
      force,
    );
  const scheme = lan ? 'https' : 'http';
  const names = lan ? hosts : [host];
  sayDoor({
    secure: door.secure,
    addresses: outside
      ? [outside.origin]
      : names.map((h) => `${scheme}://${h.includes(':') ? `[${h}]` : h}:${port}`),
    fingerprint: authority?.fingerprint ?? null,
    authorityPem: authority?.authorityPem ?? null,
  });
}

async function hello(): Promise<void> {
  onNewCode((next) => console.log(`New pairing code: ${inFours(next)}`));
  if (outside) {
    const { code } = await pairingCode(nowMs());
    console.log(
      `Pebble Lane: ${outside.origin}, by a proxy to http://${host}:${port}   (the book: ${bookPlace()}; Ctrl-C stops it)`,
    );
    console.log(`Pairing code: ${inFours(code)}   (once, within ten minutes)`);
    return;
  }
  if (!lan || !authority) {
    console.log(
      `Pebble Lane: http://${host}:${port}   (the book: ${bookPlace()}; Ctrl-C stops it)`,
    );
    return;
  }
  const [best = 'localhost'] = lanHosts();
  const address = `https://${best}:${port}`;
  const { code } = await pairingCode(nowMs());
  console.log(renderUnicodeCompact(`${address}/pair`));
  console.log(`Pebble Lane: ${address}   (the book: ${bookPlace()}; Ctrl-C stops it)`);
  console.log(`On this machine: https://localhost:${port}`);
  console.log(`Pairing code: ${inFours(code)}   (once, within ten minutes)`);
  console.log(`How a phone trusts this machine: ${address}/trust`);
  console.log(`Fingerprint of its authority: ${authority.fingerprint}`);
}

/** Takes no more, waits for the last write, closes the book, ends. */
async function close(server: Server | TlsServer): Promise<void> {
  if (closing) return;
  closing = true;
  server.close();
  const until = Date.now() + LAST_WRITES_MS;
  while (writing > 0 && Date.now() < until) await new Promise((r) => setTimeout(r, 20));
  server.closeAllConnections();
  await closeBook();
  console.log('Pebble Lane has stopped; the book is closed.');
  process.exit(0);
}

async function openedOrAway(): Promise<void> {
  bookPlace();
  try {
    await book();
  } catch (error) {
    if (!isDatabase() || bookRefusal(error) !== 'away') throw error;
    console.error(
      `The book is away for now, and is looked for with every request: ${String(error)}`,
    );
  }
}

async function start(): Promise<void> {
  outside = publicOrigin(process.env.PEBBLE_PUBLIC);
  if (!lan && !outside && !staysOnMachine(host))
    throw new Error(
      `HOST is "${host}", where others reach it, and nobody would be asked who they are. Start it with --lan (HTTPS, and phones are paired), or name the address of a proxy in front of it by PEBBLE_PUBLIC; or leave HOST at 127.0.0.1.`,
    );
  open = openPaths(root);
  const backups = backupPlan(process.env);
  // A book that cannot be opened is said before an address is; a database may be away for now.
  await openedOrAway();
  await look();
  await app.prepare();
  const server = authority
    ? createTlsServer({ cert: authority.certPem, key: authority.keyPem }, onRequest)
    : createServer(onRequest);
  // How long a body may take is its route's own (`within`).
  server.requestTimeout = 0;
  server.headersTimeout = 20_000;
  server.on('clientError', (error: NodeJS.ErrnoException, socket) => {
    // A browser opens connections ahead of need; told 408 on one that waited too long, it takes another.
    const said =
      error.code === 'ERR_HTTP_REQUEST_TIMEOUT' ? '408 Request Timeout' : '400 Bad Request';
    if (socket.writable) socket.end(`HTTP/1.1 ${said}\r\nconnection: close\r\n\r\n`);
    else socket.destroy();
  });
  server.on('error', (error) => {
    console.error(`Pebble Lane cannot listen on ${host}:${port}: ${error.message}`);
    process.exit(1);
  });
  const renew = async (force: boolean) => {
    await look(force);
    if (authority && 'setSecureContext' in server)
      server.setSecureContext({ cert: authority.certPem, key: authority.keyPem });
  };
  setInterval(() => void renew(false), LOOK_AGAIN_MS).unref();
  process.on('SIGHUP', () => void renew(true).then(() => console.log('Certificate renewed.')));
  for (const signal of ['SIGTERM', 'SIGINT'] as const) process.on(signal, () => void close(server));
  onThrownOut(cutOff);
  watchThrownOut();
  if (backups) backUpByItself(backups);
  server.listen(port, host, () => void hello());
}

start().catch((error: unknown) => {
  const why = error instanceof Error ? error.message : String(error);
  console.error(`Pebble Lane cannot start: ${why}`);
  process.exit(1);
});
