// Bundles the server's worker threads to dist-workers/*.cjs, so that they start without the
// application's bundler and without a TypeScript loader.
import { build } from 'esbuild';

await build({
  entryPoints: {
    'solve-flow': 'workers/solve-flow.thread.ts',
    'pack-beat': 'workers/pack-beat.thread.ts',
  },
  outdir: 'dist-workers',
  outExtension: { '.js': '.cjs' },
  bundle: true,
  platform: 'node',
  format: 'cjs',
  target: 'node20',
  logLevel: 'warning',
});
