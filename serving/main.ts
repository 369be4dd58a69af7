import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import { createServer as createTlsServer, type Server as TlsServer } from 'node:https';
import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import next from 'next';
import { renderUnicodeCompact } from 'uqr';
import {
  backUpByItself,
  backupPlan,
  bookPlace,
  closeBook,
  dataFolder,
  nowMs,
  onNewCode,
  onThrownOut,
  pairingCode,
  PHONE_COOKIE,
  phoneOfToken,
  sayDoor,
  underName,
} from '../services/index';
import { certificateFor, type Authority } from './authority';
import {
  askerOf,
  isLoopback,
  lanHosts,
  LOOPBACK,
  namesItself,
  portOf,
  publicOrigin,
} from './addresses';
import { openToAll } from './open-paths';
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
/** Writes are waited for this long when the program is asked to end, ms. */
const LAST_WRITES_MS = 10_000;

const app = next({ dev: false, dir: process.cwd(), hostname: host, port });
const handle = app.getRequestHandler();

/** Where a proxy in front of this server is reached; null: there is none. */
let outside: URL | null = null;
let authority: Authority | null = null;
let door: Door = { hosts: new Set(LOOPBACK), port, secure: lan };
let closing = false;
/** Writes that are being served; the program ends after the last. */
let writing = 0;

const cookieOf = (request: IncomingMessage): string | undefined =>
  request.headers.cookie
    ?.split(/;\s*/)
    .find((c) => c.startsWith(`${PHONE_COOKIE}=`))
    ?.slice(PHONE_COOKIE.length + 1);

/** Answers being given to each phone: thrown out, it hears no more. */
const answering = new Map<string, Set<ServerResponse>>();

/** Loopback is the machine's own; over the network only what is paired, or what pairing needs. */
async function mayCome(request: IncomingMessage, response: ServerResponse): Promise<boolean> {
  if (!lan && !outside) return true;
  // Behind a proxy everybody comes from this machine.
  if (!outside && isLoopback(request.socket.remoteAddress) && namesItself(request.headers.host))
    return true;
  if (openToAll(request.url ?? '/')) return true;
  const phone = await phoneOfToken(cookieOf(request), nowMs());
  if (!phone) return false;
  const open = answering.get(phone.id) ?? new Set();
  answering.set(phone.id, open.add(response));
  response.once('close', () => open.delete(response));
  return true;
}

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

async function serve(request: IncomingMessage, response: ServerResponse): Promise<void> {
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
  if (closing) return refuse(response, 503, 'closing', 'The program is closing.');
  if (!(await mayCome(request, response))) {
    if (url.startsWith('/api/'))
      return refuse(
        response,
        401,
        'not-paired',
        'This phone is not paired with the book. Pair it again: what waits is kept on the phone.',
      );
    response.writeHead(303, { location: '/pair' });
    response.end();
    return;
  }
  if (url === '/trust/authority.crt' && authority) {
    response.writeHead(200, {
      'content-type': 'application/x-x509-ca-cert',
      'content-disposition': 'attachment; filename="pebble-lane.crt"',
    });
    response.end(authority.authorityPem);
    return;
  }
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
  underName(name, () => serve(request, response)).catch((error: unknown) => {
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
  onNewCode((next) => console.log(`New pairing code: ${spaced(next)}`));
  if (outside) {
    const { code } = await pairingCode(nowMs());
    console.log(
      `Pebble Lane: ${outside.origin}, by a proxy to http://${host}:${port}   (the book: ${bookPlace()}; Ctrl-C stops it)`,
    );
    console.log(`Pairing code: ${spaced(code)}   (once, within ten minutes)`);
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
  console.log(`Pairing code: ${spaced(code)}   (once, within ten minutes)`);
  console.log(`How a phone trusts this machine: ${address}/trust`);
  console.log(`Fingerprint of its authority: ${authority.fingerprint}`);
}
const spaced = (code: string) => `${code.slice(0, 4)} ${code.slice(4)}`;

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

async function start(): Promise<void> {
  outside = publicOrigin(process.env.PEBBLE_PUBLIC);
  const backups = backupPlan(process.env);
  // What was told is looked at before anything is opened; a database may be away for now.
  bookPlace();
  await look();
  await app.prepare();
  const server = authority
    ? createTlsServer({ cert: authority.certPem, key: authority.keyPem }, onRequest)
    : createServer(onRequest);
  server.requestTimeout = 120_000;
  server.headersTimeout = 20_000;
  server.on('clientError', (_error, socket) => {
    if (socket.writable) socket.end('HTTP/1.1 400 Bad Request\r\nconnection: close\r\n\r\n');
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
  onThrownOut((id) => {
    for (const response of answering.get(id) ?? []) response.destroy();
  });
  if (backups) backUpByItself(backups);
  server.listen(port, host, () => void hello());
}

start().catch((error: unknown) => {
  const why = error instanceof Error ? error.message : String(error);
  console.error(`Pebble Lane cannot start: ${why}`);
  process.exit(1);
});
