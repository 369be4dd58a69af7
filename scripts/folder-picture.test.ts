import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { folderImports, folderPicture } from './folder-picture';

it('docs/folders.svg is what the code is now; draw it again with: npx tsx scripts/draw-folders.ts', () => {
  const kept = readFileSync(join(__dirname, '..', 'docs', 'folders.svg'), 'utf8');
  expect(kept === folderPicture()).toBe(true);
});

it('arrows run one way only: no two folders import one another', () => {
  const all = folderImports();
  for (const [from, row] of all)
    for (const to of row.keys()) expect(all.get(to)?.has(from) ?? false).toBe(false);
  expect(all.get('core/lies')!.has('core/water')).toBe(true);
  expect([...all.get('core/units')!.keys()]).toEqual([]);
});
