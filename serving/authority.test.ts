/** @jest-environment node */
import { X509Certificate } from 'node:crypto';
import { mkdtempSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { certificateFor } from './authority';

const folder = () => mkdtempSync(join(tmpdir(), 'pebble-tls-'));
const DAY = 86_400_000;
const now = Date.parse('2026-06-13T07:40:00Z');

it('a leaf for every address, signed by an authority of this machine, kept and used again', async () => {
  const at = folder();
  const first = await certificateFor(at, ['192.0.2.7', '127.0.0.1', 'localhost'], now);
  const leaf = new X509Certificate(first.certPem);
  const authority = new X509Certificate(first.authorityPem);
  expect(leaf.checkIP('192.0.2.7')).toBe('192.0.2.7');
  expect(leaf.checkHost('localhost')).toBe('localhost');
  expect(leaf.checkIP('192.0.2.8')).toBeUndefined();
  expect([leaf.ca, authority.ca]).toEqual([false, true]);
  expect(leaf.verify(authority.publicKey)).toBe(true);
  expect(first.fingerprint).toMatch(/^([0-9A-F]{2}:){31}[0-9A-F]{2}$/);
  const again = await certificateFor(at, ['192.0.2.7', '127.0.0.1'], now + 100 * DAY);
  expect(again).toMatchObject({ certPem: first.certPem, renewed: false });
});

it('is renewed in its last month and for a new address; the authority stays', async () => {
  const at = folder();
  const first = await certificateFor(at, ['127.0.0.1'], now);
  const later = await certificateFor(at, ['127.0.0.1'], now + 151 * DAY);
  expect(later.renewed).toBe(true);
  expect(later.leafEndsMs).toBeGreaterThan(first.leafEndsMs + 100 * DAY);
  const moved = await certificateFor(at, ['127.0.0.1', '192.0.2.9'], now + 152 * DAY);
  expect(moved.renewed).toBe(true);
  expect(moved.fingerprint).toBe(first.fingerprint);
});

it('keys are for the owner alone; a torn file is made anew', async () => {
  const at = folder();
  await certificateFor(at, ['127.0.0.1'], now);
  expect(statSync(join(at, 'leaf.key')).mode & 0o077).toBe(0);
  expect(statSync(join(at, 'authority.key')).mode & 0o077).toBe(0);
  writeFileSync(join(at, 'leaf.crt'), '-----BEGIN CERTIFICATE-----\nMII');
  expect((await certificateFor(at, ['127.0.0.1'], now)).renewed).toBe(true);
});
