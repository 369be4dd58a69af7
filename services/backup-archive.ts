import { createHash, type Hash } from 'node:crypto';
import { createInterface } from 'node:readline';
import { Readable, type Writable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { open as openZip, type Entry, type ZipFile as Zip } from 'yauzl';
import { ZipFile } from 'yazl';
import {
  BOOK_TABLES,
  bookRows,
  findPhoto,
  readingApart,
  type BookSource,
  type BookTable,
  type Db,
} from '../store/index';
import { book } from './book';
import { nowMs } from './clock';

/**
 * A backup as an archive (zip): `tables/NAME.ndjson` has the rows of a table, a line each;
 * `photos/ID.jpg` each photograph as it is; `book.json`, last, says what it is and the SHA-256 of every other
 * file. Nothing is held in memory but a page of rows, or one photograph.
 */
const ARCHIVE_VERSION = 3;
interface Contents {
  pebbleLaneBook: typeof ARCHIVE_VERSION;
  writtenMs: number;
  /** SHA-256 of every other file, by its path. */
  files: Record<string, string>;
}

const CONTENTS = 'book.json';
const TABLES = Object.keys(BOOK_TABLES) as BookTable[];
const fileOf = (table: BookTable) => `tables/${table}.ndjson`;
const photoFile = (id: string) => `photos/${id}.jpg`;
/** An archive that unpacks to more is no book, bytes. */
const MOST_BYTES = 50e9;

/** Writes the whole book, as it is at one moment, to a stream, and ends it. Rejects where that fails: what was written then is no whole archive. */
export async function writeArchive(to: Writable): Promise<void> {
  await readingApart(await book(), async (trx) => {
    const zip = new ZipFile();
    const out = zip.outputStream as Readable;
    zip.on('error', (error: Error) => out.destroy(error));
    await Promise.all([pipeline(out, to), fill(zip, trx)]);
  });
}

async function fill(zip: ZipFile, trx: Db): Promise<void> {
  const files: Contents['files'] = {};
  const photos: string[] = [];
  for (const table of TABLES) await put(zip, fileOf(table), linesOf(trx, table, photos), files);
  // A photograph is packed already.
  for (const id of photos) await put(zip, photoFile(id), photoOf(trx, id), files, false);
  const contents: Contents = { pebbleLaneBook: ARCHIVE_VERSION, writtenMs: nowMs(), files };
  await put(zip, CONTENTS, lines([contents]), {});
  zip.end();
}

/** One file of the archive, and its sum into `files`; resolves once all of it has gone into the archive. */
function put(
  zip: ZipFile,
  path: string,
  parts: AsyncIterable<Buffer>,
  files: Contents['files'],
  compress = true,
): Promise<void> {
  return new Promise((resolve, reject) => {
    const sum = createHash('sha256');
    const stream = Readable.from(summed(parts, sum), { objectMode: false });
    // Whoever is told the archive may leave in the middle of it.
    const cutOff = () => stream.destroy(new Error('cut off'));
    zip.outputStream.once('close', cutOff);
    stream.once('close', () => zip.outputStream.removeListener('close', cutOff));
    stream.once('end', () => {
      files[path] = sum.digest('hex');
      resolve();
    });
    stream.once('error', reject);
    zip.addReadStream(stream, path, { compress });
  });
}

async function* summed(parts: AsyncIterable<Buffer>, sum: Hash): AsyncGenerator<Buffer> {
  for await (const part of parts) {
    sum.update(part);
    yield part;
  }
}

async function* lines(rows: Iterable<object> | AsyncIterable<object>): AsyncGenerator<Buffer> {
  for await (const row of rows) yield Buffer.from(`${JSON.stringify(row)}\n`);
}

async function* rowsWithoutBytes(trx: Db, table: BookTable, photos: string[]) {
  for await (const { bytes: _bytes, ...row } of bookRows(trx, table)) {
    if (table === 'photos') photos.push(String(row.id));
    yield row;
  }
}
const linesOf = (trx: Db, table: BookTable, photos: string[]) =>
  lines(rowsWithoutBytes(trx, table, photos));

async function* photoOf(trx: Db, id: string): AsyncGenerator<Buffer> {
  yield Buffer.from((await findPhoto(trx, id))!.bytes);
}

/** An archive that is open, and whole: every file of it is there, and as it was written. */
export interface OpenArchive {
  writtenMs: number;
  source: BookSource;
  close(): void;
}

/** Opens an archive and looks through all of it. Throws a sentence where it is none, or not whole. */
export async function openArchive(path: string): Promise<OpenArchive> {
  const zip = await opened(path);
  try {
    const entries = await entriesOf(zip);
    const contents = await contentsOf(zip, entries.get(CONTENTS));
    entries.delete(CONTENTS);
    for (const [file, sum] of Object.entries(contents.files)) {
      const entry = entries.get(file);
      if (!entry) throw new Error(`${file} is missing`);
      if ((await sumOf(zip, entry)) !== sum) throw new Error(`${file} is not as it was written`);
    }
    const known = new Set(Object.keys(contents.files));
    for (const file of entries.keys())
      if (!known.has(file)) throw new Error(`${file} does not belong to it`);
    return {
      writtenMs: contents.writtenMs,
      source: (table) => rowsIn(zip, entries, table),
      close: () => zip.close(),
    };
  } catch (error) {
    zip.close();
    throw noArchive(path, error);
  }
}

const noArchive = (path: string, error: unknown) =>
  new Error(
    `${path} is no whole backup: ${error instanceof Error ? error.message : String(error)}.`,
    {
      cause: error,
    },
  );

const opened = (path: string) =>
  new Promise<Zip>((resolve, reject) =>
    openZip(path, { lazyEntries: true, autoClose: false }, (error, zip) =>
      error ? reject(noArchive(path, error)) : resolve(zip),
    ),
  );

function entriesOf(zip: Zip): Promise<Map<string, Entry>> {
  return new Promise((resolve, reject) => {
    const entries = new Map<string, Entry>();
    let bytes = 0;
    zip.on('entry', (entry: Entry) => {
      bytes += entry.uncompressedSize;
      if (bytes > MOST_BYTES) return reject(new Error('it unpacks to more than any book holds'));
      if (entries.has(entry.fileName)) return reject(new Error(`${entry.fileName} is there twice`));
      entries.set(entry.fileName, entry);
      zip.readEntry();
    });
    zip.once('end', () => resolve(entries));
    zip.once('error', reject);
    zip.readEntry();
  });
}

const streamOf = (zip: Zip, entry: Entry) =>
  new Promise<Readable>((resolve, reject) =>
    zip.openReadStream(entry, (error, stream) => (error ? reject(error) : resolve(stream))),
  );

async function sumOf(zip: Zip, entry: Entry): Promise<string> {
  const sum = createHash('sha256');
  for await (const part of await streamOf(zip, entry)) sum.update(part as Buffer);
  return sum.digest('hex');
}

async function contentsOf(zip: Zip, entry: Entry | undefined): Promise<Contents> {
  if (!entry) throw new Error(`${CONTENTS} is missing`);
  const parts: Buffer[] = [];
  for await (const part of await streamOf(zip, entry)) parts.push(part as Buffer);
  const told = JSON.parse(Buffer.concat(parts).toString('utf8')) as Partial<Contents>;
  if (told.pebbleLaneBook !== ARCHIVE_VERSION || typeof told.files !== 'object')
    throw new Error(
      `it says that it is of version ${String(told.pebbleLaneBook)}; version ${ARCHIVE_VERSION} is read here`,
    );
  return told as Contents;
}

async function* rowsIn(
  zip: Zip,
  entries: ReadonlyMap<string, Entry>,
  table: BookTable,
): AsyncGenerator<Record<string, unknown>> {
  const entry = entries.get(fileOf(table));
  // A table that came after the backup.
  if (!entry) return;
  for await (const line of createInterface({ input: await streamOf(zip, entry) })) {
    const row = JSON.parse(line) as Record<string, unknown>;
    if (table !== 'photos') yield row;
    else {
      const picture = entries.get(photoFile(String(row.id)));
      if (!picture) throw new Error(`the photograph "${String(row.id)}" is missing`);
      const parts: Buffer[] = [];
      for await (const part of await streamOf(zip, picture)) parts.push(part as Buffer);
      yield { ...row, bytes: Buffer.concat(parts) };
    }
  }
}
