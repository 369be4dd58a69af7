import { mkdtempSync, readdirSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import BetterSqlite3 from 'better-sqlite3';
import { Kysely, Migrator, SqliteDialect } from 'kysely';
import { FIRST_BEAT_FILE } from '../demo/first-beat';
import { readBeat, type BeatPlan } from '../core/formats/index';
import { MIGRATIONS } from './migrations';
import {
  DATABASE_FILE,
  findBeat,
  listBeats,
  listMarks,
  listStreams,
  listTries,
  openStore,
} from './index';

const plan = (readBeat(FIRST_BEAT_FILE) as { plan: BeatPlan }).plan;

/** A book as the first release left it, with one of everything. */
async function oldBook(): Promise<string> {
  const folder = mkdtempSync(join(tmpdir(), 'pebble-old-'));
  const sqlite = new BetterSqlite3(join(folder, DATABASE_FILE));
  const db = new Kysely<unknown>({ dialect: new SqliteDialect({ database: sqlite }) });
  const first = Object.fromEntries(
    Object.entries(MIGRATIONS).filter(([name]) => name === '2026-001-first-light'),
  );
  const { error } = await new Migrator({
    db,
    provider: { getMigrations: async () => first },
  }).migrateToLatest();
  if (error) throw error;
  sqlite.exec(`
    insert into streams values ('s1', 'Thrum');
    insert into beats values ('b1', 's1', 'Sallow Steps', '${JSON.stringify(plan).replaceAll("'", "''")}', 'h1', 1);
    insert into marks values ('m1', 'b1', 3, 1, 0.4, 0, 27, 'sure', 1, 0);
    insert into outings values ('o1', 'b1', '2026-06-13');
    insert into tries values ('t1', 'o1', 'b1', 'm1', 'Ant', 1, 120, '{}');
    insert into try_events (id, try_id, seq, code, client_ms, zone_offset_min, detail_json)
      values ('e1', 't1', 1, 'cast', 1, 120, '{}');`);
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
  ]);
  expect(await listStreams(db)).toEqual([{ id: 's1', name: 'Thrum' }]);
  expect((await findBeat(db, 'b1'))!.madeFrom).toBeNull();
  expect(await listMarks(db, 'b1')).toHaveLength(1);
  expect((await listTries(db, 'b1'))[0]!.events).toHaveLength(1);
  expect(readdirSync(folder)).toContain('before-2026-002-water.sqlite');
  await db.destroy();
  const before = new BetterSqlite3(join(folder, 'before-2026-002-water.sqlite'), {
    readonly: true,
  });
  expect(before.prepare('select count(*) as n from beats').get()).toEqual({ n: 1 });
  expect(() => before.prepare('select put_away from beats').get()).toThrow('no such column');
  before.close();
});

it('migrations keep their order and their names: a released one is never taken out', () => {
  expect(Object.keys(MIGRATIONS)).toEqual([
    '2026-001-first-light',
    '2026-002-water',
    '2026-003-lies',
    '2026-004-spot',
  ]);
});
