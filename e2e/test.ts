import { test as base } from '@playwright/test';
import { cpSync } from 'node:fs';
import { basename, join } from 'node:path';
import { freePort } from './free-port';
import { BOOK, RUN } from './run';
import { startServer, type Started } from './server';

export * from '@playwright/test';

/** The server of one worker: each file of checks has a copy of the run's book, which no other file sees. */
class OwnBook {
  #file: string | null = null;
  #server: Started | null = null;

  async urlFor(file: string): Promise<string> {
    if (file !== this.#file) {
      await this.end();
      const folder = join(RUN, `${basename(file)}-${process.pid}`);
      cpSync(BOOK, folder, { recursive: true });
      this.#server = await startServer(folder, await freePort());
      this.#file = file;
    }
    return this.#server!.url;
  }
  async end(): Promise<void> {
    await this.#server?.stop();
    [this.#server, this.#file] = [null, null];
  }
}

export const test = base.extend<object, { ownBook: OwnBook }>({
  ownBook: [
    // eslint-disable-next-line no-empty-pattern
    async ({}, give) => {
      const own = new OwnBook();
      await give(own);
      await own.end();
    },
    { scope: 'worker' },
  ],
  baseURL: async ({ ownBook }, give, { file }) => {
    const url = await ownBook.urlFor(file);
    process.env.PEBBLE_E2E_URL = url;
    await give(url);
  },
});
