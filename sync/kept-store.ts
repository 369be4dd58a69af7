import type { DBSchema, IDBPDatabase } from 'idb';

/** What a store that was closed under the page throws at its next use; a browser may do so at any time. */
const CLOSED = ['InvalidStateError', 'AbortError', 'UnknownError', 'NotFoundError'];

/**
 * A store of this device that is opened at its first use, and again where it was closed meanwhile: a
 * newer page made room for itself, the browser cleared or evicted it, the phone slept. `use` rejects
 * where the device denies a store, and asks again at the next use.
 */
export function createKeptStore<S extends DBSchema>(
  open: () => Promise<IDBPDatabase<S>>,
  onReopened: (db: IDBPDatabase<S>) => Promise<void> = async () => undefined,
) {
  let opened: Promise<IDBPDatabase<S>> | null = null;
  /** It was open once, and was closed by somebody else since. */
  let lost = false;

  async function opening(): Promise<IDBPDatabase<S>> {
    const db = await open();
    db.addEventListener('close', forget);
    // Nobody looks at a store that is opened again before what belongs there is there.
    if (lost) await onReopened(db);
    lost = false;
    return db;
  }
  function forget(): void {
    lost ||= opened !== null;
    opened = null;
  }
  const get = (): Promise<IDBPDatabase<S>> =>
    (opened ??= opening().catch((error: unknown) => {
      opened = null;
      throw error;
    }));
  return {
    /** Work on the open store; once more where it turned out to be closed. */
    async use<T>(work: (db: IDBPDatabase<S>) => Promise<T>): Promise<T> {
      try {
        return await work(await get());
      } catch (error) {
        if (!CLOSED.includes((error as { name?: string } | null)?.name ?? '')) throw error;
        forget();
        return work(await get());
      }
    },
    async close(): Promise<void> {
      const closing = opened;
      opened = null;
      lost = false;
      (await closing?.catch(() => null))?.close();
    },
  };
}
export type KeptStore<S extends DBSchema> = ReturnType<typeof createKeptStore<S>>;
