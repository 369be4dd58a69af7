import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { QueuedRequest } from './client';

/** A request as it is held: `seq` is its place in the line of this device. */
export interface HeldRequest extends QueuedRequest {
  seq: number;
  /** How often the server failed over it. */
  failures: number;
}

/** A request that the server would not take, with its sentence. */
export interface RefusedRequest extends HeldRequest {
  message: string;
  field: string | null;
}

interface QueueSchema extends DBSchema {
  requests: { key: number; value: Omit<HeldRequest, 'seq'> & { seq?: number } };
  refused: { key: number; value: RefusedRequest };
}
export type QueueDb = IDBPDatabase<QueueSchema>;

export const openQueueDb = (name = 'pebble-lane'): Promise<QueueDb> =>
  openDB<QueueSchema>(name, 1, {
    upgrade(db) {
      db.createObjectStore('requests', { keyPath: 'seq', autoIncrement: true });
      db.createObjectStore('refused', { keyPath: 'seq' });
    },
    // A newer page wants to change the store: make room, the next use opens it again.
    blocking: (_old, _new, event) => (event.target as IDBDatabase).close(),
  });

const held = { durability: 'strict' } as const;

/** Resolves once the disk has it. Rejects when the device is full or denies it. */
export async function addRequest(db: QueueDb, request: QueuedRequest): Promise<void> {
  const tx = db.transaction('requests', 'readwrite', held);
  await Promise.all([tx.store.add({ ...request, failures: 0 }), tx.done]);
}

export async function firstRequest(db: QueueDb): Promise<HeldRequest | null> {
  const cursor = await db.transaction('requests').store.openCursor();
  return (cursor?.value as HeldRequest | undefined) ?? null;
}

export const dropRequest = (db: QueueDb, seq: number) => db.delete('requests', seq);

export const keepRow = (db: QueueDb, row: HeldRequest) => db.put('requests', row);

/** From the line into the list of what was not taken, in one step. */
export async function moveToRefused(db: QueueDb, row: RefusedRequest): Promise<void> {
  const tx = db.transaction(['requests', 'refused'], 'readwrite', held);
  await Promise.all([
    tx.objectStore('refused').put(row),
    tx.objectStore('requests').delete(row.seq),
    tx.done,
  ]);
}

/** Back into the line, at its end, with a changed body; false when it is not in the list any more. */
export async function moveBack(
  db: QueueDb,
  seq: number,
  body: Record<string, unknown> | undefined,
): Promise<boolean> {
  const tx = db.transaction(['requests', 'refused'], 'readwrite', held);
  const row = await tx.objectStore('refused').get(seq);
  if (row) {
    const { kind, method, path } = row;
    const now = body ?? row.body;
    await Promise.all([
      tx.objectStore('refused').delete(seq),
      tx
        .objectStore('requests')
        .add({ kind, method, path, failures: 0, ...(now && { body: now }) }),
    ]);
  }
  await tx.done;
  return row !== undefined;
}

export const throwRefusedAway = (db: QueueDb, seq: number) => db.delete('refused', seq);
export const countRequests = (db: QueueDb) => db.count('requests');
export const listRefused = (db: QueueDb) => db.getAll('refused');
