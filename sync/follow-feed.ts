import type { LogChange } from '../core/log/index';
import type { FeedPlace, FeedRow } from './bank-store';
import { json, v1 } from './client';

/** What a page hears of the book as it changes. */
export interface FeedListener {
  item(row: FeedRow): void;
  live(yes: boolean): void;
  /** The book was never where this page is in its feed: it was put back to an older copy. */
  anew(): void;
}

/** Until a stream that the browser has given up is opened again, ms. */
const AGAIN_MS = 4000;
const LOCK = 'pebble-lane.feed';
const CHANNEL = 'pebble-lane.feed';

/** What the page that listens tells the other pages of this device. */
type Told = { row: FeedRow } | { live: boolean } | { anew: true } | { asks: true };

/**
 * Listens to the feed from a place on. Browsers grant one server some six connections, and a feed holds
 * one for as long as it is heard: so one page of the device listens and tells the others, and when it
 * closes the next one does. Where there are no locks (plain http from another machine) each listens for itself.
 */
export function followFeed(after: FeedPlace, on: FeedListener): { close(): void } {
  const channel =
    typeof navigator.locks === 'undefined' || typeof BroadcastChannel === 'undefined'
      ? null
      : new BroadcastChannel(CHANNEL);
  if (!channel) return listen(after, on);
  let last = after;
  let source: { close(): void } | null = null;
  let isLive = false;
  let closed = false;
  const giveUp = new AbortController();
  // The same row twice is no news to who takes it.
  const take = (row: FeedRow) => {
    if (row.seq > last.seq) last = row;
    on.item(row);
  };
  channel.onmessage = ({ data }: MessageEvent<Told>) => {
    if ('asks' in data) {
      if (source) channel.postMessage({ live: isLive } satisfies Told);
    } else if (source || closed) return;
    else if ('row' in data) {
      // One that is not the next: something was told before this page heard.
      if (data.row.seq > last.seq + 1) void catchUp(last, take);
      take(data.row);
    } else if ('live' in data) on.live(data.live);
    else on.anew();
  };
  channel.postMessage({ asks: true } satisfies Told);
  void catchUp(after, take);
  const tell = (told: Told) => channel.postMessage(told);
  navigator.locks
    .request(LOCK, { signal: giveUp.signal }, () => {
      if (closed) return;
      return new Promise<void>((resolve) => {
        const own = listen(last, {
          item(row) {
            take(row);
            tell({ row });
          },
          live(yes) {
            isLive = yes;
            on.live(yes);
            tell({ live: yes });
          },
          anew() {
            on.anew();
            tell({ anew: true });
          },
        });
        source = {
          close() {
            own.close();
            resolve();
          },
        };
      });
    })
    // Given up while it waited.
    .catch(() => undefined);
  return {
    close() {
      closed = true;
      giveUp.abort();
      source?.close();
      channel.close();
    },
  };
}

/** What was told between a place and now. */
async function catchUp(after: FeedPlace, take: (row: FeedRow) => void): Promise<void> {
  for (let from = after; ;) {
    const path = v1(`/feed?after=${from.seq}&mark=${from.mark}&once=1`);
    const reply = await json<FeedRow[]>({ method: 'GET', path });
    if (!reply.ok || reply.value.length === 0) return;
    reply.value.forEach(take);
    from = reply.value.at(-1)!;
  }
}

function listen(after: FeedPlace, on: FeedListener): { close(): void } {
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
