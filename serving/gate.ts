import { randomBytes } from 'node:crypto';
import { namesItself } from './addresses';
import { pathOf } from './path';

/** A request as the gate sees it: its head, nothing of its body. */
export interface Head {
  method: string;
  /** Path and query as sent. */
  url: string;
  host: string | undefined;
  origin: string | undefined;
  fetchSite: string | undefined;
  contentType: string | undefined;
  contentLength: string | undefined;
  transferEncoding: string | undefined;
}

/** What this server answers to. */
export interface Door {
  /** Names and addresses, lower case, without a port; IPv6 without brackets. */
  hosts: ReadonlySet<string>;
  port: number;
  secure: boolean;
}

/** Why a request is turned away before anything of it is read. */
export interface TurnedAway {
  status: number;
  code: string;
  message: string;
}

const METHODS = ['GET', 'HEAD', 'PUT', 'POST', 'PATCH', 'DELETE'];
const READS = ['GET', 'HEAD'];
const LONGEST_URL = 4096;
const MEGA = 1_000_000;
const JSON_KIND = /^application\/json\s*(;|$)/;

/** What a body may be, by path: its kind, and the most it may hold. The first that matches counts. */
const BODIES: readonly { path: RegExp; kind: RegExp; named: string; limit: number }[] = [
  {
    path: /^\/api\/v1\/photos\//,
    kind: /^(image\/|application\/octet-stream)/,
    named: 'image/jpeg or another picture',
    limit: 50 * MEGA,
  },
  {
    path: /^\/api\/v1\/flows\//,
    kind: /^application\/octet-stream/,
    named: 'application/octet-stream',
    limit: 64 * MEGA,
  },
  {
    path: /^\/api\/v1\/book$/,
    kind: /^application\/(zip|json)\s*(;|$)/,
    named: 'application/zip, or application/json of before there were archives',
    limit: 20_000 * MEGA,
  },
  // What a stranger may send: it is held in memory before a guess is counted.
  { path: /^\/api\/v1\/pair$/, kind: JSON_KIND, named: 'application/json', limit: 1000 },
  { path: /./, kind: JSON_KIND, named: 'application/json', limit: 4 * MEGA },
];

/**
 * Whether a request may come in: it names this server, it is well formed, and a write comes from a
 * page of our own with a body that says what it is and how large. null: it may.
 */
export function turnedAway(head: Head, door: Door): TurnedAway | null {
  return badHost(head, door) ?? badLine(head) ?? badWrite(head, door);
}

/** A name that merely resolves to this machine is not ours: it could be anybody's page. */
function badHost({ host }: Head, door: Door): TurnedAway | null {
  if (host === undefined)
    return { status: 400, code: 'host', message: 'The request names no host.' };
  const at = /^(\[[0-9a-f:.]+\]|[^:[\]]+)(?::(\d{1,5}))?$/i.exec(host);
  const name = at?.[1]?.replace(/^\[|\]$/g, '').toLowerCase();
  const port = at?.[2] === undefined ? (door.secure ? 443 : 80) : Number(at[2]);
  if (name !== undefined && door.hosts.has(name) && port === door.port) return null;
  return {
    status: 421,
    code: 'host',
    message: `This program is not "${host.slice(0, 100)}"; open it under the address that it printed when it started.`,
  };
}

function badLine({ method, url }: Head): TurnedAway | null {
  if (!METHODS.includes(method))
    return { status: 405, code: 'method', message: `${method} is not understood here.` };
  if (url.length > LONGEST_URL)
    return {
      status: 414,
      code: 'address',
      message: `The address holds ${url.length} letters; at most ${LONGEST_URL} are read.`,
    };
  if (pathOf(url) === null || !queryDecodes(url))
    return { status: 400, code: 'address', message: 'The address cannot be read.' };
  return null;
}

function queryDecodes(url: string): boolean {
  try {
    // eslint-disable-next-line no-control-regex
    return !/[\u0000-\u001f\u007f\\]/.test(decodeURIComponent(url.slice(url.indexOf('?') + 1)));
  } catch {
    return false;
  }
}

function badWrite(head: Head, door: Door): TurnedAway | null {
  const { method, url, contentType, transferEncoding } = head;
  const length = head.contentLength === undefined ? null : Number(head.contentLength);
  if (READS.includes(method))
    return transferEncoding === undefined && !length
      ? null
      : { status: 400, code: 'body', message: 'A question carries no body.' };
  const own = `${door.secure ? 'https' : 'http'}://${head.host}`;
  if (head.origin?.toLowerCase() !== own.toLowerCase())
    return {
      status: 403,
      code: 'origin',
      message: 'Only pages of this program may change the book.',
    };
  if (head.fetchSite !== undefined && head.fetchSite !== 'same-origin')
    return {
      status: 403,
      code: 'origin',
      message: 'Only pages of this program may change the book.',
    };
  if (method === 'DELETE' && length === null && transferEncoding === undefined) return null;
  if (length === null || !Number.isSafeInteger(length) || transferEncoding !== undefined)
    return { status: 411, code: 'body', message: 'The body must say how large it is.' };
  const path = pathOf(url)!;
  const body = BODIES.find((b) => b.path.test(path))!;
  if (length > body.limit)
    return {
      status: 413,
      code: 'body',
      message: `The body holds ${inWords(length)}; at most ${inWords(body.limit)} are taken.`,
    };
  if (method !== 'DELETE' && !body.kind.test(contentType?.toLowerCase() ?? ''))
    return {
      status: 415,
      code: 'body',
      message: `The body is "${contentType ?? 'unnamed'}"; it must be ${body.named}.`,
    };
  return null;
}

const inWords = (bytes: number) =>
  bytes < MEGA ? `${bytes} bytes` : `${Number((bytes / MEGA).toFixed(1))} MB`;

export const newNonce = () => randomBytes(16).toString('base64');

/**
 * Only what this program serves is run or shown. Styles in attributes are the drawing's own (places,
 * colours); a sheet or a script needs the nonce of its answer. WebAssembly may be compiled, for the flow
 * solver's step; text may not become script.
 */
export const contentPolicy = (nonce: string) =>
  [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'wasm-unsafe-eval'`,
    `style-src-elem 'self' 'nonce-${nonce}'`,
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' blob: data:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');

/** On every answer. HSTS under TLS only, and never for this machine's own names: they serve others too. */
export function safetyHeaders(door: Door, host: string | undefined): Record<string, string> {
  return {
    'x-content-type-options': 'nosniff',
    'x-frame-options': 'DENY',
    'referrer-policy': 'same-origin',
    'cross-origin-opener-policy': 'same-origin',
    'cross-origin-resource-policy': 'same-origin',
    'permissions-policy': 'camera=(self), geolocation=(self), microphone=()',
    ...(door.secure && !namesItself(host) && { 'strict-transport-security': 'max-age=31536000' }),
  };
}
