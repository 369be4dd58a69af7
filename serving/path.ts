/** Stands for this server where only the path of an address matters. */
const ANY_HOST = 'http://host.invalid';
// eslint-disable-next-line no-control-regex
const NEVER_IN_A_PATH = /[\u0000-\u001f\u007f\\%;]/;

/**
 * The path of an address as it was sent, decoded; null where it is not its own normal form, so that
 * whoever reads it later (the framework, the disk, a proxy) could find another path in it: dot
 * segments, empty segments, a slash or a dot or a percent sign in disguise. This is the one place in
 * which an address is read; every decision about a request goes by what it gives.
 */
export function pathOf(url: string): string | null {
  const sent = url.split(/[?#]/, 1)[0]!;
  const decoded = decode(sent);
  if (decoded === null || !decoded.startsWith('/')) return null;
  if (NEVER_IN_A_PATH.test(decoded) || decoded.normalize('NFKC') !== decoded) return null;
  const segments = decoded.split('/').slice(1);
  // The last may be empty: "/" itself, and "/outing/", which the framework sends on to "/outing".
  const isWhole = (segment: string, i: number) =>
    !/^\.{1,2}$/.test(segment) && (segment !== '' || i === segments.length - 1);
  if (!segments.every(isWhole)) return null;
  // An encoded slash makes two segments of what was sent as one.
  if (sent.split('/').length !== decoded.split('/').length) return null;
  if (!URL.canParse(sent, ANY_HOST)) return null;
  return decode(new URL(sent, ANY_HOST).pathname) === decoded ? decoded : null;
}

function decode(path: string): string | null {
  try {
    return decodeURIComponent(path);
  } catch {
    return null;
  }
}
