import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import Ajv2020 from 'ajv/dist/2020';
import { addToBook, readWholeBook, type BookRows, type TableReport } from '../store/index';
import { book } from './book';
import { nowMs } from './clock';
import { done, refused, type Outcome } from './outcome';

/** The published shape of a backup, served with the application. */
export const BOOK_SCHEMA_FILE = 'public/book.schema.json';
const MOST_PROBLEMS = 8;

export interface Backup {
  pebbleLaneBook: 1;
  writtenMs: number;
  tables: BookRows;
}

/** The whole book as one JSON; solved flows are left out, they are computed again. */
export async function backUpBook(): Promise<Backup> {
  return { pebbleLaneBook: 1, writtenMs: nowMs(), tables: await readWholeBook(await book()) };
}

export interface RestoreReport {
  dry: boolean;
  tables: TableReport[];
}

/**
 * Adds a backup to this book: what is missing is taken, what is here stays. A dry run says the
 * same and keeps nothing. A backup that is not whole is refused with what is wrong, and where.
 */
export async function restoreBook(json: unknown, dry: boolean): Promise<Outcome<RestoreReport>> {
  const check = schema();
  if (!check(json)) {
    const said = (check.errors ?? [])
      .slice(0, MOST_PROBLEMS)
      .map((e) => `${e.instancePath || 'The file'} ${e.message}.`);
    return refused('invalid', `This is not a backup of a book. ${said.join(' ')}`, 'book');
  }
  try {
    const tables = await addToBook(await book(), (json as Backup).tables, dry);
    return done({ dry, tables });
  } catch (error) {
    return refused(
      'invalid',
      `The backup does not hold together, and nothing was taken: ${error instanceof Error ? error.message : String(error)}.`,
      'book',
    );
  }
}

function schema() {
  const ajv = new Ajv2020({ allErrors: true });
  return ajv.compile(JSON.parse(readFileSync(join(process.cwd(), BOOK_SCHEMA_FILE), 'utf8')));
}
