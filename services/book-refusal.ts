/** What an engine of the book means by an error of its own; null: something else went wrong. */
export type BookRefusal =
  | 'no such thing'
  | 'another has it'
  | 'not possible'
  /** These mend with time: what is sent again then is not lost. */
  | BookTrouble;
export type BookTrouble = 'away' | 'full' | 'held' | 'damaged';

const SQLITE = /^SQLITE_CONSTRAINT/;
/** What SQLite and the disk say of the place where the book lies. */
const TROUBLE: readonly (readonly [RegExp, BookTrouble])[] = [
  [/^(SQLITE_FULL|ENOSPC|EDQUOT)/, 'full'],
  [/^SQLITE_(BUSY|LOCKED)/, 'held'],
  [/^(SQLITE_(READONLY|CANTOPEN|PERM)|EACCES|EROFS|EPERM)/, 'away'],
  [/^SQLITE_(IOERR|CORRUPT|NOTADB)/, 'damaged'],
];
/** PostgreSQL's classes (its manual, appendix A): integrity, data, shutdown, connection, resources; a standby. */
const REFERENCE = '23503';
const UNIQUE = '23505';
const IMPOSSIBLE = /^(22|23)/;
const AWAY = /^(08|57P|53|25006)/;
/** Cancelled by a limit of the server's: of a statement, of a lock, of a transaction that stood still. */
const TIMED_OUT = /^(57014|55P03|25P03|25P04)/;
const UNREACHED = ['ECONNREFUSED', 'ECONNRESET', 'ETIMEDOUT', 'EPIPE', 'ENOTFOUND', 'EHOSTUNREACH'];
/** What the driver says without a code. */
const LOST = /^(Connection terminated|timeout exceeded when trying to connect|Query read timeout)/;

export function bookRefusal(error: unknown): BookRefusal | null {
  const { code, syscall, message, name, cause } = (error ?? {}) as {
    code?: unknown;
    syscall?: unknown;
    message?: unknown;
    name?: unknown;
    cause?: unknown;
  };
  if (name === 'BookUnopened') return bookRefusal(cause) ?? 'damaged';
  if (typeof message === 'string' && LOST.test(message)) return 'away';
  if (typeof code !== 'string') return null;
  // A socket that is not there is a server that is not there.
  if (UNREACHED.includes(code) || (code === 'ENOENT' && syscall === 'connect')) return 'away';
  const trouble = TROUBLE.find(([of]) => of.test(code));
  if (trouble) return trouble[1];
  if (SQLITE.test(code)) {
    if (code.endsWith('FOREIGNKEY')) return 'no such thing';
    return /UNIQUE|PRIMARYKEY/.test(code) ? 'another has it' : 'not possible';
  }
  if (!/^[0-9A-Z]{5}$/.test(code)) return null;
  if (code === REFERENCE) return 'no such thing';
  if (code === UNIQUE) return 'another has it';
  if (AWAY.test(code)) return 'away';
  if (TIMED_OUT.test(code)) return 'held';
  return IMPOSSIBLE.test(code) ? 'not possible' : null;
}
