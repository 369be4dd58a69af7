import { createHash } from 'node:crypto';
import {
  cpSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Kysely, Migrator } from 'kysely';
import { ImmediateSqliteDialect } from './immediate-dialect';
import { MIGRATIONS } from './migrations';
import { DATABASE_FILE, listBeats, listTries, openStore } from './index';
import * as sqlite from './sqlite';
import { readBeat, type BeatPlan } from '../core/formats/index';
import { FIRST_BEAT_FILE } from '../demo/first-beat';
import { fillFirstBook } from './fixtures/first-book';

const FIRST_PLAN = (readBeat(FIRST_BEAT_FILE) as { plan: BeatPlan }).plan;

const NAMES = Object.keys(MIGRATIONS);
const fresh = () => mkdtempSync(join(tmpdir(), 'pebble-upgrade-'));

jest.mock('./sqlite', () => {
  const real = jest.requireActual<typeof sqlite>('./sqlite');
  return { ...real, openSqlite: jest.fn(real.openSqlite) };
});
const { openSqlite: open } = jest.requireActual<typeof sqlite>('./sqlite');

/** A book as the version left it whose newest migration is the `version`th, begun by the first. */
async function bookOf(version: number): Promise<string> {
  const folder = fresh();
  const file = sqlite.openSqlite(join(folder, DATABASE_FILE));
  file.pragma('journal_mode = WAL');
  const db = new Kysely<unknown>({ dialect: new ImmediateSqliteDialect(() => file) });
  for (const [upTo, fill] of [
    [1, true],
    [version, false],
  ] as const) {
    const known = Object.fromEntries(Object.entries(MIGRATIONS).slice(0, upTo));
    const { error } = await new Migrator({
      db,
      provider: { getMigrations: async () => known },
    }).migrateToLatest();
    if (error) throw error;
    if (fill) fillFirstBook(file, FIRST_PLAN);
  }
  await db.destroy();
  return folder;
}

interface Killed {
  statements: number;
  /** The files after each statement that changed any of them. */
  states: { left: string; at: string }[];
}

/** Hash of all files of a folder; the index into the log is made anew by whoever opens a book. */
function bytesIn(folder: string): string {
  const hash = createHash('sha256');
  for (const name of readdirSync(folder).sort())
    if (!name.endsWith('-shm')) hash.update(`${name}\n`).update(readFileSync(join(folder, name)));
  return hash.digest('hex');
}

/**
 * What a killed process leaves at each statement of an opening: the files as they are on the disk at
 * that moment. What SQLite has not written by then is lost with the process, and with the copy.
 */
async function openedAndKilledAtEach(folder: string): Promise<Killed> {
  const all: Killed = { statements: 0, states: [] };
  const known = new Set<string>();
  const spy = jest.mocked(sqlite.openSqlite).mockImplementation((path, options) =>
    open(path, {
      ...options,
      verbose: (statement) => {
        const at = String(statement);
        if (/^\s*(select|pragma)/i.test(at)) return;
        all.statements++;
        // Within a transaction most statements leave the same bytes on the disk: they are opened once.
        const state = bytesIn(folder);
        if (known.has(state)) return;
        known.add(state);
        const left = fresh();
        cpSync(folder, left, { recursive: true });
        all.states.push({ left, at: at.slice(0, 60) });
      },
    }),
  );
  await (await openStore(folder)).destroy();
  spy.mockImplementation(open);
  return all;
}

async function held(folder: string) {
  const db = await openStore(folder);
  const beats = (await listBeats(db)).map((b) => b.name);
  const tries = (await listTries(db, 'b1')).map((t) => [t.id, t.events.map((e) => e.id)]);
  const done = await db
    .selectFrom('kysely_migration' as never)
    .select('name' as never)
    .execute();
  await db.destroy();
  return { beats, tries, migrations: done.length };
}

const WHOLE = {
  beats: ['Sallow Steps', 'Other'],
  tries: [['t1', ['e1']]],
  migrations: NAMES.length,
};

