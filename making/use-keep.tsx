'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Button } from '../ui/button';
import { api } from '../sync/api';
import { problemOf } from '../sync/client';
import css from './making.module.css';

interface Finished {
  file: unknown;
  madeFrom: object;
}

/** Ends a draft: what is missing is said and stays on screen; a whole one is kept and opened to read. */
export function useKeep(
  input: { id: string; beatId: string | null },
  draft: { streamName: string; forget: () => void },
  finish: () => Finished | { missing: string },
) {
  const router = useRouter();
  const [refusal, setRefusal] = useState<string | null>(null);
  const keep = async () => {
    const done = finish();
    if ('missing' in done) {
      setRefusal(done.missing);
      return;
    }
    if (draft.streamName.trim() === '') {
      setRefusal('Stream "" is empty. Give the stream a name first.');
      return;
    }
    const id = input.beatId ?? input.id;
    const problem = problemOf(
      await api.saveBeat(id, { ...done, stream: draft.streamName, draftId: input.id }),
    );
    if (problem) {
      setRefusal(problem);
      return;
    }
    draft.forget();
    router.push(`/b/${id}/read`);
  };
  return {
    keep: () => void keep(),
    keepWords: input.beatId ? 'Keep the change and read it' : 'Make the beat and read it',
    refusal: refusal && (
      <p role="alert" className={css.refusal}>
        {refusal} <Button onClick={() => setRefusal(null)}>Done</Button>
      </p>
    ),
  };
}
