import {
  applyChanges,
  changedFields,
  EMPTY_LOG,
  type LogChange,
  type OutingLog,
} from '../core/log/index';
import type { Bank, HeldPack } from '../core/outing/index';
import {
  dropPack,
  keepBank,
  keepFeedRow,
  keepPack,
  loadBank,
  type BankDb,
  type BankSchema,
  type FeedPlace,
  type FeedRow,
  type KeptBank,
} from './bank-store';
import type { QueuedRequest, Reply } from './client';
import { createKeptStore } from './kept-store';
import type { JournalRow } from './queue-store';

/** What this device knows of the outing, from the book and from itself. */
export interface BankView {
  state: 'opening' | 'empty' | 'ready';
  bank: Bank | null;
  fetchedMs: number | null;
  /** The book as it was had, what it told since, and what was recorded here. */
  log: OutingLog;
  packs: HeldPack[];
  /** Whether the book tells what changes as it changes. */
  live: boolean;
  /** Why the book cannot be had now; null when it was had, or was not asked. */
  problem: string | null;
  /** This device keeps nothing (denied, private): what is shown is lost when the page closes. */
  unkept: boolean;
}

export const OPENING: BankView = {
  state: 'opening',
  bank: null,
  fetchedMs: null,
  log: EMPTY_LOG,
  packs: [],
  live: false,
  problem: null,
  unkept: false,
};

export interface BankParts {
  open(): Promise<BankDb>;
  fetchBank(): Promise<Reply<Bank>>;
  /** Listens to the feed from a place on; gives a way to stop. `anew`: the book has never been there. */
  follow(
    after: FeedPlace,
    on: { item(row: FeedRow): void; live(yes: boolean): void; anew(): void },
  ): { close(): void };
  post(request: QueuedRequest): Promise<boolean>;
  journal(): Promise<JournalRow[]>;
  forget(seqs: readonly number[]): Promise<void>;
  nowMs(): number;
}

/**
 * The outing as this device holds it. What is recorded shows at once and is kept before it is sent;
 * what other devices record comes by the feed; opening needs no network.
 */
