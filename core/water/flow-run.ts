import { bilinearInto, smoothInto, type GridFrame } from '../grid/index';
import { type BeatPlan } from '../formats/index';
import { buildBed, type Bed } from './bed';
import { placesThatTell, rootMeanSquare } from './misfits';
import { shapedBed, SURFACE_CELL_M, toldSurface } from './told-surface';
import { FINE_CELL_M } from './flow-input';
import { DRY_M, sampleFlow, type FlowField } from './flow-field';
import type { KernelName } from './kernel-name';
import { prepareShallowRun, type PreparedRun, type ShallowWaterResult } from './shallow-water';

export interface SolveFlowOptions {
  dischargeM3s: number;
  /** Fine cell, m. */
  cellM?: number;
  /** Stop at the first picture, on the caller's own cells. */
  onlyCoarse?: boolean;
  /** false: keep the bed and the fall as told, whatever surface comes out. */
  correctBed?: boolean;
  /** A flow of the same plan and discharge to start from: a sharper picture of it. */
  from?: FlowField;
  /** Absent: the fastest that this machine has. */
  kernel?: KernelName;
  onProgress?: (fraction: number) => void;
}

export interface FlowRun {
  /** Takes steps for about `budgetMs`; true when finished. Results depend on steps, never on the clock. */
  advance(budgetMs: number): boolean;
  readonly progress: number;
  /** The first picture, on cells twice as large; null until solved. */
  coarse(): FlowField | null;
  /** Throws until `advance` has returned true. */
  result(): FlowField;
}

/** Cells of the first picture and of the bed's correction, which is so the same at every sharpness. */
const COARSE_CELL_M = SURFACE_CELL_M;
/** Water leaves a level beat at this slope: a deep pool at the foot asks hardly any. */
const LEAST_SLOPE = 1e-5;
/** Steps between looks at the caller's budget. */
const STEPS_A_TURN = 10;
/** Smoothing of the bed's correction, passes of 1-2-1 on the coarse grid: about 1.5 m. */
const CORRECTION_PASSES = 30;
/** The bed is moved by at most this to meet the depths that were taken, m. */
const MAX_CORRECTION_M = 0.25;
/** Times of the stream a stage may take, s. */
const MAX_S = { survey: 50, coarse: 30, settle: 80, fine: 240 };
/** How far each stage is taken. */
const ROUGH = { survey: 'picture', coarse: 'picture', settle: 'settled', fine: undefined } as const;
/** How the whole divides among the stages, for the progress bar (measured once, roughly). */
const SHARE = { survey: 0.05, coarse: 0.03, settle: 0.06, fine: 0.86 };
const STAGES = ['survey', 'coarse', 'settle', 'fine'] as const;

interface Stage {
  name: keyof typeof SHARE;
  bed: Bed;
  run: PreparedRun;
}

/**
 * A beat's flow in stages, over the bed that the told surface gives (`told-surface.ts`): (1) coarse
 * at the surveyed discharge, whose surface tells how far that one was off, and the bed is moved by
 * the smoothed difference, once; (2) coarse at the
 * wanted discharge: the first picture; (3) the same until it has settled, which is cheap here;
 * (4) fine, started from it, or from a flow given.
 */
export function createFlowRun(plan: BeatPlan, options: SolveFlowOptions): FlowRun {
  const {
    dischargeM3s,
    cellM = FINE_CELL_M,
    from,
    onlyCoarse = false,
    correctBed = true,
    kernel,
  } = options;
  if (!(dischargeM3s > 0))
    throw new RangeError(`dischargeM3s must be positive, got ${dischargeM3s}`);
  const surveyed = plan.levels.find((l) => l.name === plan.surveyedLevel)!.dischargeM3s;
  const bedOf = (m: number) => (correctBed ? shapedBed(plan, m) : buildBed(plan, m));
  const roughness = correctBed ? toldSurface(plan).roughness : (plan.calibration?.roughness ?? 1);
  const coarseBed = bedOf(COARSE_CELL_M);
  const begin = (name: Stage['name'], bed: Bed, q: number, initial: Initial): Stage => ({
    name,
    bed,
    run: start(bed, roughness, q, initial, MAX_S[name], ROUGH[name], kernel),
  });
  let correction: Float64Array = new Float64Array(coarseBed.bedM.length);
  let coarse: FlowField | null = null;
  let final: FlowField | null = null;
  let misfitM = NaN;
  let stage = correctBed
    ? begin('survey', coarseBed, surveyed, fromSurvey(coarseBed, surveyed))
    : begin('coarse', coarseBed, dischargeM3s, fromSurvey(coarseBed, dischargeM3s));

  function next(): void {
    const solved = stage.run.result();
    if (stage.name === 'survey') {
      misfitM = surveyMisfit(coarseBed, solved);
      correction = surfaceMisfit(coarseBed, solved);
      for (let k = 0; k < coarseBed.bedM.length; k++) coarseBed.bedM[k]! += correction[k]!;
      if (from) goFine((x, y) => readFlow(from, x, y));
      else stage = begin('coarse', coarseBed, dischargeM3s, solved);
    } else if (stage.name === 'coarse') {
      coarse = trim(coarseBed, solved, dischargeM3s, misfitM, plan.lengthM);
      stage = begin('settle', coarseBed, dischargeM3s, solved);
    } else if (stage.name === 'settle') {
      if (onlyCoarse) final = trim(coarseBed, solved, dischargeM3s, misfitM, plan.lengthM);
      else goFine(readCoarse(coarseBed, solved));
    } else final = trim(stage.bed, solved, dischargeM3s, misfitM, plan.lengthM);
  }

  function goFine(read: ReadWater): void {
    const fine = bedOf(cellM);
    stage = begin('fine', fine, dischargeM3s, refine(coarseBed, fine, correction, read));
  }

  return {
    advance(budgetMs) {
      if (final) return true;
      const until = performance.now() + budgetMs;
      do {
        if (stage.run.run.advance(STEPS_A_TURN)) {
          next();
          if (final) return true;
        }
      } while (performance.now() < until);
      return false;
    },
    get progress() {
      if (final) return 1;
      const before = STAGES.slice(0, STAGES.indexOf(stage.name)).reduce((a, n) => a + SHARE[n], 0);
      return before + SHARE[stage.name] * stage.run.run.progress;
    },
    coarse: () => coarse,
    result() {
      if (!final) throw new Error('createFlowRun: result() before the run has finished');
      return final;
    },
  };
}

