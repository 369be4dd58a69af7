'use client';

import { useState } from 'react';
import { TRY_COLUMNS } from '@/core/log/index';
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

/** Tries from a CSV: what would be taken is said first, and kept only then. */
export function TriesIn() {
  const [tried, setTried] = useState<Tried | null>(null);
  const [said, setSaid] = useState<{ text: string; problem: boolean } | null>(null);
  const problem = (text: string) => {
    setTried(null);
    setSaid({ text, problem: true });
  };
  const choose = async (file: File) => {
    setSaid(null);
    const read = csvRows(await file.text(), ['opened']);
    if ('whole' in read) return problem(read.whole);
    const reply = await outingsApi.takeTries(read.rows, true);
    if (!reply.ok) return problem(reply.message);
    const { taken, known, problems } = reply.value;
    setTried({ rows: read.rows, taken, known, problems: [...read.problems, ...problems] });
  };
  const keep = async () => {
    const reply = await outingsApi.takeTries(tried!.rows, false);
    if (!reply.ok) return problem(reply.message);
    setTried(null);
    setSaid({
      text: `${reply.value.taken} ${reply.value.taken === 1 ? 'try' : 'tries'} taken into the book.`,
      problem: false,
    });
  };
  return (
    <div>
      <p>
        CSV with a line of column names: opened (an instant), and end with casts, or events. Also
        understood:{' '}
        {TRY_COLUMNS.filter((c) => !['opened', 'end', 'casts', 'events'].includes(c)).join(', ')}.
      </p>
      <FileDrop label="Tries (CSV)" accept=".csv,text/csv" onFile={(f) => void choose(f)} />
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
