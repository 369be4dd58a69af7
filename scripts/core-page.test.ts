import { readFileSync } from 'node:fs';
import { corePage } from './core-page';

it('each example runs, and prints what the page says', async () => {
  // npx tsx scripts/write-core-page.ts
  const page = await corePage();
  expect(readFileSync('docs/core.md', 'utf8')).toBe(page);
  expect(page.match(/^Prints:$/gm)).toHaveLength(10);
});
