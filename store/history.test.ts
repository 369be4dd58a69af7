import { EMPTY_SNAPSHOT, readingSaying, type Outing, type Try } from '../core/log/index';
import { freshBook } from './fixtures/books';
import { RILL as plan } from './fixtures/rill';
import {
  appendEvent,
  feedEnd,
  listAllTries,
  listReadings,
  listTries,
  openStore,
  putBeat,
  putHistory,
  triesChangedAfter,
  type Db,
} from './index';

const outing: Outing = { id: 'o1', startMs: 0, endMs: 9000, timeZone: 'UTC', note: '' };
const attempt = (n: number): Try => ({
  id: `t${n}`,
  outingId: 'o1',
  beatId: 'b1',
  markId: null,
  readId: null,
  fly: 'ant',
  openedMs: 1000 * n,
  zoneOffsetMin: 60,
  snapshot: EMPTY_SNAPSHOT,
  events: [
    { id: `t${n}-1`, device: 'd', seq: 1, code: 'cast', clientMs: n, zoneOffsetMin: 60 },
    { id: `t${n}-2`, device: 'd', seq: 2, code: 'look', clientMs: n, zoneOffsetMin: 60 },
  ],
});
const told = {
  outings: [outing],
  readings: [
    readingSaying({ id: 'r1', outingId: 'o1', takenMs: 5, zoneOffsetMin: 0, waterTempC: 11 }),
  ],
  tries: Array.from({ length: 12 }, (_, n) => attempt(n)),
};

let db: Db;
beforeEach(async () => {
  db = await openStore(freshBook('pebble-history-'));
  await putBeat(db, { id: 'b1', streamName: 'Kest', plan, madeFrom: null, nowMs: 1 }, null);
});
afterEach(() => db.destroy());

it('many outings at once, with all that was read and tried; twice is once', async () => {
  await putHistory(db, told);
  await putHistory(db, told);
  const tries = await listAllTries(db);
  expect(tries).toHaveLength(12);
  expect(tries[3]).toEqual(attempt(3));
  expect(await listReadings(db, 'o1')).toHaveLength(1);
});

it('nothing of it is kept when one of it cannot be', async () => {
  const torn = { ...told, tries: [...told.tries, { ...attempt(99), beatId: 'nowhere' }] };
  await expect(
    putHistory(db, torn).then(
      () => 'kept',
      () => 'refused',
    ),
  ).resolves.toBe('refused');
  expect(await listAllTries(db)).toEqual([]);
});

it('a beat is opened with its newest tries, in the order they were opened, each with its events', async () => {
  await putHistory(db, told);
  const newest = await listTries(db, 'b1', 5);
  expect(newest.map((t) => t.id)).toEqual(['t7', 't8', 't9', 't10', 't11']);
  expect(newest.every((t) => t.events.length === 2)).toBe(true);
  expect(await listTries(db, 'b1')).toHaveLength(12);
  expect(await listTries(db, 'other', 5)).toEqual([]);
});

it('the feed tells which tries have changed since: those opened, and those something happened in', async () => {
  await putHistory(db, told);
  const { seq: end } = await feedEnd(db);
  expect(await triesChangedAfter(db, end)).toEqual([]);
  await appendEvent(db, 't4', {
    id: 'late',
    device: 'e',
    seq: 3,
    code: 'spook',
    clientMs: 1,
    zoneOffsetMin: 0,
  });
  const changed = await triesChangedAfter(db, end);
  expect(changed.map((t) => t.id)).toEqual(['t4']);
  expect(changed[0]!.events.map((e) => e.code)).toEqual(['cast', 'look', 'spook']);
  expect(await triesChangedAfter(db, 0)).toHaveLength(12);
});
