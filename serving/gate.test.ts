/** @jest-environment node */
import { contentPolicy, safetyHeaders, turnedAway, type Door, type Head } from './gate';

const door: Door = { hosts: new Set(['192.0.2.7', 'localhost', '::1']), port: 4173, secure: true };
const read: Head = {
  method: 'GET',
  url: '/read',
  host: '192.0.2.7:4173',
  origin: undefined,
  fetchSite: undefined,
  contentType: undefined,
  contentLength: undefined,
  transferEncoding: undefined,
};
const write: Head = {
  ...read,
  method: 'PUT',
  url: '/api/v1/marks/a',
  origin: 'https://192.0.2.7:4173',
  contentType: 'application/json',
  contentLength: '12',
};
const status = (head: Head) => turnedAway(head, door)?.status ?? 'in';

it('comes in under its own names and port only', () => {
  expect(status(read)).toBe('in');
  expect(status({ ...read, host: '[::1]:4173' })).toBe('in');
  expect(status({ ...read, host: 'LOCALHOST:4173' })).toBe('in');
  for (const host of ['stranger.example:4173', '192.0.2.7', '192.0.2.7:80', 'a@b:4173', ''])
    expect(status({ ...read, host })).toBe(421);
  expect(status({ ...read, host: undefined })).toBe(400);
});

it.each([
  [{}, 'in'],
  [{ origin: undefined }, 403],
  [{ origin: 'null' }, 403],
  [{ origin: 'http://192.0.2.7:4173' }, 403],
  [{ origin: 'https://stranger.example' }, 403],
  [{ fetchSite: 'cross-site' }, 403],
  [{ contentType: 'text/plain' }, 415],
  [{ contentType: undefined }, 415],
  [{ contentType: 'application/json; charset=utf-8' }, 'in'],
  [{ contentLength: undefined }, 411],
  [{ contentLength: '1e3x' }, 411],
  [{ transferEncoding: 'chunked' }, 411],
  [{ contentLength: '5000000' }, 413],
  [{ url: '/api/v1/book?dry=1', method: 'POST', contentLength: '5000000' }, 'in'],
  [{ url: '/api/v1/photos/x', contentType: 'image/png', contentLength: '5000000' }, 'in'],
  [{ url: '/api/v1/photos/x', contentType: 'text/html' }, 415],
  [{ method: 'DELETE', contentLength: undefined, contentType: undefined }, 'in'],
  [{ method: 'DELETE', origin: undefined, contentLength: undefined }, 403],
  [{ method: 'TRACE' }, 405],
] as const)('a write with %p: %p', (change, expected) => {
  expect(status({ ...write, ...change } as Head)).toBe(expected);
});

it.each(['/%', '/a%00b', '//x', 'x', '/%5c%5cx', '/%E0%A4%A'])(
  'the address %p is no address',
  (url) => expect(status({ ...read, url })).toBe(400),
);

it('a question with a body, and an endless address, are turned away', () => {
  expect(status({ ...read, contentLength: '3' })).toBe(400);
  expect(status({ ...read, contentLength: '0' })).toBe('in');
  expect(status({ ...read, url: `/${'a'.repeat(5000)}` })).toBe(414);
});

it('the policy names no other place and no inline script; framing is refused', () => {
  const policy = contentPolicy('abc');
  expect(policy).toContain("script-src 'self' 'nonce-abc' 'wasm-unsafe-eval';");
  expect(policy).toContain("frame-ancestors 'none'");
  expect(policy).not.toMatch(/'unsafe-eval'|script-src[^;]*unsafe-inline|https?:|\*/);
  expect(safetyHeaders(door, '192.0.2.7:4173')).toHaveProperty('strict-transport-security');
  expect(safetyHeaders(door, 'localhost:4173')).not.toHaveProperty('strict-transport-security');
  expect(safetyHeaders({ ...door, secure: false }, '192.0.2.7')).not.toHaveProperty(
    'strict-transport-security',
  );
});