/** Runs `createFlowRun` to its end. */
export function solveFlow(plan: BeatPlan, options: SolveFlowOptions): FlowField {
  const run = createFlowRun(plan, options);
  while (!run.advance(200)) options.onProgress?.(run.progress);
  return run.result();
}

type Initial = { depthM: Float64Array; u: Float64Array; v: Float64Array };

function start(
  bed: Bed,
  roughness: number,
  dischargeM3s: number,
  initial: Initial,
  maxS: number,
  rough: 'picture' | 'settled' | undefined,
  kernel: KernelName | undefined,
): PreparedRun {
  return prepareShallowRun({
    nx: bed.nx,
    ny: bed.ny,
    cellM: bed.cellM,
    bedM: bed.bedM,
    manningN: bed.manningN.map((n) => n * roughness),
    // Where stones rule, cf goes with the square of D84: the same factor serves both laws.
    d84M: bed.d84M.map((d) => d * roughness),
    inflow: { edge: 'xMax', dischargeM3s },
    outflow: {
      edge: 'xMin',
      kind: 'normal-depth',
      slope: Math.max(LEAST_SLOPE, bed.channel.footSlope),
    },
    initial,
    options: { maxS, ...(rough && { rough }), ...(kernel && { kernel }) },
  });
}

/** The surface that was surveyed, moving at the discharge over each section's area. */
function fromSurvey(bed: Bed, dischargeM3s: number): Initial {
  const { nx, ny, cellM } = bed;
  const make = () => new Float64Array(nx * ny);
  const out = { depthM: make(), u: make(), v: make() };
  for (let i = 0; i < nx; i++) {
    let area = 0;
    for (let k = i; k < nx * ny; k += nx) {
      out.depthM[k] = Math.max(0, bed.surveyedSurfaceM[k]! - bed.bedM[k]!);
      area += out.depthM[k]! * cellM;
    }
    for (let k = i; k < nx * ny; k += nx) if (out.depthM[k]! > 0) out.u[k] = -dischargeM3s / area;
  }
  return out;
}

/** How far the assumed surface must move to the solved one, smoothed along the stream, m. */
function surfaceMisfit(bed: Bed, solved: ShallowWaterResult): Float64Array {
  const { nx, ny } = bed;
  const raw = new Float64Array(nx * ny);
  const everywhere = new Uint8Array(nx * ny).fill(1);
  for (let i = 0; i < nx; i++) {
    let sum = 0;
    let count = 0;
    for (let j = 0; j < ny; j++) {
      const k = j * nx + i;
      if (solved.depthM[k]! < 0.05 || bed.solid[k] !== 0) continue;
      sum += bed.bedM[k]! + solved.depthM[k]! - bed.surveyedSurfaceM[k]!;
      count++;
    }
    const mean = count === 0 ? 0 : sum / count;
    for (let j = 0; j < ny; j++) raw[j * nx + i] = mean;
  }
  const out = smoothInto(nx, ny, raw, everywhere, CORRECTION_PASSES, new Float64Array(nx * ny));
  return out.map((d) => Math.min(MAX_CORRECTION_M, Math.max(-MAX_CORRECTION_M, d)));
}

/**
 * Root mean square of solved minus taken depths at the surveyed level, nothing subtracted: by the
 * surface, which coarse cells get right beside a steep edge too. The correction moves bed and
 * surface together, so that it stays.
 */
