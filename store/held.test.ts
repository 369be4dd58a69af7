import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setImmediate as turn, setTimeout as pause } from 'node:timers/promises';
import { DATABASE_FILE, listOutings, openStore, putOuting, type Db } from './index';
import { openSqlite } from './sqlite';

const outing = (id: string) => ({ id, startMs: 1, endMs: null, timeZone: 'UTC', note: '' });
let folder: string;
let db: Db;
beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'pebble-held-'));
  db = await openStore(folder);
});
afterEach(() => db.destroy());

it('another program holds the book: a write waits for it, and everything else goes on', async () => {
  await putOuting(db, outing('before'));
  const other = openSqlite(join(folder, DATABASE_FILE));
  other.exec('begin immediate');
  let isKept = false;
  const write = putOuting(db, outing('held')).then(() => (isKept = true));
  let turns = 0;
  for (let n = 0; n < 20; n++) {
    expect(await listOutings(db, 9)).toHaveLength(1);
    await pause(5);
    turns++;
  }
  expect([turns, isKept]).toEqual([20, false]);
  other.exec('rollback');
  await write;
  expect(await listOutings(db, 9)).toHaveLength(2);
  other.close();
});

it('a long change lets others have their turn, and shows nothing of itself before it is whole', async () => {
  let over = false;
  let turns = 0;
  const seen = new Set<number>();
  const beside = (async () => {
    while (!over) {
      seen.add((await listOutings(db, 9_999)).length);
      turns++;
      await turn();
    }
  })();
  await db.transaction().execute(async (trx) => {
    for (let n = 0; n < 3000; n++) await putOuting(trx, outing(`o${n}`));
  });
  over = true;
  await beside;
  expect(turns).toBeGreaterThan(3);
  expect([...seen].filter((n) => n !== 0 && n !== 3000)).toEqual([]);
});

it('a disk that is full is said to be full, not that no transaction is active, and the next write works', async () => {
  const full = Object.assign(new Error('database or disk is full'), { code: 'SQLITE_FULL' });
  await expect(
    db.transaction().execute(async (trx) => {
      await putOuting(trx, outing('a'));
      // As SQLite does by itself when the disk is full.
      const { sql } = await import('kysely');
      await sql`rollback`.execute(trx);
      throw full;
    }),
  ).rejects.toMatchObject({ code: 'SQLITE_FULL' });
  await putOuting(db, outing('b'));
  expect((await listOutings(db, 9)).map((o) => o.id)).toEqual(['b']);
});

it('writes of one process come in the order of asking', async () => {
  await Promise.all(
    Array.from({ length: 30 }, (_, n) => putOuting(db, { ...outing('x'), startMs: n })),
  );
  expect((await listOutings(db, 9))[0]!.startMs).toBe(29);
});
