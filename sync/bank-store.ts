import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { LogChange } from '../core/log/index';
import { PACK_SHAPE } from '../core/outing/pack-shape';
import type { Bank, HeldPack } from '../core/outing/index';

/** A place in the feed: its number, and a mark of what stands there, since a book that was put back counts again. */
export interface FeedPlace {
  seq: number;
  mark: string;
}
export interface FeedRow extends FeedPlace {
  change: LogChange;
}
/** The book as it was when this device last had it. */
export interface KeptBank {
  bank: Bank;
  fetchedMs: number;
}

export interface BankSchema extends DBSchema {
  bank: { key: string; value: KeptBank };
  packs: { key: string; value: HeldPack };
  feed: { key: number; value: FeedRow };
}
export type BankDb = IDBPDatabase<BankSchema>;

export const openBankDb = (name = 'pebble-lane-bank'): Promise<BankDb> =>
  openDB<BankSchema>(name, 1, {
    upgrade(db) {
      db.createObjectStore('bank');
      db.createObjectStore('packs', { keyPath: 'beatId' });
      db.createObjectStore('feed', { keyPath: 'seq' });
    },
    blocking: (_old, _new, event) => (event.target as IDBDatabase).close(),
  });

const KEY = 'bank';

export async function loadBank(
  db: BankDb,
): Promise<{ kept: KeptBank | null; packs: HeldPack[]; feed: FeedRow[] }> {
  const tx = db.transaction(['bank', 'packs', 'feed']);
  const [kept, packs, feed] = await Promise.all([
    tx.objectStore('bank').get(KEY),
    tx.objectStore('packs').getAll(),
    tx.objectStore('feed').getAll(),
  ]);
  // What an older program worked out says too little: it is taken along anew.
  return { kept: kept ?? null, packs: packs.filter((p) => p.pack.version === PACK_SHAPE), feed };
}

/** A newer book, in place of the one before and of what the feed had told since; all of that where it does not go on from there. */
export async function keepBank(
  db: BankDb,
  kept: KeptBank,
  { goesOn = true }: { goesOn?: boolean } = {},
): Promise<void> {
  const tx = db.transaction(['bank', 'feed'], 'readwrite');
  await Promise.all([
    tx.objectStore('bank').put(kept, KEY),
    goesOn
      ? tx.objectStore('feed').delete(IDBKeyRange.upperBound(kept.bank.end))
      : tx.objectStore('feed').clear(),
    tx.done,
  ]);
}

export const keepFeedRow = (db: BankDb, row: FeedRow) => db.put('feed', row);
export const keepPack = (db: BankDb, pack: HeldPack) => db.put('packs', pack);
export const dropPack = (db: BankDb, beatId: string) => db.delete('packs', beatId);
