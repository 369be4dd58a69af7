import { mkdtempSync, readFileSync, truncateSync, writeFileSync } from 'node:fs';
import { execFileSync } from 'node:child_process';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { FIRST_BEAT_FILE } from '../demo/first-beat';
import { createRandom } from '../core/grid/index';
import { startFreshBook } from '../store/fixtures/books';
import { newestBackup, keptBackups } from './backup-files';
import { backUpBook, closeBook, keepPhoto, restoreFile, saveBeat, writeBackup } from './index';

const fresh = async () => {
  await closeBook();
  startFreshBook('pebble-archive-');
};
beforeEach(fresh);
afterAll(closeBook);
const folder = () => mkdtempSync(join(tmpdir(), 'pebble-archives-'));

async function bookWithPhotos(): Promise<void> {
  await saveBeat({ id: 'b1', streamName: 'Thrum', file: FIRST_BEAT_FILE });
  for (const id of ['p1', 'p2'])
    await keepPhoto(
      id,
      new Uint8Array(
        await sharp({ create: { width: 60, height: 40, channels: 3, background: '#456' } })
          .png()
          .toBuffer(),
      ),
    );
}

it('is an archive that others open, with photographs as pictures; restored it is the same book', async () => {
  await bookWithPhotos();
  const before = (await backUpBook()).tables;
  const path = await writeBackup(folder(), 1.7e12);
  const listed = execFileSync('unzip', ['-l', path], { encoding: 'utf8' });
  for (const file of ['book.json', 'tables/beats.ndjson', 'photos/p1.jpg', 'photos/p2.jpg'])
    expect(listed).toContain(file);
  const picture = execFileSync('unzip', ['-p', path, 'photos/p1.jpg']);
  expect(await sharp(picture).metadata()).toMatchObject({ format: 'jpeg', width: 60 });
  await fresh();
  const dry = await restoreFile(path, true);
  expect(dry.ok && dry.value.tables.find((t) => t.table === 'photos')).toMatchObject({ taken: 2 });
  expect((await backUpBook()).tables.photos).toEqual([]);
  expect((await restoreFile(path, false)).ok).toBe(true);
  expect((await backUpBook()).tables).toEqual(before);
  const again = await restoreFile(path, false);
  expect(again.ok && again.value.tables.find((t) => t.table === 'photos')).toMatchObject({
    taken: 0,
    known: 2,
  });
});

it('cut off anywhere it is refused; with one bit changed it is refused, or the same book (seeded)', async () => {
  await bookWithPhotos();
  const before = (await backUpBook()).tables;
  const path = await writeBackup(folder(), 1.7e12);
  const whole = readFileSync(path);
  await fresh();
  const random = createRandom(31);
  const harmed = join(folder(), 'harmed.zip');
  for (let n = 0; n < 20; n++) {
    writeFileSync(harmed, whole);
    truncateSync(harmed, Math.floor(random() * whole.length));
    await expect(restoreFile(harmed, false)).rejects.toThrow(
      /is no whole backup|is not valid|ENOENT/,
    );
  }
  let taken = 0;
  for (let n = 0; n < 60; n++) {
    const bytes = Buffer.from(whole);
    bytes[Math.floor(random() * bytes.length)]! ^= 1 << Math.floor(random() * 8);
    writeFileSync(harmed, bytes);
    const told = await restoreFile(harmed, true).catch(() => null);
    if (!told?.ok) continue;
    // Dates and rights of files within the archive say nothing of the book.
    expect((await restoreFile(harmed, false)).ok).toBe(true);
    expect((await backUpBook()).tables).toEqual(before);
    taken++;
    await fresh();
  }
  expect((await backUpBook()).tables.beats).toEqual([]);
  expect(taken).toBeLessThan(20);
});

it('a clock that ran ahead once ends no backups, and what it dated is not thrown away', () => {
  const name = (ms: number) =>
    `pebble-lane-${new Date(ms).toISOString().slice(0, 19).replaceAll(':', '')}Z.zip`;
  const now = Date.parse('2026-06-13T07:40:00Z');
  const ahead = name(Date.parse('2038-01-19T00:00:00Z'));
  expect(newestBackup([ahead], now)).toBeNull();
  expect(newestBackup([ahead, name(now - 5000)], now)).toBe(now - 5000);
  expect(keptBackups([ahead, name(now)], now)).toEqual(new Set([ahead, name(now)]));
});
