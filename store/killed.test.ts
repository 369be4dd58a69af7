import { spawn } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createRandom } from '../core/grid/index';
import { openStore } from './index';

/** Runs the writer until it has said so many numbers, then kills it outright; the last number it said. */
function writeAndKill(folder: string, after: number): Promise<number> {
  return new Promise((resolve, reject) => {
    const child = spawn('npx', ['tsx', 'store/fixtures/write-many.ts', folder], { detached: true });
    let said = 0;
    let text = '';
    let killed = false;
    child.stdout.on('data', (chunk: Buffer) => {
      text += String(chunk);
      const lines = text.split('\n');
      text = lines.pop()!;
      for (const line of lines) said = Number(line);
      if (killed || lines.length === 0 || said < after) return;
      killed = true;
      process.kill(-child.pid!, 'SIGKILL');
    });
    child.on('error', reject);
    child.on('close', () => resolve(said));
  });
}

it('killed outright six times during a thousand writes: all that was acknowledged is there, once', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'pebble-killed-'));
  const random = createRandom(7);
  let acknowledged = 0;
  for (let n = 0; n < 6; n++) {
    acknowledged = Math.max(
      acknowledged,
      await writeAndKill(folder, acknowledged + 20 + Math.floor(120 * random())),
    );
    const db = await openStore(folder);
    const kept = await db.selectFrom('try_events').select('seq').orderBy('seq').execute();
    await db.destroy();
    const seqs = kept.map((e) => e.seq);
    expect(seqs.length).toBeGreaterThanOrEqual(acknowledged);
    expect(seqs).toEqual(Array.from({ length: seqs.length }, (_, i) => i + 1));
  }
  acknowledged = await writeAndKill(folder, Infinity);
  expect(acknowledged).toBe(1000);
});
