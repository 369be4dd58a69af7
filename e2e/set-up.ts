import { execFileSync } from 'node:child_process';
import { cpSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { build } from 'esbuild';
import { DEMO_NOW } from '../demo/names';
import { FOLDER, hashOfSources, madeOnce } from '../testing/kept';
import { BOOK, RUN, SERVING } from './run';

/** What a book is made by. */
const ROOMS = ['core', 'demo', 'e2e', 'services', 'store', 'workers'];

/** Once a run: the server bundled, the book made. What is given back takes the run's folder away. */
export default async function setUp(): Promise<() => void> {
  await build({
    entryPoints: ['serving/main.ts'],
    outfile: SERVING,
    bundle: true,
    platform: 'node',
    format: 'cjs',
    target: 'node20',
    packages: 'external',
    logLevel: 'warning',
  });
  // The thread that works a beat out is run as it was built.
  const version = hashOfSources([...ROOMS, 'dist-workers']);
  cpSync(madeOnce(join(FOLDER, `book-${version}`), makeBook), BOOK, { recursive: true });
  return () => rmSync(RUN, { recursive: true, force: true });
}

function makeBook(folder: string): void {
  execFileSync('npx', ['tsx', 'e2e/make-book.ts'], {
    env: {
      ...process.env,
      PEBBLE_LANE_DATA: folder,
      PEBBLE_NOW: DEMO_NOW,
      // The sharper picture takes minutes: it is asked for where it is tried.
      PEBBLE_DEMO_SHARPEN: 'when-asked',
      // Checks count what they try themselves.
      PEBBLE_DEMO_HISTORY: 'none',
    },
  });
}
