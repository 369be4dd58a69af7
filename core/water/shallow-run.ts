import type { ShallowGrid, ShallowKernel } from './shallow-state';

export type SolveStatus = 'converged' | 'averaged' | 'stopped' | 'diverged';

/** Length of a window of means, s. */
const WINDOW_S = 8;
/** Relative change of total kinetic energy between windows that counts as settled. */
const SETTLED_ENERGY = 1e-3;
/** Discharge out over in, as a departure from 1, that counts as settled. */
const SETTLED_MASS = 0.01;
/** A cell whose speed differs by more than this between two moments a window apart sheds, m/s. */
const SHEDDING_MPS = 0.02;
/** Length of the mean over shed eddies, s. */
const AVERAGE_S = 32;
const SAMPLE_STEPS = 10;
/** Mass balance that is good enough for a first picture. */
const ROUGH_MASS = 0.05;
/** From here on an energy that wavers by RESTLESS_ENERGY a window is taken for shedding, s. */
const RESTLESS_S = 23;
const RESTLESS_ENERGY = 0.02;
const RESTLESS_MASS = 0.03;
/** An answer lets out what comes in to this. A mean over shed eddies that does not is taken anew ... */
const ANSWER_MASS = 0.001;
/** ... so many times at most; then it is given with the error it has. */
const MOST_AVERAGES = 3;

export interface RunOptions {
  /** Run unsteady to this time; absent: until settled. */
  untilS?: number;
  maxS: number;
  /**
   * 'picture': stop at the first window whose mass is nearly even. 'settled': stop once energy and
   * mass have settled, without a mean over shed eddies.
   */
  rough?: 'picture' | 'settled';
}

export interface CellMeans {
  depth: Float64Array;
  u: Float64Array;
  v: Float64Array;
  speedSq: Float64Array;
}

/**
 * Drives a state to a steady or time-averaged answer, a number of steps at a time, so that a
 * worker can cancel between calls. Depends on steps alone, never on a clock.
 *
 *   settling --(energy and mass settled twice, no cell moves)--> converged
 *       \------(a cell sheds: energy settled, or restless)----> averaging --> averaged
 */
export class ShallowRun {
  status: SolveStatus | null = null;
  residual = Infinity;
  massError = NaN;
  private windowStart = 0;
  private energySum = 0;
  private outSum = 0;
  private samples = 0;
  private lastEnergy = NaN;
  private settledWindows = 0;
  private phase: 'settling' | 'averaging' = 'settling';
  private snapshot: Float64Array | null = null;
  private means: CellMeans | null = null;
  private meanCount = 0;
  private averages = 0;
  private readonly startVolume: number;

  constructor(
    private readonly kernel: ShallowKernel,
    private readonly options: RunOptions,
  ) {
    kernel.prepare();
    this.startVolume = this.volume();
  }

  get state(): ShallowGrid {
    return this.kernel.grid;
  }

  /** 0..1, a guess until settled. */
  get progress(): number {
    const { untilS, maxS } = this.options;
    if (this.status) return 1;
    if (untilS !== undefined) return this.state.timeS / untilS;
    // A typical reach is done in about 60 s; approach 1 without reaching it.
    const base = this.phase === 'averaging' ? 40 : 0;
    return Math.min(
      0.98,
      1 - Math.exp(-(base + this.state.timeS) / 45),
      this.state.timeS / maxS + 0.9,
    );
  }

  /** Takes at most `steps` steps; true when finished. */
  advance(steps: number): boolean {
    let left = steps;
    while (left > 0 && this.status === null) {
      const before = this.state.steps;
      this.kernel.step(Math.min(SAMPLE_STEPS, left), this.options.untilS ?? Infinity);
      left -= Math.max(1, this.state.steps - before);
      this.sample();
    }
    return this.status !== null;
  }

  /** Cell-centred depth and velocity: means when averaged, else the last state. */
  fields(): CellMeans {
    if (this.status === 'averaged' && this.means) {
      const scale = 1 / this.meanCount;
      const out = emptyMeans(this.state);
      for (let k = 0; k < out.depth.length; k++) {
        out.depth[k] = this.means.depth[k]! * scale;
        out.u[k] = this.means.u[k]! * scale;
        out.v[k] = this.means.v[k]! * scale;
        out.speedSq[k] = this.means.speedSq[k]! * scale;
      }
      return out;
    }
    const out = emptyMeans(this.state);
    addFields(this.state, out);
    return out;
  }

  private volume(): number {
    const { nx, ny, stride, pad, h, cellM } = this.state;
    let sum = 0;
    for (let j = 0; j < ny; j++) {
      for (let i = 0; i < nx; i++) sum += h[(j + pad) * stride + i + pad]!;
    }
    return sum * cellM * cellM;
  }

