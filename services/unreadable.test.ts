import { sql } from 'kysely';
import { FIRST_BEAT_FILE } from '../demo/first-beat';
import { EMPTY_SNAPSHOT } from '../core/log/index';
import { startFreshBook } from '../store/fixtures/books';
import { book } from './book';
import {
  backUpBook,
  bankOf,
  beatsInBook,
  beginTry,
  closeBook,
  dayBookOf,
  draftsInBook,
  feedSince,
  keepDraft,
  keepFact,
  learnOf,
  outingList,
  outingReport,
  putAside,
  readsInBook,
  recordEvent,
  restoreBook,
  saveBeat,
  settings,
  tableOf,
  TABLES,
  tryLog,
  unreadableInBook,
} from './index';

startFreshBook('pebble-unreadable-');
afterAll(closeBook);

const EMPTY_SKETCH = { name: '', pieces: [], things: [] };

/** A book with two beats, a try, a read, a draft and a fact, of which each was damaged on the disk. */
beforeAll(async () => {
  await saveBeat({ id: 'b1', streamName: 'Thrum', file: FIRST_BEAT_FILE });
  const steeper = {
    ...FIRST_BEAT_FILE,
    pebbleLane: { ...FIRST_BEAT_FILE.pebbleLane, slope: 0.03 },
  };
  await saveBeat({ id: 'b1', streamName: 'Thrum', file: steeper });
  await saveBeat({ id: 'b2', streamName: 'Thrum', file: FIRST_BEAT_FILE });
  await saveBeat({ id: 'b3', streamName: 'Thrum', file: FIRST_BEAT_FILE });
  const outing = {
    id: 'o1',
    startMs: Date.now(),
    endMs: 9e15,
    timeZone: 'Nowhere/At all',
    note: '',
  };
  await beginTry(
    {
      id: 't1',
      beatId: 'b3',
      markId: null,
      fly: 'Dun',
      openedMs: Date.now(),
      zoneOffsetMin: 0,
      snapshot: EMPTY_SNAPSHOT,
    },
    outing,
  );
  await recordEvent('t1', {
    id: 'e1',
    device: 'd',
    seq: 1,
    code: 'cast',
    clientMs: 1e12,
    zoneOffsetMin: 0,
  });
  await keepDraft({ id: 'd1', kind: 'sketch', streamName: '', beatId: null, body: EMPTY_SKETCH });
  await keepFact('ways', 'a-b', { minutes: 5 });
  const db = await book();
  const harm = (statement: string) => sql.raw(statement).execute(db);
  await harm(`update beats set plan_json = substr(plan_json, 1, 90) where id in ('b1', 'b2')`);
  await harm(
    `update tries set snapshot_json = '{"version":1,"water":null,"cast":{"lay":{"kind":"up"},"rig":{}},"planHash":"h"}'`,
  );
  await harm(`update drafts set body_json = '[]'`);
  await harm(`update day_facts set json = '{"minutes":"five"}'`);
  await harm(
    `insert into settings (key, value) values ('windMps', '"much"'), ('tackle', '{"box":5}'), ('sky', '{')`,
  );
  await harm(`insert into reads (id, beat_id, x_m, y_m, taken_ms, zone_offset_min, answers_json, result_json, note)
    values ('r1', null, null, null, 1, 0, '{"depthM":{"toString":1}}', '{"ok":true,"rating":{}}', 'by the alder')`);
});

it('one bad row of each kind breaks no page, table, feed, day or pack, and loses nothing beside it', async () => {
  expect((await beatsInBook()).map((b) => b.id)).toEqual(['b3']);
  expect((await bankOf()).log.tries.map((t) => t.events.length)).toEqual([1]);
  expect((await dayBookOf('2026-06-13', 'UTC')).sites.map((s) => s.id)).toEqual(['b3']);
  expect(await draftsInBook()).toEqual([]);
  expect(await readsInBook()).toEqual([]);
  expect((await feedSince(0)).length).toBeGreaterThan(1);
  expect((await settings()).windMps).toBe(1);
  for (const table of TABLES) expect((await tableOf(table)).columns.length).toBeGreaterThan(1);
  const [line] = (await tableOf('tries')).rows;
  expect(line).toContain('Dun');
  expect(await outingList()).toHaveLength(1);
  const report = await outingReport('o1');
  expect(report.ok && report.value.outing).toMatchObject({ timeZone: 'UTC', endMs: 4e12 });
  expect(report.ok && report.value.tries[0]!.snapshot).toMatchObject({
    planHash: 'h',
    cast: null,
    water: EMPTY_SNAPSHOT.water,
  });
  expect((await tryLog({})).rows).toHaveLength(1);
  await learnOf('book', 'b3');
});

it('each is named with why, and in a backup of such a book as well, which can be restored', async () => {
  const named = (await unreadableInBook()).map(({ table, id, why }) => `${table} ${id}: ${why}`);
  expect(named.sort()).toEqual([
    'beats b1: its text is cut off or damaged',
    'beats b2: its text is cut off or damaged',
    'day_facts a-b: minutes must be number',
    'drafts d1: it must be object',
    'reads r1: depthM must be number',
    'settings sky: its text is cut off or damaged',
    'settings tackle: tackle.box is a number; it must be a list',
    'settings windMps: windMps is a string; it must be a number',
    expect.stringMatching(/^tries t1: /),
  ]);
  const backup = await backUpBook();
  await closeBook();
  startFreshBook('pebble-unreadable-too-');
  const dry = await restoreBook(backup, true);
  expect(dry.ok && dry.value.tables.find((t) => t.table === 'beats')!.unreadable).toEqual([
    { id: 'b1', why: 'its text is cut off or damaged' },
    { id: 'b2', why: 'its text is cut off or damaged' },
  ]);
  expect((await restoreBook(backup, false)).ok).toBe(true);
  expect((await unreadableInBook()).length).toBe(named.length);
});

it('put aside, a beat goes back to the plan before it or is deleted, the rest is taken out; what it said is kept', async () => {
  for (const { table, id } of await unreadableInBook())
    expect(await putAside(table, id)).toMatchObject({ ok: true });
  expect(await unreadableInBook()).toEqual([]);
  const beats = await beatsInBook();
  expect(beats.filter((b) => !b.deleted).map((b) => [b.id, b.plan.slope])).toEqual([
    ['b1', (FIRST_BEAT_FILE as { pebbleLane: { slope: number } }).pebbleLane.slope],
    ['b3', expect.any(Number)],
  ]);
  const { rows } = await sql<{ n: number }>`select count(*) as n from laid_aside`.execute(
    await book(),
  );
  expect(Number(rows[0]!.n)).toBe(9);
  expect(await putAside('beats', 'b1')).toMatchObject({ code: 'not-found' });
  expect(await putAside('phones', 'x')).toMatchObject({ code: 'invalid', field: 'table' });
});
