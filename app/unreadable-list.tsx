'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { bookApi } from '@/sync/book-api';
import { problemOf } from '@/sync/client';
import { Button } from '@/ui/button';
import panel from '../ui/panel.module.css';
import css from './start.module.css';

/** One thing of the book that cannot be read, in words. */
export interface UnreadableThing {
  table: string;
  id: string;
  name: string;
  why: string;
}

const WHAT: Record<string, string> = {
  settings: 'A setting',
  beats: 'A beat',
  drafts: 'A draft',
  reads: 'A quick read',
  day_facts: 'What was told of a day',
  tries: 'What the plan had said of a try',
};

/** What cannot be read is left out everywhere else. Here it is named, and can be put out of the way. */
export function UnreadableList({ things }: { things: readonly UnreadableThing[] }) {
  const router = useRouter();
  const [problem, setProblem] = useState<string | null>(null);
  if (things.length === 0) return null;
  const putAside = async ({ table, id }: UnreadableThing) => {
    setProblem(problemOf(await bookApi.putAside(table, id)));
    router.refresh();
  };
  return (
    <section aria-labelledby="unreadable">
      <h2 id="unreadable">What cannot be read</h2>
      <p>
        The book holds {things.length === 1 ? 'one thing' : `${things.length} things`} that{' '}
        {things.length === 1 ? 'is' : 'are'} damaged. Everything else goes on without. What is put
        aside stays in the book’s file for a hand that can mend it, and is in no backup. A beat goes
        back to the plan it had before, or is deleted, which can be taken back.
      </p>
      <ul className={css.drafts}>
        {things.map((t) => (
          <li key={`${t.table} ${t.id}`}>
            {WHAT[t.table] ?? 'Something'}
            {t.name && t.name !== t.id ? `, ${t.name}` : ''} ({t.id}): {t.why}.{' '}
            <Button
              voice="plain"
              aria-label={`Put it aside: ${t.name || t.id}`}
              onClick={() => void putAside(t)}
            >
              Put it aside
            </Button>
          </li>
        ))}
      </ul>
      {problem && (
        <p role="alert" className={panel.problem}>
          {problem}
        </p>
      )}
    </section>
  );
}
