import { readdirSync, readFileSync, statSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';

/** Folders that are drawn, each above what it imports; inside core/ each sub-folder stands for itself. */
const ROOTS = [
  'serving',
  'app',
  'outing',
  'making',
  'workspace',
  'drawing',
  'words',
  'sync',
  'ui',
  'services',
  'workers',
  'store',
  'core',
];
const ROOT = resolve(__dirname, '..');
const IMPORT = /(?:from|import)\s*\(?\s*['"]((?:\.\.?\/|@\/)[^'"]+)['"]/g;

const isSource = (name: string) => /\.tsx?$/.test(name) && !/\.(test|spec)\./.test(name);

function sources(folder: string): string[] {
  return readdirSync(folder)
    .sort()
    .flatMap((name) => {
      const path = join(folder, name);
      if (statSync(path).isDirectory()) return name === 'fixtures' ? [] : sources(path);
      return isSource(name) ? [path] : [];
    });
}

/** "core/water" for anything in it, else the top folder; null for what is not drawn. */
function folderOf(path: string): string | null {
  const parts = relative(ROOT, path).split('/');
  if (!ROOTS.includes(parts[0]!)) return null;
  return parts[0] === 'core' ? `core/${parts[1]}` : parts[0]!;
}

/** For each folder the folders it imports, with the number of imports. */
export function folderImports(): Map<string, Map<string, number>> {
  const out = new Map<string, Map<string, number>>();
  for (const root of ROOTS) {
    for (const file of sources(join(ROOT, root))) {
      const from = folderOf(file)!;
      if (!out.has(from)) out.set(from, new Map());
      for (const [, target] of readFileSync(file, 'utf8').matchAll(IMPORT)) {
        const path = target!.startsWith('@/')
          ? join(ROOT, target!.slice(2))
          : resolve(dirname(file), target!);
        const to = folderOf(path);
        if (!to || to === from) continue;
        const row = out.get(from)!;
        row.set(to, (row.get(to) ?? 0) + 1);
      }
    }
  }
  return out;
}

const BOX = { width: 104, height: 34 };
const ROW_PX = 92;
const WIDE_PX = 1180;

/** How far above what it imports a folder must stand. */
function rankOf(folder: string, all: ReturnType<typeof folderImports>): number {
  const below = [...(all.get(folder)?.keys() ?? [])];
  return below.length === 0 ? 0 : 1 + Math.max(...below.map((f) => rankOf(f, all)));
}

/** The picture: folders in rows, arrows down to what they import, as thick as there are imports. */
export function folderPicture(): string {
  const all = folderImports();
  const rows: string[][] = [];
  for (const folder of all.keys()) (rows[rankOf(folder, all)] ??= []).push(folder);
  const places = new Map<string, { x: number; y: number }>();
  rows.forEach((row, rank) =>
    row.sort().forEach((folder, i) => {
      places.set(folder, {
        x: (WIDE_PX * (i + 1)) / (row.length + 1),
        y: 40 + ROW_PX * (rows.length - 1 - rank),
      });
    }),
  );
  const arrows = [...all].flatMap(([from, row]) =>
    [...row].map(([to, n]) => {
      const a = places.get(from)!;
      const b = places.get(to)!;
      const y1 = a.y + BOX.height / 2;
      const y2 = b.y - BOX.height / 2 - 5;
      const bow = (y2 - y1) / 2;
      const width = Math.min(4, 0.6 + Math.log2(n) / 2).toFixed(1);
      return `<path d="M${a.x.toFixed(0)},${y1}C${a.x.toFixed(0)},${y1 + bow} ${b.x.toFixed(0)},${y2 - bow} ${b.x.toFixed(0)},${y2}" stroke-width="${width}" marker-end="url(#tip)"><title>${from} imports ${to}: ${n}</title></path>`;
    }),
  );
  const boxes = [...places].map(
    ([folder, { x, y }]) =>
      `<g transform="translate(${(x - BOX.width / 2).toFixed(0)} ${y - BOX.height / 2})"><rect width="${BOX.width}" height="${BOX.height}" fill="#f4f5ef" stroke="#131b18"/><text x="${BOX.width / 2}" y="22" text-anchor="middle">${folder}</text></g>`,
  );
  const height = 40 + ROW_PX * rows.length;
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDE_PX}" height="${height}" viewBox="0 0 ${WIDE_PX} ${height}" font-family="sans-serif" font-size="14">`,
    '<defs><marker id="tip" viewBox="0 0 8 8" refX="6" refY="4" markerWidth="7" markerHeight="7" markerUnits="userSpaceOnUse" orient="auto"><path d="M0,0L8,4L0,8Z" fill="#3f4a45"/></marker></defs>',
    `<rect width="${WIDE_PX}" height="${height}" fill="#e5e7dd"/>`,
    `<g fill="none" stroke="#3f4a45" stroke-opacity=".55">${arrows.join('\n')}</g>`,
    boxes.join('\n'),
    '</svg>',
    '',
  ].join('\n');
}
