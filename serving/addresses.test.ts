import { askerOf, portOf, publicOrigin, staysOnMachine } from './addresses';

it('the address of a proxy is an origin, or a sentence says what it must be', () => {
  expect(publicOrigin(undefined)).toBeNull();
  expect(publicOrigin('')).toBeNull();
  expect(portOf(publicOrigin('https://book.example')!)).toBe(443);
  expect(portOf(publicOrigin('http://localhost:8080/')!)).toBe(8080);
  for (const bad of [
    'book.example',
    'ftp://book.example',
    'https://book.example/lane',
    'https://b/?x',
    // What a phone is known by goes over TLS alone.
    'http://book.example:8080/',
  ])
    expect(() => publicOrigin(bad)).toThrow(`PEBBLE_PUBLIC is "${bad}"`);
});

it('who asks is believed from the proxy alone, and only its own word: the last', () => {
  expect(askerOf('127.0.0.1', '198.51.100.7', false)).toBe('127.0.0.1');
  expect(askerOf('127.0.0.1', '10.0.0.9, 198.51.100.7', true)).toBe('198.51.100.7');
  expect(askerOf('127.0.0.1', undefined, true)).toBe('127.0.0.1');
  expect(askerOf(undefined, undefined, false)).toBe('unknown');
});

it.each([
  ['127.0.0.1', true],
  ['localhost', true],
  ['::1', true],
  ['0.0.0.0', false],
  ['::', false],
  ['192.0.2.7', false],
  ['', false],
])('a program that listens at %p stays on its machine: %p', (host, stays) =>
  expect(staysOnMachine(host)).toBe(stays),
);
