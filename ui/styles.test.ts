import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';

const ROOMS = ['app', 'drawing', 'making', 'outing', 'ui', 'workspace'];
const files = ROOMS.flatMap((room) =>
  readdirSync(room, { recursive: true, encoding: 'utf8' }).map((name) => join(room, name)),
);
const sheets = new Map(
  files
    .filter((f) => f.endsWith('.module.css'))
    .map((f) => [f, new Set(classesOf(readFileSync(f, 'utf8')))]),
);
const sources = files
  .filter((f) => /\.tsx?$/.test(f) && !/\.test\.tsx?$/.test(f))
  .map((f) => [f, readFileSync(f, 'utf8')] as const);

function classesOf(css: string): string[] {
  return [...css.replace(/\/\*[^]*?\*\//g, '').matchAll(/\.([a-zA-Z][\w-]*)/g)].map((m) => m[1]!);
}

/** What a source says of style sheets: [sheet, name]. */
function usesOf(file: string, text: string): [sheet: string, name: string][] {
  return [...text.matchAll(/import (\w+) from '([^']+\.module\.css)'/g)].flatMap(([, as, path]) =>
    [...text.replace(/^import .*$/gm, '').matchAll(new RegExp(`\\b${as}\\.(\\w+)`, 'g'))].map(
      ([, name]): [string, string] => [join(dirname(file), path!), name!],
    ),
  );
}

test('every name that a part takes from a style sheet is in it, and every name in it is taken', () => {
  const uses = sources.flatMap(([file, text]) => usesOf(file, text));
  expect(uses.length).toBeGreaterThan(500);
  expect(uses.filter(([sheet, name]) => !sheets.get(sheet)?.has(name))).toEqual([]);
  const taken = new Set(uses.map(([sheet, name]) => `${sheet} ${name}`));
  const left = [...sheets].flatMap(([sheet, names]) => [...names].map((n) => `${sheet} ${n}`));
  expect(left.filter((n) => !taken.has(n))).toEqual([]);
});

test('no name is global: the one sheet of the page knows elements only, and no part names a class as text', () => {
  const global = files.filter((f) => f.endsWith('.css') && !f.endsWith('.module.css'));
  expect(global).toEqual(['app/global.css']);
  expect(classesOf(readFileSync('app/global.css', 'utf8'))).toEqual([]);
  expect(sources.filter(([, text]) => /className="/.test(text)).map(([f]) => f)).toEqual([]);
});
