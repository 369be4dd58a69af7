import { EMPTY_SNAPSHOT, foldTry, readTryLine, TRY_COLUMNS, tryLine, type Try } from './index';

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
