import type { QueuedRequest, Reply } from './client';
import {
  addRequest,
  countRequests,
  dropRequest,
  firstRequest,
  forgetJournal,
  journalRows,
  keepRow,
  listRefused,
  moveBack,
  moveToRefused,
  throwRefusedAway,
  type HeldRequest,
  type JournalRow,
  type QueueDb,
  type RefusedRequest,
} from './queue-store';

export type { RefusedRequest } from './queue-store';

/** How the line to the server stands, for a person. */
export interface QueueReport {
  /** Not yet with the server, from every page of this device. */
  waiting: number;
  /** What the server would not take: kept until it is sent again or thrown away by hand. */
  refused: RefusedRequest[];
  /** Why things wait, or why this device cannot keep them; null when all is well. */
  problem: string | null;
}
export const QUIET: QueueReport = { waiting: 0, refused: [], problem: null };

/** One sender at a time over all pages: Web Locks, or what a test puts in their place. */
export type WithLock = (work: () => Promise<void>) => Promise<void>;

export interface QueueParts {
  /** Rejects when the device denies a store. */
  open(): Promise<QueueDb>;
  send(request: QueuedRequest): Promise<Reply<unknown>>;
  withLock: WithLock;
  /** Tells this device's other pages that the line has changed. */
  announce(): void;
  report(report: QueueReport): void;
}

const NOT_SENT = 'Not with the book yet: kept on this device, sent as soon as it can be.';
const NOT_KEPT =
  'This device would not keep the last change: it is full, or the page is private. Leave the page open until it is sent.';
/** Until it is tried again by itself, ms: the first time, and at most. */
const RETRY_MS = [2000, 60_000] as const;
/** A server that fails over one request this often does so because of it. */
const MOST_FAILURES = 5;

/**
 * The line of changes from this device to the server. Each is a record in IndexedDB before it is
 * sent; one page sends at a time, in the order of the presses; what the server refuses is set aside
 * with its sentence and does not hold up the rest. Nothing is dropped but by hand.
 */
