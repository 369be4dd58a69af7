import { sql } from 'kysely';
import { EMPTY_SNAPSHOT, type KeptRead } from '../core/log/index';
import { freshBook, onPostgres } from './fixtures/books';
import { RILL as plan } from './fixtures/rill';
import {
  appendEvent,
  findBeat,
  findFlow,
  findLastOuting,
  listBeats,
  dropRead,
  dropRise,
  listMarks,
  listReads,
  listRises,
  listTries,
  openStore,
  openTry,
  putBeat,
  putMark,
  putRead,
  putRise,
  readSettings,
  saveFlow,
  strikeMark,
  writeSettings,
  type Db,
} from './index';

/**
 * The sentence of a refusal. The native module makes its errors in whichever test's realm loaded
 * it first, so that `toThrow` does not know them for errors when two files share a worker.
 */
const refusal = (work: Promise<unknown>) =>
  work.then(
    () => 'accepted',
    (error: { message: string }) => error.message,
  );

let folder: string;
let db: Db;

beforeEach(async () => {
  folder = freshBook('pebble-store-');
  db = await openStore(folder);
  await putBeat(db, { id: 'b1', streamName: 'Thrum', plan, madeFrom: null, nowMs: 1 }, null);
});
afterEach(() => db.destroy());

const reopen = async () => {
  await db.destroy();
  db = await openStore(folder);
};
const mark = {
  id: 'm1',
  beatId: 'b1',
  xM: 3,
  yM: 1,
  fishDepthM: 0.4,
  headingRad: 0.1,
  totalLengthCm: 27,
  behaviour: 'holding' as const,
  note: '',
  photoId: null,
  seenMs: 0,
  surety: 'sure' as const,
};
const outing = { id: 'o1', startMs: 4, endMs: null, timeZone: 'Etc/GMT-1', note: '' };
const attempt = {
  readId: null,
  id: 't1',
  outingId: 'o1',
  beatId: 'b1',
  markId: 'm1',
  fly: 'Ant',
  openedMs: 5,
  zoneOffsetMin: 60,
  snapshot: { ...EMPTY_SNAPSHOT, level: 'Fair' as const },
};
const event = (seq: number) => ({
  id: `e${seq}`,
  device: 'd1',
  seq,
  code: 'cast' as const,
  clientMs: 9 - seq,
  zoneOffsetMin: 60,
  note: `n${seq}`,
});

it('is set to keep what it acknowledged: WAL, full synchronous, foreign keys', async () => {
  if (onPostgres()) {
    const { rows } =
      await sql`select current_setting('fsync') as f, current_setting('synchronous_commit') as c`.execute(
        db,
      );
    expect(rows).toEqual([{ f: 'on', c: 'on' }]);
    return;
  }
  const pragma = async (name: string) =>
    Object.values((await sql.raw(`pragma ${name}`).execute(db)).rows[0] as object)[0];
  expect(await pragma('journal_mode')).toBe('wal');
  expect(await pragma('synchronous')).toBe(2);
  expect(await pragma('foreign_keys')).toBe(1);
  expect(await refusal(putMark(db, { ...mark, beatId: 'nobody' }, 1))).toContain('FOREIGN KEY');
});

it('beats, marks, settings and flows are there after the book is opened again', async () => {
  await putMark(db, mark, 2);
  await putMark(db, { ...mark, xM: 4 }, 3);
  await writeSettings(db, { units: 'us', waterTempC: null });
  await saveFlow(db, {
    inputHash: 'h',
    beatId: 'b1',
    blob: new Uint8Array([1, 2, 3]),
    createdMs: 1,
  });
  await reopen();
  expect((await findBeat(db, 'b1'))!.plan).toEqual(plan);
  expect((await listBeats(db))[0]).toMatchObject({ name: 'Rill', streamName: 'Thrum' });
  const { beatId: _beat, id: _id, totalLengthCm: _l, note: _n, photoId: _p, ...seen } = mark;
  expect(await listMarks(db, 'b1')).toEqual([{ ...mark, xM: 4, history: [seen] }]);
  expect(await readSettings(db)).toEqual({ units: 'us', waterTempC: null });
  expect(await findFlow(db, 'h')).toEqual(new Uint8Array([1, 2, 3]));
  expect(await findFlow(db, 'other')).toBeUndefined();
  await strikeMark(db, 'm1');
  expect(await listMarks(db, 'b1')).toEqual([]);
});