  private sample(): void {
    const { state, options } = this;
    const energy = kineticEnergy(state);
    if (!Number.isFinite(energy)) {
      this.status = 'diverged';
      return;
    }
    this.energySum += energy;
    this.outSum += state.outflowM3s;
    this.samples++;
    if (this.phase === 'averaging') {
      addFields(state, this.means!);
      this.meanCount++;
    }
    if (options.untilS !== undefined && state.timeS >= options.untilS) {
      this.finish('stopped');
      return;
    }
    if (state.timeS >= options.maxS) {
      this.finish(this.phase === 'averaging' ? 'averaged' : 'stopped');
      return;
    }
    if (this.phase === 'averaging') {
      if (state.timeS - this.windowStart < AVERAGE_S) return;
      const massOff = state.hasInflow
        ? Math.abs(this.outSum / this.samples / state.inflowM3s - 1)
        : 0;
      if (massOff < ANSWER_MASS || ++this.averages >= MOST_AVERAGES) this.finish('averaged');
      else this.startAverage();
      return;
    }
    if (state.timeS - this.windowStart >= WINDOW_S && options.untilS === undefined)
      this.closeWindow();
  }

  private closeWindow(): void {
    const { options } = this;
    const energy = this.energySum / this.samples;
    const out = this.outSum / this.samples;
    this.residual = Math.abs(energy - this.lastEnergy) / Math.max(energy, 1e-12);
    const massOff = this.state.hasInflow ? Math.abs(out / this.state.inflowM3s - 1) : 0;
    const settled = this.residual < SETTLED_ENERGY && massOff < SETTLED_MASS;
    this.settledWindows = settled ? this.settledWindows + 1 : 0;
    const speeds = centreSpeeds(this.state);
    if (options.rough === 'picture' && massOff < ROUGH_MASS) {
      this.finish('stopped');
      return;
    }
    if (options.rough === 'settled' && settled) {
      this.finish('stopped');
      return;
    }
    const still = this.snapshot !== null && furthest(speeds, this.snapshot) < SHEDDING_MPS;
    if (this.settledWindows >= 2 && still && massOff < ANSWER_MASS) {
      this.finish('converged');
      return;
    }
    // A wake that sheds keeps the energy moving: after a while an even mass is enough to average.
    const restless =
      this.state.timeS > RESTLESS_S && massOff < RESTLESS_MASS && this.residual < RESTLESS_ENERGY;
    if (!still && !options.rough && (this.settledWindows >= 2 || restless)) {
      this.startAverage();
      return;
    }
    this.snapshot = speeds;
    this.lastEnergy = energy;
    this.resetWindow();
  }

  private startAverage(): void {
    this.phase = 'averaging';
    this.means = emptyMeans(this.state);
    this.meanCount = 0;
    this.resetWindow();
  }

  private resetWindow(): void {
    this.windowStart = this.state.timeS;
    this.energySum = 0;
    this.outSum = 0;
    this.samples = 0;
  }

  private finish(status: SolveStatus): void {
    this.status = status;
    const mean = this.outSum / Math.max(1, this.samples);
    this.massError = this.state.hasInflow
      ? Math.abs(mean / this.state.inflowM3s - 1)
      : Math.abs(this.volume() - this.startVolume) / Math.max(this.startVolume, 1e-12);
  }
}

function emptyMeans(state: ShallowGrid): CellMeans {
  const make = () => new Float64Array(state.nx * state.ny);
  return { depth: make(), u: make(), v: make(), speedSq: make() };
}

function addFields(state: ShallowGrid, into: CellMeans): void {
  const { nx, ny, stride, pad, h, u, v } = state;
  for (let j = 0; j < ny; j++) {
    for (let i = 0; i < nx; i++) {
      const k = (j + pad) * stride + i + pad;
      const c = j * nx + i;
      const uc = 0.5 * (u[k - 1]! + u[k]!);
      const vc = 0.5 * (v[k - stride]! + v[k]!);
      into.depth[c]! += h[k]!;
      into.u[c]! += uc;
      into.v[c]! += vc;
      into.speedSq[c]! += uc * uc + vc * vc;
    }
  }
}

function kineticEnergy(state: ShallowGrid): number {
  const { nx, ny, stride, pad, h, u, v } = state;
  let sum = 0;
  for (let j = 0; j < ny; j++) {
    const lo = (j + pad) * stride + pad;
    for (let k = lo; k < lo + nx; k++) {
      const uc = 0.5 * (u[k - 1]! + u[k]!);
      const vc = 0.5 * (v[k - stride]! + v[k]!);
      sum += h[k]! * (uc * uc + vc * vc);
    }
  }
  return sum;
}

function centreSpeeds(state: ShallowGrid): Float64Array {
  const means = emptyMeans(state);
  addFields(state, means);
  return means.speedSq.map(Math.sqrt);
}

function furthest(a: Float64Array, b: Float64Array): number {
  let far = 0;
  for (let k = 0; k < a.length; k++) far = Math.max(far, Math.abs(a[k]! - b[k]!));
  return far;
}
