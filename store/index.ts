/** The book on disk: SQLite through Kysely, one file per aggregate. */
export { openStore, DATABASE_FILE, type Db } from './open';
export {
  changeBeat,
  findBeat,
  listBeats,
  listStreams,
  putBeat,
  renameStream,
  type BeatChange,
  type ListedBeat,
  type MadeFrom,
  type StoredBeat,
} from './beats';
export {
  dropDraft,
  findDraft,
  listDrafts,
  putDraft,
  type DraftKind,
  type StoredDraft,
} from './drafts';
export { findPhoto, putPhoto, type StoredPhoto } from './photos';
export {
  addToBook,
  BOOK_TABLES,
  bookRows,
  readWholeBook,
  type BookRows,
  type BookSource,
  type BookTable,
  type TableReport,
} from './whole-book';
export { dropRead, findRead, listReads, putRead } from './reads';
export { findFlow, hasFlow, saveFlow } from './flows';
export { findMark, listMarks, putMark, strikeMark, type MarkRow } from './marks';
export { dropRise, listRises, putRise, type RiseRow } from './rises';
export {
  dropReading,
  listAllReadings,
  findLastOuting,
  findOuting,
  findReading,
  listOutings,
  listReadings,
  putOuting,
  putReading,
  type OutingSummary,
} from './outings';
export { listFacts, putFact } from './day-facts';
export { readingsForDay } from './day-readings';
export { problemIn, type StoredShape } from './stored-shapes';
export {
  isUnreadableTable,
  layAside,
  listUnreadable,
  UNREADABLE_TABLES,
  whyUnreadable,
  type UnreadableRow,
  type UnreadableTable,
} from './unreadable-rows';
export { findTakenChange, rememberChange, unknownChanges } from './taken-changes';
export { changePhone, findPhone, listPhones, putPhone, type Phone } from './phones';
export { feedAfter, feedEnd, feedKnows, type FeedItem, type FeedPlace } from './feed';
export { findPack, listPacks, putPack } from './packs';
export { readBank } from './bank';
export { listTryLog, type TryFilter, type TryLogRow } from './try-log';
export { listOutingsOf, readOuting } from './outing-report';
export { readSettings, writeSettings } from './settings';
export {
  appendEvent,
  hasTry,
  listAllTries,
  triesChangedAfter,
  listTries,
  openTry,
  type AppendOutcome,
} from './tries';
export { putHistory } from './history';
export { isPostgresUrl, withoutPassword } from './postgres';
export { isPostgres } from './dialect';
export { readingApart } from './apart';
export { writing } from './transact';
export { findSecret, swapSecret } from './secrets';
export {
  listSolves,
  queueSolve,
  saySolve,
  stopQueuedSolve,
  takeSolve,
  type QueuedSolve,
  type SolveState,
} from './solves';
