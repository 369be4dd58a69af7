import { createHash } from 'node:crypto';
import {
  closeSync,
  constants,
  copyFileSync,
  existsSync,
  fsyncSync,
  linkSync,
  openSync,
  readSync,
  rmSync,
} from 'node:fs';
import type { Sqlite } from './sqlite';

const BLOCK_BYTES = 1 << 20;

/**
 * Keeps a copy of a book before its tables change: `NAME.sqlite`, or `NAME-2.sqlite` where a copy of
 * that name holds something else. A copy that is there is never written over, and one that is the same
 * is not made twice. Nobody writes to the book meanwhile.
 */
export function keepCopyBefore(sqlite: Sqlite, path: string, name: string): void {
  const [{ busy } = { busy: 1 }] = sqlite.pragma('wal_checkpoint(TRUNCATE)') as { busy: number }[];
  if (busy)
    throw new Error('another program has it open, and its tables must change; stop that one first');
  sqlite.exec('begin immediate');
  try {
    keepCopy(path, name);
  } finally {
    sqlite.exec('rollback');
  }
}

function keepCopy(path: string, name: string): void {
  const made = `${name}.copying-${process.pid}`;
  rmSync(made, { force: true });
  copyFileSync(path, made, constants.COPYFILE_EXCL);
  flush(made);
  try {
    const sum = sumOf(made);
    for (let n = 1; ; n++) {
      const copy = n === 1 ? `${name}.sqlite` : `${name}-${n}.sqlite`;
      if (!existsSync(copy)) return linkSync(made, copy);
      if (sumOf(copy) === sum) return;
    }
  } finally {
    rmSync(made, { force: true });
  }
}

function flush(path: string): void {
  const file = openSync(path, 'r+');
  fsyncSync(file);
  closeSync(file);
}

function sumOf(path: string): string {
  const sum = createHash('sha256');
  const block = Buffer.alloc(BLOCK_BYTES);
  const file = openSync(path, 'r');
  for (let read = readSync(file, block); read > 0; read = readSync(file, block))
    sum.update(block.subarray(0, read));
  closeSync(file);
  return sum.digest('hex');
}
