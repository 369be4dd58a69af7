import { createBank, type BankKeeper } from './bank';
import { openBankDb, type FeedPlace, type FeedRow } from './bank-store';
import type { LogChange } from '../core/log/index';
import { bankApi } from './bank-client';
import { pageQueue } from './page-queue';

let made: BankKeeper | null = null;
const loadedAtMs = typeof performance === 'undefined' ? 0 : performance.now();

/** The page's own; made at the first use, in a browser only. */
export function pageBank(): BankKeeper {
  if (made) return made;
  const queue = pageQueue();
  const bank = createBank({
    open: openBankDb,
    fetchBank: bankApi.bank,
    follow: followFeed,
    post: queue.post,
    journal: queue.journal,
    forget: queue.forget,
    nowMs: () => Date.now(),
  });
  made = bank;
  const wake = () => {
    void bank.refresh().then((had) => (had ? bank.follow() : undefined));
  };
  window.addEventListener('online', wake);
  document.addEventListener('visibilitychange', () => {
    if (document.visibilityState === 'visible' && !bank.get().live) wake();
  });
  wake();
  return bank;
}

/** The hour as the outing goes by: this device's own, or the book's where that stands still. */
export function bankClockMs(): number {
  const { bank } = made?.get() ?? { bank: null };
  return bank?.clockFixed ? Math.round(bank.nowMs + performance.now() - loadedAtMs) : Date.now();
}

/** Until a stream that the browser has given up is opened again, ms. */
const AGAIN_MS = 4000;

function followFeed(
  after: FeedPlace,
  on: { item(row: FeedRow): void; live(yes: boolean): void; anew(): void },
): { close(): void } {
  let last = after;
  let source: EventSource | null = null;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const open = () => {
    source = new EventSource(`/api/v1/feed?after=${last.seq}&mark=${last.mark}`);
    source.onopen = () => on.live(true);
    source.onmessage = (event) => {
      const [seq = '0', mark = ''] = event.lastEventId.split('.');
      last = { seq: Number(seq), mark };
      on.item({ ...last, change: JSON.parse(event.data as string) as LogChange });
    };
    source.addEventListener('anew', () => {
      source?.close();
      void pageQueue().sendWhatIsMissing();
      on.anew();
    });
    source.onerror = () => {
      on.live(false);
      if (source?.readyState !== EventSource.CLOSED) return;
      timer = setTimeout(open, AGAIN_MS);
    };
  };
  open();
  return {
    close() {
      clearTimeout(timer);
      source?.close();
    },
  };
}
