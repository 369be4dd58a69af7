/** A book that cannot be opened: the sentence says which, why, and what to do. */
export class BookUnopened extends Error {
  constructor(path: string, why: string, cause?: unknown) {
    super(
      `The book ${path} cannot be opened: ${why}. Nothing was changed. ${whatToDo(path)}`,
      cause === undefined ? undefined : { cause },
    );
    this.name = 'BookUnopened';
  }
}

/** What SQLite and the disk mean by their codes. */
const WHY: Record<string, string> = {
  SQLITE_NOTADB: 'it is not a book, or its beginning is damaged',
  SQLITE_CORRUPT: 'it is damaged',
  SQLITE_CANTOPEN: 'this program may not open it, or its folder',
  SQLITE_READONLY: 'this program may not write to it, or to its folder',
  SQLITE_FULL: 'the disk is full',
  SQLITE_BUSY: 'another program holds it',
  SQLITE_LOCKED: 'another program holds it',
  SQLITE_PERM: 'this program may not open it',
  EACCES: 'this program may not open it, or its folder',
  EPERM: 'this program may not change it, or its folder',
  EROFS: 'its disk can only be read',
  ENOSPC: 'the disk is full',
  ENOTDIR: 'a part of its folder’s name is a file',
};
const KEPT_APART = /migration (\S+) is missing/;

function whatToDo(path: string): string {
  const folder = path.slice(0, path.lastIndexOf('/'));
  return (
    `See that the folder ${folder} may be written to and has room. If the book itself is at fault, move it away ` +
    '(with its -wal and -shm), start, and take in the newest backup: ./pebble restore FILE. ' +
    `Copies from before an upgrade are in ${folder} too (before-….sqlite); docs/hosting.md says more.`
  );
}

/** An error met while a book was opened, as a sentence. */
export function unopened(path: string, error: unknown): BookUnopened {
  if (error instanceof BookUnopened) return error;
  const { code, message } = (error ?? {}) as { code?: unknown; message?: unknown };
  const text = String(message ?? error);
  const newer = KEPT_APART.exec(text)?.[1];
  if (newer)
    return new BookUnopened(
      path,
      `a newer version of this program has changed it (${newer})`,
      error,
    );
  const known =
    typeof code === 'string'
      ? Object.entries(WHY).find(([begin]) => code === begin || code.startsWith(`${begin}_`))
      : undefined;
  return new BookUnopened(path, known ? known[1] : text, error);
}