export function createQueue({ open, send, withLock, announce, report }: QueueParts) {
  const opening = open().catch(() => null);
  /** What the device would not keep waits in this page only, behind what is kept; numbered downward. */
  let unkept: HeldRequest[] = [];
  let refusedHere: RefusedRequest[] = [];
  let unkeptSeq = 0;
  let problem: string | null = null;
  let failures = 0;
  let timer: ReturnType<typeof setTimeout> | null = null;
  let draining: Promise<void> | null = null;
  let again = false;
  let closed = false;
  /** Writes go to the store in the order of the presses. */
  let writes: Promise<void> = Promise.resolve();

  /** Reports come one at a time, so that an older count never follows a newer one. */
  let telling: Promise<void> = Promise.resolve();
  function tell(): Promise<void> {
    telling = telling.then(async () => {
      if (closed) return;
      const db = await opening;
      const waiting = (db ? await countRequests(db) : 0) + unkept.length;
      report({
        waiting,
        refused: [...(db ? await listRefused(db) : []), ...refusedHere],
        problem: unkept.length > 0 ? NOT_KEPT : waiting > 0 ? problem : null,
      });
    });
    return telling;
  }

  async function keep(request: QueuedRequest): Promise<boolean> {
    const db = await opening;
    // Behind what could not be kept, nothing is kept either: the order of presses is the order sent.
    const kept =
      db && unkept.length === 0
        ? await addRequest(db, request).then(
            () => true,
            () => false,
          )
        : false;
    if (!kept) {
      const { change: _c, ...plain } = request;
      unkept = [...unkept, { ...plain, seq: --unkeptSeq, failures: 0 }];
    }
    return kept;
  }

  /** Sends until the line is empty or the server cannot be had. Under the lock. */
  async function sendAll(): Promise<void> {
    const db = await opening;
    while (!closed) {
      const row = (db && (await firstRequest(db))) ?? unkept[0];
      if (!row) return;
      const { seq: _seq, failures: failed, ...request } = row;
      const reply = await send(request);
      // Closed meanwhile: it stays in the line, and is sent again under the same id.
      if (closed) return;
      // One request that the server fails over again and again must not hold up the rest.
      const hopeless = !reply.ok && reply.status === 500 && failed + 1 >= MOST_FAILURES;
      if (reply.ok) await takeOut(row);
      else if (reply.kind === 'refused' || hopeless) await setAside(row, reply);
      else {
        problem = reply.kind === 'unreachable' ? NOT_SENT : `${NOT_SENT} ${reply.message}`;
        if (reply.status === 500) await countOn(row);
        later();
        return;
      }
      failures = 0;
      problem = null;
      announce();
      await tell();
    }
  }

  const isHere = (row: HeldRequest) => row.seq < 0;

  async function takeOut(row: HeldRequest): Promise<void> {
    if (isHere(row)) unkept = unkept.filter((u) => u.seq !== row.seq);
    else await dropRequest((await opening)!, row.seq);
  }

  async function countOn(row: HeldRequest): Promise<void> {
    const counted = { ...row, failures: row.failures + 1 };
    if (isHere(row)) unkept = unkept.map((u) => (u.seq === row.seq ? counted : u));
    else await keepRow((await opening)!, counted);
  }

  async function setAside(
    row: HeldRequest,
    { message, field = null }: { message: string; field?: string | null },
  ): Promise<void> {
    const aside = { ...row, message, field };
    if (isHere(row)) {
      await takeOut(row);
      refusedHere = [...refusedHere, aside];
    } else await moveToRefused((await opening)!, aside);
  }

  function later(): void {
    const wait = Math.min(RETRY_MS[1], RETRY_MS[0] * 2 ** failures++);
    timer ??= setTimeout(() => {
      timer = null;
      void drain();
    }, wait);
  }

  /** At most one wait for the lock a page; what comes meanwhile is looked at once more at the end. */
  function drain(): Promise<void> {
    if (closed) return Promise.resolve();
    if (draining) {
      again = true;
      return draining;
    }
    draining = (async () => {
      do {
        again = false;
        await withLock(sendAll);
        await tell();
      } while (again && !closed && timer === null);
    })().finally(() => {
      draining = null;
    });
    return draining;
  }

  return {
    /** Resolves once it is kept on the device (true), or known not to be (false). */
    async post(request: QueuedRequest): Promise<boolean> {
      const mine = writes.then(() => keep(request));
      writes = mine.then(() => undefined);
      const kept = await mine;
      announce();
      await tell();
      void drain();
      return kept;
    },
    /** What this device has recorded and the book has not told back yet, oldest first. */
    async journal(): Promise<JournalRow[]> {
      const db = await opening;
      return db ? journalRows(db) : [];
    },
    async forget(seqs: readonly number[]): Promise<void> {
      const db = await opening;
      if (db && seqs.length > 0) await forgetJournal(db, seqs);
    },
    /** What waits is sent now: the page has come, or the network has come back. */
    flush(): Promise<void> {
      if (timer !== null) clearTimeout(timer);
      timer = null;
      failures = 0;
      return drain();
    },
    /** Another page has changed the line. */
    lookAgain: tell,
    /** A refused request once more, at the end of the line, changed where `body` is given. */
    async sendAgain(seq: number, body?: Record<string, unknown>): Promise<void> {
      const here = refusedHere.find((r) => r.seq === seq);
      if (here) {
        const { kind, method, path, bytes } = here;
        const now = body ?? here.body;
        refusedHere = refusedHere.filter((r) => r.seq !== seq);
        await keep({ kind, method, path, ...(now && { body: now }), ...(bytes && { bytes }) });
      } else {
        const db = await opening;
        if (db) await moveBack(db, seq, body);
      }
      announce();
      await tell();
      void drain();
    },
    async throwAway(seq: number): Promise<void> {
      refusedHere = refusedHere.filter((r) => r.seq !== seq);
      const db = await opening;
      if (db) await throwRefusedAway(db, seq);
      announce();
      await tell();
    },
    /** True while closing the page would lose something. */
    wouldLose: () => unkept.length + refusedHere.length > 0,
    async close(): Promise<void> {
      closed = true;
      if (timer !== null) clearTimeout(timer);
      await Promise.allSettled([writes, draining, telling]);
      (await opening)?.close();
    },
  };
}

export type Queue = ReturnType<typeof createQueue>;
