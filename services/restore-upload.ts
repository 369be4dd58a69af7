import { createWriteStream, mkdtempSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { ReadableStream as NodeReadableStream } from 'node:stream/web';
import { restoreFile } from './backup-files';
import type { RestoreReport } from './backup';
import { dataFolder } from './book';
import { refused, type Outcome } from './outcome';

/** Adds a backup that is sent, by way of a file beside the book: it may be larger than the memory. */
export async function restoreUpload(
  body: ReadableStream<Uint8Array> | null,
  dry: boolean,
): Promise<Outcome<RestoreReport>> {
  const folder = mkdtempSync(join(dataFolder(), 'incoming-'));
  const path = join(folder, 'backup');
  try {
    const from = body ? Readable.fromWeb(body as NodeReadableStream) : Readable.from([]);
    await pipeline(from, createWriteStream(path, { mode: 0o600 }));
    return await restoreFile(path, dry);
  } catch (error) {
    const { code, message } = error as NodeJS.ErrnoException;
    // A full disk is not the backup's fault.
    if (code !== undefined && /^E[A-Z]+$/.test(code)) throw error;
    return refused('invalid', message.replaceAll(path, 'This file'), 'book');
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
