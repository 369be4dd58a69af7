'use client';

import { READING_COLUMNS, TRY_COLUMNS } from '@/core/log/index';
import { outingsApi } from '@/sync/outings-client';
import { FileTried, type Tried } from '@/ui/file-tried';
import { csvRows, type CsvRow } from '@/words/csv-rows';

const TABLES = {
  tries: {
    label: 'Tries (CSV)',
    needed: ['opened'],
    asked: 'opened (an instant), and end with casts, or events',
    also: TRY_COLUMNS.filter((c) => !['opened', 'end', 'casts', 'events'].includes(c)),
    words: ['try', 'tries'],
  },
  readings: {
    label: 'Readings (CSV)',
    needed: ['taken'],
    asked: 'taken (an instant), and something that was read, such as water_c',
    also: READING_COLUMNS.filter((c) => !['taken', 'water_c'].includes(c)),
    words: ['reading', 'readings'],
  },
} as const;

/** Tries or readings from a CSV: what would be taken is said first, and kept only then. */
export function TableIn({ of }: { of: keyof typeof TABLES }) {
  const { label, needed, asked, also, words } = TABLES[of];
  const tryOut = async (file: File): Promise<Tried<CsvRow[]> | string> => {
    const read = csvRows(await file.text(), needed);
    if ('whole' in read) return read.whole;
    const reply = await outingsApi.takeTable(of, read.rows, true);
    if (!reply.ok) return reply.message;
    const { taken, known, problems } = reply.value;
    return { what: read.rows, taken, known, left: [...read.problems, ...problems] };
  };
  const keep = async (rows: CsvRow[]) => {
    const reply = await outingsApi.takeTable(of, rows, false);
    if (!reply.ok) return `Nothing was taken. ${reply.message}`;
    const { taken } = reply.value;
    return `${taken} ${words[taken === 1 ? 0 : 1]} taken into the book.`;
  };
  return (
    <div>
      <p>
        CSV with a line of column names: {asked}. Also understood: {also.join(', ')}.
      </p>
      <FileTried label={label} accept=".csv,text/csv" words={words} read={tryOut} onTake={keep} />
    </div>
  );
}
