import { setTimeout as pause } from 'node:timers/promises';
import { sql } from 'kysely';
import type { Db } from './db';
import { isPostgres } from './dialect';

/** Who writes on PostgreSQL holds this lock; triggers that number the feed take it as well. */
export const BOOK_LOCK = 7_325_001;
/** A failed serialisation, a deadlock, a lock that was not to be had: the same work may be done again. */
const DONE_AGAIN = new Set(['40001', '40P01', '55P03']);
const MOST_AGAIN = 8;
const FIRST_PAUSE_MS = 20;

const queues = new WeakMap<Db, Promise<unknown>>();

/**
 * A change of the book, whole or not at all, one at a time: SQLite begins it immediately; on
 * PostgreSQL it holds one lock from before its first look to its commit, so that numbers of the feed
 * are seen in their order, and what was read is still so when it is written. One of a process waits
 * for that lock, the others for it. Within a change, it is part of that one.
 */
export function writing<T>(db: Db, work: (trx: Db) => Promise<T>): Promise<T> {
  if (db.isTransaction) return work(db);
  if (!isPostgres(db)) return db.transaction().execute(work);
  const turn = (queues.get(db) ?? Promise.resolve()).then(() =>
    triedAgain(() =>
      db
        .transaction()
        .setIsolationLevel('read committed')
        .execute(async (trx) => {
          await sql`select pg_advisory_xact_lock(${BOOK_LOCK})`.execute(trx);
          return work(trx);
        }),
    ),
  );
  queues.set(
    db,
    turn.catch(() => null),
  );
  return turn;
}

/** What several tables hold at one moment, whoever writes meanwhile. */
export const reading = <T>(db: Db, look: (trx: Db) => Promise<T>): Promise<T> =>
  db.transaction().setAccessMode('read only').setIsolationLevel('repeatable read').execute(look);

/** Does work again, after longer and longer pauses, where the engine says that it may succeed then. */
export async function triedAgain<T>(work: () => Promise<T>): Promise<T> {
  for (let again = 0; ; again++) {
    try {
      return await work();
    } catch (error) {
      const code = (error as { code?: unknown } | null)?.code;
      if (again >= MOST_AGAIN || typeof code !== 'string' || !DONE_AGAIN.has(code)) throw error;
      await pause(FIRST_PAUSE_MS * 2 ** again * (0.5 + Math.random()));
    }
  }
}
