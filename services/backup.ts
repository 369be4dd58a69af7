import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import Ajv2020, { type ValidateFunction } from 'ajv/dist/2020';
import {
  addToBook,
  readWholeBook,
  type BookRows,
  type BookSource,
  type BookTable,
  type TableReport,
} from '../store/index';
import { openArchive } from './backup-archive';
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

/** The whole book as one JSON, for a book that fits into memory: what `writeArchive` writes, in one piece. */
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
  const check = new Ajv2020({ allErrors: true }).compile(
    JSON.parse(isFirst ? readFirst() : readNow()),
  );
  if (!check(json))
    return refused('invalid', `This is not a backup of a book. ${problemsOf(check)}`, 'book');
  return added(() => {
    const rows = isFirst ? upgradeFirstBackup(json as FirstBackup) : (json as Backup).tables;
    return (table) => rows[table] ?? [];
  }, dry);
}

/** The same from an archive, row by row. */
export async function restoreArchive(path: string, dry: boolean): Promise<Outcome<RestoreReport>> {
  const archive = await openArchive(path);
  try {
    return await added(() => checkedRows(archive.source), dry);
  } finally {
    archive.close();
  }
}

async function added(source: () => BookSource, dry: boolean): Promise<Outcome<RestoreReport>> {
  try {
    return done({ dry, tables: await addToBook(await book(), source(), dry) });
  } catch (error) {
    return refused(
      'invalid',
      `The backup does not hold together, and nothing was taken: ${error instanceof Error ? error.message : String(error)}.`,
      'book',
    );
  }
}

/** Each row of an archive is held against the published shape before it is taken. */
function checkedRows(source: BookSource): BookSource {
  const { properties } = JSON.parse(readNow()) as {
    properties: { tables: { properties: Record<BookTable, { items: RowSchema }> } };
  };
  const ajv = new Ajv2020({ allErrors: true });
  return async function* (table) {
    const { items } = properties.tables.properties[table];
    // A photograph is a file beside its row.
    const check = ajv.compile(table === 'photos' ? without(items, 'bytes') : items);
    let line = 0;
    for await (const row of source(table)) {
      line++;
      const { bytes, ...plain } = row;
      if (!check(table === 'photos' ? plain : row))
        throw new Error(`${table}, line ${line}: ${problemsOf(check)}`);
      yield bytes === undefined ? row : { ...plain, bytes };
    }
  };
}

interface RowSchema {
  required: string[];
  properties: Record<string, object>;
}
function without({ required, properties, ...rest }: RowSchema, column: string): RowSchema {
  const { [column]: _left, ...others } = properties;
  return { ...rest, required: required.filter((c) => c !== column), properties: others };
}

const problemsOf = (check: ValidateFunction): string =>
  (check.errors ?? [])
    .slice(0, MOST_PROBLEMS)
    .map((e) => `${e.instancePath || 'The file'} ${e.message}.`)
    .join(' ');
