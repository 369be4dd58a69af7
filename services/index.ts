/** Use cases: load, compute, save. No HTTP, no JSX. */
export {
  alterBeat,
  beatsInBook,
  cachedFlow,
  copyBeat,
  keepBeat,
  keepFlow,
  openBeat,
  renameStreamTo,
  saveBeat,
  solvedWater,
  streamsInBook,
  waterIsSolved,
  type OpenBeat,
} from './beats';
export { draftsInBook, keepDraft, openDraft, throwDraftAway } from './drafts';
export { keepPhoto, photo, PHOTO_LIMIT_BYTES } from './photos';
export { writeArchive } from './backup-archive';
export { restoreUpload } from './restore-upload';
export { backUpByItself, backupPlan, backupState, restoreFile, writeBackup } from './backup-files';
export { backUpBook, restoreBook, type Backup, type RestoreReport } from './backup';
export {
  requestSolve,
  requestWholeBook,
  solveJobs,
  stopSolve,
  watchSolves,
  type SolveJob,
} from './solver';
export { keepRead, readsInBook, throwReadAway } from './reads';
export { keepRise, takeRiseBack } from './rises';
export { keepMark, removeMark } from './marks';
export { beginTry, recordEvent } from './tries';
export {
  alterPhone,
  inFours,
  NOT_PAIRED,
  onNewCode,
  onThrownOut,
  PAIRED_FOR_S,
  pairingCode,
  pairPhone,
  PHONE_COOKIE,
  phoneOfToken,
  phonesInBook,
  thrownOutOf,
} from './phones';
export { changesMissing, feedEndOfBook, feedHasBeenAt, feedSince } from './feed';
export { bankOf } from './bank';
export { outingList, outingReport, tryLog, type OutingReport } from './outing-report';
export { placesOnEarth, tableOf, TABLES, takeReadings, takeTries, type TableName } from './tables';
export { packsInBook } from './packs';
export { takeAlong } from './take-along';
export {
  keepHistory,
  keepOuting,
  keepReading,
  outingOfDay,
  lastOuting,
  outingsInBook,
  readingsOf,
  takeReadingBack,
} from './outings';
export { dayBookOf, keepFact } from './day';
export { LEARN_OF, learnOf, triesBehind, type LearnOf } from './learn';
export { recordOf, refitOnceADay, refitRecord, takeBack } from './record';
export { changeSettings, settings } from './settings';
export { putAside, unreadableInBook } from './unreadable';
export { doorSaid, sayDoor, type DoorSaid } from './door';
export { bookRefusal, type BookTrouble } from './book-refusal';
export { noteTrouble, TROUBLE_WORDS, troubleNow } from './book-trouble';
export { requestName, underRequest, visitorNow, type ServedRequest, type Visitor } from './request';
export { nowMs } from './clock';
export { book, bookPlace, closeBook, dataFolder, isDatabase } from './book';
export type { Change } from './change';
export type { Outcome } from './outcome';
export type { MadeFrom } from '../store/index';
