import { hostname, networkInterfaces } from 'node:os';

/** Names of the machine itself. */
export const LOOPBACK = ['localhost', '127.0.0.1', '::1'];

/** Addresses and names under which others on the local network reach this machine, the best for a phone first. */
export function lanHosts(): string[] {
  const all = Object.values(networkInterfaces())
    .flatMap((list) => list ?? [])
    .filter((a) => !a.internal && !a.address.startsWith('fe80'));
  const four = all.filter((a) => a.family === 'IPv4').map((a) => a.address);
  const six = all.filter((a) => a.family === 'IPv6').map((a) => a.address.toLowerCase());
  const name = hostname().toLowerCase();
  const names = /^[a-z0-9-]+$/.test(name) && name !== 'localhost' ? [name, `${name}.local`] : [];
  return [...four, ...six, ...names];
}

/** Whether a Host names the machine itself. */
export const namesItself = (host: string | undefined): boolean =>
  host !== undefined && /^(localhost|127\.|\[::1\])/.test(host);

export const isLoopback = (address: string | undefined): boolean =>
  address !== undefined && (address === '::1' || /^(::ffff:)?127\./.test(address));

/**
 * The address under which a proxy in front of this server is reached (`PEBBLE_PUBLIC`); null where
 * there is none. Throws a sentence for anything but an origin.
 */
export function publicOrigin(told: string | undefined): URL | null {
  if (told === undefined || told === '') return null;
  const url = URL.canParse(told) ? new URL(told) : null;
  if (!url || !/^https?:$/.test(url.protocol) || url.pathname !== '/' || url.search || url.hash)
    throw new Error(
      `PEBBLE_PUBLIC is "${told}"; it must be where the proxy is reached, such as https://book.example`,
    );
  if (url.protocol === 'http:' && !namesItself(url.host))
    throw new Error(
      `PEBBLE_PUBLIC is "${told}"; it must begin with https://, or no phone could be paired: what a phone is known by is never sent in the open. http:// is possible for localhost alone.`,
    );
  return url;
}

/** Whether a program that listens there can be reached from this machine alone. */
export const staysOnMachine = (host: string): boolean => host === 'localhost' || isLoopback(host);

/** The port of an origin, said or not. */
export const portOf = (url: URL): number =>
  Number(url.port) || (url.protocol === 'https:' ? 443 : 80);

/** Who asks: behind a proxy the last address that it wrote down, else who is connected. */
export const askerOf = (
  remote: string | undefined,
  forwarded: string | undefined,
  behindProxy: boolean,
): string => (behindProxy && forwarded?.split(',').at(-1)?.trim()) || (remote ?? 'unknown');
