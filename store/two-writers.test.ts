import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import { EMPTY_SNAPSHOT } from '../core/log/index';
import { freshBook, onPostgres } from './fixtures/books';
import { RILL as plan } from './fixtures/rill';
import { hasPrebuilt } from './sqlite';
import { writing } from './transact';
import {
  addToBook,
  appendEvent,
  DATABASE_FILE,
  listBeats,
  listStreams,
  listTries,
  openStore,
  openTry,
  putBeat,
  readWholeBook,
  renameStream,
  type BookRows,
  type Db,
} from './index';

const outing = { id: 'o1', startMs: 1, endMs: null, timeZone: 'UTC', note: '' };
const attempt = (id: string) => ({
  id,
  outingId: 'o1',
  beatId: 'b1',
  markId: null,
  fly: 'Ant',
  openedMs: 5,
  zoneOffsetMin: 0,
  snapshot: EMPTY_SNAPSHOT,
});
const event = (id: string, device: string, seq: number) => ({
  id,
  device,
  seq,
  code: 'miss' as const,
  clientMs: 1,
  zoneOffsetMin: 0,
});

let folder: string;
let db: Db;
beforeEach(async () => {
  folder = freshBook('pebble-two-');
  db = await openStore(folder);
  await putBeat(db, { id: 'b1', streamName: 'Thrum', plan, madeFrom: null, nowMs: 1 }, null);
});
const writers: Worker[] = [];
afterEach(async () => {
  await Promise.all(writers.splice(0).map((w) => w.terminate()));
  await db.destroy();
});

/** A second writer of the book, as a second server is: it writes when it is told. */
const secondWriter = () => (onPostgres() ? secondServer() : secondThread());

async function secondServer() {
  const other = await openStore(folder);
  let n = 0;
  const write = async () => {
    const id = `w${n++}`;
    await openTry(other, { ...attempt(id), outingId: id }, { ...outing, id });
    await appendEvent(other, id, { ...event(id, 'w', 1), code: 'cast' });
    return n;
  };
  return { write, end: () => other.destroy() };
}

/** SQLite holds its caller up while it waits: there the second writer is a thread. */
async function secondThread() {
  const code = `
    const { parentPort, workerData } = require('node:worker_threads');
    const book = new (require(workerData.sqlite))(workerData.path);
    book.pragma('busy_timeout = 5000');
    book.pragma('foreign_keys = ON');
    let n = 0;
    const outing = book.prepare("insert into outings values (?, 1, null, 'UTC', '')");
    const attempt = book.prepare("insert into tries (id, outing_id, beat_id, fly, opened_ms, zone_offset_min, snapshot_json) values (?, ?, 'b1', '', 1, 0, '{}')");
    const event = book.prepare("insert into try_events (id, try_id, device, seq, code, client_ms, zone_offset_min, detail_json) values (?, ?, 'w', 1, 'cast', 1, 0, '{}')");
    const write = book.transaction(() => {
      const id = 'w' + n++;
      outing.run(id);
      attempt.run(id, id);
      event.run(id, id);
    });
    parentPort.on('message', (what) => {
      if (what === 'write') write.immediate();
      else book.close();
      parentPort.postMessage(n);
      if (what !== 'write') parentPort.close();
    });`;
  const worker = new Worker(code, {
    eval: true,
    workerData: {
      path: join(folder, DATABASE_FILE),
      sqlite: hasPrebuilt() ? 'better-sqlite3' : 'better-sqlite3-compiled',
    },
  });
  writers.push(worker);
  const answers: ((n: number) => void)[] = [];
  worker.on('message', (n: number) => answers.shift()!(n));
  const tell = (what: 'write' | 'end') =>
    new Promise<number>((resolve) => {
      answers.push(resolve);
      worker.postMessage(what);
    });
  return { write: () => tell('write'), end: () => tell('end') };
}
const soon = () => new Promise((resolve) => setTimeout(resolve, 60));

