import {
  closeSync,
  existsSync,
  fsyncSync,
  mkdirSync,
  openSync,
  readFileSync,
  renameSync,
  writeSync,
} from 'node:fs';
import { join } from 'node:path';
import { findSecret, isPostgres, swapSecret } from '../store/index';
import { book, dataFolder } from './book';

/**
 * Keys that whoever serves this book has in common: on PostgreSQL in the book; beside a book in a
 * folder each is a file that only its owner may read.
 */
const pathOf = (name: string) => join(dataFolder(), `${name}.key`);

/** null before it is made. */
export async function sharedKey(name: string): Promise<string | null> {
  const db = await book();
  if (isPostgres(db)) return findSecret(db, name);
  return existsSync(pathOf(name)) ? readFileSync(pathOf(name), 'utf8') : null;
}

/** Puts a key in place of the known one; false, and nothing changed, where it is another by now. */
export async function swapSharedKey(
  name: string,
  known: string | null,
  value: string,
): Promise<boolean> {
  const db = await book();
  if (isPostgres(db)) return swapSecret(db, name, known, value);
  if ((await sharedKey(name)) !== known) return false;
  mkdirSync(dataFolder(), { recursive: true, mode: 0o700 });
  const made = `${pathOf(name)}.new`;
  const file = openSync(made, 'w', 0o600);
  try {
    writeSync(file, value);
    fsyncSync(file);
  } finally {
    closeSync(file);
  }
  renameSync(made, pathOf(name));
  return true;
}
