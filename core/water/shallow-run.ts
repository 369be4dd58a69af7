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
/** Windows in the mean over shed eddies: 32 s. */
const AVERAGED = 4;
const SAMPLE_STEPS = 10;
/** Mass balance that is good enough for a first picture. */
const ROUGH_MASS = 0.05;
/** An answer lets out what comes in to this ... */
const ANSWER_MASS = 0.001;
/** ... and none of the windows it is the mean of is further off than this, nor their energies apart. */
const WINDOW_MASS = 0.005;
const WINDOW_ENERGY = 0.02;
/** Pools that fill ever more slowly are filled ahead where a window's excess is such a share of the one before. */
const FILLS = { worth: 0.006, least: 0.2, most: 0.85, even: 0.2, trusted: 0.8 };
/** At most so much of a section's depth at once. */
const FILL_SHARE = 0.1;
/** Windows that show how it fills: the first after a start tells of waves. */
const FILL_WINDOWS = 3;

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

/** Sums over one window, or over several. */
interface Window {
  sums: CellMeans;
  count: number;
  energy: number;
  outM3s: number;
}

/**
 * Drives a state to a steady or time-averaged answer, a number of steps at a time, so that a
 * worker can cancel between calls. Depends on steps alone, never on a clock. At the end of each
 * window of eight seconds:
 *
 *   energy and mass settled twice, no cell moves          -> converged
 *   the last four even in mass and energy, a cell sheds   -> averaged: their mean
 *   mass uneven, and ever less so                         -> the pools are filled ahead, and on
 */
export class ShallowRun {
  status: SolveStatus | null = null;
  residual = Infinity;
  massError = NaN;
  private windowStart = 0;
  private window: Window;
  /** Those since the pools were last filled, newest last. */
  private windows: Window[] = [];
  private lastEnergy = NaN;
  private settledWindows = 0;
  private snapshot: Float64Array | null = null;
  private readonly startVolume: number;

  constructor(
    private readonly kernel: ShallowKernel,
    private readonly options: RunOptions,
  ) {
    kernel.prepare();
    this.window = emptyWindow(this.state);
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
    return Math.min(0.98, 1 - Math.exp(-this.state.timeS / 30), this.state.timeS / maxS + 0.9);
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
    if (this.status === 'averaged') return meanOf(this.windows);
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
    const { window } = this;
    window.energy += energy;
    window.outM3s += state.outflowM3s;
    window.count++;
    if (options.untilS !== undefined) {
      if (state.timeS >= options.untilS) this.finish('stopped');
      return;
    }
    addFields(state, window.sums);
    if (state.timeS >= options.maxS)
      this.finish(this.windows.length > 0 && !options.rough ? 'averaged' : 'stopped');
    else if (state.timeS - this.windowStart >= WINDOW_S) this.closeWindow();
  }

  private closeWindow(): void {
    const { options, state } = this;
    const closed = this.window;
    const energy = closed.energy / closed.count;
    this.residual = Math.abs(energy - this.lastEnergy) / Math.max(energy, 1e-12);
    const massOff = Math.abs(this.excess(closed));
    const settled = this.residual < SETTLED_ENERGY && massOff < SETTLED_MASS;
    this.settledWindows = settled ? this.settledWindows + 1 : 0;
    if (options.rough === 'picture' && massOff < ROUGH_MASS) return this.finish('stopped');
    if (options.rough === 'settled' && settled) return this.finish('stopped');
    const speeds = centreSpeeds(state);
    const still = this.snapshot !== null && furthest(speeds, this.snapshot) < SHEDDING_MPS;
    if (this.settledWindows >= 2 && still && massOff < ANSWER_MASS) return this.finish('converged');
    this.windows.push(closed);
    if (!still && !options.rough && this.areEven()) return this.finish('averaged');
    this.snapshot = speeds;
    this.lastEnergy = energy;
    if (this.fillAhead()) this.windows = [];
    if (this.windows.length >= Math.max(AVERAGED, FILL_WINDOWS)) this.windows.shift();
    this.windowStart = state.timeS;
    this.window = emptyWindow(state);
  }

