// Bundles the server's worker threads to dist-workers/*.cjs, so that they start without the
// application's bundler and without a TypeScript loader; and the keeper of the bank's pages to public/sw.js.
import { build } from 'esbuild';

await build({
  entryPoints: {
    'solve-flow': 'workers/solve-flow.thread.ts',
    'pack-beat': 'workers/pack-beat.thread.ts',
    refit: 'workers/refit.thread.ts',
  },
  outdir: 'dist-workers',
  outExtension: { '.js': '.cjs' },
  bundle: true,
  platform: 'node',
  format: 'cjs',
  target: 'node20',
  logLevel: 'warning',
});

await build({
  entryPoints: { sw: 'sync/keeper/sw.ts' },
  outdir: 'public',
  bundle: true,
  minify: true,
  format: 'iife',
  target: 'es2022',
  logLevel: 'warning',
  define: { 'process.env.NODE_ENV': '"production"' },
});
