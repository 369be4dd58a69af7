import {
  closeSync,
  fsyncSync,
  mkdirSync,
  openSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  writeSync,
} from 'node:fs';
import { join } from 'node:path';
import { gunzipSync, gzipSync } from 'node:zlib';
import { backUpBook } from './backup';

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
const NAME = /^pebble-lane-(\d{4}-\d{2}-\d{2})T(\d{2})(\d{2})(\d{2})Z\.json\.gz$/;

const nameAt = (ms: number) =>
  `pebble-lane-${new Date(ms).toISOString().slice(0, 19).replaceAll(':', '')}Z.json.gz`;

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
export function keptBackups(names: readonly string[]): Set<string> {
  const byAge = names
    .flatMap((name) => {
      const ms = backupMs(name);
      return ms === null ? [] : [{ name, ms }];
    })
    .sort((a, b) => b.ms - a.ms);
  const kept = new Set<string>();
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
 * The whole book as a file of the folder; it has that name only once it is whole and on the disk, and
 * has been read back. Then those that are no longer kept go. Its path.
 */
export async function writeBackup(folder: string, nowMs: number): Promise<string> {
  mkdirSync(folder, { recursive: true });
  const text = JSON.stringify(await backUpBook());
  const path = join(folder, nameAt(nowMs));
  const file = openSync(`${path}.new`, 'w', 0o600);
  try {
    writeSync(file, gzipSync(text));
    fsyncSync(file);
  } finally {
    closeSync(file);
  }
  if (gunzipSync(readFileSync(`${path}.new`)).toString('utf8') !== text)
    throw new Error(`The backup ${path}.new could not be read back as it was written.`);
  renameSync(`${path}.new`, path);
  const ours = readdirSync(folder).filter((name) => backupMs(name) !== null);
  const kept = keptBackups(ours);
  for (const name of ours) if (!kept.has(name)) rmSync(join(folder, name));
  return path;
}

/** A backup as it was written, packed or not. Throws a sentence where it is neither. */
export function readBackupFile(path: string): unknown {
  const bytes = readFileSync(path);
  const isPacked = bytes[0] === 0x1f && bytes[1] === 0x8b;
  try {
    return JSON.parse((isPacked ? gunzipSync(bytes) : bytes).toString('utf8'));
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    throw new Error(`${path} is no whole backup: ${why}.`, { cause: error });
  }
}

/** Backs the book up now where the newest backup is older than it should be, and from then on. */
export function backUpByItself({ folder, everyH }: BackupPlan): void {
  let running = false;
  const look = async () => {
    if (running) return;
    running = true;
    try {
      mkdirSync(folder, { recursive: true });
      const newest = Math.max(0, ...readdirSync(folder).map((name) => backupMs(name) ?? 0));
      if (Date.now() - newest < everyH * HOUR_MS) return;
      console.log(`Backed up: ${await writeBackup(folder, Date.now())}`);
    } catch (error) {
      console.error(`The book was not backed up into ${folder}:`, error);
    } finally {
      running = false;
    }
  };
  setInterval(() => void look(), LOOK_MS).unref();
  void look();
}
