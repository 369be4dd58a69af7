import type { APIRequestContext } from '@playwright/test';
import { fromBuffer, type Entry, type ZipFile } from 'yauzl';

/** The rows of a table, as a backup tells them. */
export type Rows = Record<string, unknown>[];

/** Every table of the book of a server, from the backup that it gives. */
export async function bookOf(request: APIRequestContext): Promise<Record<string, Rows>> {
  const zip = await opened(await (await request.get('/api/v1/book')).body());
  const tables: Record<string, Rows> = {};
  await new Promise<void>((resolve, reject) => {
    zip.on('entry', (entry: Entry) => {
      void textOf(zip, entry).then((text) => {
        const table = /^tables\/(\w+)\.ndjson$/.exec(entry.fileName)?.[1];
        if (table)
          tables[table] = text
            .split('\n')
            .filter(Boolean)
            .map((line) => JSON.parse(line) as Rows[number]);
        zip.readEntry();
      }, reject);
    });
    zip.once('end', resolve);
    zip.once('error', reject);
    zip.readEntry();
  });
  return tables;
}

const opened = (bytes: Buffer) =>
  new Promise<ZipFile>((resolve, reject) =>
    fromBuffer(bytes, { lazyEntries: true }, (error, zip) =>
      error ? reject(error) : resolve(zip),
    ),
  );

const textOf = (zip: ZipFile, entry: Entry) =>
  new Promise<string>((resolve, reject) =>
    zip.openReadStream(entry, (error, stream) => {
      if (error) return reject(error);
      let text = '';
      stream.on('data', (part: Buffer) => (text += part.toString('utf8')));
      stream.on('end', () => resolve(text));
      stream.on('error', reject);
    }),
  );
