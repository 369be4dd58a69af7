import { createHash } from 'node:crypto';
import {
  accessSync,
  constants,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  utimesSync,
  writeFileSync,
} from 'node:fs';
import { homedir, tmpdir } from 'node:os';
import { join } from 'node:path';
import { deserialize, serialize } from 'node:v8';
import CORE_ORDER from '../core/order.json';

const HOME_CACHE = process.env.XDG_CACHE_HOME ?? join(homedir(), '.cache');
/** Where nothing is to be kept: a run whose core changes under the same source, as mutations do. */
const NOTHING = process.env.PEBBLE_KEPT === 'off';
const told = NOTHING ? undefined : process.env.PEBBLE_KEPT;
/**
 * What takes long to work out and is asked for again and again by tests: solved waters, their lies,
 * searches. Each is kept on this machine's disk, beside no checkout, under the hash of its inputs and
 * of the source of all of core that it may import; so nothing that is kept can be of another core.
 * Where the home folder cannot be written to, it lies with the temporary files.
 */
export const FOLDER =
  told ?? join(isWritable(HOME_CACHE) ? HOME_CACHE : tmpdir(), 'pebble-lane-tests');

function isWritable(folder: string): boolean {
  try {
    mkdirSync(folder, { recursive: true });
    accessSync(folder, constants.W_OK);
    return true;
  } catch {
    return false;
  }
}

const CORE = join(__dirname, '..', 'core');

const isSource = (name: string) =>
  /\.(ts|json|cjs)$/.test(name) && !/\.(test|spec)\.ts$/.test(name);

/** Hash of a core up to and with one of its folders, and of the program that runs it. */
export function versionUpTo(folder: string, core = CORE): string {
  const last = CORE_ORDER.indexOf(folder);
  if (last < 0) throw new RangeError(`core has no folder "${folder}"`);
  return hashOfSources(CORE_ORDER.slice(0, last + 1), core);
}

/** Hash of all sources in some folders, tests left out, and of the program that runs them. */
export function hashOfSources(folders: readonly string[], root = join(CORE, '..')): string {
  const hash = createHash('sha256').update(`${process.version} ${process.arch}`);
  for (const name of folders) {
    if (!existsSync(join(root, name))) continue;
    const files = readdirSync(join(root, name), { recursive: true, encoding: 'utf8' });
    for (const file of files.filter(isSource).sort())
      hash.update(`\n${name}/${file}\n`).update(readFileSync(join(root, name, file)));
  }
  return hash.digest('hex');
}

const versions = new Map<string, string>();
function versionOf(folder: string): string {
  const known = versions.get(folder) ?? versionUpTo(folder);
  versions.set(folder, known);
  return known;
}

/** Arrays and objects of a deserialised value, made anew by this realm's own constructors: a test runs in a realm of its own. */
function ofThisRealm(value: unknown): unknown {
  if (ArrayBuffer.isView(value)) {
    const { name } = value.constructor;
    const make = (globalThis as unknown as Record<string, { from(a: unknown): unknown }>)[name];
    if (!make) throw new TypeError(`a ${name} cannot be kept`);
    return make.from(value);
  }
  if (Array.isArray(value)) return Array.from(value, ofThisRealm);
  if (typeof value === 'object' && value !== null)
    return Object.fromEntries(Object.entries(value).map(([k, v]) => [k, ofThisRealm(v)]));
  return value;
}

/**
 * What `make` gives, made once for these inputs and this core. `ask` and what is made are plain data:
 * objects, arrays, typed arrays, numbers, texts. `folder` is the last folder of core that takes part;
 * the text of any function outside core that `make` calls belongs into `ask` (`String(f)`).
 */
export function kept<T>(folder: string, ask: unknown, make: () => T, into = FOLDER): T {
  if (NOTHING) return make();
  const key = createHash('sha256').update(versionOf(folder)).update(serialize(ask)).digest('hex');
  const file = join(into, key);
  if (existsSync(file)) {
    try {
      const value = ofThisRealm(deserialize(readFileSync(file))) as T;
      const now = new Date();
      utimesSync(file, now, now);
      return value;
    } catch {
      // Damaged, or thrown out at this moment: it is made anew, and written over.
    }
  }
  const value = make();
  mkdirSync(into, { recursive: true });
  const writing = `${file}.${process.pid}`;
  writeFileSync(writing, serialize(value));
  renameSync(writing, file);
  return value;
}

/** A folder made once under its name, by whoever asks first; of two at the same time the first is taken. */
export function madeOnce(folder: string, make: (into: string) => void): string {
  if (!existsSync(folder)) {
    const making = `${folder}.${process.pid}`;
    make(making);
    try {
      renameSync(making, folder);
    } catch (error) {
      if (!existsSync(folder)) throw error;
      rmSync(making, { recursive: true });
    }
  }
  const now = new Date();
  utimesSync(folder, now, now);
  return folder;
}
