import { backUpBook, restoreBook } from '@/services/index';
import { answer, jsonOf, respond } from '../../respond.server';

/** A backup may hold photographs. */
const BOOK_LIMIT_BYTES = 400_000_000;

/**
 * The whole book as one JSON (`public/book.schema.json`), without solved water, which is computed
 * again.
 */
export async function GET() {
  return respond(async () => {
    const backup = await backUpBook();
    const day = new Date(backup.writtenMs).toISOString().slice(0, 10);
    return new Response(JSON.stringify(backup), {
      headers: {
        'content-type': 'application/json',
        'content-disposition': `attachment; filename="pebble-lane-book-${day}.json"`,
      },
    });
  });
}

/** `?dry=1` tells what would be taken, and takes nothing. */
export async function POST(request: Request) {
  return respond(async () => {
    const dry = new URL(request.url).searchParams.get('dry') === '1';
    return answer(await restoreBook(await jsonOf(request, BOOK_LIMIT_BYTES), dry));
  });
}
