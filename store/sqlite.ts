import Prebuilt from 'better-sqlite3';
import Compiled from 'better-sqlite3-compiled';

/** From this version of Node's interface for native code on (Node 22.14), SQLite comes ready to run. */
const NAPI_OF_PREBUILT = 10;

/** A connection to one file. */
export type Sqlite = Prebuilt.Database;

/** Whether the SQLite that comes with its package runs on this Node; else the one compiled at install does. */
export function hasPrebuilt(): boolean {
  if (Number(process.versions.napi) < NAPI_OF_PREBUILT) return false;
  try {
    new Prebuilt(':memory:').close();
    return true;
  } catch {
    return false;
  }
}

/** Opens a file, making it if need be. Errors: SQLite's own, and Node's where neither SQLite was installed. */
export function openSqlite(path: string, options?: Prebuilt.Options): Sqlite {
  const Sqlite = hasPrebuilt() ? Prebuilt : Compiled;
  return new Sqlite(path, options);
}
