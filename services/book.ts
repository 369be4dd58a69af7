import { homedir } from 'node:os';
import { join } from 'node:path';
import { isPostgresUrl, openStore, withoutPassword, type Db } from '../store/index';

const KEY = Symbol.for('pebble-lane.book');
type Held = typeof globalThis & { [KEY]?: Promise<Db> };

export const dataFolder = () =>
  process.env.PEBBLE_LANE_DATA ?? join(homedir(), '.local', 'share', 'pebble-lane');

/** Where the book is: the database that DATABASE_URL names, else the data folder. Throws where that names another kind. */
function bookAt(): string {
  const url = process.env.DATABASE_URL ?? '';
  if (url === '') return dataFolder();
  if (!isPostgresUrl(url))
    throw new Error(
      `DATABASE_URL is "${withoutPassword(url)}"; it must begin with postgres://, or be absent for a book in a folder.`,
    );
  return url;
}

/** Whether the book lies in a database, which may be away for a while. */
export const isDatabase = (): boolean => (process.env.DATABASE_URL ?? '') !== '';

/** The same, for a person: no password in it. */
export const bookPlace = (): string => withoutPassword(bookAt());

/** The open book, one a process; opening is tried again after a failure. */
export function book(): Promise<Db> {
  const held = globalThis as Held;
  held[KEY] ??= openStore(bookAt()).catch((error: unknown) => {
    delete held[KEY];
    throw error;
  });
  return held[KEY];
}

/** Writes what SQLite still holds beside the book, and closes it. The next use opens it again. */
export async function closeBook(): Promise<void> {
  const held = globalThis as Held;
  const open = held[KEY];
  delete held[KEY];
  await (await open)?.destroy();
}
