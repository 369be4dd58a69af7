import { SHALLOW_MODULE } from './assembly/shallow-module';
import { kernelHere } from './kernel-name';
import {
  GRAVITY,
  WALL_BED_M,
  wallDragOf,
  type ShallowGrid,
  type ShallowKernel,
  type ShallowSetUp,
} from './shallow-state';

/** As in `assembly/places.ts` and `assembly/shallow.ts`. */
const PAD = 4;
const MOST_CELLS = 1 << 20;
const MOST_ROWS = 8192;
const MOST_COLUMNS = 16384;
const FIELD_BYTES = 4 * MOST_CELLS + 320;
const FIRST_FIELD = 2097152;
const EASE = 65536 + 4 * 4 * MOST_ROWS;
const FIELDS = [
  ...['zb', 'zu', 'zv', 'gnn', 'd84', 'h', 'eta', 'u', 'v', 'hu', 'hv', 'qx', 'qy', 'cf', 'nu'],
] as const;
const SMALLEST_N = 1e-6;
const OUTFLOW_KINDS = { stage: 1, free: 2 } as const;

interface Exports {
  memory: WebAssembly.Memory;
  setUp(
    nx: number,
    ny: number,
    stride: number,
    cellM: number,
    wallDrag: number,
    eddies: boolean,
    hasInflow: boolean,
    inflowM3s: number,
    outflow: number,
    stageM: number,
    courant: number,
  ): number;
  prepare(): void;
  step(steps: number, untilS: number): void;
  timeS: WebAssembly.Global;
  dtS: WebAssembly.Global;
  steps: WebAssembly.Global;
  clampedM3: WebAssembly.Global;
  outflowM3s: WebAssembly.Global;
}

let compiled: WebAssembly.Module | undefined;
function moduleOf(): WebAssembly.Module {
  compiled ??= new WebAssembly.Module(
    Uint8Array.from(atob(SHALLOW_MODULE), (c) => c.charCodeAt(0)),
  );
  return compiled;
}

/** Memories of runs that are over, to be used again. */
const idle: Exports[] = [];

const strideOf = (nx: number) => 4 * Math.ceil((nx + 2 * PAD) / 4);

const fitsWasm = (nx: number, ny: number): boolean =>
  strideOf(nx) <= MOST_COLUMNS &&
  ny + 2 * PAD <= MOST_ROWS &&
  strideOf(nx) * (ny + 2 * PAD) <= MOST_CELLS;

/**
 * The step in single precision, four cells at a time (`assembly/shallow.ts`). null where the machine
 * cannot, or where the grid is larger than its memory: the reference serves then.
 */
export function createWasmKernel(setUp: ShallowSetUp): ShallowKernel | null {
  const { nx, ny } = setUp;
  if (kernelHere() !== 'wasm' || !fitsWasm(nx, ny)) return null;
  const exports =
    idle.pop() ?? (new WebAssembly.Instance(moduleOf(), {}).exports as unknown as Exports);
  return new WasmKernel(exports, setUp);
}

class WasmKernel implements ShallowKernel {
  readonly name = 'wasm';
  readonly grid: ShallowGrid;

  constructor(
    private readonly wasm: Exports,
    setUp: ShallowSetUp,
  ) {
    const { nx, ny, cellM, outflow } = setUp;
    const stride = strideOf(nx);
    const size = stride * (ny + 2 * PAD);
    const field = (name: string) =>
      new Float32Array(
        wasm.memory.buffer,
        FIRST_FIELD + FIELD_BYTES * (FIELDS as readonly string[]).indexOf(name),
        size,
      );
    for (const name of FIELDS) field(name).fill(0);
    const datumM = lowest(setUp.bedM);
    const bed = new Float64Array(size).fill(WALL_BED_M);
    const gnn = field('gnn').fill(GRAVITY * 0.04 * 0.04);
    const d84 = field('d84');
    for (let j = 0; j < ny; j++) {
      const first = (j + PAD) * stride + PAD;
      for (let i = 0; i < nx; i++) {
        const c = j * nx + i;
        bed[first + i] = setUp.bedM[c]! - datumM;
        gnn[first + i] = GRAVITY * setUp.manningN[c]! ** 2;
        if (setUp.d84M) d84[first + i] = setUp.d84M[c]!;
      }
      if (outflow) {
        bed[first - 1] = bed[first]! - (outflow.kind === 'stage' ? outflow.bedDropM : 0);
        gnn[first - 1] = gnn[first]!;
      }
      if (setUp.inflowM3s !== null) bed[first + nx] = bed[first + nx - 1]!;
    }
    field('zb').set(bed);
    const zu = field('zu').fill(WALL_BED_M);
    const zv = field('zv').fill(WALL_BED_M);
    for (let k = 0; k + stride < size; k++) {
      zu[k] = Math.max(bed[k]!, bed[k + 1]!);
      zv[k] = Math.max(bed[k]!, bed[k + stride]!);
    }
    // Beyond the inflow nothing moves across, as in the reference.
    if (setUp.inflowM3s !== null)
      for (let j = -1; j < ny; j++) zv[(j + PAD) * stride + PAD + nx] = WALL_BED_M;
    wasm.setUp(
      nx,
      ny,
      stride,
      cellM,
      setUp.wallDrag ? wallDragOf(cellM) : 0,
      setUp.eddyViscosity,
      setUp.inflowM3s !== null,
      setUp.inflowM3s ?? 0,
      outflow ? OUTFLOW_KINDS[outflow.kind] : 0,
      outflow?.kind === 'stage' ? outflow.surfaceM - datumM : 0,
      setUp.courant,
    );
    const ease = new Float32Array(wasm.memory.buffer, EASE, ny);
    for (let j = 0; j < ny; j++)
      ease[j] = 1 / Math.max(setUp.manningN[j * nx + nx - 1]!, SMALLEST_N);
    this.grid = {
      nx,
      ny,
      stride,
      pad: PAD,
      cellM,
      h: field('h'),
      u: field('u'),
      v: field('v'),
      hasInflow: setUp.inflowM3s !== null,
      inflowM3s: setUp.inflowM3s ?? 0,
      get timeS() {
        return wasm.timeS.value as number;
      },
      get steps() {
        return wasm.steps.value as number;
      },
      get clampedM3() {
        return wasm.clampedM3.value as number;
      },
      get outflowM3s() {
        return wasm.outflowM3s.value as number;
      },
    };
  }

  prepare(): void {
    this.wasm.prepare();
  }
  step(steps: number, untilS: number): void {
    this.wasm.step(steps, untilS);
  }
  release(): void {
    idle.push(this.wasm);
  }
}

function lowest(bed: Float64Array): number {
  let least = Infinity;
  for (const z of bed) if (z < least) least = z;
  return Number.isFinite(least) ? least : 0;
}
