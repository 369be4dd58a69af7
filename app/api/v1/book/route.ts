import { PassThrough, Readable } from 'node:stream';
import { nowMs, requestName, restoreUpload, writeArchive } from '@/services/index';
import { answer, respond } from '../../respond.server';

/**
 * The whole book as an archive: rows of every table (`public/book.schema.json`), photographs as files,
 * without solved water, which is computed again. It is told as it is read, never held.
 */
export async function GET() {
  return respond(async () => {
    const day = new Date(nowMs()).toISOString().slice(0, 10);
    const out = new PassThrough();
    writeArchive(out).catch((error: unknown) => {
      // What was sent so far is no whole archive, and says so wherever it is opened.
      console.error(`${requestName()}: the backup was cut off:`, error);
      out.destroy(error as Error);
    });
    return new Response(Readable.toWeb(out) as ReadableStream, {
      headers: {
        'content-type': 'application/zip',
        'content-disposition': `attachment; filename="pebble-lane-book-${day}.zip"`,
        'cache-control': 'no-transform',
      },
    });
  });
}

/** `?dry=1` tells what would be taken, and takes nothing. */
export async function POST(request: Request) {
  return respond(async () => {
    const dry = new URL(request.url).searchParams.get('dry') === '1';
    return answer(await restoreUpload(request.body, dry));
  });
}
