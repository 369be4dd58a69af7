import { writeFileSync } from 'node:fs';
import { FIRST_BEAT_FILE } from './first-beat';

/** Writes the practice beat that an empty book offers: the demo's first beat as a file. */
writeFileSync('public/practice-beat.json', `${JSON.stringify(FIRST_BEAT_FILE)}\n`);
