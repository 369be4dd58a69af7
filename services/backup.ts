import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import Ajv2020 from 'ajv/dist/2020';
import { addToBook, readWholeBook, type BookRows, type TableReport } from '../store/index';
import { upgradeFirstBackup, type FirstBackup } from './backup-upgrade';
import { book } from './book';
import { nowMs } from './clock';
import { done, refused, type Outcome } from './outcome';

/** The published shapes of a backup, before and now, served with the application. */
const readFirst = () => readFileSync(join(process.cwd(), 'public/book-1.schema.json'), 'utf8');
const readNow = () => readFileSync(join(process.cwd(), 'public/book.schema.json'), 'utf8');
const MOST_PROBLEMS = 8;

export interface Backup {
  pebbleLaneBook: 2;
  writtenMs: number;
  tables: BookRows;
}

/** The whole book as one JSON; solved flows are left out, they are computed again. */
export async function backUpBook(): Promise<Backup> {
  return { pebbleLaneBook: 2, writtenMs: nowMs(), tables: await readWholeBook(await book()) };
}

export interface RestoreReport {
  dry: boolean;
  tables: TableReport[];
}

/**
 * Adds a backup to this book, also one from before: what is missing is taken, what is here stays. A dry run says the
 * same and keeps nothing. A backup that is not whole is refused with what is wrong, and where.
 */
export async function restoreBook(json: unknown, dry: boolean): Promise<Outcome<RestoreReport>> {
  const isFirst = (json as FirstBackup | null)?.pebbleLaneBook === 1;
  const check = checkOf(isFirst ? readFirst() : readNow());
  if (!check(json)) {
    const said = (check.errors ?? [])
      .slice(0, MOST_PROBLEMS)
      .map((e) => `${e.instancePath || 'The file'} ${e.message}.`);
    return refused('invalid', `This is not a backup of a book. ${said.join(' ')}`, 'book');
  }
  try {
    const rows = isFirst ? upgradeFirstBackup(json as FirstBackup) : (json as Backup).tables;
    const tables = await addToBook(await book(), rows, dry);
    return done({ dry, tables });
  } catch (error) {
    return refused(
      'invalid',
      `The backup does not hold together, and nothing was taken: ${error instanceof Error ? error.message : String(error)}.`,
      'book',
    );
  }
}

const checkOf = (schema: string) => new Ajv2020({ allErrors: true }).compile(JSON.parse(schema));
