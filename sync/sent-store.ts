import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { QueuedRequest } from './client';

/** What the book acknowledged, as it was sent. */
export interface SentRow {
  seq?: number;
  atMs: number;
  request: Omit<QueuedRequest, 'change'>;
}
export interface SentSchema extends DBSchema {
  sent: { key: number; value: SentRow };
}

/** So long what was sent is kept on the device, ms, and so many of them: a book that is put back is older than neither. */
const KEPT_MS = 14 * 86_400_000;
const MOST_KEPT = 5_000;

/**
 * What was sent lately, so that it can be sent again to a book that was put back to an older copy. A
 * store of its own: pages of an older version, that know nothing of it, keep theirs open.
 */
export const openSentDb = (name = 'pebble-lane-sent'): Promise<IDBPDatabase<SentSchema>> =>
  openDB<SentSchema>(name, 1, {
    upgrade: (db) => void db.createObjectStore('sent', { keyPath: 'seq', autoIncrement: true }),
    blocking: (_old, _new, event) => (event.target as IDBDatabase).close(),
  });

export async function keepSent(db: IDBPDatabase<SentSchema>, row: SentRow): Promise<void> {
  const tx = db.transaction('sent', 'readwrite');
  await tx.store.add(row);
  let over = (await tx.store.count()) - MOST_KEPT;
  let cursor = await tx.store.openCursor();
  while (cursor && (over > 0 || cursor.value.atMs < row.atMs - KEPT_MS)) {
    await cursor.delete();
    over--;
    cursor = await cursor.continue();
  }
  await tx.done;
}

/** Everything that was sent lately, oldest first. */
export const listSent = (db: IDBPDatabase<SentSchema>): Promise<SentRow[]> => db.getAll('sent');

export async function dropSent(
  db: IDBPDatabase<SentSchema>,
  rows: readonly SentRow[],
): Promise<void> {
  const tx = db.transaction('sent', 'readwrite');
  await Promise.all([...rows.map((r) => tx.store.delete(r.seq!)), tx.done]);
}
