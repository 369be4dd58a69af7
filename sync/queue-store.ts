import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { LogChange } from '../core/log/index';
import { newChange, type QueuedRequest } from './client';

/** A request as it is held: `seq` is its place in the line of this device. */
export interface HeldRequest extends Omit<QueuedRequest, 'change'> {
  seq: number;
  /** How often the server failed over it, and since when. */
  failures: number;
  failedSinceMs?: number;
}

/** A request that the server would not take, with its sentence. */
export interface RefusedRequest extends HeldRequest {
  message: string;
  field: string | null;
  /** The server's own trouble, or what followed from it: it is sent again by itself. */
  again?: boolean;
}

/** What a request means for the log, under the request's number; it outlives the request until the book has told it back. */
export interface JournalRow {
  seq: number;
  change: LogChange;
  /** The book has it. */
  sent: boolean;
}

export interface QueueSchema extends DBSchema {
  requests: { key: number; value: Omit<HeldRequest, 'seq'> & { seq?: number } };
  refused: { key: number; value: RefusedRequest };
  journal: { key: number; value: JournalRow };
}
export type QueueDb = IDBPDatabase<QueueSchema>;

export const openQueueDb = (name = 'pebble-lane'): Promise<QueueDb> =>
  openDB<QueueSchema>(name, 2, {
    upgrade(db, before) {
      if (before < 1) {
        db.createObjectStore('requests', { keyPath: 'seq', autoIncrement: true });
        db.createObjectStore('refused', { keyPath: 'seq' });
      }
      db.createObjectStore('journal', { keyPath: 'seq' });
    },
    // A newer page wants to change the store: make room, the next use opens it again.
    blocking: (_old, _new, event) => (event.target as IDBDatabase).close(),
  });

const held = { durability: 'strict' } as const;

/** Its place in the line, once the disk has it, request and record together. Rejects when the device is full or denies it. */
export async function addRequest(
  db: QueueDb,
  { change, ...request }: QueuedRequest,
): Promise<number> {
  const tx = db.transaction(['requests', 'journal'], 'readwrite', held);
  const add = async () => {
    const seq = await tx.objectStore('requests').add({ ...request, failures: 0 });
    // A store that was cleared counts from the beginning: what an older number meant is gone.
    if (change) await tx.objectStore('journal').put({ seq, change, sent: false });
    return seq;
  };
  const [seq] = await Promise.all([add(), tx.done]);
  return seq;
}

/** The line: the name of the press at each place. What was sent, refused or dropped is not in it. */
export async function heldIds(db: QueueDb): Promise<ReadonlyMap<number, string | undefined>> {
  const ids = new Map<number, string | undefined>();
  let cursor = await db.transaction('requests').store.openCursor();
  for (; cursor; cursor = await cursor.continue()) ids.set(cursor.key, cursor.value.id);
  return ids;
}

/** What is to be sent again by itself goes back to its own place in the line. */
export async function moveDueBack(db: QueueDb): Promise<number> {
  const tx = db.transaction(['requests', 'refused'], 'readwrite', held);
  const due = (await tx.objectStore('refused').getAll()).filter((r) => r.again);
  for (const { message: _m, field: _f, again: _a, ...row } of due) {
    await tx.objectStore('requests').put(row);
    await tx.objectStore('refused').delete(row.seq);
  }
  await tx.done;
  return due.length;
}

/** What this device has recorded and the book has not told back yet, oldest first. */
export const journalRows = (db: QueueDb): Promise<JournalRow[]> => db.getAll('journal');

/** The book has told these back: they need not be remembered here any more. */
export async function forgetJournal(db: QueueDb, seqs: readonly number[]): Promise<void> {
  const tx = db.transaction('journal', 'readwrite', held);
  await Promise.all([...seqs.map((seq) => tx.store.delete(seq)), tx.done]);
}

export async function firstRequest(db: QueueDb): Promise<HeldRequest | null> {
  const cursor = await db.transaction('requests').store.openCursor();
  return (cursor?.value as HeldRequest | undefined) ?? null;
}

/** The book has it: out of the line, and marked so in the journal. */
export async function dropRequest(db: QueueDb, seq: number): Promise<void> {
  const tx = db.transaction(['requests', 'journal'], 'readwrite', held);
  const mark = async () => {
    await tx.objectStore('requests').delete(seq);
    const row = await tx.objectStore('journal').get(seq);
    if (row) await tx.objectStore('journal').put({ ...row, sent: true });
  };
  await Promise.all([mark(), tx.done]);
}

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
  const tx = db.transaction(['requests', 'refused', 'journal'], 'readwrite', held);
  const row = await tx.objectStore('refused').get(seq);
  if (row) {
    const { message: _m, field: _f, again: _a, failedSinceMs: _s, seq: _q, ...request } = row;
    const now = body ?? row.body;
    await tx.objectStore('refused').delete(seq);
    // By hand, and after its sentence was read: it is a new change, whatever the book holds by now.
    const { was: _w, id: _i, ...forced } = request;
    const next = await tx.objectStore('requests').add({
      ...forced,
      ...newChange(),
      failures: 0,
      ...(now && { body: now }),
    });
    const known = await tx.objectStore('journal').get(seq);
    if (known) {
      await tx.objectStore('journal').delete(seq);
      await tx.objectStore('journal').put({ ...known, seq: next });
    }
  }
  await tx.done;
  return row !== undefined;
}

export async function throwRefusedAway(db: QueueDb, seq: number): Promise<void> {
  const tx = db.transaction(['refused', 'journal'], 'readwrite', held);
  await Promise.all([
    tx.objectStore('refused').delete(seq),
    tx.objectStore('journal').delete(seq),
    tx.done,
  ]);
}
export const listRefused = (db: QueueDb) => db.getAll('refused');
