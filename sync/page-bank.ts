import { createBank, type BankKeeper } from './bank';
import { openBankDb } from './bank-store';
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
    follow(after, on) {
      // Nobody listens before the page is drawn: what listens comes just after it.
      let closed = false;
      let feed: { close(): void } | null = null;
      void import('./follow-feed').then(({ followFeed }) => {
        if (closed) return;
        const anew = () => {
          void queue.sendWhatIsMissing();
          on.anew();
        };
        feed = followFeed(after, { ...on, anew });
      });
      return {
        close() {
          closed = true;
          feed?.close();
        },
      };
    },
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
