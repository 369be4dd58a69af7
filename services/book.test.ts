import { execFileSync } from 'node:child_process';
import { EMPTY_SNAPSHOT } from '../core/log/index';
import { readFileSync } from 'node:fs';
import sharp from 'sharp';
import Ajv2020 from 'ajv/dist/2020';
import { FIRST_BEAT_FILE, FIRST_SKETCH } from '../demo/first-beat';
import { flowInputHash } from '../core/water/index';
import { startFreshBook } from '../store/fixtures/books';
import {
  alterBeat,
  backUpBook,
  beatsInBook,
  beginTry,
  cachedFlow,
  closeBook,
  copyBeat,
  draftsInBook,
  keepDraft,
  keepMark,
  keepPhoto,
  openBeat,
  outingsInBook,
  openDraft,
  photo,
  recordEvent,
  renameStreamTo,
  requestSolve,
  restoreBook,
  saveBeat,
  solveJobs,
  stopSolve,
  streamsInBook,
  throwDraftAway,
  type Backup,
} from './index';

/** Another folder, as if the program had been started there. */
function openFolder(): void {
  void closeBook();
  startFreshBook('pebble-book-');
}

beforeAll(() => {
  process.env.PEBBLE_NOW = '2026-06-13T07:40:00Z';
});
beforeEach(openFolder);
afterAll(closeBook);

const keep = (id = 'b1', streamName = 'Thrum') =>
  saveBeat({
    id,
    streamName,
    file: FIRST_BEAT_FILE,
    madeFrom: { kind: 'sketch', sketch: FIRST_SKETCH },
  });
const names = async () => (await beatsInBook()).filter((b) => !b.deleted).map((b) => b.name);

describe('beats and streams', () => {
  it('rename goes into the plan, copy finds a free name, delete can be taken back', async () => {
    await keep();
    expect(await alterBeat('b1', { name: 'Upper Steps' })).toMatchObject({ ok: true });
    const opened = await openBeat('b1');
    expect(opened.ok && opened.value.beat.plan.name).toBe('Upper Steps');
    await copyBeat('b1', 'b2');
    await copyBeat('b1', 'b3');
    expect(await names()).toEqual(['Upper Steps', 'Upper Steps, copy', 'Upper Steps, copy 2']);
    await alterBeat('b2', { deleted: true });
    expect(await names()).toHaveLength(2);
    expect(await openBeat('b2')).toMatchObject({ ok: false, code: 'not-found' });
    await alterBeat('b2', { deleted: false });
    expect(await names()).toHaveLength(3);
    await alterBeat('b3', { putAway: true, streamName: 'Rill' });
    expect((await beatsInBook()).find((b) => b.id === 'b3')).toMatchObject({
      putAway: true,
      streamName: 'Rill',
    });
    expect(await alterBeat('nobody', { putAway: true })).toMatchObject({ code: 'not-found' });
  });

  it('a stream takes a new name, but not one that another has', async () => {
    await keep('b1', 'Thrum');
    await keep('b2', 'Rill');
    const rill = (await streamsInBook()).find((s) => s.name === 'Rill')!;
    expect(await renameStreamTo(rill.id, 'Thrum')).toEqual({
      ok: false,
      code: 'conflict',
      message: 'Another stream is called "Thrum" already.',
      field: 'name',
    });
    expect(await renameStreamTo(rill.id, 'Lower Rill')).toMatchObject({ ok: true });
  });

  it('a plan kept in place of another keeps the other as a version, and what it was made from', async () => {
    await keep();
    const steeper = {
      ...FIRST_BEAT_FILE,
      pebbleLane: { ...FIRST_BEAT_FILE.pebbleLane, slope: 0.03 },
    };
    await keepDraft({
      id: 'd1',
      kind: 'survey',
      streamName: 'Thrum',
      beatId: 'b1',
      body: EMPTY_SURVEY,
    });
    await saveBeat({ id: 'b1', streamName: 'Thrum', file: steeper, draftId: 'd1' });
    const opened = await openBeat('b1');
    expect(opened.ok && opened.value.beat.plan.slope).toBe(0.03);
    expect(opened.ok && opened.value.beat.madeFrom?.kind).toBe('sketch');
    expect((await backUpBook()).tables.beat_versions).toHaveLength(1);
    expect(await draftsInBook()).toEqual([]);
    await saveBeat({ id: 'b1', streamName: 'Thrum', file: steeper });
    expect((await backUpBook()).tables.beat_versions).toHaveLength(1);
  });
});

const EMPTY_SURVEY = { plan: { name: '', features: [], levels: [] }, photo: null };