function surveyMisfit(bed: Bed, solved: ShallowWaterResult): number {
  const off = bed.depths.taken.filter(placesThatTell(bed.channel, bed)).flatMap((t) => {
    const k = nearestWet(bed, solved.depthM, t.xM, t.yM);
    if (k < 0) return [t.depthM];
    const risen = bed.bedM[k]! + solved.depthM[k]! - bed.surveyedSurfaceM[k]!;
    return [bed.depths.depthM(t.xM, t.yM) + risen - t.depthM];
  });
  return rootMeanSquare(off);
}

/** Surface and velocity at a place; null where there is no water near. */
type ReadWater = (xM: number, yM: number) => { surfaceM: number; u: number; v: number } | null;

function readCoarse(bed: Bed, solved: ShallowWaterResult): ReadWater {
  const surface = solved.depthM.map((d, k) => bed.bedM[k]! + d);
  return (xM, yM) => {
    const near = nearestWet(bed, solved.depthM, xM, yM);
    if (near < 0) return null;
    const u = bilinearInto(bed, solved.u, xM, yM);
    return { surfaceM: surface[near]!, u, v: bilinearInto(bed, solved.v, xM, yM) };
  };
}

/** Outside the beat, its end section. */
function readFlow(flow: FlowField, xM: number, yM: number): ReturnType<ReadWater> {
  const far = flow.x0M + (flow.nx - 1) * flow.cellM;
  const x = Math.min(far, Math.max(flow.x0M, xM));
  const near = nearestWet(flow, flow.depthM, x, yM);
  if (near < 0) return null;
  const { u, v } = sampleFlow(flow, x, yM, { depthM: 0, u: 0, v: 0 });
  return { surfaceM: flow.surfaceM[near]!, u, v };
}

/** An answer laid on the fine grid; moves the fine bed by the same correction. */
function refine(coarse: Bed, fine: Bed, correction: Float64Array, read: ReadWater): Initial {
  const cells = fine.nx * fine.ny;
  const make = () => new Float64Array(cells);
  const out = { depthM: make(), u: make(), v: make() };
  for (let j = 0; j < fine.ny; j++) {
    for (let i = 0; i < fine.nx; i++) {
      const k = j * fine.nx + i;
      const x = fine.x0M + i * fine.cellM;
      const y = fine.y0M + j * fine.cellM;
      fine.bedM[k]! += bilinearInto(coarse, correction, x, y);
      const water = read(x, y);
      const depth = water ? water.surfaceM - fine.bedM[k]! : 0;
      if (!water || depth <= 0) continue;
      out.depthM[k] = depth;
      out.u[k] = water.u;
      out.v[k] = water.v;
    }
  }
  return out;
}

function nearestWet(frame: GridFrame, depth: Float64Array, xM: number, yM: number): number {
  const ci = Math.min(frame.nx - 1, Math.max(0, Math.round((xM - frame.x0M) / frame.cellM)));
  const cj = Math.min(frame.ny - 1, Math.max(0, Math.round((yM - frame.y0M) / frame.cellM)));
  const own = cj * frame.nx + ci;
  if (depth[own]! > DRY_M) return own;
  for (let dj = -1; dj <= 1; dj++) {
    for (let di = -1; di <= 1; di++) {
      const i = ci + di;
      const j = cj + dj;
      if (i < 0 || j < 0 || i >= frame.nx || j >= frame.ny) continue;
      if (depth[j * frame.nx + i]! > DRY_M) return j * frame.nx + i;
    }
  }
  return -1;
}

/** Cuts off the repeated end sections and packages the field. */
function trim(
  bed: Bed,
  solved: ShallowWaterResult,
  dischargeM3s: number,
  misfitM: number,
  lengthM: number,
): FlowField {
  const nx = Math.round(lengthM / bed.cellM);
  const { ny, extraColumns } = bed;
  const make = () => new Float64Array(nx * ny);
  const field: FlowField = {
    nx,
    ny,
    cellM: bed.cellM,
    x0M: 0.5 * bed.cellM,
    y0M: bed.y0M,
    dischargeM3s,
    bedM: make(),
    depthM: make(),
    u: make(),
    v: make(),
    surfaceM: make(),
    speedSqM2s2: make(),
    d84M: make(),
    solid: new Uint8Array(nx * ny),
    status: solved.status,
    massError: solved.massError,
    calibrated: bed.channel.plan.calibration !== undefined,
    depthMisfitM: misfitM,
    iterations: solved.iterations,
  };
  for (let j = 0; j < ny; j++) {
    for (let i = 0; i < nx; i++) {
      const k = j * nx + i;
      const s = j * bed.nx + i + extraColumns;
      const depth = solved.depthM[s]!;
      field.bedM[k] = bed.bedM[s]!;
      field.d84M[k] = bed.d84M[s]!;
      field.solid[k] = bed.solid[s]!;
      field.surfaceM[k] = NaN;
      if (depth < DRY_M) continue;
      field.depthM[k] = depth;
      field.u[k] = solved.u[s]!;
      field.v[k] = solved.v[s]!;
      field.speedSqM2s2[k] = solved.speedSqM2s2[s]!;
      field.surfaceM[k] = bed.bedM[s]! + depth;
    }
  }
  return field;
}
