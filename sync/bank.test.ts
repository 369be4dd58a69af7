import 'fake-indexeddb/auto';
import {
  DEFAULT_SETTINGS,
  EMPTY_LOG,
  EMPTY_SNAPSHOT,
  foldTry,
  type LogChange,
} from '../core/log/index';
import type { Bank } from '../core/outing/index';
import { createBank, type BankParts } from './bank';
import { openBankDb, type FeedPlace, type FeedRow } from './bank-store';
import { logged } from './bank-client';
import type { QueuedRequest, Reply } from './client';
import { createQueue, type Queue } from './queue';
import { openQueueDb } from './queue-store';
import { createSentLog } from './sent-log';
import { openSentDb } from './sent-store';

const outing = { id: 'o', startMs: 1, endMs: null, timeZone: 'UTC', note: '' };
const attempt = {
  id: 't',
  outingId: 'o',
  beatId: null,
  markId: null,
  readId: null,
  fly: 'Dun',
  openedMs: 5,
  zoneOffsetMin: 0,
  snapshot: EMPTY_SNAPSHOT,
};
const press = (n: number, device = 'd') =>
  logged.event('t', {
    id: `${device}${n}`,
    device,
    seq: n,
    code: 'cast',
    clientMs: 100 - n,
    zoneOffsetMin: 0,
  });

/** The book as a server holds it: each change once by its id, told on in order. */
function bookOf() {
  const items: FeedRow[] = [];
  const known = new Set<string>();
  const listeners = new Set<() => void>();
  return {
    items,
    take(r: QueuedRequest & { change?: LogChange }) {
      if (known.has(r.path)) return;
      known.add(r.path);
      const id = r.path.split('/').at(-1)!;
      const change: LogChange = r.path.includes('/events/')
        ? { kind: 'event', tryId: 't', event: { id, ...(r.body as object) } as never }
        : { kind: 'try', attempt };
      items.push({ seq: items.length + 1, mark: id, change });
      for (const l of [...listeners]) l();
    },
    bank: (): Bank => ({
      end: 0,
      log: EMPTY_LOG,
      settings: DEFAULT_SETTINGS,
      beats: [],
      nowMs: 0,
      clockFixed: false,
    }),
    follow(after: FeedPlace, on: Parameters<BankParts['follow']>[1]) {
      let last = after.seq;
      const tell = () => {
        for (const item of items)
          if (item.seq > last) {
            last = item.seq;
            on.item(item);
          }
      };
      on.live(true);
      tell();
      listeners.add(tell);
      return { close: () => void listeners.delete(tell) };
    },
  };
}

function device(name: string, book: ReturnType<typeof bookOf>, parts: Partial<BankParts> = {}) {
  let online = true;
  const queue: Queue = createQueue({
    open: () => openQueueDb(`${name}-q`),
    sentLog: async () => createSentLog(() => openSentDb(`${name}-s`)),
    nowMs: () => 0,
    send: async (r): Promise<Reply<unknown>> => {
      if (!online) return { ok: false, kind: 'unreachable', status: 0, message: 'no network' };
      book.take(r);
      return { ok: true, value: null };
    },
    withLock: (work) => work(),
    announce: () => {},
    report: () => {},
  });
  const bank = createBank({
    open: () => openBankDb(`${name}-b`),
    fetchBank: async () =>
      online
        ? { ok: true, value: book.bank() }
        : { ok: false, kind: 'unreachable', status: 0, message: 'no network' },
    follow: book.follow,
    post: queue.post,
    journal: queue.journal,
    forget: queue.forget,
    nowMs: () => 0,
    ...parts,
  });
  return {
    bank,
    queue,
    cut: (off: boolean) => (online = !off),
    close: async () => {
      bank.close();
      await queue.close();
    },
  };
}
const events = (d: { bank: ReturnType<typeof createBank> }) =>
  foldTry('', d.bank.get().log.tries[0]?.events ?? []).timeline.map((t) => t.event.id);