it('the last outing says where, how many tries, how many landed; before the first there is none', async () => {
  expect(await findLastOuting(db)).toBeUndefined();
  await putMark(db, mark, 2);
  await openTry(db, attempt, outing);
  expect(await findLastOuting(db)).toMatchObject({
    outing: { id: outing.id },
    beats: [{ id: 'b1', name: 'Rill' }],
    tries: 1,
    landed: 0,
  });
});

it('a try and its events survive, come in order of their number, and repeating is harmless', async () => {
  await putMark(db, mark, 2);
  for (let n = 0; n < 2; n++) await openTry(db, attempt, outing);
  expect(await appendEvent(db, 't1', event(2))).toBe('kept');
  expect(await appendEvent(db, 't1', event(1))).toBe('kept');
  expect(await appendEvent(db, 't1', event(1))).toBe('already kept');
  expect(await appendEvent(db, 't1', { ...event(1), id: 'other' })).toBe('sequence taken');
  expect(await appendEvent(db, 'nobody', event(3))).toBe('no such try');
  await reopen();
  const [kept] = await listTries(db, 'b1');
  expect(kept).toEqual({ ...attempt, events: [event(1), event(2)] });
  const outings = await db.selectFrom('outings').selectAll().execute();
  expect(outings).toHaveLength(1);
});

it('events can be neither changed nor deleted', async () => {
  await putMark(db, mark, 2);
  await openTry(db, attempt, outing);
  await appendEvent(db, 't1', event(1));
  expect(await refusal(db.updateTable('try_events').set({ code: 'landing' }).execute())).toContain(
    'append-only',
  );
  expect(await refusal(db.deleteFrom('try_events').execute())).toContain('append-only');
});

it('a fish that moved or did something else keeps what it was; a note or a repeat adds nothing', async () => {
  await putMark(db, { ...mark, seenMs: 10 }, 2);
  await putMark(db, { ...mark, seenMs: 10 }, 3);
  await putMark(db, { ...mark, seenMs: 10, note: 'by the root' }, 4);
  await putMark(db, { ...mark, xM: 9, seenMs: 20, note: 'by the root' }, 5);
  await putMark(db, { ...mark, xM: 9, behaviour: 'rising', seenMs: 30 }, 6);
  await reopen();
  const [kept] = await listMarks(db, 'b1');
  expect(kept).toMatchObject({ xM: 9, behaviour: 'rising', seenMs: 30 });
  expect(kept!.history.map((h) => [h.xM, h.behaviour, h.seenMs])).toEqual([
    [mark.xM, 'holding', 10],
    [9, 'holding', 20],
  ]);
});

it('rings keep their order by number, and quick reads their answers; what is dropped can come back', async () => {
  const rise = (seq: number, atMs: number) => ({
    id: `r${seq}`,
    beatId: 'b1',
    seq,
    atMs,
    xM: 1,
    yM: 2,
  });
  await putRise(db, rise(2, 5));
  await putRise(db, rise(1, 9));
  await dropRise(db, 'r2');
  expect((await listRises(db, 'b1')).map((r) => r.id)).toEqual(['r1']);
  await putRise(db, rise(2, 5));
  const read = {
    id: 'q1',
    beatId: null,
    xM: null,
    yM: null,
    takenMs: 7,
    zoneOffsetMin: 120,
    answers: { depthM: 0.5 } as KeptRead['answers'],
    result: { rating: 61 } as KeptRead['result'],
    note: 'below the thorn',
    place: {
      streamName: 'Kest Beck',
      water: 'run' as const,
      count: 2,
      at: { by: 'paces' as const, afterId: 'q0', metres: 40 },
      photoId: null,
    },
  };
  await putRead(db, read);
  await reopen();
  expect((await listRises(db, 'b1')).map((r) => r.seq)).toEqual([1, 2]);
  expect(await listReads(db)).toEqual([read]);
  expect(await listReads(db, 'b1')).toEqual([]);
  await putRead(db, { ...read, beatId: 'b1', xM: 3, yM: 1 });
  expect(await listReads(db, 'b1')).toHaveLength(1);
  await dropRead(db, 'q1');
  expect(await listReads(db)).toEqual([]);
});
