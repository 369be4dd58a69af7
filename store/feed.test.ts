import { feedKnows } from './feed';
import { EMPTY_SNAPSHOT, readingSaying, type TryEvent } from '../core/log/index';
import { BARE } from '../core/lies/fixtures/beats';
import { freshBook } from './fixtures/books';
import {
  appendEvent,
  dropReading,
  feedAfter,
  feedEnd,
  openStore,
  openTry,
  putBeat,
  putMark,
  putReading,
  strikeMark,
  type Db,
  type MarkRow,
} from './index';

let db: Db;
beforeAll(async () => {
  db = await openStore(freshBook('pebble-feed-'));
});
afterAll(() => db.destroy());

const outing = { id: 'o', startMs: 1, endMs: null, timeZone: 'UTC', note: '' };
const attempt = {
  id: 't',
  outingId: 'o',
  beatId: null,
  markId: null,
  readId: null,
  fly: 'Dun',
  openedMs: 5,
  zoneOffsetMin: 0,
  snapshot: EMPTY_SNAPSHOT,
};
const event = (seq: number): TryEvent => ({
  id: `e${seq}`,
  device: 'd',
  seq,
  code: 'miss',
  missed: 'late',
  clientMs: 9,
  zoneOffsetMin: 0,
});

it('every change once, in order, as it is now; a repeated one is no news', async () => {
  expect(await feedEnd(db)).toEqual({ seq: 0, mark: '' });
  await openTry(db, attempt, outing);
  await appendEvent(db, 't', event(1));
  await appendEvent(db, 't', event(2));
  await appendEvent(db, 't', event(2));
  const all = await feedAfter(db, 0, 100);
  expect(all.map((i) => i.change)).toEqual([
    { kind: 'outing', outing },
    { kind: 'try', attempt },
    { kind: 'event', tryId: 't', event: event(1) },
    { kind: 'event', tryId: 't', event: event(2) },
  ]);
  expect(await feedAfter(db, all[2]!.seq, 100)).toEqual([all[3]]);
  expect(await feedAfter(db, 0, 2)).toHaveLength(2);
  expect((await feedEnd(db)).seq).toBe(all[3]!.seq);
});

it('a mark that was struck is told as struck', async () => {
  const beat = { id: 'b', streamName: 'Kest Beck', plan: BARE, madeFrom: null, nowMs: 1 };
  await putBeat(db, beat, null);
  const mark: MarkRow = {
    id: 'm',
    beatId: 'b',
    xM: 3,
    yM: 1,
    fishDepthM: 0.4,
    headingRad: 0.1,
    totalLengthCm: 30,
    surety: 'sure',
    behaviour: 'holding',
    note: '',
    photoId: null,
    seenMs: 2,
  };
  await putMark(db, mark, 2);
  const { seq } = await feedEnd(db);
  await strikeMark(db, 'm');
  expect((await feedAfter(db, seq, 9)).map((i) => i.change)).toEqual([
    { kind: 'mark-struck', id: 'm' },
  ]);
});

it('a reading taken back is told as gone', async () => {
  const { seq: before } = await feedEnd(db);
  const reading = readingSaying({
    id: 'r',
    outingId: 'o',
    takenMs: 1,
    zoneOffsetMin: 0,
    levelM: 0.4,
    sky: 'overcast',
  });
  await putReading(db, reading);
  expect((await feedAfter(db, before, 9)).map((i) => i.change)).toEqual([
    { kind: 'reading', reading },
  ]);
  await dropReading(db, 'r');
  expect((await feedAfter(db, before, 9)).at(-1)!.change).toEqual({
    kind: 'reading-dropped',
    id: 'r',
  });
});

it('a place in the feed is known by what stands there: a book that was put back counts again', async () => {
  const end = await feedEnd(db);
  expect(await feedKnows(db, end)).toBe(true);
  expect(await feedKnows(db, { ...end, mark: 'another' })).toBe(false);
  expect(await feedKnows(db, { seq: end.seq + 1, mark: end.mark })).toBe(false);
  // A device of before there were marks, and one that begins.
  expect(await feedKnows(db, { seq: end.seq, mark: '' })).toBe(true);
  expect(await feedKnows(db, { seq: 0, mark: '' })).toBe(true);
});
