import { EMPTY_SNAPSHOT, type KeptRead } from '../core/log/index';
import { startFreshBook } from '../store/fixtures/books';
import { putRead } from '../store/index';
import { book } from './book';
import {
  beginTry,
  closeBook,
  keepOuting,
  outingList,
  placesOnEarth,
  recordEvent,
  tableOf,
  TABLES,
  takeReadings,
  takeTries,
} from './index';

beforeEach(async () => {
  await closeBook();
  startFreshBook('pebble-tables-');
});
afterAll(closeBook);

const outing = {
  id: 'o1',
  startMs: 1e12,
  endMs: null,
  timeZone: 'Etc/GMT-2',
  note: 'a "good" day',
};
const line = (n: number, cells: Record<string, string>) => ({ line: n, cells });
const taken = '2026-06-13T07:40:00Z';

it('readings are tried dry, then taken at once; those that are here stay, those that cannot be have a sentence', async () => {
  const lines = [
    line(2, { taken, water_c: '11.5' }),
    line(3, { taken: '2026-06-13T12:00:00Z', water_c: '14' }),
    line(4, { taken, water_c: '99' }),
    line(5, { taken, water_c: '12', beat: 'nowhere' }),
    line(6, { taken, water_c: '11.5' }),
  ];
  const dry = await takeReadings(lines, true);
  expect(dry).toMatchObject({ value: { dry: true, taken: 2, known: 1 } });
  expect(await outingList()).toEqual([]);
  const kept = await takeReadings(lines, false);
  if (!kept.ok) throw new Error(kept.message);
  expect(kept.value).toMatchObject({ dry: false, taken: 2, known: 1 });
  expect(kept.value.problems).toEqual([
    expect.stringMatching(/^Line 4: water_c is "99"/),
    'Line 5: there is no beat "nowhere" in this book.',
  ]);
  const [day] = await outingList();
  expect(day).toMatchObject({
    readings: 2,
    outing: { id: 'outing-2026-06-13', startMs: Date.parse(taken) },
  });
  expect(await takeReadings(lines, false)).toMatchObject({ value: { taken: 0, known: 3 } });
  // What went out comes in nowhere twice.
  const out = await tableOf('readings');
  const back = out.rows.map((row, i) =>
    line(i + 2, Object.fromEntries(out.columns.map((c, k) => [c, String(row[k])]))),
  );
  expect(await takeReadings(back, false)).toMatchObject({ value: { taken: 0, known: 2 } });
});

it('an outing that is here stays as it is, also an empty one; tries of a table are one story each', async () => {
  await keepOuting(outing);
  const read = line(2, { taken, water_c: '11', outing: 'o1' });
  expect(await takeReadings([read], false)).toMatchObject({ value: { taken: 1 } });
  expect((await outingList())[0]!.outing).toEqual(outing);
  // Two ids that are alike for fifty letters and more.
  const long = 'a'.repeat(60);
  const tries = ['1', '2'].map((n, i) =>
    line(i + 2, { try: `${long}${n}`, opened: taken, end: 'lost', casts: '3' }),
  );
  expect(await takeTries(tries, true)).toMatchObject({ value: { taken: 2, known: 0 } });
  expect((await tableOf('tries')).rows).toHaveLength(0);
  expect(await takeTries([...tries, tries[0]!], false)).toMatchObject({
    value: { taken: 2, known: 1 },
  });
  const { columns, rows } = await tableOf('tries');
  expect(rows.map((r) => r[columns.indexOf('casts')])).toEqual(['3', '3']);
  expect(await takeTries(tries, false)).toMatchObject({ value: { taken: 0, known: 2 } });
});

it('each table has a line for each thing, and as many cells as columns', async () => {
  await keepOuting(outing);
  const attempt = {
    id: 't1',
    beatId: null,
    markId: null,
    fly: 'Dun',
    openedMs: 1e12,
    zoneOffsetMin: 120,
    snapshot: EMPTY_SNAPSHOT,
  };
  await beginTry(attempt, outing);
  await recordEvent('t1', {
    id: 'e1',
    device: 'd',
    seq: 1,
    code: 'cast',
    clientMs: 1e12,
    zoneOffsetMin: 120,
  });
  for (const name of TABLES) {
    const { columns, rows } = await tableOf(name);
    for (const row of rows) expect(row).toHaveLength(columns.length);
  }
  expect((await tableOf('tries')).rows).toHaveLength(1);
  expect((await tableOf('outings')).rows).toEqual([
    ['o1', '2001-09-09T01:46:40.000Z', '', 'Etc/GMT-2', 1, 0, 0, 'a "good" day'],
  ]);
});

it('a place that a phone has set lies on the earth; one that was paced is in the table alone', async () => {
  const read = (id: string, at: object): KeptRead =>
    ({
      id,
      beatId: null,
      xM: null,
      yM: null,
      takenMs: 1e12,
      zoneOffsetMin: 0,
      answers: {},
      result: { rating: 61.4 },
      note: 'by the thorn',
      place: { streamName: 'Kest Beck', water: 'pocket', count: 2, at, photoId: null },
    }) as unknown as KeptRead;
  await putRead(await book(), read('p1', { by: 'phone', lat: 46.5, lon: 8.25, accuracyM: 6 }));
  await putRead(await book(), read('p2', { by: 'paces', afterId: 'p1', metres: 40 }));
  expect(await placesOnEarth()).toEqual([
    {
      lon: 8.25,
      lat: 46.5,
      name: 'Kest Beck: pocket',
      kind: 'pocket',
      comment: 'home 61 in 100. by the thorn',
      atMs: 1e12,
    },
  ]);
  expect((await tableOf('places')).rows).toHaveLength(2);
});
