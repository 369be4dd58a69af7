import { execFileSync } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createKernel } from '../core/water/shallow-kernels';
import { KERNEL_NAMES } from '../core/water/kernel-name';
import type { ShallowSetUp } from '../core/water/shallow-state';

/**
 * One cell and step of the flow in nanoseconds of processor time, on one made reach: the TypeScript
 * step, the WebAssembly step, and the same scheme in C where a compiler is there (bench/c/shallow.c,
 * plain and with leave to reorder and vectorise), turn about, best of `ROUNDS`. `npx tsx bench/kernels.ts`
 */
const [NX, NY, WARM, STEPS, ROUNDS] = [200, 60, 600, 1000, 3];

function reach(): { setUp: ShallowSetUp; depth: Float64Array } {
  const bedM = new Float64Array(NX * NY);
  const depth = new Float64Array(NX * NY);
  for (let j = 0; j < NY; j++)
    for (let i = 0; i < NX; i++) {
      const dry = j < 4 || j > NY - 5 || Math.hypot(i - 100, j - 30) < 4;
      bedM[j * NX + i] = 0.01 * i * 0.2 + 0.03 * Math.sin(i * 0.7 + j * 1.3) + (dry ? 1 : 0);
      depth[j * NX + i] = dry ? 0 : 0.5;
    }
  const setUp: ShallowSetUp = {
    nx: NX,
    ny: NY,
    cellM: 0.2,
    bedM,
    manningN: new Float64Array(NX * NY).fill(0.04),
    d84M: new Float64Array(NX * NY).fill(0.1),
    inflowM3s: 3,
    outflow: { kind: 'free' },
    eddyViscosity: true,
    wallDrag: true,
    courant: 0.9,
  };
  return { setUp, depth };
}

function ours(name: (typeof KERNEL_NAMES)[number]) {
  const { setUp, depth } = reach();
  const kernel = createKernel(setUp, name);
  const { grid } = kernel;
  const place = (i: number, j: number) => (j + grid.pad) * grid.stride + i + grid.pad;
  depth.forEach((d, c) => (grid.h[place(c % NX, Math.floor(c / NX))] = d));
  kernel.prepare();
  kernel.step(WARM, Infinity);
  const began = process.cpuUsage();
  kernel.step(STEPS, Infinity);
  const { user, system } = process.cpuUsage(began);
  let sum = 0;
  for (let j = 0; j < NY; j++)
    for (let i = 0; i < NX; i++) sum += Math.hypot(grid.u[place(i, j)]!, grid.v[place(i, j)]!);
  kernel.release();
  return { ns: (1000 * (user + system)) / STEPS / NX / NY, meanMps: sum / NX / NY };
}

const folder = mkdtempSync(join(tmpdir(), 'step-'));
function inC(flags: string[]) {
  const program = join(folder, `step${flags.length}`);
  execFileSync('gcc', [...flags, '-o', program, 'bench/c/shallow.c', '-lm']);
  return () =>
    JSON.parse(execFileSync(program, [NX, NY, STEPS].map(String)).toString()) as ReturnType<
      typeof ours
    >;
}

const entries: [string, () => ReturnType<typeof ours>][] = [
  ['TypeScript, double precision', () => ours('typescript')],
  ['WebAssembly, four lanes of single precision', () => ours('wasm')],
];
try {
  const plain = ['-O3', '-march=native'];
  entries.push(['C, -O3 -march=native', inC(plain)]);
  entries.push([
    'C, and -ffast-math -fopenmp-simd',
    inC([...plain, '-ffast-math', '-fopenmp-simd']),
  ]);
} catch {
  console.log('No C compiler here: its rows are left out.');
}
const best = entries.map(() => ({ ns: Infinity, meanMps: NaN }));
for (let round = 0; round < ROUNDS; round++)
  entries.forEach(([, run], n) => {
    const one = run();
    if (one.ns < best[n]!.ns) best[n] = one;
  });
entries.forEach(([name], n) => {
  const { ns, meanMps } = best[n]!;
  console.log(`${name}: ${ns.toFixed(1)} ns a cell and step, mean ${meanMps.toFixed(4)} m/s`);
});
