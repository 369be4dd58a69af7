import { readdirSync } from 'node:fs';
import { join } from 'node:path';

/** Where a phone that is not paired begins: each path whole, none by its beginning. */
const ENTRANCE = [
  '/pair',
  '/trust',
  '/trust/authority.crt',
  '/api/v1/pair',
  '/api/v1/health',
  '/sw.js',
  '/manifest.webmanifest',
  '/icon.svg',
  '/icon-192.png',
  '/icon-512.png',
  '/apple-icon.png',
  '/favicon.ico',
] as const;

/** What the pages of the entrance are made of, and where it lies in the build. */
const MADE_OF = { under: '/_next/static', folder: '.next/static' } as const;

/**
 * What may be asked for without being paired: the entrance, and files of the build that are there.
 * `root` is the folder of the program. A path that names no file is not open, whatever it begins with.
 */
export function openPaths(root: string): ReadonlySet<string> {
  return new Set([
    ...ENTRANCE,
    ...filesBelow(join(root, MADE_OF.folder)).map((file) => `${MADE_OF.under}/${file}`),
  ]);
}

function filesBelow(folder: string): string[] {
  return readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map((entry) => join(entry.parentPath, entry.name).slice(folder.length + 1));
}
