import { feedSince } from '@/services/index';
import { respond } from '../../respond.server';

/** Between two looks at the book, and between two signs of life, ms. */
const LOOK_MS = 250;
const ALIVE_MS = 15_000;

/**
 * What changes in the book, as it changes (server-sent events): each with its number, from
 * `?after=N` or the `Last-Event-ID` of a page that comes back.
 */
export async function GET(request: Request) {
  return respond(async () => {
    const asked =
      request.headers.get('last-event-id') ?? new URL(request.url).searchParams.get('after');
    let after = Number(asked ?? 0);
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
          for (const { seq, change } of items) {
            say(`id: ${seq}\ndata: ${JSON.stringify(change)}\n\n`);
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
    return new Response(stream, {
      headers: {
        'content-type': 'text/event-stream',
        // A compressed answer would be held back until it is worth sending.
        'cache-control': 'no-cache, no-transform',
      },
    });
  });
}
