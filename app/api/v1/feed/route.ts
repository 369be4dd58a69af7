import { feedHasBeenAt, feedSince } from '@/services/index';
import { respond } from '../../respond.server';

/** Between two looks at the book, and between two signs of life, ms. */
const LOOK_MS = 250;
const ALIVE_MS = 15_000;
const HEADERS = {
  'content-type': 'text/event-stream',
  // A compressed answer would be held back until it is worth sending.
  'cache-control': 'no-cache, no-transform',
};

/**
 * What changes in the book, as it changes (server-sent events): each with its place, from
 * `?after=N&mark=M` or the `Last-Event-ID` (`N.M`) of a page that comes back. A place at which this
 * book never was, because it was put back to an older copy, is answered with the event `anew`. `&once=1`: what there is,
 * as one list.
 */
export async function GET(request: Request) {
  return respond(async () => {
    const query = new URL(request.url).searchParams;
    const [asked, mark = query.get('mark') ?? ''] = (
      request.headers.get('last-event-id') ??
      query.get('after') ??
      '0'
    ).split('.');
    let after = Number(asked);
    if (!Number.isSafeInteger(after) || after < 0)
      return Response.json(
        {
          error: {
            code: 'invalid',
            message: `"after" is "${asked?.slice(0, 40)}"; it must be a whole number from 0 on.`,
            field: 'after',
          },
        },
        { status: 400 },
      );
    if (!(await feedHasBeenAt({ seq: after, mark })))
      return new Response('event: anew\ndata: {}\n\n', { headers: HEADERS });
    if (query.get('once') === '1') return Response.json(await feedSince(after));
    const { signal } = request;
    const text = new TextEncoder();
    let timer: ReturnType<typeof setTimeout> | undefined;
    const stream = new ReadableStream<Uint8Array>({
      start(out) {
        const say = (line: string) => out.enqueue(text.encode(line));
        let aliveMs = Date.now();
        say(`retry: 1500\n\n`);
        const look = async () => {
          if (signal.aborted) return;
          const items = await feedSince(after);
          for (const { seq, mark, change } of items) {
            say(`id: ${seq}.${mark}\ndata: ${JSON.stringify(change)}\n\n`);
            after = seq;
          }
          if (items.length > 0 || Date.now() - aliveMs > ALIVE_MS) {
            if (items.length === 0) say(': here\n\n');
            aliveMs = Date.now();
          }
          timer = setTimeout(
            () => void look().catch((error: unknown) => out.error(error)),
            LOOK_MS,
          );
        };
        signal.addEventListener('abort', () => {
          clearTimeout(timer);
          try {
            out.close();
          } catch {
            // Closed by the other side already.
          }
        });
        void look().catch((error: unknown) => out.error(error));
      },
      cancel: () => clearTimeout(timer),
    });
    return new Response(stream, { headers: HEADERS });
  });
}
