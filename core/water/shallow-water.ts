import { orientationOf, type Edge, type Orientation } from './orientation';
import { ShallowRun, type SolveStatus } from './shallow-run';
import { createKernel } from './shallow-kernels';
import type { KernelName } from './kernel-name';
import type { OutflowRule, ShallowGrid } from './shallow-state';
import { sectionStage } from './section-hydraulics';

export interface ShallowWaterInput {
  nx: number;
  ny: number;
  cellM: number;
  bedM: Float64Array;
  /** One value, or one per cell; 0 is frictionless. */
  manningN: number | Float64Array;
  /** D84 of the bed, m: adds the variable-power law where stones are a good part of the depth. */
  d84M?: Float64Array;
  inflow: null | { edge: Edge; dischargeM3s: number };
  outflow:
    | null
    | { edge: Edge; kind: 'stage'; surfaceM: number }
    | { edge: Edge; kind: 'normal-depth'; slope: number }
    | { edge: Edge; kind: 'free' };
  initial?: { depthM: Float64Array; u?: Float64Array; v?: Float64Array } | { surfaceM: number };
  options?: {
    untilS?: number;
    maxS?: number;
    /** Stop before it is an answer: at the first picture, or once settled (`RunOptions`). */
    rough?: 'picture' | 'settled';
    eddyViscosity?: boolean;
    wallDrag?: boolean;
    /** Absent: the fastest that this machine has. */
    kernel?: KernelName;
    onProgress?: (fraction: number) => void;
  };
}

export interface ShallowWaterResult {
  nx: number;
  ny: number;
  depthM: Float64Array;
  u: Float64Array;
  v: Float64Array;
  /** Mean of u^2 + v^2 when averaged, else u^2 + v^2. */
  speedSqM2s2: Float64Array;
  timeS: number;
  status: SolveStatus;
  iterations: number;
  residual: number;
  massError: number;
  clampedM3: number;
}

/** Longest time a steady run may take, s of the stream's time. */
const DEFAULT_MAX_S = 400;
/**
 * Courant numbers: what a front is like on its way hangs on the step (a dry bed's front is 2 mm off at
 * .7 and 4 at .9), where it comes to rest does not.
 */
const COURANT = { steady: 0.9, unsteady: 0.7 };
const STEPS_BETWEEN_PROGRESS = 100;

/**
 * Depth-averaged shallow water on a square grid, to a steady state or to `untilS`.
 *
 * Arrays are row-major, index j * nx + i, at cell centres; u along +x, v along +y, m/s. Edges not
 * named are closed walls. `massError`: |mean Qout/Q - 1| over the last window with an inflow, else
 * |V1 - V0|/V0. Throws RangeError on misuse (lengths, edges, negative discharge).
 * Source: Stelling & Duinmeijer (2003), see `shallow-kernel.ts`.
 */
export function solveShallowWater(input: ShallowWaterInput): ShallowWaterResult {
  const prepared = prepareShallowRun(input);
  while (!prepared.run.advance(STEPS_BETWEEN_PROGRESS)) {
    input.options?.onProgress?.(prepared.run.progress);
  }
  return prepared.result();
}

export interface PreparedRun {
  run: ShallowRun;
  result(): ShallowWaterResult;
}

/** The same, to be advanced a few steps at a time. */
export function prepareShallowRun(input: ShallowWaterInput): PreparedRun {
  const { nx, ny, bedM, inflow, outflow } = input;
  const cells = nx * ny;
  if (!(nx >= 1 && ny >= 1 && input.cellM > 0)) {
    throw new RangeError(
      `grid must be at least 1 x 1 with a positive cell, got ${nx} x ${ny}, ${input.cellM} m`,
    );
  }
  checkLength('bedM', bedM, cells);
  if (inflow && !(inflow.dischargeM3s > 0)) {
    throw new RangeError(`inflow.dischargeM3s must be positive, got ${inflow.dischargeM3s}`);
  }
  const way = orientationOf(nx, ny, inflow?.edge ?? null, outflow?.edge ?? null);
  const turn = (field: Float64Array) => {
    const out = new Float64Array(cells);
    for (let j = 0; j < way.ny; j++) {
      for (let i = 0; i < way.nx; i++) out[j * way.nx + i] = field[way.source(i, j)]!;
    }
    return out;
  };
  if (typeof input.manningN !== 'number') checkLength('manningN', input.manningN, cells);
  const manning =
    typeof input.manningN === 'number'
      ? new Float64Array(cells).fill(input.manningN)
      : turn(input.manningN);
  if (input.d84M) checkLength('d84M', input.d84M, cells);
  const stones = input.d84M ? turn(input.d84M) : null;
  const bed = turn(bedM);
  const kernel = createKernel(
    {
      nx: way.nx,
      ny: way.ny,
      cellM: input.cellM,
      bedM: bed,
      manningN: manning,
      d84M: stones,
      inflowM3s: inflow ? inflow.dischargeM3s : null,
      outflow: outflowRule(input, bed, manning, stones, way),
      eddyViscosity: input.options?.eddyViscosity ?? true,
      wallDrag: input.options?.wallDrag ?? true,
      courant: input.options?.untilS === undefined ? COURANT.steady : COURANT.unsteady,
    },
    input.options?.kernel,
  );
  setInitial(kernel.grid, input, way, bed, manning, turn);
  const run = new ShallowRun(kernel, {
    ...(input.options?.untilS !== undefined && { untilS: input.options.untilS }),
    maxS: input.options?.maxS ?? DEFAULT_MAX_S,
    ...(input.options?.rough && { rough: input.options.rough }),
  });
  let done: ShallowWaterResult | null = null;
  return {
    run,
    result() {
      if (done) return done;
      const result = packageResult(run, way, nx, ny);
      if (run.status === null) return result;
      kernel.release();
      return (done = result);
    },
  };
}