it('a draft is kept as it stands, and thrown away', async () => {
  const draft = { id: 'd1', kind: 'sketch' as const, streamName: '', beatId: null };
  const empty = { name: '', pieces: [], things: [] };
  const begun = { ...empty, pieces: [{ id: 'a', kind: 'run' }] };
  await keepDraft({ ...draft, body: empty });
  await keepDraft({ ...draft, body: begun });
  expect(await keepDraft({ ...draft, body: { ...empty, pieces: 5 } })).toMatchObject({
    message: 'The draft: "pieces" must be array.',
    field: 'body',
  });
  const opened = await openDraft('d1');
  expect(opened.ok && opened.value.body).toEqual(begun);
  await throwDraftAway('d1');
  expect(await openDraft('d1')).toMatchObject({ ok: false, code: 'not-found' });
});

describe('photographs', () => {
  it('are made smaller, encoded anew and rid of what they carried', async () => {
    const png = await sharp({
      create: { width: 3000, height: 1500, channels: 3, background: '#587' },
    })
      .withExif({ IFD0: { Copyright: 'somebody', ImageDescription: 'a place' } })
      .png()
      .toBuffer();
    expect(await keepPhoto('p1', new Uint8Array(png))).toEqual({
      ok: true,
      value: { id: 'p1', width: 2400, height: 1200 },
    });
    const kept = await photo('p1');
    if (!kept.ok) throw new Error('not kept');
    const meta = await sharp(kept.value.bytes).metadata();
    expect([meta.format, meta.exif, meta.width]).toEqual(['jpeg', undefined, 2400]);
  });
  it('too large a file, and a file that is none, are refused in a sentence', async () => {
    expect(await keepPhoto('p2', new Uint8Array(30_000_000))).toMatchObject({
      ok: false,
      message:
        'The photograph holds 30.0 MB; at most 25 MB are taken. Make it smaller and choose it again.',
    });
    expect(await keepPhoto('p3', new TextEncoder().encode('x,y,depth'))).toMatchObject({
      ok: false,
      message:
        'This file of 0.0 MB is no picture that can be read; JPEG, PNG, WebP and AVIF are possible.',
    });
    expect(await photo('p3')).toMatchObject({ ok: false, code: 'not-found' });
  });
});

describe('backup', () => {
  async function fullBook(): Promise<Backup> {
    await keep();
    await keepMark({
      id: 'm1',
      beatId: 'b1',
      xM: 3,
      yM: 1,
      fishDepthM: 0.4,
      headingRad: 0,
      totalLengthCm: 27,
      behaviour: 'holding' as const,
      note: '',
      photoId: null,
      seenMs: 0,
      surety: 'sure',
    });
    const attempt = {
      id: 't1',
      beatId: 'b1',
      markId: 'm1',
      fly: '',
      openedMs: 1,
      zoneOffsetMin: 0,
    };
    const outing = { id: 'o1', startMs: 1, endMs: null, timeZone: 'UTC', note: '' };
    await beginTry({ ...attempt, snapshot: EMPTY_SNAPSHOT }, outing);
    for (const seq of [1, 2])
      await recordEvent('t1', {
        id: `e${seq}`,
        device: 'd1',
        seq,
        code: 'cast',
        clientMs: seq,
        zoneOffsetMin: 0,
      });
    await keepDraft({
      id: 'd1',
      kind: 'survey',
      streamName: 'Thrum',
      beatId: null,
      body: { a: 1 },
    });
    const grey = await sharp({ create: { width: 40, height: 20, channels: 3, background: '#777' } })
      .png()
      .toBuffer();
    await keepPhoto('p1', new Uint8Array(grey));
    return JSON.parse(JSON.stringify(await backUpBook())) as Backup;
  }

  it('follows its published schema, and restored into an empty folder is the same book', async () => {
    const backup = await fullBook();
    const check = new Ajv2020().compile(
      JSON.parse(readFileSync('public/book.schema.json', 'utf8')),
    );
    expect([check(backup), check.errors]).toEqual([true, null]);
    openFolder();
    const dry = await restoreBook(backup, true);
    expect(dry.ok && dry.value.tables.find((t) => t.table === 'beats')).toEqual({
      table: 'beats',
      taken: 1,
      known: 0,
      differing: 0,
      unreadable: [],
    });
    expect(await beatsInBook()).toEqual([]);
    expect(await restoreBook(backup, false)).toMatchObject({ ok: true });
    expect((await backUpBook()).tables).toEqual(backup.tables);
    const opened = await openBeat('b1');
    expect(opened.ok && opened.value.tries[0]!.events.map((e) => e.id)).toEqual(['e1', 'e2']);
  });

  it('a backup from before outings spanned beats is taken as it would be today', async () => {
    const now = await fullBook();
    const { readings: _later, day_facts: _too, taken_changes: _three, ...tables } = now.tables;
    const first = {
      pebbleLaneBook: 1,
      writtenMs: now.writtenMs,
      tables: {
        ...tables,
        outings: [{ id: 'old', beat_id: 'b1', local_date: '2026-06-13' }],
        tries: tables.tries.map(({ read_id: _r, ...t }) => ({ ...t, outing_id: 'old' })),
        try_events: tables.try_events.map(({ device: _d, ...e }) => e),
      },
    };
    openFolder();
    expect(await restoreBook(first, false)).toMatchObject({ ok: true });
    const opened = await openBeat('b1');
    expect(opened.ok && opened.value.tries[0]).toMatchObject({
      outingId: 'outing-2026-06-13',
      events: [
        { id: 'e1', device: '' },
        { id: 'e2', device: '' },
      ],
    });
    expect(await outingsInBook()).toMatchObject([
      { id: 'outing-2026-06-13', startMs: 1, endMs: 1 },
    ]);
  });

  it('twice changes nothing, and what is here in another state stays', async () => {
    const backup = await fullBook();
    await alterBeat('b1', { name: 'Changed here' });
    const again = await restoreBook(backup, false);
    const beats = again.ok && again.value.tables.find((t) => t.table === 'beats');
    expect(beats).toMatchObject({ taken: 0, known: 0, differing: 1 });
    expect(await names()).toEqual(['Changed here']);
  });

  it('what is no backup, or does not hold together, is refused whole', async () => {
    const backup = await fullBook();
    openFolder();
    expect(await restoreBook({ hello: 1 }, false)).toMatchObject({
      ok: false,
      field: 'book',
      message: expect.stringMatching(/^This is not a backup of a book\. The file must have/),
    });
    const orphan = { ...backup, tables: { ...backup.tables, beats: [] } };
    expect(await restoreBook(orphan, false)).toMatchObject({
      ok: false,
      message: expect.stringMatching(/nothing was taken/),
    });
    expect((await backUpBook()).tables.streams).toEqual([]);
  });
});