it('events of one try from two devices under one number both stand; one device may use it once', async () => {
  await openTry(db, attempt('t1'), outing);
  expect(await appendEvent(db, 't1', event('e1', 'phone', 1))).toBe('kept');
  expect(await appendEvent(db, 't1', event('e2', 'desk', 1))).toBe('kept');
  expect(await appendEvent(db, 't1', event('e3', 'phone', 1))).toBe('sequence taken');
  expect(await appendEvent(db, 't1', event('e1', 'phone', 1))).toBe('already kept');
  const [kept] = await listTries(db, 'b1');
  expect(kept!.events.map((e) => e.device)).toEqual(['desk', 'phone']);
});

it('a transaction that reads before it writes is not refused beside a second writer: the other waits', async () => {
  const writer = await secondWriter();
  await writer.write();
  let other: Promise<number> | null = null;
  await writing(db, async (trx) => {
    await trx.selectFrom('streams').selectAll().execute();
    other = writer.write();
    await soon();
    // Had the transaction begun plainly, the other would have written by now, and this were refused.
    await trx.updateTable('beats').set({ name: 'Rill, now' }).where('id', '=', 'b1').execute();
  });
  expect(await other).toBe(2);
  expect((await listBeats(db))[0]!.name).toBe('Rill, now');
  expect(await listTries(db, 'b1')).toHaveLength(2);
  await writer.end();
});

it('a backup beside a writer holds together, and can be restored', async () => {
  const writer = await secondWriter();
  const backups: BookRows[] = [];
  for (let n = 0; n < 40; n++) {
    const writing = Promise.all([writer.write(), writer.write(), writer.write()]);
    backups.push(await readWholeBook(db));
    await writing;
  }
  await writer.end();
  for (const rows of backups) {
    const outings = new Set(rows.outings.map((o) => o.id));
    const tries = new Set(rows.tries.map((t) => t.id));
    expect(rows.tries.filter((t) => !outings.has(t.outing_id))).toEqual([]);
    expect(rows.try_events.filter((e) => !tries.has(e.try_id))).toEqual([]);
  }
  expect(backups.at(-1)!.tries.length).toBeGreaterThan(100);
  const fresh = await openStore(freshBook('pebble-restored-'));
  await addToBook(fresh, (table) => backups.at(-1)![table], false);
  expect((await listTries(fresh, 'b1')).length).toBe(backups.at(-1)!.tries.length);
  await fresh.destroy();
});

it('two streams cannot share a name', async () => {
  await putBeat(db, { id: 'b2', streamName: 'Sike', plan, madeFrom: null, nowMs: 2 }, null);
  const [sike, thrum] = await listStreams(db);
  expect([sike!.name, thrum!.name]).toEqual(['Sike', 'Thrum']);
  expect(await renameStream(db, sike!.id, 'Thrum')).toBe(false);
  expect(await renameStream(db, sike!.id, 'Sike Beck')).toBe(true);
});

it('a try carries what Learn asks for once it is closed, and loses it when that is taken back', async () => {
  const snapshot = {
    ...EMPTY_SNAPSHOT,
    water: { tempC: 12, tempSource: 'read' as const, turbidityNtu: 1 },
    rated: { species: 'brown' as const, totalLengthCm: 27, method: null },
  };
  await openTry(db, { ...attempt('t1'), snapshot }, outing);
  await appendEvent(db, 't1', { ...event('e1', 'd', 1), code: 'hook' });
  await appendEvent(db, 't1', { ...event('e2', 'd', 2), code: 'landing', lengthCm: 27 });
  const row = () =>
    db.selectFrom('tries').selectAll().where('id', '=', 't1').executeTakeFirstOrThrow();
  expect(await row()).toMatchObject({
    state: 'landed',
    casts: 1,
    landed_cm: 27,
    water_temp_c: 12,
    species: 'brown',
    closed_ms: 1,
  });
  await appendEvent(db, 't1', { ...event('e3', 'd', 3), code: 'undo', undoes: 'e2' });
  expect(await row()).toMatchObject({ state: 'hooked', closed_ms: null, landed_cm: null });
});