  /** What goes out over what comes in, less one; 0 where nothing comes in. */
  private excess(w: Window): number {
    const { hasInflow, inflowM3s } = this.state;
    return hasInflow ? w.outM3s / w.count / inflowM3s - 1 : 0;
  }

  /** Whether the last windows may be taken together for an answer. */
  private areEven(): boolean {
    if (this.windows.length < AVERAGED) return false;
    const off = this.windows.map((w) => this.excess(w));
    const energies = this.windows.map((w) => w.energy / w.count);
    const [least, most] = [Math.min(...energies), Math.max(...energies)];
    return (
      Math.abs(off.reduce((a, b) => a + b, 0) / off.length) < ANSWER_MASS &&
      off.every((m) => Math.abs(m) < WINDOW_MASS) &&
      most - least < WINDOW_ENERGY * most
    );
  }

  /**
   * Long after the waves are gone a pool still fills, or empties, ever more slowly: the excess falls
   * by the same share r each window. What is still to come is then r/(1 - r) of what came in the last
   * (Aitken 1926); each section is filled by it and its discharge set to the stream's. False where it
   * does not fall so.
   */
  private fillAhead(): boolean {
    const { state, windows } = this;
    if (!state.hasInflow || windows.length < FILL_WINDOWS) return false;
    const [first, before, last] = windows.slice(-3) as [Window, Window, Window];
    const [was, is] = [this.excess(before), this.excess(last)];
    const share = is / was;
    const even = Math.abs(share - was / this.excess(first)) < FILLS.even;
    if (Math.abs(is) < FILLS.worth || !even || !(share > FILLS.least && share < FILLS.most))
      return false;
    const ahead = (FILLS.trusted * share) / (1 - share);
    fillSections(state, meanOf([before]), meanOf([last]), ahead);
    return true;
  }

  private finish(status: SolveStatus): void {
    this.status = status;
    const told = status === 'averaged' ? this.windows : [this.window];
    this.massError = this.state.hasInflow
      ? Math.abs(this.excess(added(told)))
      : Math.abs(this.volume() - this.startVolume) / Math.max(this.startVolume, 1e-12);
  }
}

/** Depths of each section moved by `ahead` of its change from one window's mean to the next. */
function fillSections(state: ShallowGrid, before: CellMeans, last: CellMeans, ahead: number): void {
  const { nx, ny, stride, pad, cellM, h, u, v, inflowM3s } = state;
  for (let i = 0; i < nx; i++) {
    let [risen, depth, wet, passes] = [0, 0, 0, 0];
    for (let c = i; c < nx * ny; c += nx) {
      const now = last.depth[c]!;
      if (now <= 0 || before.depth[c]! <= 0) continue;
      risen += now - before.depth[c]!;
      depth += now;
      wet++;
      passes -= now * last.u[c]! * cellM;
    }
    if (wet === 0 || depth <= 0 || passes <= 0) continue;
    const most = (FILL_SHARE * depth) / wet;
    const more = Math.max(-most, Math.min(most, (ahead * risen) / wet));
    const slower =
      (depth / (depth + more * wet)) * Math.min(1.1, Math.max(0.9, inflowM3s / passes));
    for (let j = 0; j < ny; j++) {
      const k = (j + pad) * stride + i + pad;
      if (h[k]! > 0) h[k] = Math.max(0.5 * h[k]!, h[k]! + more);
      u[k] = u[k]! * slower;
      v[k] = v[k]! * slower;
    }
  }
}

function emptyWindow(state: ShallowGrid): Window {
  return { sums: emptyMeans(state), count: 0, energy: 0, outM3s: 0 };
}

function added(windows: readonly Window[]): Window {
  const [first, ...rest] = windows as [Window, ...Window[]];
  const sum = { ...first };
  for (const w of rest) {
    sum.count += w.count;
    sum.energy += w.energy;
    sum.outM3s += w.outM3s;
  }
  return sum;
}

function meanOf(windows: readonly Window[]): CellMeans {
  const { count } = added(windows);
  const mean = (of: keyof CellMeans) =>
    windows[0]!.sums[of].map((_, c) => {
      let sum = 0;
      for (const w of windows) sum += w.sums[of][c]!;
      return sum / count;
    });
  return { depth: mean('depth'), u: mean('u'), v: mean('v'), speedSq: mean('speedSq') };
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
