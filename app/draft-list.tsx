'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { bookApi } from '@/sync/book-api';
import { Button } from '@/ui/button';
import css from './start.module.css';

interface ListedDraft {
  id: string;
  kind: 'sketch' | 'survey';
  name: string;
  streamName: string;
  beatId: string | null;
}

/** Beats in the making: left as they were, to be gone on with. */
export function DraftList({ drafts }: { drafts: readonly ListedDraft[] }) {
  const router = useRouter();
  if (drafts.length === 0) return null;
  return (
    <section aria-label="Drafts">
      <h2>Drafts</h2>
      <ul className={css.drafts}>
        {drafts.map((d) => (
          <li key={d.id}>
            <Link href={`/make/${d.kind}/${d.id}`} prefetch={false}>
              {d.name}, {d.kind}
              {d.streamName && ` on ${d.streamName}`}
              {d.beatId && ', a change not yet kept'}
            </Link>{' '}
            <Button
              voice="plain"
              aria-label={`Throw away ${d.name}`}
              onClick={async () => {
                localStorage.removeItem(`pebble-draft-${d.id}`);
                await bookApi.dropDraft(d.id);
                router.refresh();
              }}
            >
              Throw away
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