describe('the server solves', () => {
  const done = async (hash: string) => {
    for (;;) {
      const job = (await solveJobs()).find((j) => j.hash === hash)!;
      if (job.state !== 'waiting' && job.state !== 'solving') return job;
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
  };
  beforeAll(() => {
    execFileSync(process.execPath, ['scripts/build-threads.mjs']);
  });

  it('a level is solved in a thread, with progress, and cached under the hash of its inputs', async () => {
    await keep();
    const opened = await openBeat('b1');
    if (!opened.ok) throw new Error(opened.message);
    const { plan } = opened.value.beat;
    const asked = await requestSolve('b1', 'Fair');
    if (!asked.ok) throw new Error(asked.message);
    const fair = plan.levels.find((l) => l.name === 'Fair')!.dischargeM3s;
    expect(asked.value.hash).toBe(flowInputHash(plan, fair));
    expect((await requestSolve('b1', 'Fair')).ok).toBe(true);
    expect((await solveJobs()).filter((j) => j.hash === asked.value.hash)).toHaveLength(1);
    // A second one waits its turn, and can be taken off the list.
    const second = await requestSolve('b1', 'Full');
    if (!second.ok) throw new Error(second.message);
    expect(second.value.state).toBe('waiting');
    await stopSolve(second.value.hash);
    expect((await done(asked.value.hash)).state).toBe('done');
    expect((await cachedFlow(asked.value.hash)).ok).toBe(true);
    expect((await done(second.value.hash)).state).toBe('stopped');
    expect(await requestSolve('b1', 'Fair')).toMatchObject({ value: { state: 'done' } });
  });

  it('a running solve stops, and what cannot be asked is said', async () => {
    await keep();
    const asked = await requestSolve('b1', 'Spate');
    if (!asked.ok) throw new Error(asked.message);
    await stopSolve(asked.value.hash);
    expect((await done(asked.value.hash)).state).toBe('stopped');
    expect((await cachedFlow(asked.value.hash)).ok).toBe(false);
    expect(await requestSolve('b1', 'flood')).toMatchObject({
      ok: false,
      message: 'Level is "flood"; this beat has Thin, Fair, Full, Spate.',
    });
    expect(await requestSolve('nobody', 'Fair')).toMatchObject({ code: 'not-found' });
    expect(await stopSolve('none')).toMatchObject({ code: 'not-found' });
  });
});
