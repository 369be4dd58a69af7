'use client';

import { useQueue } from '../../sync/use-queue';
import { NotTaken } from '../../ui/not-taken';
import { mended, notTakenRows } from '../../words/queue-words';

/** How the line to the book stands: what waits, and what was not taken. */
export function SavingLine() {
  const { waiting, problem, refused, sendAgain, throwAway } = useQueue();
  return (
    <>
      <span className="saved" role="status">
        {problem ?? (waiting > 0 ? `${waiting} waiting` : '')}
      </span>
      <NotTaken
        rows={notTakenRows(refused)}
        onSendAgain={(seq, change) => {
          const body = refused.find((r) => r.seq === seq)?.body;
          void sendAgain(seq, change && mended(body, change.key, change.text));
        }}
        onThrowAway={(seq) => void throwAway(seq)}
      />
    </>
  );
}
