import { createHash, X509Certificate } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { isIP } from 'node:net';
import { join } from 'node:path';
import { generate } from 'selfsigned';

/** What a server needs to speak TLS, and what a phone needs to trust it. */
export interface Authority {
  /** PEM of the authority made on this machine; a phone installs this one. */
  authorityPem: string;
  /** SHA-256 of the authority, "AB:CD:…", to be compared by eye. */
  fingerprint: string;
  /** PEM of the leaf with the authority behind it, and its key. */
  certPem: string;
  keyPem: string;
  /** SHA-256 of the leaf's public key, base64: what a test may pin. */
  leafSpki: string;
  leafEndsMs: number;
  /** True when the leaf was made anew by this call. */
  renewed: boolean;
}

const DAY_MS = 86_400_000;
/** An authority outlives a phone; a leaf is kept short and renewed by itself. */
const AUTHORITY_DAYS = 3650;
const LEAF_DAYS = 180;
const RENEW_BEFORE_DAYS = 30;
/** Clocks of phones may be behind. */
const BEFORE_DAYS = 1;

/**
 * The certificate for these host names and addresses, from files in `folder`: made on first use,
 * made anew when `force` says so, when it ends within 30 days, when an address is not in it, or when a file does not hold
 * together. The authority stays, so that phones go on trusting it. Keys are readable by the owner only.
 */
export async function certificateFor(
  folder: string,
  hosts: readonly string[],
  nowMs: number,
  force = false,
): Promise<Authority> {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const authority = await authorityIn(folder, nowMs);
  const kept = readPair(folder, 'leaf');
  const keptCert = kept && readable(kept.cert);
  const holds =
    !force &&
    keptCert !== null &&
    keptCert.verify(new X509Certificate(authority.cert).publicKey) &&
    Date.parse(keptCert.validTo) - nowMs > RENEW_BEFORE_DAYS * DAY_MS &&
    hosts.every((h) => covers(keptCert, h));
  const leaf = holds ? kept! : await makeLeaf(authority, hosts, nowMs);
  if (!holds) writePair(folder, 'leaf', leaf);
  const cert = new X509Certificate(leaf.cert);
  return {
    authorityPem: authority.cert,
    fingerprint: new X509Certificate(authority.cert).fingerprint256,
    certPem: `${leaf.cert.trim()}\n${authority.cert}`,
    keyPem: leaf.key,
    leafSpki: createHash('sha256')
      .update(cert.publicKey.export({ type: 'spki', format: 'der' }))
      .digest('base64'),
    leafEndsMs: Date.parse(cert.validTo),
    renewed: !holds,
  };
}

interface Pair {
  cert: string;
  key: string;
}

async function authorityIn(folder: string, nowMs: number): Promise<Pair> {
  const kept = readPair(folder, 'authority');
  const cert = kept && readable(kept.cert);
  if (kept && cert && Date.parse(cert.validTo) - nowMs > LEAF_DAYS * DAY_MS) return kept;
  const made = await generate([{ name: 'commonName', value: 'Pebble Lane on this machine' }], {
    keyType: 'ec',
    curve: 'P-256',
    algorithm: 'sha256',
    notBeforeDate: new Date(nowMs - BEFORE_DAYS * DAY_MS),
    notAfterDate: new Date(nowMs + AUTHORITY_DAYS * DAY_MS),
    extensions: [
      { name: 'basicConstraints', cA: true, pathLenConstraint: 0, critical: true },
      { name: 'keyUsage', keyCertSign: true, cRLSign: true, critical: true },
    ],
  });
  const pair = { cert: made.cert, key: made.private };
  writePair(folder, 'authority', pair);
  return pair;
}

async function makeLeaf(authority: Pair, hosts: readonly string[], nowMs: number): Promise<Pair> {
  const made = await generate([{ name: 'commonName', value: hosts[0] ?? 'localhost' }], {
    keyType: 'ec',
    curve: 'P-256',
    algorithm: 'sha256',
    notBeforeDate: new Date(nowMs - BEFORE_DAYS * DAY_MS),
    notAfterDate: new Date(nowMs + LEAF_DAYS * DAY_MS),
    ca: authority,
    extensions: [
      { name: 'basicConstraints', cA: false, critical: true },
      { name: 'keyUsage', digitalSignature: true, critical: true },
      { name: 'extKeyUsage', serverAuth: true },
      {
        name: 'subjectAltName',
        altNames: hosts.map((h) => (isIP(h) ? { type: 7, ip: h } : { type: 2, value: h })),
      },
    ],
  });
  return { cert: made.cert, key: made.private };
}

const covers = (cert: X509Certificate, host: string) =>
  (isIP(host) ? cert.checkIP(host) : cert.checkHost(host)) !== undefined;

function readable(pem: string): X509Certificate | null {
  try {
    return new X509Certificate(pem);
  } catch {
    return null;
  }
}

function readPair(folder: string, name: string): Pair | null {
  const [cert, key] = [join(folder, `${name}.crt`), join(folder, `${name}.key`)];
  if (!existsSync(cert) || !existsSync(key)) return null;
  return { cert: readFileSync(cert, 'utf8'), key: readFileSync(key, 'utf8') };
}

/** Whole or not at all: a name is given only once the bytes are there. The key first. */
function writePair(folder: string, name: string, { cert, key }: Pair): void {
  for (const [ending, text, mode] of [
    ['key', key, 0o600],
    ['crt', cert, 0o644],
  ] as const) {
    const path = join(folder, `${name}.${ending}`);
    writeFileSync(`${path}.new`, text, { mode });
    renameSync(`${path}.new`, path);
  }
}
