// Compiles the flow solver's step (core/water/assembly) to WebAssembly and writes it as text beside its
// source, so that every bundler carries it: core/water/assembly/shallow-module.ts. With --check it
// says whether that file is what its source compiles to.
import asc from 'assemblyscript/asc';
import { format, resolveConfig } from 'prettier';
import { Buffer } from 'node:buffer';
import { readFile, writeFile } from 'node:fs/promises';
import { fileURLToPath } from 'node:url';
import { resolve } from 'node:path';

const HERE = resolve(fileURLToPath(import.meta.url), '../..');
const OUT = resolve(HERE, 'core/water/assembly/shallow-module.ts');
/** Pages of 64 KB: what `places.ts` lays out. */
const PAGES = 1100;

/** The text of the module file. Throws with what the compiler said. */
async function kernelModule() {
  let bytes = null;
  const { error, stderr } = await asc.main(
    [
      'core/water/assembly/shallow.ts',
      ...['-O3', '--runtime', 'stub', '--noAssert', '--enable', 'simd'],
      ...['--initialMemory', String(PAGES), '--maximumMemory', String(PAGES)],
      ...['--outFile', 'shallow.wasm'],
    ],
    {
      readFile: (name, base) => readFile(resolve(HERE, base, name), 'utf8').catch(() => null),
      writeFile: (_name, contents) => {
        bytes = contents;
      },
      listFiles: () => [],
    },
  );
  if (error || !bytes) throw new Error(`${error?.message ?? 'No module.'}\n${stderr.toString()}`);
  const text = Buffer.from(bytes).toString('base64');
  return format(
    `/** The step of the flow solver, compiled from \`shallow.ts\` by \`npm run kernel\`. Not written by hand. */\nexport const SHALLOW_MODULE =\n  '${text}';\n`,
    { ...(await resolveConfig(OUT)), filepath: OUT },
  );
}

const text = await kernelModule();
if (!process.argv.includes('--check')) await writeFile(OUT, text);
else if (text !== (await readFile(OUT, 'utf8'))) {
  console.error(
    'core/water/assembly/shallow-module.ts is not what its source compiles to: npm run kernel.',
  );
  process.exit(1);
}
