import { writeFileSync } from 'node:fs';
import { corePage } from './core-page';

void corePage().then((page) => writeFileSync('docs/core.md', page));
