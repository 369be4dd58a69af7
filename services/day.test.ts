import { FIRST_BEAT_FILE } from '../demo/first-beat';
import { NO_BEAT_FACTS, readingSaying, EMPTY_SNAPSHOT } from '../core/log/index';
import { startFreshBook } from '../store/fixtures/books';
import {
  closeBook,
  bankOf,
  beginTry,
  dayBookOf,
  keepFact,
  keepOuting,
  keepReading,
  saveBeat,
  backUpBook,
} from './index';

afterAll(closeBook);

const BOOK = Symbol.for('pebble-lane.book');
beforeEach(() => {
  startFreshBook('pebble-day-');
  process.env.PEBBLE_NOW = '2026-06-13T07:40:00Z';
  delete (globalThis as Record<symbol, unknown>)[BOOK];
});

const at = (text: string) => Date.parse(`2026-06-${text}:00Z`);
const outing = { id: 'o1', startMs: at('13T06:00'), endMs: null, timeZone: 'Etc/GMT-2', note: '' };
const read = (
  id: string,
  beatId: string,
  takenMs: number,
  waterTempC: number | null,
  turbidityNtu: number | null = null,
) =>
  keepReading(
    readingSaying({
      id,
      outingId: 'o1',
      takenMs,
      zoneOffsetMin: 120,
      beatId,
      waterTempC,
      turbidityNtu,
    }),
  );

async function twoBeats() {
  const file = structuredClone(FIRST_BEAT_FILE) as unknown as {
    pebbleLane: { altitudeM?: number };
  };
  const higher = structuredClone(file);
  higher.pebbleLane.altitudeM = (file.pebbleLane.altitudeM ?? 600) + 200;
  await saveBeat({ id: 'low', streamName: 'Kest', file });
  await saveBeat({ id: 'high', streamName: 'Kest', file: higher });
  await keepOuting(outing);
}

describe('the book’s day', () => {
  it('has every beat, the readings of three days, and pairs of earlier ones', async () => {
    await twoBeats();
    await read('today', 'low', at('13T07:00'), 12);
    await read('yesterday', 'high', at('12T17:30'), 14);
    await read('pair-a', 'low', at('01T12:00'), 19);
    await read('pair-b', 'high', at('01T12:10'), 17.6);
    const book = await dayBookOf('2026-06-13', 'Etc/GMT-2');
    expect(book.sites.map((s) => s.id)).toEqual(['low', 'high']);
    expect(book.noonMs).toBe(at('13T10:00'));
    expect(book.readings.map((r) => r.id)).toEqual(['yesterday', 'today']);
    const [stream] = Object.keys(book.pairs);
    expect(book.pairs[stream!]).toEqual([
      { lowM: expect.any(Number), lowC: 19, highM: expect.any(Number), highC: 17.6 },
    ]);
  });
  it('clarity read beside a try at a level is told of that level, once', async () => {
    await twoBeats();
    await read('c', 'low', at('13T07:00'), null, 5);
    for (const id of ['t1', 't2'])
      await beginTry(
        {
          id,
          beatId: 'low',
          markId: null,
          fly: '',
          openedMs: at('13T07:10'),
          zoneOffsetMin: 120,
          snapshot: { ...EMPTY_SNAPSHOT, level: 'Full' },
        },
        outing,
      );
    const book = await dayBookOf();
    expect(Object.values(book.colours)).toEqual([[{ level: 'Full', turbidityNtu: 5 }]]);
  });
  it('what is told is kept by what it is told of, goes into the backup, and to the bank', async () => {
    await twoBeats();
    const closed = { ...NO_BEAT_FACTS, closed: true };
    await keepFact('beats', 'low', NO_BEAT_FACTS);
    await keepFact('beats', 'low', closed);
    await keepFact('ways', 'home--low', { minutes: 25 });
    const { facts } = await dayBookOf();
    expect(facts.beats).toEqual({ low: closed });
    expect(facts.ways).toEqual({ 'home--low': { minutes: 25 } });
    expect((await backUpBook()).tables.day_facts).toHaveLength(2);
    const bank = await bankOf();
    expect(bank.day).toMatchObject({ date: '2026-06-13', facts: { beats: { low: closed } } });
  });
  it('an empty book has a day without sites', async () => {
    expect(await dayBookOf('2026-01-05')).toMatchObject({
      sites: [],
      readings: [],
      timeZone: null,
    });
  });
});
