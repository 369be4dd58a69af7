// Non-blank lines of tests (*.test.ts(x), fixtures/, e2e/) over all TypeScript, without generated files and demo data.
import { readFileSync } from 'node:fs';
import { execFileSync } from 'node:child_process';

const files = execFileSync('git', ['ls-files', '-co', '--exclude-standard', '*.ts', '*.tsx'], {
  encoding: 'utf8',
})
  .split('\n')
  .filter((f) => f && !f.endsWith('.d.ts') && !f.startsWith('demo/data/'));
const isTest = (f) =>
  /\.test\.tsx?$/.test(f) || f.includes('/fixtures/') || /^(e2e|testing|seams)\//.test(f);
let tests = 0;
let all = 0;
for (const f of new Set(files)) {
  let text;
  try {
    text = readFileSync(f, 'utf8');
  } catch {
    continue; // deleted in the work tree, still in the index
  }
  const lines = text.split('\n').filter((l) => l.trim() !== '').length;
  all += lines;
  if (isTest(f)) tests += lines;
}
const share = all === 0 ? 0 : (100 * tests) / all;
console.log(
  `Lines: ${all - tests} code, ${tests} tests; tests are ${share.toFixed(1)} % of the whole.`,
);
if (share < 25 || share > 33) console.log('Warning: the aim is a quarter to a third (25 to 33 %).');
