import { execFileSync } from 'node:child_process';
import { cpSync, existsSync, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { build } from 'esbuild';
import { DEMO_NOW } from '../demo/names';
import { FOLDER, hashOfSources } from '../testing/kept';
import { BOOK, RUN, SERVING } from './run';

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
  const kept = join(
    FOLDER,
    `book-${hashOfSources(['core', 'demo', 'e2e', 'services', 'store', 'workers'])}`,
  );
  if (!existsSync(kept)) {
    const making = `${kept}.${process.pid}`;
    makeBook(making);
    renameSync(making, kept);
  }
  cpSync(kept, BOOK, { recursive: true });
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
