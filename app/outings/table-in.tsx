'use client';

import { useState } from 'react';
import { READING_COLUMNS, TRY_COLUMNS } from '@/core/log/index';
import { outingsApi } from '@/sync/outings-client';
import { Button } from '@/ui/button';
import { FileDrop } from '@/ui/file-drop';
import { csvRows, type CsvRow } from '@/words/csv-rows';

interface Tried {
  rows: CsvRow[];
  taken: number;
  known: number;
  problems: string[];
}
const SHOWN = 12;

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
  const [tried, setTried] = useState<Tried | null>(null);
  const [said, setSaid] = useState<{ text: string; problem: boolean } | null>(null);
  const problem = (text: string) => {
    setTried(null);
    setSaid({ text, problem: true });
  };
  const choose = async (file: File) => {
    setSaid(null);
    const read = csvRows(await file.text(), needed);
    if ('whole' in read) return problem(read.whole);
    const reply = await outingsApi.takeTable(of, read.rows, true);
    if (!reply.ok) return problem(reply.message);
    const { taken, known, problems } = reply.value;
    setTried({ rows: read.rows, taken, known, problems: [...read.problems, ...problems] });
  };
  const keep = async () => {
    const reply = await outingsApi.takeTable(of, tried!.rows, false);
    if (!reply.ok) return problem(reply.message);
    setTried(null);
    setSaid({
      text: `${reply.value.taken} ${words[reply.value.taken === 1 ? 0 : 1]} taken into the book.`,
      problem: false,
    });
  };
  return (
    <div>
      <p>
        CSV with a line of column names: {asked}. Also understood: {also.join(', ')}.
      </p>
      <FileDrop label={label} accept=".csv,text/csv" onFile={(f) => void choose(f)} />
      {tried && (
        <div role="status">
          <p>
            <strong>Not kept yet.</strong> {tried.taken} would be taken, {tried.known} are here
            already, {tried.problems.length} are left:
          </p>
          <ul>
            {tried.problems.slice(0, SHOWN).map((p) => (
              <li key={p}>{p}</li>
            ))}
          </ul>
          <Button voice="solid" disabled={tried.taken === 0} onClick={() => void keep()}>
            Take {tried.taken}
          </Button>{' '}
          <Button onClick={() => setTried(null)}>Leave it</Button>
        </div>
      )}
      {said && <p role={said.problem ? 'alert' : 'status'}>{said.text}</p>}
    </div>
  );
}
