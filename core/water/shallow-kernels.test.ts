import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { kept } from '../../testing/kept';
import { keptFlow } from '../../testing/solved';
import { demoBeats } from '../../demo/beats';
import { createRandom } from '../grid/index';
import type { KernelName } from './kernel-name';
import { createKernel } from './shallow-kernels';
import type { ShallowSetUp } from './shallow-state';
import { solveShallowWater, type ShallowWaterResult } from './shallow-water';

const BUILD = 'scripts/build-kernel.mjs';

/** A stony channel with walls, a rock and a bar, so uneven that every branch of the step is taken. */
function stonyReach(seed: number, kernel: KernelName, untilS: number): ShallowWaterResult {
  const [nx, ny, cellM] = [61, 27, 0.2];
  const random = createRandom(seed);
  const bedM = Float64Array.from({ length: nx * ny }, (_, k) => {
    const [i, j] = [k % nx, Math.floor(k / nx)];
    const bank = j < 3 || j > ny - 4 ? 1 : 0;
    const rock = Math.hypot(i - 30, j - 12) < 3 ? 0.9 : 0;
    const bar = 0.3 * Math.exp(-(((i - 15) / 6) ** 2) - ((j - 20) / 4) ** 2);
    return 0.012 * cellM * i + 0.12 * random() + bank + rock + bar;
  });
  return solveShallowWater({
    nx,
    ny,
    cellM,
    bedM,
    manningN: Float64Array.from(bedM, () => 0.03 + 0.02 * random()),
    d84M: Float64Array.from(bedM, () => (random() < 0.5 ? 0 : 0.15)),
    inflow: { edge: 'xMax', dischargeM3s: 0.8 },
    outflow: { edge: 'xMin', kind: 'normal-depth', slope: 0.012 },
    options: { kernel, untilS },
  });
}

/** Root mean square of the difference in velocity, m/s. */
function apart(a: ShallowWaterResult, b: ShallowWaterResult): number {
  let sum = 0;
  for (let k = 0; k < a.u.length; k++) sum += (a.u[k]! - b.u[k]!) ** 2 + (a.v[k]! - b.v[k]!) ** 2;
  return Math.sqrt(sum / a.u.length);
}

describe('the compiled step against the reference', () => {
  it.each([1, 2, 3, 4, 5])(
    'takes the same steps over stones, seed %i: 1e-4 m/s rms after 10 s',
    (seed) => {
      const [fast, reference] = [stonyReach(seed, 'wasm', 10), stonyReach(seed, 'typescript', 10)];
      expect(fast.iterations).toBe(reference.iterations);
      expect(apart(fast, reference)).toBeLessThan(1e-4);
      expect(
        Math.max(...fast.depthM.map((d, k) => Math.abs(d - reference.depthM[k]!))),
      ).toBeLessThan(1e-4);
      expect(fast.clampedM3).toBeCloseTo(reference.clampedM3, 6);
    },
  );

  it('a demo beat at .2 m: velocity within 2 % rms, mean speed within 1e-4 m/s', () => {
    const { plan } = demoBeats()[1]!;
    const { dischargeM3s } = plan.levels.find((l) => l.name === plan.surveyedLevel)!;
    const fast = keptFlow(plan, { dischargeM3s });
    const reference = keptFlow(plan, { dischargeM3s, kernel: 'typescript' });
    let [off, all, difference, wet] = [0, 0, 0, 0];
    for (let k = 0; k < fast.u.length; k++) {
      if (reference.depthM[k]! === 0) continue;
      const [u, v] = [reference.u[k]!, reference.v[k]!];
      off += (fast.u[k]! - u) ** 2 + (fast.v[k]! - v) ** 2;
      all += u * u + v * v;
      difference += Math.hypot(fast.u[k]!, fast.v[k]!) - Math.hypot(u, v);
      wet++;
    }
    expect(Math.sqrt(off / all)).toBeLessThan(0.02);
    expect(Math.abs(difference / wet)).toBeLessThan(1e-4);
  });

  it('gives the same bits again, also in a memory that another run left', () => {
    const first = stonyReach(1, 'wasm', 5);
    stonyReach(2, 'wasm', 5);
    const again = stonyReach(1, 'wasm', 5);
    expect(again.u).toEqual(first.u);
    expect(again.depthM).toEqual(first.depthM);
  });
});

const made = (nx: number, ny: number): ShallowSetUp => ({
  nx,
  ny,
  cellM: 0.2,
  bedM: new Float64Array(nx * ny),
  manningN: new Float64Array(nx * ny).fill(0.04),
  d84M: null,
  inflowM3s: null,
  outflow: null,
  eddyViscosity: true,
  wallDrag: true,
  courant: 0.7,
});

it('a grid beyond the memory is solved by the reference, and refused where the fast step is asked for', () => {
  expect(createKernel(made(4, 8000)).name).toBe('wasm');
  expect(createKernel(made(4, 8200)).name).toBe('typescript');
  expect(() => createKernel(made(4, 8200), 'wasm')).toThrow(/4 x 8200 cells are too many/);
});

it('a machine without four lanes is served by the reference, under another key', () => {
  jest.isolateModules(() => {
    const forbidden = jest.spyOn(WebAssembly, 'Module').mockImplementation(() => {
      throw new WebAssembly.CompileError('forbidden');
    });
    // eslint-disable-next-line @typescript-eslint/no-require-imports
    const kernels = require('./shallow-kernels') as typeof import('./shallow-kernels');
    // eslint-disable-next-line @typescript-eslint/no-require-imports
    const input = require('./flow-input') as typeof import('./flow-input');
    expect(kernels.createKernel(made(4, 4)).name).toBe('typescript');
    const { plan } = demoBeats()[0]!;
    expect(input.flowInputHash(plan, 1)).not.toBe(input.flowInputHash(plan, 1, 0.2, 'wasm'));
    forbidden.mockRestore();
  });
});

it('the module is what its source compiles to', () => {
  const { version } = JSON.parse(
    readFileSync('node_modules/assemblyscript/package.json', 'utf8'),
  ) as {
    version: string;
  };
  // It throws where they differ, and what throws is not kept.
  const same = kept(
    'water',
    ['the module is its source', version, readFileSync(BUILD, 'utf8')],
    () => {
      execFileSync('node', [BUILD, '--check']);
      return true;
    },
  );
  expect(same).toBe(true);
});
