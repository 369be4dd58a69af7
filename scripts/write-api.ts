import { writeFileSync } from 'node:fs';
import { apiReference } from './api-reference';

void apiReference().then(({ page, silent }) => {
  if (silent.length > 0) throw new Error(`These say nothing of themselves: ${silent.join(', ')}.`);
  writeFileSync('docs/api.md', page);
});
