import { readFileSync } from 'node:fs';
import { apiReference } from './api-reference';

it('the reference of the way in is what the routes and their schemas say, and each says what it does', async () => {
  const { page, silent } = await apiReference();
  expect(silent).toEqual([]);
  // npx tsx scripts/write-api.ts
  expect(readFileSync('docs/api.md', 'utf8')).toBe(page);
  // A limit that is known to hold, from schema to page.
  expect(page).toMatch(/\| `waterTempC` \| number \| [^|]*\| 0 to 30/);
});
