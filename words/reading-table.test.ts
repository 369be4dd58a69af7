import fc from 'fast-check';
import Papa from 'papaparse';
import { csvRows, csvText } from './csv-rows';
import { READING_COLUMNS, readingLine, readReadingLine, type Reading } from '../core/log/index';

const maybe = (min: number, max: number) =>
  fc.option(fc.double({ min, max, noNaN: true }).map((v) => Math.round(100 * v) / 100 + 0));
const reading: fc.Arbitrary<Reading> = fc
  .record({
    id: fc.stringMatching(/^[A-Za-z0-9-]{1,64}$/),
    outingId: fc.stringMatching(/^[A-Za-z0-9-]{1,64}$/),
    beatId: fc.option(fc.stringMatching(/^[a-z0-9-]{1,20}$/)),
    takenMs: fc.integer({ min: 0, max: 2e12 }),
    zoneOffsetMin: fc.integer({ min: -720, max: 840 }),
    waterTempC: maybe(0, 30),
    airTempC: maybe(-40, 50),
    turbidityNtu: maybe(0, 200),
    levelM: maybe(-5, 10),
    sky: fc.option(fc.constantFrom('clear' as const, 'overcast' as const)),
    windMps: maybe(0, 40),
    windFrom: fc.constant(null),
    source: fc.constantFrom('typed' as const, 'logger' as const, 'gauge' as const),
    note: fc.string({ maxLength: 60 }).map((s) => s.trim()),
  })
  .filter((r) =>
    [r.waterTempC, r.airTempC, r.turbidityNtu, r.levelM, r.sky, r.windMps].some((v) => v !== null),
  );

it('whatever was read goes out as CSV and comes in as it was, through a stranger’s reader too', () => {
  fc.assert(
    fc.property(fc.array(reading, { minLength: 1, maxLength: 8 }), (all) => {
      const lines = all.map((r) => {
        const line = readingLine(r, 'Etc/GMT-2');
        return READING_COLUMNS.map((c) => line[c]);
      });
      const text = csvText(READING_COLUMNS, lines);
      // RFC 4180, as another program reads it.
      const theirs = Papa.parse<Record<string, string>>(text.replace(/\r\n$/, ''), {
        header: true,
      });
      expect(theirs.errors).toEqual([]);
      expect(theirs.data).toHaveLength(all.length);
      const read = csvRows(text, ['taken']);
      if ('whole' in read) throw new Error(read.whole);
      const back = read.rows.map((r) => readReadingLine(r.cells, r.line));
      expect(back.map((b) => b.reading)).toEqual(all);
      expect(back.every((b) => b.outing!.timeZone === 'Etc/GMT-2')).toBe(true);
    }),
    { numRuns: 200 },
  );
});

it('another’s table with an instant and one figure is enough; the same line twice is one reading', () => {
  const cells = { taken: '2025-07-01T18:05:00+02:00', water_c: '14,5' };
  const { reading: read, outing } = readReadingLine(cells, 2);
  expect(read).toMatchObject({ waterTempC: 14.5, airTempC: null, source: 'typed' });
  expect(outing!.id).toBe('outing-2025-07-01');
  expect(readReadingLine({ ...cells }, 7).reading!.id).toBe(read!.id);
});

it('a note that begins like a formula runs nothing in a spreadsheet, and comes back as it was', () => {
  const text = csvText(['taken', 'note'], [['2025-07-01T18:05:00Z', '=1+1']]);
  expect(text).toContain(`'=1+1`);
  const read = csvRows(text, ['taken']);
  expect('rows' in read && read.rows[0]!.cells.note).toBe('=1+1');
});

it.each([
  "-2+3+cmd|' /C calc'!A0",
  '@SUM(1)',
  '+1',
  "'=1",
  "''-x",
  'see;=1',
  "a;'-b;@c",
  '-12.5',
  '-',
  '=',
])(
  '%p is no formula as a cell, also where semicolons separate, and comes back as it was',
  (note) => {
    const text = csvText(['taken', 'note'], [['2025-07-01T18:05:00Z', note]]);
    const read = csvRows(text, ['taken']);
    expect('rows' in read && read.rows[0]!.cells.note).toBe(note);
    const cell = text.split('\r\n')[1]!.slice('2025-07-01T18:05:00Z,'.length).replace(/^"/, '');
    for (const begins of cell.split(';')) expect(begins).toMatch(/^(?![=@+])(?!-(?!\d+(\.\d+)?$))/);
  },
);

it('whatever a note says, it comes back (seeded)', () => {
  const note = fc.array(
    fc.constantFrom('=', '-', '+', '@', "'", ';', ',', '"', 'a', '1', ' ', '.'),
    { maxLength: 9 },
  );
  fc.assert(
    fc.property(note, (letters) => {
      const told = letters.join('').trim();
      const read = csvRows(csvText(['taken', 'note'], [['x', told]]), ['taken']);
      expect('rows' in read && read.rows[0]!.cells.note).toBe(told);
    }),
    { numRuns: 500, seed: 8 },
  );
});

it.each([
  [{ taken: 'yesterday', water_c: '9' }, /^Line 3: taken is "yesterday"; it must be an instant/],
  [{ taken: '2025-07-01T18:05:00Z' }, /^Line 3: nothing was read/],
  [{ taken: '2025-07-01T18:05:00Z', water_c: '44' }, /water_c is "44"; a number from 0 to 30/],
  [{ taken: '2025-07-01T18:05:00Z', water_c: 'warm' }, /water_c is "warm"/],
  [{ taken: '2025-07-01T18:05:00Z', sky: 'grey' }, /sky is "grey"; it must be one of/],
  [{ taken: '2025-07-01T18:05:00Z', water_c: '9', reading: 'a b' }, /reading is "a b"; 1 to 64/],
] as [Record<string, string>, RegExp][])('%p is refused with a sentence', (cells, words) => {
  expect(readReadingLine(cells, 3).problem).toMatch(words);
});
