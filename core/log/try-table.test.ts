import fc from 'fast-check';
import {
  EMPTY_SNAPSHOT,
  EVENT_CODES,
  foldTry,
  readTryLine,
  TRY_COLUMNS,
  tryLine,
  type Try,
} from './index';

const outing = { id: 'o', startMs: 0, endMs: null, timeZone: 'Etc/GMT-2', note: '' };
const attempt: Try = {
  id: 't1',
  outingId: 'o',
  beatId: 'b',
  markId: null,
  fly: 'Dun 16',
  openedMs: Date.parse('2026-06-13T07:40:00Z'),
  zoneOffsetMin: 120,
  snapshot: {
    ...EMPTY_SNAPSHOT,
    water: { tempC: 12.34, tempSource: 'read', turbidityNtu: null },
  },
  events: (['cast', 'miss', 'hook', 'landing'] as const).map((code, i) => ({
    id: `e${i}`,
    device: 'd',
    seq: i + 1,
    code,
    clientMs: Date.parse('2026-06-13T07:40:00Z') + 10_000 * i,
    zoneOffsetMin: 120,
    ...(code === 'landing' && { lengthCm: 27 }),
  })),
};

it('a try goes out as a line and comes in as the same story', () => {
  const line = tryLine(attempt, outing);
  expect(Object.keys(line)).toEqual([...TRY_COLUMNS]);
  expect(line).toMatchObject({
    casts: '3',
    end: 'landed',
    length_cm: '27.0',
    water_c: '12.34',
    events: 'cast@0 miss@10 hook@20 landing@30',
  });
  const read = readTryLine(line, 2);
  expect(foldTry('', read.attempt!.events)).toMatchObject({
    state: 'landed',
    casts: 3,
    landedCm: 27,
  });
  expect(read.attempt).toMatchObject({ id: 't1', beatId: 'b', openedMs: attempt.openedMs });
  expect(read.outing).toMatchObject({ id: 'outing-2026-06-13', timeZone: 'Etc/GMT-2' });
});

it('another’s table with an end and casts is enough; the same line twice is one try', () => {
  const cells = { opened: '2025-07-01T18:05:00+02:00', casts: '4', end: 'lost', fly: 'Ant' };
  const read = readTryLine(cells, 2);
  expect(foldTry('', read.attempt!.events)).toMatchObject({ state: 'lost', casts: 4 });
  expect(readTryLine({ ...cells }, 9).attempt!.id).toBe(read.attempt!.id);
});

it.each([
  [{ opened: '2025-07-01 18:05', end: 'lost' }, /Line 3: opened is/],
  [{ opened: '2025-07-01T18:05:00Z', end: 'gone fishing' }, /end is "gone fishing"; it must be/],
  [{ opened: '2025-07-01T18:05:00Z', end: 'lost', casts: '-1' }, /casts is "-1"/],
  [{ opened: '2025-07-01T18:05:00Z', end: 'landed', length_cm: '400' }, /length_cm is "400"/],
  [{ opened: '2025-07-01T18:05:00Z', events: 'cast@0 dance@3' }, /events holds "dance"/],
] as [Record<string, string>, RegExp][])('%p is refused with a sentence', (cells, words) => {
  expect(readTryLine(cells, 3).problem).toMatch(words);
});

it('whatever happened in a try, its line tells the same story: how it ended, how many casts, how long', () => {
  const codes = EVENT_CODES.filter((c) => c !== 'undo' && c !== 'more');
  const told = fc.record({
    fly: fc.stringMatching(/^[A-Za-z][A-Za-z0-9 ]{0,20}[A-Za-z0-9]$/),
    openedMs: fc.integer({ min: 1e9, max: 2e9 }).map((s) => 1000 * s),
    zoneOffsetMin: fc.integer({ min: -720, max: 840 }),
    events: fc.array(fc.tuple(fc.constantFrom(...codes), fc.integer({ min: 0, max: 90 })), {
      maxLength: 12,
    }),
    lengthCm: fc.integer({ min: 50, max: 900 }).map((mm) => mm / 10),
  });
  fc.assert(
    fc.property(told, ({ fly, openedMs, zoneOffsetMin, events, lengthCm }) => {
      let atMs = openedMs;
      const attempted: Try = {
        ...attempt,
        fly,
        openedMs,
        zoneOffsetMin,
        events: events.map(([code, s], i) => ({
          id: `e${i}`,
          device: 'd',
          seq: i + 1,
          code,
          clientMs: (atMs += 1000 * s),
          zoneOffsetMin,
          ...(code === 'landing' && { lengthCm }),
        })),
      };
      const line = tryLine(attempted, outing);
      const read = readTryLine(line, 2);
      if (line.events === '') return;
      const [was, is] = [attempted, read.attempt!].map((t) => foldTry(t.fly, t.events));
      expect([is!.state, is!.casts, is!.landedCm]).toEqual([was!.state, was!.casts, was!.landedCm]);
      expect(read.attempt!.events.map((e) => [e.code, e.clientMs])).toEqual(
        attempted.events.map((e) => [e.code, e.clientMs]),
      );
      expect(read.attempt).toMatchObject({ openedMs, zoneOffsetMin });
    }),
    { numRuns: 300 },
  );
});
