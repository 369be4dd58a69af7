// After a build: a folder that runs with Node alone, without the packages that only building needs.
// `node scripts/pack.mjs FOLDER`; then `node FOLDER/start.mjs [demo] [--lan]`.
import { cpSync, existsSync, mkdirSync, realpathSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';
import { build } from 'esbuild';
import nft from 'next/dist/compiled/@vercel/nft/index.js';

const to = resolve(process.argv[2] ?? '.pebble/packed');
const from = '.next/standalone';
if (!existsSync(from)) throw new Error(`${from} is missing: build first.`);
rmSync(to, { recursive: true, force: true });
cpSync(from, to, { recursive: true, verbatimSymlinks: true });
for (const folder of ['.next/static', 'public', 'dist-workers'])
  cpSync(folder, join(to, folder), { recursive: true });

// The server and the demo's data, each in one file; native packages and the framework stay packages.
const outside = ['next', 'sharp', 'better-sqlite3', 'better-sqlite3-compiled', 'pg', 'pg-native'];
await build({
  entryPoints: { serving: 'serving/main.ts', seed: 'demo/seed.ts' },
  outdir: 'dist-serving',
  outExtension: { '.js': '.cjs' },
  bundle: true,
  platform: 'node',
  format: 'cjs',
  target: 'node20',
  external: outside,
  logLevel: 'warning',
});
const { fileList } = await nft.nodeFileTrace(
  ['dist-serving/serving.cjs', 'dist-serving/seed.cjs'],
  {
    base: process.cwd(),
    // What only development, or a reader, would open.
    ignore: [
      '**/*.map',
      '**/*.md',
      '**/*.d.ts',
      '**/*.runtime.dev.js',
      '**/*-experimental.runtime.prod.js',
      '**/next/dist/docs/**',
    ],
  },
);
for (const file of fileList) {
  const target = join(to, file);
  if (existsSync(target)) continue;
  mkdirSync(dirname(target), { recursive: true });
  cpSync(realpathSync(file), target, { recursive: true });
}
writeFileSync(
  join(to, 'start.mjs'),
  `// Pebble Lane: node start.mjs [demo] [--lan]. HOST, PORT, PEBBLE_LANE_DATA, DATABASE_URL, PEBBLE_PUBLIC as in docs/hosting.md.
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';

if (process.env.PEBBLE_LANE_DATA) process.env.PEBBLE_LANE_DATA = resolve(process.env.PEBBLE_LANE_DATA);
const here = dirname(fileURLToPath(import.meta.url));
process.chdir(here);
process.env.NODE_ENV = 'production';
process.env.__NEXT_PRIVATE_STANDALONE_CONFIG = JSON.stringify(
  JSON.parse(readFileSync('.next/required-server-files.json', 'utf8')).config,
);
const require = createRequire(import.meta.url);
if (process.argv.includes('demo')) {
  process.env.PEBBLE_NOW ??= '2026-06-13T07:40:00Z';
  process.env.PEBBLE_LANE_DATA ??= resolve('demo-data');
  process.env.PEBBLE_SOLVE_BOOK ??= '1';
  await require('./dist-serving/seed.cjs').seeded;
  if (process.exitCode) process.exit();
}
require('./dist-serving/serving.cjs');
`,
);
writeFileSync(
  join(to, 'healthy.mjs'),
  `// Ends with 0 where the program answers and its book can be read.
import { request } from 'node:http';

const outside = process.env.PEBBLE_PUBLIC ? new URL(process.env.PEBBLE_PUBLIC).host : undefined;
const port = process.env.PORT ?? 4173;
const asked = request(
  { host: '127.0.0.1', port, path: '/api/v1/health', headers: { host: outside ?? \`127.0.0.1:\${port}\` }, timeout: 4000 },
  (answer) => process.exit(answer.statusCode === 200 ? 0 : 1),
);
asked.on('error', () => process.exit(1));
asked.on('timeout', () => process.exit(1));
asked.end();
`,
);
console.log(`Packed into ${relative(process.cwd(), to) || to}: node ${join(to, 'start.mjs')}`);
