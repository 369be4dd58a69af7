import { execFileSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, truncateSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { FIRST_BEAT_FILE } from '../demo/first-beat';
import { EMPTY_SNAPSHOT } from '../core/log/index';
import { startFreshBook } from '../store/fixtures/books';
import { backupMs, keptBackups } from './backup-files';
import {
  backUpBook,
  backupPlan,
  beginTry,
  closeBook,
  recordEvent,
  restoreFile,
  saveBeat,
  writeBackup,
} from './index';

const fresh = async () => {
  await closeBook();
  startFreshBook('pebble-files-');
};
beforeEach(fresh);
afterAll(closeBook);
const DAY = 86_400_000;

async function fill(): Promise<void> {
  await saveBeat({ id: 'b1', streamName: 'Thrum', file: FIRST_BEAT_FILE });
  const outing = { id: 'o1', startMs: 1, endMs: null, timeZone: 'UTC', note: '' };
  const zone = { zoneOffsetMin: 0 };
  const attempt = { id: 't1', beatId: 'b1', markId: null, fly: 'Dun', openedMs: 5, ...zone };
  await beginTry({ ...attempt, snapshot: EMPTY_SNAPSHOT }, outing);
  for (let seq = 1; seq <= 3; seq++)
    await recordEvent('t1', {
      id: `e${seq}`,
      device: 'd',
      seq,
      code: 'cast',
      clientMs: seq,
      ...zone,
    });
}

it('what is backed up is, in another folder, the same book', async () => {
  await fill();
  const folder = mkdtempSync(join(tmpdir(), 'pebble-kept-'));
  const path = await writeBackup(folder, Date.parse('2026-06-13T07:40:09Z'));
  expect(readdirSync(folder)).toEqual(['pebble-lane-2026-06-13T074009Z.zip']);
  const before = (await backUpBook()).tables;
  await fresh();
  expect((await backUpBook()).tables.beats).toEqual([]);
  expect(await restoreFile(path, true)).toMatchObject({ value: { dry: true } });
  expect((await backUpBook()).tables.beats).toEqual([]);
  expect((await restoreFile(path, false)).ok).toBe(true);
  expect((await backUpBook()).tables).toEqual(before);
});

it('by the command: backed up here, tried dry and restored there', async () => {
  await fill();
  await closeBook();
  const run = (...args: string[]) =>
    execFileSync(process.execPath, ['--import', 'tsx', 'serving/restore.ts', ...args], {
      encoding: 'utf8',
      stdio: 'pipe',
      // The sandbox of a test has an environment of its own.
      env: process.env,
    });
  const folder = mkdtempSync(join(tmpdir(), 'pebble-kept-'));
  expect(run('backup', folder)).toMatch(/^Written: /);
  const path = join(folder, readdirSync(folder)[0]!);
  startFreshBook('pebble-there-');
  expect(run('restore', path, '--dry')).toContain('try_events: 3 new, 0 here already');
  expect(run('restore', path)).toContain('try_events: 3 new');
  expect(run('restore', path)).toContain('try_events: 0 new, 3 here already');
  expect(() => run('restore', join(folder, 'none'))).toThrow(/ENOENT/);
});

it('a backup that was cut off, or is another file, is refused, and the book stays as it was', async () => {
  await fill();
  const folder = mkdtempSync(join(tmpdir(), 'pebble-kept-'));
  const path = await writeBackup(folder, 1e12);
  truncateSync(path, Math.floor(readFileSync(path).length / 2));
  await expect(restoreFile(path, false)).rejects.toThrow(/is no whole backup/);
  const other = join(folder, 'other.json');
  writeFileSync(other, '{"pebbleLaneBook": 2}');
  expect(await restoreFile(other, false)).toMatchObject({ ok: false });
});

it('the newest of seven days, five weeks and twelve months stay; files of others are never touched', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'pebble-kept-'));
  writeFileSync(join(folder, 'notes.txt'), 'mine');
  const start = Date.parse('2026-01-05T03:00:00Z');
  const nameOf = (ms: number) =>
    `pebble-lane-${new Date(ms).toISOString().slice(0, 19).replaceAll(':', '')}Z.zip`;
  const last = start + 119 * DAY + DAY / 2;
  for (let ms = start; ms < last; ms += DAY / 2) writeFileSync(join(folder, nameOf(ms)), '');
  expect(await writeBackup(folder, last)).toBe(join(folder, nameOf(last)));
  const left = readdirSync(folder);
  expect(left).toContain('notes.txt');
  const days = left.flatMap((n) => (backupMs(n) === null ? [] : n.slice(12, 22)));
  // 4 May is the last; seven days, the ends of the weeks before, and of the months.
  expect(days).toEqual([
    '2026-01-31',
    '2026-02-28',
    '2026-03-31',
    '2026-04-12',
    '2026-04-19',
    '2026-04-26',
    '2026-04-28',
    '2026-04-29',
    '2026-04-30',
    '2026-05-01',
    '2026-05-02',
    '2026-05-03',
    '2026-05-04',
  ]);
  expect(left.filter((n) => n.includes('T030000')).length).toBe(0);
  expect(keptBackups(['pebble-lane-2026-01-01T000000Z.json.gz', 'x'], last).size).toBe(1);
});

it('is asked for by a folder; hours that are none are said', () => {
  expect(backupPlan({})).toBeNull();
  expect(backupPlan({ PEBBLE_BACKUP: '/b' })).toEqual({ folder: '/b', everyH: 24 });
  expect(() => backupPlan({ PEBBLE_BACKUP: '/b', PEBBLE_BACKUP_HOURS: 'daily' })).toThrow(
    'PEBBLE_BACKUP_HOURS is "daily"; it must be a number from 1 to 168.',
  );
});
