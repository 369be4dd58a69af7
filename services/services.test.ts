import { FIRST_BEAT_FILE } from '../demo/first-beat';
import { EMPTY_SNAPSHOT } from '../core/log/index';
import { startFreshBook } from '../store/fixtures/books';
import {
  closeBook,
  beatsInBook,
  beginTry,
  changeSettings,
  keepFlow,
  keepMark,
  nowMs,
  openBeat,
  saveBeat,
  recordEvent,
  settings,
} from './index';

afterAll(closeBook);

beforeAll(() => {
  startFreshBook('pebble-services-');
  process.env.PEBBLE_NOW = '2026-06-13T07:40:00Z';
});

it('imports a beat, opens it with what belongs to it, and says what is not there', async () => {
  expect(await saveBeat({ id: 'b1', streamName: 'Thrum', file: FIRST_BEAT_FILE })).toMatchObject({
    ok: true,
  });
  expect(await beatsInBook()).toHaveLength(1);
  const mark = {
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
    surety: 'sure' as const,
  };
  expect(await keepMark(mark)).toMatchObject({ ok: true });
  expect(await keepMark({ ...mark, beatId: 'no' })).toMatchObject({
    ok: false,
    code: 'not-found',
    field: 'beatId',
  });
  const t = {
    id: 't1',
    beatId: 'b1',
    markId: 'm1',
    fly: '',
    openedMs: 1,
    zoneOffsetMin: 0,
    snapshot: EMPTY_SNAPSHOT,
  };
  const outing = { id: 'o1', startMs: 1, endMs: null, timeZone: 'UTC', note: '' };
  expect(await beginTry(t, outing)).toMatchObject({ ok: true });
  const event = {
    id: 'e1',
    device: 'd1',
    seq: 1,
    code: 'cast' as const,
    clientMs: 1,
    zoneOffsetMin: 0,
  };
  expect(await recordEvent('t1', event)).toMatchObject({ ok: true });
  expect(await recordEvent('t1', event)).toMatchObject({ ok: true });
  expect(await recordEvent('t1', { ...event, id: 'e2' })).toMatchObject({
    ok: false,
    code: 'conflict',
  });
  expect(await recordEvent('t9', event)).toMatchObject({ ok: false, code: 'not-found' });
  const opened = await openBeat('b1');
  expect(opened.ok && [opened.value.marks.length, opened.value.tries[0]!.events.length]).toEqual([
    1, 1,
  ]);
  expect(await openBeat('zz')).toEqual({
    ok: false,
    code: 'not-found',
    message: 'There is no beat "zz" in this book.',
  });
});

it('refuses a bad beat whole, and bytes that are no flow', async () => {
  const bad = { ...FIRST_BEAT_FILE, features: FIRST_BEAT_FILE.features.slice(1) };
  expect(await saveBeat({ id: 'b2', streamName: 'Thrum', file: bad })).toMatchObject({
    ok: false,
    code: 'invalid',
    field: 'file',
  });
  expect(await beatsInBook()).toHaveLength(1);
  expect(await keepFlow('b1', 'h', new Uint8Array(9))).toMatchObject({
    ok: false,
    message: 'These 9 bytes are not a flow.',
  });
});

it('settings start from stated defaults, and the clock can be fixed', async () => {
  expect(await settings()).toMatchObject({
    units: 'metric',
    waterTempC: null,
    anglerHeightM: 1.75,
  });
  await changeSettings({ units: 'us' });
  expect((await settings()).units).toBe('us');
  expect(nowMs()).toBe(Date.parse('2026-06-13T07:40:00Z'));
  process.env.PEBBLE_NOW = 'noon';
  expect(() => nowMs()).toThrow('it must be an ISO instant');
});
