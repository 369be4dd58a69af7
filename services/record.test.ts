import { demoBeats } from '../demo/beats';
import { DEMO_STREAM } from '../demo/first-beat';
import { demoHistory } from '../demo/history';
import { NO_PRIORS } from '../core/log/index';
import { startFreshBook } from '../store/fixtures/books';
import {
  closeBook,
  keepBeat,
  keepHistory,
  keepRead,
  learnOf,
  nowMs,
  recordEvent,
  recordOf,
  refitOnceADay,
  refitRecord,
  settings,
  takeBack,
  triesBehind,
} from './index';

afterAll(closeBook);

const BEAT = 'sallow-steps';

beforeAll(async () => {
  startFreshBook('pebble-record-');
  process.env.PEBBLE_NOW = '2026-06-13T07:40:00Z';
  const beats = demoBeats();
  for (const { id, plan } of beats) await keepBeat(id, DEMO_STREAM, plan);
  const { reads, ...history } = demoHistory(beats, DEMO_STREAM, nowMs());
  for (const read of reads) await keepRead(read);
  await keepHistory(history);
});

it('before it is worked out nothing is changed, and nothing can be taken back', async () => {
  expect(await recordOf()).toBeNull();
  expect((await settings()).priors).toEqual(NO_PRIORS);
  expect(await takeBack(['hook'], true)).toMatchObject({ ok: false, code: 'not-found' });
});

it('worked out once a day: what has moved goes with the settings; taken back and put in again with one press', async () => {
  await refitOnceADay();
  const record = (await recordOf())!;
  expect(record.refits.find((r) => r.name === 'scatter')).toMatchObject({ verdict: 'moved' });
  expect(record.stops).toMatchObject({ days: expect.any(Number) });
  const moved = (await settings()).priors;
  expect(moved).toEqual(record.priors);
  expect(moved.scatter.far).toBeGreaterThan(1.3);
  expect(Object.keys(await settings())).not.toContain('record');
  expect(await takeBack(['scatter'], true)).toMatchObject({ ok: true });
  expect((await settings()).priors.scatter).toEqual(NO_PRIORS.scatter);
  // Worked out anew it stays taken back, until it is put in again.
  expect(await refitRecord()).toMatchObject({ ok: true, value: { takenBack: ['scatter'] } });
  expect((await settings()).priors.scatter).toEqual(NO_PRIORS.scatter);
  expect(await takeBack(['scatter'], false)).toMatchObject({ ok: true });
  expect((await settings()).priors).toMatchObject({ scatter: moved.scatter });
});

it('the tries behind a correction, newest first', async () => {
  const { of, tries } = await triesBehind('hook');
  expect(of).toBeGreaterThanOrEqual(30);
  expect(tries.every((t, i) => i === 0 || t.openedMs <= tries[i - 1]!.openedMs)).toBe(true);
});

it('counted by beat, stream, book and year; what is logged since is counted too', async () => {
  const all = await learnOf('book', BEAT);
  const stream = await learnOf('stream', BEAT);
  const beat = await learnOf('beat', BEAT);
  const year = await learnOf('book', BEAT, 2026);
  expect(all.years).toEqual([2026, 2025]);
  expect(beat.learned.tries).toBeLessThan(stream.learned.tries);
  expect(stream.learned.tries).toBeLessThan(all.learned.tries);
  expect(year.learned.tries).toBeLessThan(all.learned.tries);
  expect(all.learned.factors.find((f) => f.factor === 'angler')!.groups.map((g) => g.name)).toEqual(
    expect.arrayContaining(['1', '2']),
  );
  const looks = all.learned.looks;
  const blank = (await triesBehind('home')).tries.find((t) => !t.shown)!;
  await recordEvent(blank.id, {
    id: 'late-look',
    device: 'desk',
    seq: 99,
    code: 'look',
    clientMs: nowMs(),
    zoneOffsetMin: 0,
  });
  expect((await learnOf('book', BEAT)).learned.looks).toBe(looks + 1);
});