function checkLength(name: string, field: Float64Array, cells: number): void {
  if (field.length !== cells)
    throw new RangeError(`${name} must hold ${cells} values, got ${field.length}`);
}

function outflowRule(
  input: ShallowWaterInput,
  bed: Float64Array,
  manning: Float64Array,
  stones: Float64Array | null,
  way: Orientation,
): OutflowRule | null {
  const { outflow, inflow, cellM } = input;
  if (!outflow) return null;
  if (outflow.kind === 'free') return { kind: 'free' };
  if (outflow.kind === 'stage') return { kind: 'stage', surfaceM: outflow.surfaceM, bedDropM: 0 };
  if (!inflow) throw new RangeError('outflow "normal-depth" needs an inflow');
  const stage = sectionStage(
    bed,
    manning,
    stones,
    way.nx,
    way.ny,
    0,
    cellM,
    inflow.dischargeM3s,
    outflow.slope,
  );
  const bedDropM = outflow.slope * cellM;
  return { kind: 'stage', surfaceM: stage - bedDropM, bedDropM };
}

function setInitial(
  state: ShallowGrid,
  input: ShallowWaterInput,
  way: Orientation,
  bed: Float64Array,
  manning: Float64Array,
  turn: (field: Float64Array) => Float64Array,
): void {
  const { initial, inflow, outflow, cellM } = input;
  const place = (i: number, j: number) => (j + state.pad) * state.stride + i + state.pad;
  const depths = new Float64Array(way.nx * way.ny);
  const along = new Float64Array(depths.length);
  const across = new Float64Array(depths.length);
  if (initial && 'depthM' in initial) {
    checkLength('initial.depthM', initial.depthM, depths.length);
    depths.set(turn(initial.depthM));
    const u = initial.u ? turn(initial.u) : new Float64Array(depths.length);
    const v = initial.v ? turn(initial.v) : new Float64Array(depths.length);
    const sign = way.flip ? -1 : 1;
    (way.transpose ? v : u).forEach((w, k) => (along[k] = sign * w));
    (way.transpose ? u : v).forEach((w, k) => (across[k] = w));
  } else if (initial) {
    for (let k = 0; k < depths.length; k++) depths[k] = Math.max(0, initial.surfaceM - bed[k]!);
  } else if (inflow) {
    const slope = outflow?.kind === 'normal-depth' ? outflow.slope : 0.005;
    startFromSections(bed, manning, way, cellM, inflow.dischargeM3s, slope, depths, along);
  }
  for (let j = 0; j < way.ny; j++) {
    for (let i = 0; i < way.nx; i++) {
      const c = j * way.nx + i;
      const k = place(i, j);
      state.h[k] = depths[c]!;
      if (i + 1 < way.nx) state.u[k] = 0.5 * (along[c]! + along[c + 1]!);
      if (j + 1 < way.ny) state.v[k] = 0.5 * (across[c]! + across[c + way.nx]!);
    }
    if (outflow) state.u[place(0, j) - 1] = along[j * way.nx]!;
  }
}

/** Normal depth of each section, made monotone up-current; u = .7 Q/A. */
function startFromSections(
  bed: Float64Array,
  manning: Float64Array,
  way: Orientation,
  cellM: number,
  dischargeM3s: number,
  slope: number,
  depths: Float64Array,
  along: Float64Array,
): void {
  let surface = -Infinity;
  for (let i = 0; i < way.nx; i++) {
    surface = Math.max(
      surface,
      sectionStage(bed, manning, null, way.nx, way.ny, i, cellM, dischargeM3s, slope),
    );
    let area = 0;
    for (let j = 0; j < way.ny; j++) {
      const c = j * way.nx + i;
      depths[c] = Math.max(0, surface - bed[c]!);
      area += depths[c]! * cellM;
    }
    for (let j = 0; j < way.ny; j++) {
      const c = j * way.nx + i;
      along[c] = depths[c]! > 0 ? (-0.7 * dischargeM3s) / area : 0;
    }
  }
}

function packageResult(
  run: ShallowRun,
  way: Orientation,
  nx: number,
  ny: number,
): ShallowWaterResult {
  const fields = run.fields();
  const make = () => new Float64Array(nx * ny);
  const out = { depthM: make(), u: make(), v: make(), speedSqM2s2: make() };
  const sign = way.flip ? -1 : 1;
  for (let j = 0; j < way.ny; j++) {
    for (let i = 0; i < way.nx; i++) {
      const c = j * way.nx + i;
      const k = way.source(i, j);
      out.depthM[k] = fields.depth[c]!;
      out.speedSqM2s2[k] = fields.speedSq[c]!;
      out.u[k] = way.transpose ? fields.v[c]! : sign * fields.u[c]!;
      out.v[k] = way.transpose ? sign * fields.u[c]! : fields.v[c]!;
    }
  }
  return {
    nx,
    ny,
    ...out,
    timeS: run.state.timeS,
    status: run.status ?? 'stopped',
    iterations: run.state.steps,
    residual: run.residual,
    massError: run.massError,
    clampedM3: run.state.clampedM3,
  };
}
