import {
  closeSync,
  createWriteStream,
  fsyncSync,
  mkdirSync,
  openSync,
  readdirSync,
  readFileSync,
  readSync,
  renameSync,
  rmSync,
} from 'node:fs';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import { restoreArchive, restoreBook, type RestoreReport } from './backup';
import { openArchive, writeArchive } from './backup-archive';
import type { Outcome } from './outcome';

/** Where backups are put by themselves, and how often. */
export interface BackupPlan {
  folder: string;
  everyH: number;
}

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
/** The newest of so many days, weeks and months each is kept. */
const KEPT = [
  { most: 7, of: (ms: number) => Math.floor(ms / DAY_MS) },
  // Weeks begin on Monday: 1970 began on a Thursday.
  { most: 5, of: (ms: number) => Math.floor((ms / DAY_MS + 3) / 7) },
  { most: 12, of: (ms: number) => new Date(ms).toISOString().slice(0, 7) },
] as const;
/** How often the clock is looked at, ms: a machine that slept is late by no more. */
const LOOK_MS = 10 * 60_000;
/** Archives, and the packed JSON of earlier versions. */
const NAME = /^pebble-lane-(\d{4}-\d{2}-\d{2})T(\d{2})(\d{2})(\d{2})Z\.(zip|json\.gz)$/;

const nameAt = (ms: number) =>
  `pebble-lane-${new Date(ms).toISOString().slice(0, 19).replaceAll(':', '')}Z.zip`;

/** When a file of the folder was written, by its name; null for what is none of ours. */
export function backupMs(name: string): number | null {
  const m = NAME.exec(name);
  return m ? Date.parse(`${m[1]}T${m[2]}:${m[3]}:${m[4]}Z`) : null;
}

/**
 * PEBBLE_BACKUP names a folder, PEBBLE_BACKUP_HOURS how often (24 where it is not said); null: none are
 * made. Throws a sentence for hours that are none.
 */
export function backupPlan(env: Record<string, string | undefined>): BackupPlan | null {
  const folder = env.PEBBLE_BACKUP ?? '';
  if (folder === '') return null;
  const told = env.PEBBLE_BACKUP_HOURS ?? '24';
  const everyH = Number(told);
  if (!(everyH >= 1 && everyH <= 168))
    throw new Error(`PEBBLE_BACKUP_HOURS is "${told}"; it must be a number from 1 to 168.`);
  return { folder, everyH };
}

/** Which of these are kept: the newest of each of the last seven days, five weeks and twelve months. */
export function keptBackups(names: readonly string[], nowMs: number): Set<string> {
  const dated = names.flatMap((name) => {
    const ms = backupMs(name);
    return ms === null ? [] : [{ name, ms }];
  });
  const byAge = dated.filter(({ ms }) => ms <= nowMs + HOUR_MS).sort((a, b) => b.ms - a.ms);
  // What a clock that ran ahead has dated is nobody's to throw away.
  const kept = new Set(dated.filter((d) => !byAge.includes(d)).map((d) => d.name));
  for (const { most, of } of KEPT) {
    const seen = new Set<number | string>();
    for (const { name, ms } of byAge) {
      if (seen.has(of(ms))) continue;
      if (seen.size === most) break;
      seen.add(of(ms));
      kept.add(name);
    }
  }
  return kept;
}

/**
 * The whole book as an archive in the folder; it has that name only once it is whole and on the disk, and
 * has been looked through. Then those that are no longer kept go. Its path.
 */
export async function writeBackup(folder: string, nowMs: number): Promise<string> {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const path = join(folder, nameAt(nowMs));
  const made = `${path}.new`;
  try {
    await writeArchive(createWriteStream(made, { mode: 0o600 }));
    const file = openSync(made, 'r+');
    fsyncSync(file);
    closeSync(file);
    (await openArchive(made)).close();
    renameSync(made, path);
  } catch (error) {
    rmSync(made, { force: true });
    throw error;
  }
  const ours = readdirSync(folder).filter((name) => backupMs(name) !== null);
  const kept = keptBackups(ours, nowMs);
  for (const name of ours) if (!kept.has(name)) rmSync(join(folder, name));
  return path;
}

/** Adds a backup that lies in a file: an archive, or JSON as earlier versions wrote it, packed or not. Throws a sentence for what is none of these. */
export async function restoreFile(path: string, dry: boolean): Promise<Outcome<RestoreReport>> {
  const file = openSync(path, 'r');
  const head = Buffer.alloc(4);
  readSync(file, head);
  closeSync(file);
  if (head.toString('latin1', 0, 2) === 'PK') return restoreArchive(path, dry);
  return restoreBook(jsonIn(path, head[0] === 0x1f && head[1] === 0x8b), dry);
}

function jsonIn(path: string, isPacked: boolean): unknown {
  try {
    const bytes = readFileSync(path);
    return JSON.parse((isPacked ? gunzipSync(bytes) : bytes).toString('utf8'));
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    throw new Error(`${path} is no whole backup: ${why}.`, { cause: error });
  }
}

/** How the backups go that are made by themselves; null: none are asked for. */
export interface BackupState {
  folder: string;
  lastMs: number | null;
  /** Why the last one failed; null: it did not. */
  problem: string | null;
}
const KEY = Symbol.for('pebble-lane.backups');
type Held = typeof globalThis & { [KEY]?: BackupState };
export const backupState = (): BackupState | null => (globalThis as Held)[KEY] ?? null;

/** Backs the book up now where the newest backup is older than it should be, and from then on. */
export function backUpByItself({ folder, everyH }: BackupPlan): void {
  let running = false;
  const say = (state: Partial<BackupState>) => {
    const before = backupState() ?? { folder, lastMs: null, problem: null };
    (globalThis as Held)[KEY] = { ...before, ...state };
  };
  const look = async () => {
    if (running) return;
    running = true;
    try {
      mkdirSync(folder, { recursive: true, mode: 0o700 });
      const lastMs = newestBackup(readdirSync(folder), Date.now());
      say({ lastMs });
      if (lastMs !== null && Date.now() - lastMs < everyH * HOUR_MS) return;
      console.log(`Backed up: ${await writeBackup(folder, Date.now())}`);
      say({ lastMs: Date.now(), problem: null });
    } catch (error) {
      say({ problem: error instanceof Error ? error.message : String(error) });
      console.error(`The book was not backed up into ${folder}:`, error);
    } finally {
      running = false;
    }
  };
  say({});
  setInterval(() => void look(), LOOK_MS).unref();
  void look();
}

/** When the newest backup was written, of these files; one from the future was written by a clock that was wrong, and is none. */
export function newestBackup(names: readonly string[], nowMs: number): number | null {
  const written = names
    .map(backupMs)
    .filter((ms): ms is number => ms !== null && ms <= nowMs + HOUR_MS);
  return written.length === 0 ? null : Math.max(...written);
}
