import { newChange, type QueuedRequest, type Reply } from './client';
import { createKeptStore } from './kept-store';
import {
  addRequest,
  dropRequest,
  firstRequest,
  forgetJournal,
  heldIds,
  journalRows,
  keepRow,
  listRefused,
  moveBack,
  moveDueBack,
  moveToRefused,
  throwRefusedAway,
  type HeldRequest,
  type JournalRow,
  type QueueDb,
  type QueueSchema,
  type RefusedRequest,
} from './queue-store';
import type { SentLog } from './sent-log';

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
  /** Rejects when the device denies a store. Asked again whenever the store was closed meanwhile. */
  open(): Promise<QueueDb>;
  /** Where what was sent is kept for a while; loaded when something is first sent. */
  sentLog(): Promise<SentLog>;
  nowMs(): number;
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
/** A server that fails over one request for so long does so because of it, ms: the rest goes on, and it comes back by itself. */
const ASIDE_AFTER_MS = 120_000;
/** A refusal that may only follow from what is not there yet: the try of an event, the outing of a reading. */
const MAY_FOLLOW = [404, 409, 422];

/**
 * The line of changes from this device to the server. Each is a record in IndexedDB before it is
 * sent; one page sends at a time, in the order of the presses; what the server refuses is set aside
 * with its sentence and does not hold up the rest; what the server fails over waits, and comes back by
 * itself. Nothing is dropped but by hand.
 */
