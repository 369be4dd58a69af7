import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** The folder of one run of the checks, the same in every process of it. */
export const RUN = (process.env.PEBBLE_E2E_RUN ??= mkdtempSync(join(tmpdir(), 'pebble-e2e-')));
/** The book that each file of checks begins from a copy of. */
export const BOOK = join(RUN, 'book');
/** The server in one file, beside the packages that it needs: it starts three times as fast. */
export const SERVING = '.pebble/e2e-serving.cjs';