let killed = 0;
it.each(NAMES.slice(0, -1).map((name, i) => [name, i + 1] as const))(
  'a book of %s, killed at each statement of its upgrade, opens again with all it held',
  async (_name, version) => {
    const folder = await bookOf(version);
    const all = await openedAndKilledAtEach(folder);
    expect(all.statements).toBeGreaterThan(3);
    expect(all.states.length).toBeGreaterThan(1);
    killed += all.statements;
    for (const { left, at } of all.states) {
      expect([at, await held(left)]).toEqual([at, WHOLE]);
      // Each copy that was kept is the old book, whole.
      for (const copy of readdirSync(left).filter((f) => f.startsWith('before-'))) {
        if (copy.includes('.copying-')) continue;
        const old = sqlite.openSqlite(join(left, copy), { readonly: true });
        expect(old.prepare('select count(*) as n from kysely_migration').get()).toEqual({
          n: version,
        });
        expect(old.prepare('select count(*) as n from try_events').get()).toEqual({ n: 1 });
        old.close();
      }
      rmSync(left, { recursive: true });
    }
  },
);

it('was killed at more statements than the trial that found books lost', () => {
  expect(killed).toBeGreaterThan(59);
});

it('a copy that is there is never written over; the same copy is not made twice', async () => {
  const folder = await bookOf(3);
  const copy = join(folder, 'before-2026-005-outings.sqlite');
  writeFileSync(copy, 'another copy, of before');
  const old = fresh();
  cpSync(join(folder, DATABASE_FILE), join(old, DATABASE_FILE));
  await (await openStore(folder)).destroy();
  expect(statSync(copy).size).toBe('another copy, of before'.length);
  const copies = () => readdirSync(folder).filter((f) => f.startsWith('before-'));
  expect(copies()).toEqual(['before-2026-004-spot.sqlite', 'before-2026-005-outings.sqlite']);
  // Put back and opened again: the copy is the same.
  cpSync(join(old, DATABASE_FILE), join(folder, DATABASE_FILE));
  await (await openStore(folder)).destroy();
  expect(copies()).toHaveLength(2);
  // Something else of that name: a second copy beside it.
  writeFileSync(join(folder, 'before-2026-004-spot.sqlite'), 'something else');
  cpSync(join(old, DATABASE_FILE), join(folder, DATABASE_FILE));
  await (await openStore(folder)).destroy();
  expect(copies()).toContain('before-2026-004-spot-2.sqlite');
});

describe('a book that cannot be opened is said so, and nothing of it is changed', () => {
  const path = (folder: string) => join(folder, DATABASE_FILE);
  const damaged = async (harm: (file: string) => void) => {
    const folder = await bookOf(NAMES.length);
    harm(path(folder));
    return openStore(folder).then(
      async (db) => {
        await db.destroy();
        return 'opened';
      },
      (error: Error) => error.message,
    );
  };
  it.each<[string, (file: string) => void, string]>([
    ['no book at all', (f) => writeFileSync(f, 'x'.repeat(9000)), 'it is not a book'],
    ['of 0 bytes', (f) => writeFileSync(f, ''), 'a file of 0 bytes'],
    ['cut in half', (f) => writeFileSync(f, readHalf(f)), 'it is damaged'],
    ['with pages of garbage', garble, 'damaged'],
  ])('%s', async (_what, harm, said) => {
    const message = await damaged(harm);
    expect(message).toContain(said);
    expect(message).toContain('./pebble restore FILE');
  });

  it('changed by a newer version', async () => {
    const folder = await bookOf(NAMES.length);
    const file = sqlite.openSqlite(path(folder));
    file.exec(`insert into kysely_migration values ('2099-001-later', '2099-01-01')`);
    file.close();
    await expect(openStore(folder)).rejects.toThrow(
      'a newer version of this program has changed it',
    );
  });

  it('and a folder and book that it makes are for their owner alone', async () => {
    const folder = join(fresh(), 'deep', 'book');
    await (await openStore(folder)).destroy();
    expect(statSync(folder).mode & 0o777).toBe(0o700);
    expect(statSync(path(folder)).mode & 0o777).toBe(0o600);
    expect(readdirSync(folder)).toEqual([DATABASE_FILE]);
  });
});

function readHalf(file: string): Buffer {
  const whole = readFileSync(file);
  return whole.subarray(0, Math.floor(whole.length / 2));
}

function garble(file: string): void {
  const whole = readFileSync(file);
  whole.fill(0xa5, 4096 * 3, 4096 * 9);
  writeFileSync(file, whole);
}
