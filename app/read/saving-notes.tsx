'use client';

import { useQueue } from '@/sync/use-queue';
import { NotTaken } from '@/ui/not-taken';
import { mended, notTakenRows } from '@/words/queue-words';

/** What this phone holds that the book would not take. */
export function SavingNotes() {
  const { refused, sendAgain, throwAway } = useQueue();
  return (
    <NotTaken
      rows={notTakenRows(refused)}
      onSendAgain={(seq, change) => {
        const body = refused.find((r) => r.seq === seq)?.body;
        void sendAgain(seq, change && mended(body, change.key, change.text));
      }}
      onThrowAway={(seq) => void throwAway(seq)}
    />
  );
}
