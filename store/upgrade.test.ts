import { mkdtempSync, readdirSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Kysely, Migrator, SqliteDialect } from 'kysely';
import { readBeat, type BeatPlan } from '../core/formats/index';
import { FIRST_BEAT_FILE } from '../demo/first-beat';
import { fillFirstBook } from './fixtures/first-book';
import { MIGRATIONS } from './migrations';
import { openSqlite } from './sqlite';
import {
  DATABASE_FILE,
  findBeat,
  listBeats,
  listMarks,
  listOutings,
  listStreams,
  listTries,
  openStore,
} from './index';

const FIRST_PLAN = (readBeat(FIRST_BEAT_FILE) as { plan: BeatPlan }).plan;

/** A book as the first release left it, with one of everything. */
async function oldBook(): Promise<string> {
  const folder = mkdtempSync(join(tmpdir(), 'pebble-old-'));
  const sqlite = openSqlite(join(folder, DATABASE_FILE));
  const db = new Kysely<unknown>({ dialect: new SqliteDialect({ database: sqlite }) });
  const first = Object.fromEntries(
    Object.entries(MIGRATIONS).filter(([name]) => name === '2026-001-first-light'),
  );
  const { error } = await new Migrator({
    db,
    provider: { getMigrations: async () => first },
  }).migrateToLatest();
  if (error) throw error;
  fillFirstBook(sqlite, FIRST_PLAN);
  sqlite.close();
  return folder;
}

it('a book of the first release opens with all it held, and a copy of it as it was', async () => {
  const folder = await oldBook();
  const db = await openStore(folder);
  expect(await listBeats(db)).toMatchObject([
    {
      id: 'b1',
      name: 'Sallow Steps',
      streamName: 'Thrum',
      putAway: false,
      deleted: false,
      madeBy: 'survey',
    },
    // Two streams of one name have become the older one.
    { id: 'b2', streamId: 's1', streamName: 'Thrum' },
  ]);
  expect(await listStreams(db)).toEqual([{ id: 's1', name: 'Thrum' }]);
  expect((await findBeat(db, 'b1'))!.madeFrom).toBeNull();
  expect(await listMarks(db, 'b1')).toHaveLength(1);
  // Outings of one date are one day over both beats; the tries are in it with what they knew.
  const outings = await listOutings(db, 9);
  expect(outings).toEqual([
    expect.objectContaining({ id: 'outing-2026-07-01', endMs: Date.parse('2026-07-01') }),
    { id: 'outing-2026-06-13', startMs: 1, endMs: 9, timeZone: 'Etc/GMT-2', note: '' },
  ]);
  const [first] = await listTries(db, 'b1');
  expect(first).toMatchObject({
    outingId: 'outing-2026-06-13',
    events: [{ id: 'e1', device: '' }],
  });
  expect(first!.snapshot).toMatchObject({
    version: 1,
    planHash: null,
    water: { tempC: 11, tempSource: 'read', turbidityNtu: null },
    target: { xM: 3, yM: 1, depthM: null },
  });
  expect((await listTries(db, 'b2'))[0]).toMatchObject({ markId: null, outingId: outings[1]!.id });
  const summed = await db.selectFrom('tries').select(['casts', 'water_temp_c']).execute();
  expect(summed).toEqual([
    { casts: 1, water_temp_c: 11 },
    { casts: 0, water_temp_c: null },
  ]);
  await expect(
    db
      .deleteFrom('try_events')
      .execute()
      .catch((e: { message: string }) => e.message),
  ).resolves.toContain('append-only');
  expect(readdirSync(folder)).toContain('before-2026-002-water.sqlite');
  await db.destroy();
  const before = openSqlite(join(folder, 'before-2026-002-water.sqlite'), {
    readonly: true,
  });
  expect(before.prepare('select count(*) as n from beats').get()).toEqual({ n: 2 });
  expect(() => before.prepare('select put_away from beats').get()).toThrow('no such column');
  before.close();
});

it('keeps a copy before it migrates an older book', async () => {
  const old = mkdtempSync(join(tmpdir(), 'pebble-old-'));
  openSqlite(join(old, DATABASE_FILE)).exec('create table note (text text)').close();
  const db = await openStore(old);
  expect(readdirSync(old).filter((f) => f.startsWith('before-'))).toEqual([
    'before-2026-001-first-light.sqlite',
  ]);
  await db.destroy();
});

it('migrations keep their order and their names: a released one is never taken out', () => {
  expect(Object.keys(MIGRATIONS)).toEqual([
    '2026-001-first-light',
    '2026-002-water',
    '2026-003-lies',
    '2026-004-spot',
    '2026-005-outings',
    '2026-006-bank',
    '2026-007-places',
    '2026-008-day',
    '2026-009-orders',
    '2026-010-changes',
  ]);
});
