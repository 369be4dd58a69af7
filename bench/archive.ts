import { mkdtempSync, rmSync, statSync } from 'node:fs';
import { randomFillSync } from 'node:crypto';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { performance } from 'node:perf_hooks';
import { closeBook, restoreFile, writeBackup } from '../services/index';
import { book } from '../services/book';
import { putPhoto } from '../store/index';

/**
 * `npx tsx bench/archive.ts [gigabytes=5]`: a book with so many gigabytes of photographs is backed up, tried
 * dry and restored into another folder. Prints what each took, and the most memory that the process held.
 */
const GIGA = Number(process.argv[2] ?? 5);
const PHOTO_BYTES = 800_000;
const at = (name: string) => mkdtempSync(join(tmpdir(), `pebble-${name}-`));
const folders = { from: at('from'), to: at('to'), kept: at('kept') };
let mostMb = 0;
setInterval(() => (mostMb = Math.max(mostMb, process.memoryUsage().rss / 1e6)), 50).unref();

async function took<T>(what: string, work: () => Promise<T>): Promise<T> {
  mostMb = process.memoryUsage().rss / 1e6;
  const began = performance.now();
  const value = await work();
  const s = (performance.now() - began) / 1000;
  console.log(`${what}: ${s.toFixed(0)} s, at most ${mostMb.toFixed(0)} MB held`);
  return value;
}

async function main(): Promise<void> {
  process.env.PEBBLE_LANE_DATA = folders.from;
  const count = Math.round((GIGA * 1e9) / PHOTO_BYTES);
  await took(`${count} photographs kept`, async () => {
    const db = await book();
    for (let n = 0; n < count; n++) {
      const bytes = randomFillSync(new Uint8Array(PHOTO_BYTES));
      await putPhoto(db, { id: `p${n}`, bytes, width: 2400, height: 1800 }, 1e12);
    }
  });
  const path = await took('backed up and looked through', () =>
    writeBackup(folders.kept, Date.now()),
  );
  console.log(`the archive: ${(statSync(path).size / 1e9).toFixed(2)} GB`);
  await closeBook();
  process.env.PEBBLE_LANE_DATA = folders.to;
  const dry = await took('tried dry', () => restoreFile(path, true));
  const taken = await took('restored', () => restoreFile(path, false));
  for (const told of [dry, taken])
    if (!told.ok || told.value.tables.find((t) => t.table === 'photos')!.taken !== count)
      throw new Error('not every photograph was taken');
  await closeBook();
}

main()
  .catch((error: unknown) => {
    console.error(error);
    process.exitCode = 1;
  })
  .finally(() => {
    for (const folder of Object.values(folders)) rmSync(folder, { recursive: true, force: true });
  });