export function createQueue({
  open,
  sentLog,
  send,
  withLock,
  announce,
  report,
  nowMs,
}: QueueParts) {
  const store = createKeptStore<QueueSchema>(open, keepAgain);
  let sent: Promise<SentLog> | null = null;
  const sentHere = () => (sent ??= sentLog());
  /** What this page has put into the line, and has not seen leave it: put there again where the store was lost. */
  const mine = new Map<number, QueuedRequest>();
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

  /** The store was closed under the page, or cleared: what this page has put there must be there. */
  async function keepAgain(db: QueueDb): Promise<void> {
    const held = await heldIds(db);
    for (const [seq, request] of [...mine]) {
      if (held.has(seq) && held.get(seq) === request.id) continue;
      mine.delete(seq);
      mine.set(await addRequest(db, request), request);
    }
  }

  /** `null` where the device denies a store. */
  const stored = <T>(work: (db: QueueDb) => Promise<T>): Promise<T | null> =>
    store.use(work).catch(() => null);

  /** Reports come one at a time, so that an older count never follows a newer one. */
  let telling: Promise<void> = Promise.resolve();
  function tell(): Promise<void> {
    telling = telling.then(async () => {
      if (closed) return;
      const held = await stored(async (db) => ({
        line: await heldIds(db),
        aside: await listRefused(db),
      }));
      if (held)
        for (const seq of mine.keys())
          if (!held.line.has(seq) && !held.aside.some((r) => r.seq === seq)) mine.delete(seq);
      const aside = [...(held?.aside ?? []), ...refusedHere];
      const due = aside.filter((r) => r.again);
      const waiting = (held?.line.size ?? 0) + unkept.length + due.length;
      // A line that cannot be looked at is never said to be empty.
      const unseen = held === null && mine.size > 0;
      report({
        waiting: unseen ? waiting + mine.size : waiting,
        refused: aside.filter((r) => !r.again),
        problem:
          unkept.length > 0 || unseen
            ? NOT_KEPT
            : due[0]
              ? `${NOT_SENT} ${due[0].message}`
              : waiting > 0
                ? problem
                : null,
      });
    });
    return telling;
  }

  async function keep(request: QueuedRequest): Promise<boolean> {
    // Behind what could not be kept, nothing is kept either: the order of presses is the order sent.
    const seq = unkept.length === 0 ? await stored((db) => addRequest(db, request)) : null;
    if (seq === null) {
      const { change: _c, ...plain } = request;
      unkept = [...unkept, { ...plain, seq: --unkeptSeq, failures: 0 }];
    } else mine.set(seq, request);
    return seq !== null;
  }

  /** The store cannot be opened any more: what this page has put there is sent from its own memory. */
  function takeFromMemory(): null {
    const here = [...mine.values()].map(({ change: _c, ...plain }): HeldRequest => ({
      ...plain,
      seq: --unkeptSeq,
      failures: 0,
    }));
    mine.clear();
    unkept = [...here, ...unkept];
    return null;
  }

  /** Sends until the line is empty or the server cannot be had. Under the lock. */
  async function sendAll(): Promise<void> {
    // Whether something before it in the line waits for the server to mend.
    let behind = false;
    while (!closed) {
      const row = (await store.use(firstRequest).catch(takeFromMemory)) ?? unkept[0];
      if (!row) return;
      const reply = await send(requestOf(row));
      // Closed meanwhile: it stays in the line, and is sent again under the same id.
      if (closed) return;
      if (reply.ok) await takeOut(row);
      else if (reply.kind === 'refused') {
        const follows = behind && MAY_FOLLOW.includes(reply.status);
        await setAside(row, { ...reply, again: follows });
        if (follows) later();
      } else {
        const failing = reply.status === 500 ? await countOn(row) : row;
        if (nowMs() - (failing.failedSinceMs ?? nowMs()) < ASIDE_AFTER_MS) {
          problem = reply.kind === 'unreachable' ? NOT_SENT : `${NOT_SENT} ${reply.message}`;
          later();
          return;
        }
        // One request that the server fails over must not hold up the rest.
        await setAside(failing, { ...reply, again: true });
        behind = true;
        later();
        continue;
      }
      if (!behind) failures = 0;
      problem = null;
      announce();
      await tell();
    }
  }

  const isHere = (row: HeldRequest) => row.seq < 0;

  async function takeOut(row: HeldRequest): Promise<void> {
    if (isHere(row)) unkept = unkept.filter((u) => u.seq !== row.seq);
    else {
      // First among what was sent, then out of the line: a kill between the two sends it twice at worst.
      const request = requestOf(row);
      await sentHere()
        .then((log) => log.keep(nowMs(), request))
        .catch(() => undefined);
      mine.delete(row.seq);
      await stored((db) => dropRequest(db, row.seq));
    }
  }

  async function countOn(row: HeldRequest): Promise<HeldRequest> {
    const counted = {
      ...row,
      failures: row.failures + 1,
      failedSinceMs: row.failedSinceMs ?? nowMs(),
    };
    if (isHere(row)) unkept = unkept.map((u) => (u.seq === row.seq ? counted : u));
    else await stored((db) => keepRow(db, counted));
    return counted;
  }

  async function setAside(
    row: HeldRequest,
    {
      message,
      field = null,
      again: due,
    }: { message: string; field?: string | null; again: boolean },
  ): Promise<void> {
    const aside = { ...row, message, field, ...(due && { again: true }) };
    if (isHere(row)) {
      unkept = unkept.filter((u) => u.seq !== row.seq);
      refusedHere = [...refusedHere, aside];
    } else {
      mine.delete(row.seq);
      await stored((db) => moveToRefused(db, aside));
    }
  }

  /** What waited for the server to mend goes back to its place in the line. */
  async function bringBack(): Promise<void> {
    await stored(moveDueBack);
    const due = refusedHere.filter((r) => r.again);
    refusedHere = refusedHere.filter((r) => !r.again);
    // They were pressed before whatever waits here now.
    unkept = [...due.map(({ message: _m, field: _f, again: _a, ...row }) => row), ...unkept];
  }

  function later(): void {
    const wait = Math.min(RETRY_MS[1], RETRY_MS[0] * 2 ** failures++);
    timer ??= setTimeout(() => {
      timer = null;
      void bringBack().then(drain);
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

  /** A server that just failed is not asked again with every press: its time comes, or the network's sign. */
  const drainUnlessWaiting = () => void (timer === null && drain());

  return {
    /** Resolves once it is kept on the device (true), or known not to be (false). */
    async post(request: QueuedRequest): Promise<boolean> {
      const mine = writes.then(() => keep(request));
      writes = mine.then(() => undefined);
      const kept = await mine;
      announce();
      await tell();
      drainUnlessWaiting();
      return kept;
    },
    /** What this device has recorded and the book has not told back yet, oldest first. */
    async journal(): Promise<JournalRow[]> {
      return (await stored(journalRows)) ?? [];
    },
    async forget(seqs: readonly number[]): Promise<void> {
      if (seqs.length > 0) await stored((db) => forgetJournal(db, seqs));
    },
    /** What waits is sent now: the page has come, or the network has come back. */
    async flush(): Promise<void> {
      if (timer !== null) clearTimeout(timer);
      timer = null;
      failures = 0;
      await bringBack();
      return drain();
    },
    /**
     * Looks whether the book still has what it acknowledged lately: one that was put back to an older
     * copy has not. What it misses is sent again, oldest first.
     */
    async sendWhatIsMissing(): Promise<void> {
      const log = await sentHere().catch(() => null);
      if (!log || (await log.findMissing(keep)) === 0) return;
      announce();
      await tell();
      void drain();
    },
    /** Another page has changed the line. */
    lookAgain: tell,
    /** A refused request once more, at the end of the line, changed where `body` is given. */
    async sendAgain(seq: number, body?: Record<string, unknown>): Promise<void> {
      const here = refusedHere.find((r) => r.seq === seq);
      if (here) {
        const { was: _w, ...forced } = requestOf(here);
        const now = body ?? here.body;
        refusedHere = refusedHere.filter((r) => r.seq !== seq);
        await keep({ ...forced, ...newChange(), ...(now && { body: now }) });
      } else await stored((db) => moveBack(db, seq, body));
      announce();
      await tell();
      void drain();
    },
    async throwAway(seq: number): Promise<void> {
      refusedHere = refusedHere.filter((r) => r.seq !== seq);
      await stored((db) => throwRefusedAway(db, seq));
      announce();
      await tell();
    },
    /** True while closing the page would lose something. */
    wouldLose: () => unkept.length + refusedHere.length > 0,
    async close(): Promise<void> {
      closed = true;
      if (timer !== null) clearTimeout(timer);
      await Promise.allSettled([writes, draining, telling]);
      await Promise.all([store.close(), sent?.then((log) => log.close())]);
    },
  };
}

/** A row of the line without what it is held by. */
function requestOf(row: HeldRequest): Omit<QueuedRequest, 'change'> {
  const { kind, method, path, body, bytes, id, was } = row;
  return {
    kind,
    method,
    path,
    ...(id && { id }),
    ...(body && { body }),
    ...(was && { was }),
    ...(bytes && { bytes }),
  };
}

export type Queue = ReturnType<typeof createQueue>;
