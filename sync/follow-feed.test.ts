import type { FeedPlace, FeedRow } from './bank-store';
import { followFeed } from './follow-feed';

/** A server that tells numbers, and a browser with locks and channels, both as small as can be. */
class FakeSource {
  static open: FakeSource[] = [];
  static readonly CLOSED = 2;
  onopen: (() => void) | null = null;
  onmessage: ((event: { lastEventId: string; data: string }) => void) | null = null;
  onerror: (() => void) | null = null;
  constructor(readonly url: string) {
    FakeSource.open.push(this);
    queueMicrotask(() => this.onopen?.());
  }
  addEventListener(): void {}
  close(): void {
    FakeSource.open = FakeSource.open.filter((s) => s !== this);
  }
  tell(seq: number): void {
    const event = { lastEventId: `${seq}.m${seq}`, data: JSON.stringify({ kind: 'n', id: seq }) };
    this.onmessage?.(event);
  }
}
const held: { waiting: (() => void)[]; taken: boolean } = { waiting: [], taken: false };
const locks = {
  request(
    _name: string,
    { signal }: { signal: AbortSignal },
    work: () => Promise<void> | undefined,
  ) {
    return new Promise<void>((resolve, reject) => {
      const run = () => {
        if (signal.aborted) return;
        held.taken = true;
        void Promise.resolve(work()).then(() => {
          held.taken = false;
          resolve();
          held.waiting.shift()?.();
        });
      };
      signal.addEventListener('abort', () => reject(new Error('given up')));
      if (held.taken) held.waiting.push(run);
      else run();
    });
  },
};
let told: FeedRow[] = [];
const until = async (ok: () => boolean) => {
  while (!ok()) await new Promise((resolve) => setTimeout(resolve, 5));
};

beforeAll(() => {
  Object.assign(globalThis, {
    EventSource: FakeSource,
    fetch: async (url: string) => {
      const after = Number(/after=(\d+)/.exec(url)![1]);
      return Response.json(told.filter((r) => r.seq > after));
    },
  });
  Object.defineProperty(globalThis, 'navigator', { value: { locks }, configurable: true });
});

const START: FeedPlace = { seq: 0, mark: '' };
const row = (seq: number): FeedRow =>
  ({ seq, mark: `m${seq}`, change: { kind: 'n', id: seq } }) as unknown as FeedRow;
function page() {
  const heard = new Set<number>();
  let live = false;
  const stop = followFeed(START, {
    item: (r) => heard.add(r.seq),
    live: (yes) => (live = yes),
    anew: () => undefined,
  });
  return { heard, isLive: () => live, close: () => stop.close() };
}

it('six pages share one connection, hear everything, and the next one listens when the first closes', async () => {
  told = [row(1), row(2)];
  const pages = [page()];
  await until(() => pages[0]!.isLive());
  for (let n = 1; n < 6; n++) pages.push(page());
  await until(() => pages.every((p) => p.isLive()));
  expect(FakeSource.open).toHaveLength(1);
  told.push(row(3));
  FakeSource.open[0]!.tell(3);
  // Two more in between that only the server knows of, as when a page slept.
  told.push(row(4), row(5), row(6));
  FakeSource.open[0]!.tell(6);
  await until(() => pages.every((p) => p.heard.has(6)));
  for (const p of pages.slice(1)) expect([...p.heard].sort()).toEqual([1, 2, 3, 4, 5, 6]);
  const [first] = FakeSource.open;
  pages[0]!.close();
  await until(() => FakeSource.open.length === 1 && FakeSource.open[0] !== first);
  told.push(row(7));
  FakeSource.open[0]!.tell(7);
  await until(() => pages.slice(1).every((p) => p.heard.has(7)));
  for (const p of pages) p.close();
  await until(() => FakeSource.open.length === 0);
});
