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
