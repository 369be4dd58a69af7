import type { KernelName } from './kernel-name';

/** Cells of padding round the interior: second-order upwinding looks three faces away. */
export const PAD = 3;
/** Faces shallower than this carry no momentum, m. Below it the friction term is all there is. */
export const WET_FACE_M = 0.002;
/** Bed of ghost cells: higher than any water, so that unnamed edges are closed walls. */
export const WALL_BED_M = 1e4;
export const GRAVITY = 9.81;

/** What a run sees of its kernel's state, padded by `pad`: cell (i, j) is (j + pad) stride + i + pad. */
export interface ShallowGrid {
  readonly nx: number;
  readonly ny: number;
  readonly stride: number;
  readonly pad: number;
  readonly cellM: number;
  readonly h: Float64Array | Float32Array;
  /** On the faces toward +x and +y. */
  readonly u: Float64Array | Float32Array;
  readonly v: Float64Array | Float32Array;
  readonly inflowM3s: number;
  readonly hasInflow: boolean;
  readonly timeS: number;
  readonly steps: number;
  /** Volume created by clamping negative depths, m3. Must stay 0. */
  readonly clampedM3: number;
  readonly outflowM3s: number;
}

/** One way to take the step: the reference, or the same compiled to WebAssembly. */
export interface ShallowKernel {
  readonly name: KernelName;
  readonly grid: ShallowGrid;
  /** Call once after depths and velocities are set by hand. */
  prepare(): void;
  /** Advances `steps` steps, or to `untilS` exactly, whichever is first. */
  step(steps: number, untilS: number): void;
  /** The state is not read again. */
  release(): void;
}
/**
 * All arrays of one run, padded by PAD on each side. Row-major with stride S = nx + 2 PAD;
 * cell (i, j) is k = (j + PAD) S + i + PAD.
 *
 *        v[k]                  u[k]: face between k and k + 1
 *     +---^---+                v[k]: face between k and k + S
 *     |   k   > u[k]           zu, zv: the higher bed of the two cells
 *     +-------+
 *
 * The run is in canonical orientation: inflow through the high-i edge, outflow through the low-i
 * edge. `shallow-water.ts` turns the caller's edges to it.
 */
export interface ShallowState {
  nx: number;
  ny: number;
  stride: number;
  pad: number;
  cellM: number;
  zb: Float64Array;
  zu: Float64Array;
  zv: Float64Array;
  n: Float64Array;
  /** Stones of the bed, m; 0: Manning's law alone. */
  d84: Float64Array;
  h: Float64Array;
  eta: Float64Array;
  u: Float64Array;
  v: Float64Array;
  uNext: Float64Array;
  vNext: Float64Array;
  hu: Float64Array;
  hv: Float64Array;
  qx: Float64Array;
  qy: Float64Array;
  /** Scratch: momentum flux and discharge in cells and at corners. */
  cellFlux: Float64Array;
  cellQ: Float64Array;
  cornerFlux: Float64Array;
  cornerQ: Float64Array;
  /** Friction coefficient cf and eddy viscosity of each cell, renewed every RENEW_STEPS. */
  cf: Float64Array;
  nu: Float64Array;
  /** Columns computed in each padded row, and the wet ones among them. Empty: lo = nx, hi = -1. */
  rowLo: Int32Array;
  rowHi: Int32Array;
  wetLo: Int32Array;
  wetHi: Int32Array;
  wallDrag: number;
  courant: number;
  eddyViscosity: boolean;
  inflowM3s: number;
  hasInflow: boolean;
  outflow: OutflowRule | null;
  timeS: number;
  dtS: number;
  steps: number;
  /** Volume created by clamping negative depths, m3. Must stay 0. */
  clampedM3: number;
  outflowM3s: number;
}

export type OutflowRule = { kind: 'stage'; surfaceM: number; bedDropM: number } | { kind: 'free' };

export interface ShallowSetUp {
  nx: number;
  ny: number;
  cellM: number;
  bedM: Float64Array;
  manningN: Float64Array;
  /** null: Manning's law alone. */
  d84M: Float64Array | null;
  inflowM3s: number | null;
  outflow: OutflowRule | null;
  eddyViscosity: boolean;
  wallDrag: boolean;
  /** Courant number on |u| + |v| + sqrt(2 g h). */
  courant: number;
}

/** Roughness length of a wetted bank, m: .1 D84 of cobble. */
const BANK_Z0_M = 0.013;
const KARMAN = 0.41;
/** Wall drag over speed squared, from the first cell's middle by the logarithmic law. */
export function wallDragOf(cellM: number): number {
  return (KARMAN / Math.log(Math.max(2, (0.5 * cellM) / BANK_Z0_M))) ** 2;
}

/** Allocates and fills a state at rest and dry; depths and velocities are set by the caller. */
export function createShallowState(setUp: ShallowSetUp): ShallowState {
  const { nx, ny, cellM } = setUp;
  const stride = nx + 2 * PAD;
  const size = stride * (ny + 2 * PAD);
  const make = () => new Float64Array(size);
  const zb = make().fill(WALL_BED_M);
  const n = make().fill(0.04);
  const d84 = make();
  for (let j = 0; j < ny; j++) {
    for (let i = 0; i < nx; i++) {
      zb[(j + PAD) * stride + i + PAD] = setUp.bedM[j * nx + i]!;
      n[(j + PAD) * stride + i + PAD] = setUp.manningN[j * nx + i]!;
      if (setUp.d84M) d84[(j + PAD) * stride + i + PAD] = setUp.d84M[j * nx + i]!;
    }
    const first = (j + PAD) * stride + PAD;
    if (setUp.outflow) {
      const drop = setUp.outflow.kind === 'stage' ? setUp.outflow.bedDropM : 0;
      zb[first - 1] = zb[first]! - drop;
      n[first - 1] = n[first]!;
    }
    // The inflow face takes the depth of the last cell, so its ghost has the same bed.
    if (setUp.inflowM3s !== null) zb[first + nx] = zb[first + nx - 1]!;
  }
  const zu = make().fill(WALL_BED_M);
  const zv = make().fill(WALL_BED_M);
  for (let k = 0; k + stride < size; k++) {
    zu[k] = Math.max(zb[k]!, zb[k + 1]!);
    zv[k] = Math.max(zb[k]!, zb[k + stride]!);
  }
  return {
    nx,
    ny,
    stride,
    pad: PAD,
    cellM,
    zb,
    zu,
    zv,
    n,
    d84,
    h: make(),
    eta: zb.slice(),
    u: make(),
    v: make(),
    uNext: make(),
    vNext: make(),
    hu: make(),
    hv: make(),
    qx: make(),
    qy: make(),
    cellFlux: make(),
    cellQ: make(),
    cornerFlux: make(),
    cornerQ: make(),
    cf: make(),
    nu: make(),
    rowLo: new Int32Array(ny + 2 * PAD),
    rowHi: new Int32Array(ny + 2 * PAD).fill(nx - 1),
    wetLo: new Int32Array(ny + 2 * PAD),
    wetHi: new Int32Array(ny + 2 * PAD).fill(nx - 1),
    wallDrag: setUp.wallDrag ? wallDragOf(cellM) : 0,
    courant: setUp.courant,
    eddyViscosity: setUp.eddyViscosity,
    inflowM3s: setUp.inflowM3s ?? 0,
    hasInflow: setUp.inflowM3s !== null,
    outflow: setUp.outflow,
    timeS: 0,
    dtS: 0,
    steps: 0,
    clampedM3: 0,
    outflowM3s: 0,
  };
}