export function createBank(parts: BankParts) {
  const store = createKeptStore<BankSchema>(parts.open, async (db) => {
    // It was cleared under the page: what the page shows is there again.
    if (kept) await keepBank(db, kept);
    for (const pack of view.packs) await keepPack(db, pack);
  });
  /** `null` where the device denies a store. */
  const stored = <T>(work: (db: BankDb) => Promise<T>): Promise<T | null> =>
    store.use(work).catch(() => null);
  const listeners = new Set<() => void>();
  let kept: KeptBank | null = null;
  let feed: FeedRow[] = [];
  let own: LogChange[] = [];
  let stream: { close(): void } | null = null;
  /** The book said that it does not know where this device was in its feed. */
  let wentBack = false;
  let view = OPENING;

  function show(change: Partial<BankView>): void {
    view = { ...view, ...change };
    for (const listener of [...listeners]) listener();
  }
  const logNow = () =>
    applyChanges(kept?.bank.log ?? EMPTY_LOG, [...feed.map((f) => f.change), ...own]);

  async function load(): Promise<void> {
    const [had, journal] = await Promise.all([stored(loadBank), parts.journal()]);
    kept = had?.kept ?? null;
    feed = had?.feed ?? [];
    own = journal.map((j) => j.change);
    show({
      state: kept ? 'ready' : 'empty',
      bank: kept?.bank ?? null,
      fetchedMs: kept?.fetchedMs ?? null,
      log: logNow(),
      packs: had?.packs ?? [],
      unkept: had === null,
    });
  }

  /** The book anew. What this device had recorded and the book now tells is forgotten here. */
  async function refresh(): Promise<boolean> {
    const before = await parts.journal();
    const reply = await parts.fetchBank();
    if (!reply.ok) {
      show({ problem: reply.message });
      return false;
    }
    const had = { bank: reply.value, fetchedMs: parts.nowMs() };
    // A book that was put back to an older copy counts from there: what it had told before is no news of it.
    const goesOn = !wentBack && placeOf(kept?.bank).seq <= had.bank.end;
    wentBack = false;
    kept = had;
    const isStored = await stored(async (db) => (await keepBank(db, had, { goesOn }), true));
    show({ unkept: unstored.length > 0 || isStored === null });
    await parts.forget(before.filter((j) => j.sent).map((j) => j.seq));
    feed = goesOn ? feed.filter((f) => f.seq > had.bank.end) : [];
    own = (await parts.journal()).map((j) => j.change).concat(unstored, onTheWay);
    show({
      state: 'ready',
      bank: kept.bank,
      fetchedMs: kept.fetchedMs,
      log: logNow(),
      problem: null,
    });
    return true;
  }
  /** What the device would not keep stays with this page; what is on its way to the store is not in the journal yet. */
  let unstored: LogChange[] = [];
  let onTheWay: LogChange[] = [];

  function follow(): void {
    stream?.close();
    const after = feed.reduce<FeedPlace>(
      (last, row) => (row.seq > last.seq ? row : last),
      placeOf(kept?.bank),
    );
    stream = parts.follow(after, {
      item(row) {
        if (feed.some((f) => f.seq === row.seq)) return;
        feed = [...feed, row];
        void stored((db) => keepFeedRow(db, row));
        show({ log: logNow() });
      },
      anew: () => void beginAnew(),
      live: (yes) => show({ live: yes, ...(yes && { problem: null }) }),
    });
  }

  /** The book was put back to an older copy, or is another one: what it had told is forgotten, and it is had again. */
  async function beginAnew(): Promise<void> {
    stream?.close();
    wentBack = true;
    if (await refresh()) follow();
  }

  const loaded = load();
  return {
    get: () => view,
    subscribe(listener: () => void): () => void {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    loaded,
    refresh: async () => {
      await loaded;
      return refresh();
    },
    follow: async () => {
      await loaded;
      follow();
    },
    /** Shows it at once; true once the device has it. */
    async record(...requests: QueuedRequest[]): Promise<boolean> {
      const made = requests.map((r) => madeFrom(r, view.log));
      const changes = made.flatMap((r) => (r.change ? [r.change] : []));
      own = [...own, ...changes];
      onTheWay = [...onTheWay, ...changes];
      show({ log: applyChanges(view.log, changes) });
      const all = await Promise.all(made.map((r) => parts.post(r)));
      const every = all.every(Boolean);
      onTheWay = onTheWay.filter((c) => !changes.includes(c));
      if (!every) {
        unstored = [...unstored, ...changes];
        show({ unkept: true });
      }
      return every;
    },
    async keepPack(pack: HeldPack): Promise<boolean> {
      show({ packs: [...view.packs.filter((p) => p.beatId !== pack.beatId), pack] });
      return (await stored((db) => keepPack(db, pack))) !== null;
    },
    async dropPack(beatId: string): Promise<void> {
      show({ packs: view.packs.filter((p) => p.beatId !== beatId) });
      await stored((db) => dropPack(db, beatId));
    },
    close(): void {
      stream?.close();
      void store.close();
    },
  };
}

const placeOf = (bank: Bank | undefined): FeedPlace => ({
  seq: bank?.end ?? 0,
  mark: bank?.endMark ?? '',
});

/** A change with what its fields held before, as this device shows them: of what is new, nothing. */
function madeFrom(request: QueuedRequest, log: OutingLog): QueuedRequest {
  const { change, body } = request;
  const before = change && body ? heldBefore(change, log) : undefined;
  return before ? { ...request, was: changedFields(before, body!) } : request;
}

function heldBefore(change: LogChange, log: OutingLog): object | undefined {
  switch (change.kind) {
    case 'outing':
      return log.outings.find((o) => o.id === change.outing.id);
    case 'reading':
      return log.readings.find((r) => r.id === change.reading.id);
    case 'mark':
      return log.marks.find((m) => m.id === change.mark.id);
    case 'read':
      return log.reads.find((r) => r.id === change.read.id);
    default:
      // Tries and events are only ever added; what is taken out is taken out.
      return undefined;
  }
}
export type BankKeeper = ReturnType<typeof createBank>;
