/** @jest-environment node */
import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createRandom } from '../core/grid/index';
import { CLOSED, spellings } from './fixtures/spellings';
import { openPaths } from './open-paths';
import { pathOf } from './path';

it.each([
  ['/', '/'],
  ['/outing/', '/outing/'],
  ['/b/sallow-steps/read?level=fair&at=2026-06-13T09:40', '/b/sallow-steps/read'],
  ['/api/v1/outings/o1/tries.csv', '/api/v1/outings/o1/tries.csv'],
  ['/_next/static/chunks/%5Bid%5D.js', '/_next/static/chunks/[id].js'],
  ['/api/v1/marks/a%20b', '/api/v1/marks/a b'],
])('%s is the path %s', (url, path) => expect(pathOf(url)).toBe(path));

it.each([
  '/_next/static/../../phones',
  '/_next/static/%2e%2e/%2e%2e/phones',
  '/a/./b',
  '/a//b',
  '//a',
  '/a%2fb',
  '/a%252fb',
  '/a%5cb',
  '/a\\b',
  '/a;b',
  '/%ef%bc%8e%ef%bc%8e/phones',
  '/a%00',
  '/%',
  'a',
  '',
  'http://x/a',
])('%s is not its own normal form', (url) => expect(pathOf(url)).toBeNull());

describe('what is open', () => {
  const root = mkdtempSync(join(tmpdir(), 'pebble-open-'));
  mkdirSync(join(root, '.next/static/chunks'), { recursive: true });
  writeFileSync(join(root, '.next/static/chunks/main-1.js'), '');
  const open = openPaths(root);

  it('is the entrance, and files of the build that are there', () => {
    for (const path of ['/pair', '/api/v1/health', '/_next/static/chunks/main-1.js'])
      expect(open.has(path)).toBe(true);
    for (const path of [...CLOSED, '/_next/static/', '/_next/static/chunks/other.js', '/pair/'])
      expect(open.has(path)).toBe(false);
  });

  it('is none of fifty thousand spellings of what is closed', () => {
    const random = createRandom(20261201);
    const letIn = spellings(random, 50_000).filter((url) => open.has(pathOf(url) ?? 'refused'));
    // "/pair" and a question or a fragment behind it is the entrance itself, whatever the question says.
    expect(letIn.filter((url) => pathOf(url) !== '/pair')).toEqual([]);
  });
});
