import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { folderImports } from './folder-picture';

it('docs/folders.svg has the arrows that the code has; draw it again with: npx tsx scripts/draw-folders.ts', () => {
  const kept = readFileSync(join(__dirname, '..', 'docs', 'folders.svg'), 'utf8');
  // How many imports an arrow stands for may change with any file; which arrows there are may not.
  const drawn = [...kept.matchAll(/<title>(\S+ imports \S+):/g)].map((m) => m[1]!).sort();
  const now = [...folderImports()]
    .flatMap(([from, row]) => [...row.keys()].map((to) => `${from} imports ${to}`))
    .sort();
  expect(drawn).toEqual(now);
});

it('arrows run one way only: no two folders import one another', () => {
  const all = folderImports();
  for (const [from, row] of all)
    for (const to of row.keys()) expect(all.get(to)?.has(from) ?? false).toBe(false);
  expect(all.get('core/lies')!.has('core/water')).toBe(true);
  expect([...all.get('core/units')!.keys()]).toEqual([]);
});
