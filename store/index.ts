/** The book on disk: SQLite through Kysely, one file per aggregate. */
export { openStore, DATABASE_FILE, type Db } from './open';
export { findBeat, insertBeat, listBeats, type StoredBeat } from './beats';
export { findFlow, saveFlow } from './flows';
export { listMarks, putMark, strikeMark, type StoredMark } from './marks';
export { readSettings, writeSettings } from './settings';
export { appendEvent, listTries, openTry, type AppendOutcome, type StoredTry } from './tries';
