import { applyChanges, EMPTY_LOG, type LogChange, type OutingLog } from '../core/log/index';
import type { Bank, HeldPack } from '../core/outing/index';
import {
  dropPack,
  keepBank,
  keepFeedRow,
  keepPack,
  loadBank,
  type BankDb,
  type FeedRow,
  type KeptBank,
} from './bank-store';
import type { QueuedRequest, Reply } from './client';
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
  /** Listens to the feed from a number on; gives a way to stop. */
  follow(
    after: number,
    on: { item(row: FeedRow): void; live(yes: boolean): void },
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
  const opening = parts.open().catch(() => null);
  const listeners = new Set<() => void>();
  let kept: KeptBank | null = null;
  let feed: FeedRow[] = [];
  let own: LogChange[] = [];
  let stream: { close(): void } | null = null;
  let view = OPENING;

  function show(change: Partial<BankView>): void {
    view = { ...view, ...change };
    for (const listener of [...listeners]) listener();
  }
  const logNow = () =>
    applyChanges(kept?.bank.log ?? EMPTY_LOG, [...feed.map((f) => f.change), ...own]);

  async function load(): Promise<void> {
    const db = await opening;
    const [stored, journal] = await Promise.all([db ? loadBank(db) : null, parts.journal()]);
    kept = stored?.kept ?? null;
    feed = stored?.feed ?? [];
    own = journal.map((j) => j.change);
    show({
      state: kept ? 'ready' : 'empty',
      bank: kept?.bank ?? null,
      fetchedMs: kept?.fetchedMs ?? null,
      log: logNow(),
      packs: stored?.packs ?? [],
      unkept: db === null,
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
    kept = { bank: reply.value, fetchedMs: parts.nowMs() };
    const db = await opening;
    if (db) await keepBank(db, kept).catch(() => show({ unkept: true }));
    await parts.forget(before.filter((j) => j.sent).map((j) => j.seq));
    feed = feed.filter((f) => f.seq > kept!.bank.end);
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
    const after = Math.max(kept?.bank.end ?? 0, ...feed.map((f) => f.seq), 0);
    stream = parts.follow(after, {
      item(row) {
        if (feed.some((f) => f.seq === row.seq)) return;
        feed = [...feed, row];
        void opening.then((db) => db && keepFeedRow(db, row)).catch(() => undefined);
        show({ log: logNow() });
      },
      live: (yes) => show({ live: yes, ...(yes && { problem: null }) }),
    });
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
      const changes = requests.flatMap((r) => (r.change ? [r.change] : []));
      own = [...own, ...changes];
      onTheWay = [...onTheWay, ...changes];
      show({ log: applyChanges(view.log, changes) });
      const all = await Promise.all(requests.map((r) => parts.post(r)));
      const every = all.every(Boolean);
      onTheWay = onTheWay.filter((c) => !changes.includes(c));
      if (!every) {
        unstored = [...unstored, ...changes];
        show({ unkept: true });
      }
      return every;
    },
    async keepPack(pack: HeldPack): Promise<boolean> {
      const db = await opening;
      show({ packs: [...view.packs.filter((p) => p.beatId !== pack.beatId), pack] });
      if (!db) return false;
      return keepPack(db, pack).then(
        () => true,
        () => false,
      );
    },
    async dropPack(beatId: string): Promise<void> {
      show({ packs: view.packs.filter((p) => p.beatId !== beatId) });
      const db = await opening;
      if (db) await dropPack(db, beatId);
    },
    close(): void {
      stream?.close();
      void opening.then((db) => db?.close());
    },
  };
}
export type BankKeeper = ReturnType<typeof createBank>;
