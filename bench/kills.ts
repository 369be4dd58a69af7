import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildSync } from 'esbuild';
import { createRandom } from '../core/grid/index';
import { openStore } from '../store/index';

/**
 * `npx tsx bench/kills.ts [kills=1000]`: a process that writes events into a book is killed outright, again
 * and again, at moments that a seed chooses; after each hundred kills the book is opened and looked through.
 * Ends with 1 where an acknowledged event is missing, is there twice, or the book does not open.
 */
const KILLS = Number(process.argv[2] ?? 1000);
const LOOK_EVERY = 100;
const random = createRandom(31);
const folder = mkdtempSync(join(tmpdir(), 'pebble-kills-'));
const writer = join(process.cwd(), 'dist-serving', 'write-on.cjs');
buildSync({
  entryPoints: ['store/fixtures/write-on.ts'],
  outfile: writer,
  bundle: true,
  platform: 'node',
  format: 'cjs',
  external: ['better-sqlite3', 'better-sqlite3-compiled', 'pg', 'pg-native'],
  logLevel: 'error',
});

/** Runs the writer for so long after its first word, then kills it; the last number that it said. */
function writeAndKill(ms: number): Promise<number> {
  return new Promise((resolve, reject) => {
    const child = spawn(process.execPath, [writer, folder], {
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    let said = 0;
    let text = '';
    child.stdout.once('data', () => setTimeout(() => child.kill('SIGKILL'), ms));
    child.stdout.on('data', (part: Buffer) => {
      const lines = (text + part.toString()).split('\n');
      text = lines.pop()!;
      if (lines.length > 0) said = Number(lines.at(-1));
    });
    child.on('error', reject);
    child.on('close', () => resolve(said));
  });
}

async function main(): Promise<void> {
  let acknowledged = 0;
  for (let kill = 1; kill <= KILLS; kill++) {
    acknowledged = Math.max(acknowledged, await writeAndKill(60 * random()));
    if (kill % LOOK_EVERY > 0) continue;
    const db = await openStore(folder);
    const kept = await db.selectFrom('try_events').select('seq').orderBy('seq').execute();
    await db.destroy();
    const once = kept.every((e, i) => e.seq === i + 1);
    if (kept.length < acknowledged || !once)
      throw new Error(`after ${kill} kills: ${kept.length} kept of ${acknowledged} acknowledged`);
    console.log(`${kill} kills: ${acknowledged} acknowledged, ${kept.length} kept, each once`);
  }
  rmSync(folder, { recursive: true, force: true });
}
main().catch((error: unknown) => {
  console.error(error);
  process.exitCode = 1;
});