const until = async (ok: () => boolean) => {
  while (!ok()) await new Promise((r) => setTimeout(r, 5));
};

it('what is pressed without a network is there after the page is opened anew, and arrives once', async () => {
  const book = bookOf();
  const first = device('a', book);
  await first.bank.refresh();
  first.cut(true);
  await first.bank.record(logged.attempt(attempt, outing));
  for (let n = 1; n <= 50; n++) await first.bank.record(press(n));
  expect(events(first)).toHaveLength(50);
  await first.close();

  const again = device('a', book);
  again.cut(true);
  await again.bank.loaded;
  expect(again.bank.get().state).toBe('ready');
  expect(events(again)).toHaveLength(50);
  expect(await again.bank.refresh()).toBe(false);
  expect(again.bank.get().problem).toBe('no network');
  again.cut(false);
  await again.queue.flush();
  expect(book.items).toHaveLength(51);
  await again.bank.refresh();
  await again.bank.follow();
  await until(() => events(again).length === 50);
  // Told back by the book: the device need not remember it any more.
  expect(await again.queue.journal()).toEqual([]);
  expect(events(again)).toEqual(Array.from({ length: 50 }, (_, i) => `d${i + 1}`));
  await again.close();
});

it('two devices on one try, one of them cut off for a while: both come to the same story', async () => {
  const book = bookOf();
  const [one, two] = [device('b1', book), device('b2', book)];
  for (const d of [one, two]) {
    await d.bank.refresh();
    await d.bank.follow();
  }
  await one.bank.record(logged.attempt(attempt, outing), press(1, 'x'));
  await until(() => events(two).length === 1);
  two.cut(true);
  await two.bank.record(press(2, 'y'), press(3, 'y'));
  await one.bank.record(press(2, 'x'));
  await until(() => events(two).length === 4);
  two.cut(false);
  await two.queue.flush();
  await until(() => events(one).length === 4);
  expect(events(one)).toEqual(['x1', 'x2', 'y2', 'y3']);
  expect(events(two)).toEqual(events(one));
  // The same event five times changes nothing.
  for (let n = 0; n < 5; n++) await one.bank.record(press(1, 'x'));
  expect(events(one)).toHaveLength(4);
  await one.close();
  await two.close();
});

it('a device that keeps nothing says so, shows what is pressed, and still sends it', async () => {
  const book = bookOf();
  const denied = () => Promise.reject(new Error('denied'));
  const queue = createQueue({
    open: denied,
    sentLog: async () => createSentLog(denied),
    nowMs: () => 0,
    send: async (r) => {
      book.take(r);
      return { ok: true, value: null };
    },
    withLock: (work) => work(),
    announce: () => {},
    report: () => {},
  });
  const d = device('c', book, {
    open: denied,
    post: queue.post,
    journal: queue.journal,
    forget: queue.forget,
  });
  await d.bank.refresh();
  expect(d.bank.get().unkept).toBe(true);
  expect(await d.bank.record(logged.attempt(attempt, outing), press(1))).toBe(false);
  expect(events(d)).toEqual(['d1']);
  await until(() => book.items.length === 2);
  await d.bank.refresh();
  expect(events(d)).toEqual(['d1']);
  await d.close();
  await queue.close();
});

it('a store that is full: the press is shown, said not to be kept, and the page would lose it', async () => {
  const book = bookOf();
  const d = device('e', book);
  await d.bank.refresh();
  d.cut(true);
  const full = jest.spyOn(IDBObjectStore.prototype, 'add').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError');
  });
  expect(await d.bank.record(logged.attempt(attempt, outing))).toBe(false);
  full.mockRestore();
  expect(d.bank.get().unkept).toBe(true);
  expect(d.queue.wouldLose()).toBe(true);
  expect(d.bank.get().log.tries).toHaveLength(1);
  await d.close();
});
