import { homedir } from 'node:os';
import { join } from 'node:path';
import { openStore, type Db } from '../store/index';

const KEY = Symbol.for('pebble-lane.book');
type Held = typeof globalThis & { [KEY]?: Promise<Db> };

export const dataFolder = () =>
  process.env.PEBBLE_LANE_DATA ?? join(homedir(), '.local', 'share', 'pebble-lane');

/** The open book, one a process; opening is tried again after a failure. */
export function book(): Promise<Db> {
  const held = globalThis as Held;
  held[KEY] ??= openStore(dataFolder()).catch((error: unknown) => {
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
