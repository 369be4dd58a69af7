import type { IDBPDatabase } from 'idb';
import { json, v1, type QueuedRequest, type Reply } from './client';
import { createKeptStore } from './kept-store';
import {
  dropSent,
  keepSent,
  listSent,
  openSentDb,
  type SentRow,
  type SentSchema,
} from './sent-store';

type Sent = SentRow['request'];
/** Of changes by their names, those that the book never took. */
export type AskMissing = (ids: string[]) => Promise<Reply<string[]>>;

/** Names of changes that the book is asked for at a time; no more than its route takes. */
const NAMES_AT_ONCE = 200;

/** What was sent lately, and which of it the book has lost since. A page loads it when it first sends. */
export function createSentLog(
  open: () => Promise<IDBPDatabase<SentSchema>> = openSentDb,
  askMissing: AskMissing = askBook,
) {
  const store = createKeptStore<SentSchema>(open);
  return {
    keep: (atMs: number, request: Sent): Promise<void> =>
      store.use((db) => keepSent(db, { atMs, request })).catch(() => undefined),

    /**
     * Gives `again` what the book acknowledged and does not have any more, oldest first: it was put back
     * to an older copy. Kept in the line, it is out of this log until it is sent once more.
     */
    async findMissing(again: (request: QueuedRequest) => Promise<unknown>): Promise<number> {
      const rows = (await store.use(listSent).catch(() => [])).filter((r) => r.request.id);
      const missing: SentRow[] = [];
      for (let end = rows.length; end > 0; end -= NAMES_AT_ONCE) {
        const some = rows.slice(Math.max(0, end - NAMES_AT_ONCE), end);
        const reply = await askMissing(some.map((r) => r.request.id!));
        if (!reply.ok) return 0;
        const lost = new Set(reply.value);
        missing.unshift(...some.filter((r) => lost.has(r.request.id!)));
        // What is older than a whole page that is there is there as well.
        if (lost.size === 0) break;
      }
      for (const { request } of missing) await again(request);
      if (missing.length > 0) await store.use((db) => dropSent(db, missing)).catch(() => null);
      return missing.length;
    },
    close: store.close,
  };
}
const askBook: AskMissing = (ids) =>
  json<string[]>({ method: 'POST', path: v1('/changes/missing'), body: { ids } });

export type SentLog = ReturnType<typeof createSentLog>;
