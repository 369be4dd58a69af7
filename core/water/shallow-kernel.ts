import {
  GRAVITY as GRAVITY_MS2,
  PAD as PADDING,
  WET_FACE_M as WET_FACE,
  type ShallowState,
} from './shallow-state';
import { fixInflowFlux, setGhosts, setInflow } from './shallow-boundary';

/**
 * One explicit staggered momentum-conserving step for shallow water after Stelling & Duinmeijer
 * (2003, Int. J. Numer. Methods Fluids 43, 1329-1354), with limited second-order advection.
 * The same routine serves u and v: `sa` is the stride along the velocity, `sb` across it.
 */

// Own copies: a bundler reads an imported constant through a getter, which costs half the step.
const GRAVITY = GRAVITY_MS2;
const PAD = PADDING;
const WET_FACE_M = WET_FACE;

/** cf, nu and the time step are renewed every so many steps. */
export const RENEW_STEPS = 10;
/** Floor of the eddy viscosity and the factor on shear velocity times depth (Elder-like), m2/s and 1. */
const NU_FLOOR = 0.001;
const NU_FACTOR = 0.2;
/** Squares of a1 and a2 of the variable-power law (`resistance.ts`). */
const A1_SQ = 42.25;
const A2_SQ = 6.25;

/** Advances `steps` steps, or to `untilS` exactly, whichever is first. */
export function stepShallow(state: ShallowState, steps: number, untilS = Infinity): void {
  for (let n = 0; n < steps && state.timeS < untilS; n++) {
    if (state.steps % RENEW_STEPS === 0) renewCoefficients(state);
    const dt = Math.min(state.dtS, untilS - state.timeS);
    setGhosts(state);
    const s = state.stride;
    momentumFluxes(state, state.u, state.qx, state.qy, 1, s);
    updateVelocity(state, state.u, state.v, state.uNext, state.zu, state.hu, dt, 1, s);
    momentumFluxes(state, state.v, state.qy, state.qx, s, 1);
    updateVelocity(state, state.v, state.u, state.vNext, state.zv, state.hv, dt, s, 1);
    swapVelocities(state);
    setInflow(state);
    faceFluxes(state, state.u, state.zu, state.hu, state.qx, 1);
    faceFluxes(state, state.v, state.zv, state.hv, state.qy, s);
    if (state.hasInflow) fixInflowFlux(state);
    continuity(state, dt);
    renewRows(state);
    state.timeS = untilS - state.timeS - dt < 1e-12 ? untilS : state.timeS + dt;
    state.steps++;
  }
}

/** Call once after depths and velocities are set by hand. */
export function prepareShallow(state: ShallowState): void {
  const { h, zb, eta } = state;
  for (let k = 0; k < h.length; k++) eta[k] = zb[k]! + h[k]!;
  state.wetLo.fill(0);
  state.wetHi.fill(state.nx - 1);
  state.rowLo.fill(0);
  state.rowHi.fill(state.nx - 1);
  setGhosts(state);
  setInflow(state);
  faceFluxes(state, state.u, state.zu, state.hu, state.qx, 1);
  faceFluxes(state, state.v, state.zv, state.hv, state.qy, state.stride);
  if (state.hasInflow) fixInflowFlux(state);
}

/** Columns on each side of the wet ones, and rows, that one step can reach through its stencil. */
const REACH = 3;

/**
 * Columns worth computing in each row: the wet ones of this row and its neighbours, and a margin.
 * Land is left out. What a row gives up is set to nought, so that nothing stale is read.
 */
function renewRows(state: ShallowState): void {
  const { nx, ny, stride, rowLo, rowHi, wetLo, wetHi } = state;
  const fields = [
    state.u,
    state.v,
    state.uNext,
    state.vNext,
    state.hu,
    state.hv,
    state.qx,
    state.qy,
  ];
  fields.push(state.cellFlux, state.cellQ, state.cornerFlux, state.cornerQ);
  for (let j = 0; j < ny + 2 * PAD; j++) {
    let lo = nx;
    let hi = -1;
    for (let n = Math.max(0, j - REACH); n <= Math.min(ny + 2 * PAD - 1, j + REACH); n++) {
      if (wetLo[n]! < lo) lo = wetLo[n]!;
      if (wetHi[n]! > hi) hi = wetHi[n]!;
    }
    lo = hi < 0 ? nx : Math.max(0, lo - REACH);
    hi = hi < 0 ? -1 : Math.min(nx - 1, hi + REACH);
    const row = j * stride + PAD;
    for (let i = rowLo[j]!; i < Math.min(lo, rowHi[j]! + 1); i++)
      for (const f of fields) f[row + i] = 0;
    for (let i = Math.max(hi + 1, rowLo[j]!); i <= rowHi[j]!; i++)
      for (const f of fields) f[row + i] = 0;
    rowLo[j] = lo;
    rowHi[j] = hi;
  }
}

function swapVelocities(state: ShallowState): void {
  const u = state.u;
  state.u = state.uNext;
  state.uNext = u;
  const v = state.v;
  state.v = state.vNext;
  state.vNext = v;
}

/** Upwind face depth and discharge: h_face = max(0, eta_up - z_face), q = h_face u. */
function faceFluxes(
  state: ShallowState,
  vel: Float64Array,
  zFace: Float64Array,
  hf: Float64Array,
  q: Float64Array,
  sa: number,
): void {
  const { nx, ny, stride, eta, rowLo, rowHi } = state;
  for (let j = -1; j < ny; j++) {
    const row = (j + PAD) * stride + PAD;
    const lo = row + rowLo[j + PAD]! - 1;
    const hi = row + Math.min(nx - 1, rowHi[j + PAD]!);
    for (let k = lo; k <= hi; k++) {
      const w = vel[k]!;
      const a = eta[k]!;
      const b = eta[k + sa]!;
      const up = w > 0 ? a : w < 0 ? b : a > b ? a : b;
      const depth = up - zFace[k]!;
      if (depth > 0) {
        hf[k] = depth;
        q[k] = depth * w;
      } else {
        hf[k] = 0;
        q[k] = 0;
      }
    }
  }
}

/**
 * Momentum fluxes in cells (mean q times upwinded velocity) and at corners likewise.
 * Van Leer: w* = a + (c > 0 ? c / (o - f) : 0), c = (a - f)(o - a); a upwind, o downwind,
 * f far upwind.
 */
function momentumFluxes(
  state: ShallowState,
  vel: Float64Array,
  qAlong: Float64Array,
  qAcross: Float64Array,
  sa: number,
  sb: number,
): void {
  const { nx, ny, stride, cellFlux, cellQ, cornerFlux, cornerQ, rowLo, rowHi } = state;
  for (let j = -1; j <= ny; j++) {
    const row = (j + PAD) * stride + PAD;
    const lo = row + rowLo[j + PAD]! - 1;
    const hi = row + Math.min(nx, rowHi[j + PAD]! + 1);
    for (let k = lo; k <= hi; k++) {
      const qc = 0.5 * (qAlong[k - sa]! + qAlong[k]!);
      cellQ[k] = qc;
      if (qc !== 0) {
        const down = qc > 0;
        const a = down ? vel[k - sa]! : vel[k]!;
        const o = down ? vel[k]! : vel[k - sa]!;
        const f = down ? vel[k - sa - sa]! : vel[k + sa]!;
        const c = (a - f) * (o - a);
        cellFlux[k] = qc * (c > 0 ? a + c / (o - f) : a);
      } else cellFlux[k] = 0;
      const qk = 0.5 * (qAcross[k]! + qAcross[k + sa]!);
      cornerQ[k] = qk;
      if (qk !== 0) {
        const down = qk > 0;
        const a = down ? vel[k]! : vel[k + sb]!;
        const o = down ? vel[k + sb]! : vel[k]!;
        const f = down ? vel[k - sb]! : vel[k + sb + sb]!;
        const c = (a - f) * (o - a);
        cornerFlux[k] = qk * (c > 0 ? a + c / (o - f) : a);
      } else cornerFlux[k] = 0;
    }
  }
}

/**
 * U' = (U + dt (-advection + viscosity - g d(eta)/dx)) / (1 + dt rate),
 * rate = cf |U| / h_face + cw |U| / dx for each dry lateral neighbour.
 */
function updateVelocity(
  state: ShallowState,
  vel: Float64Array,
  cross: Float64Array,
  out: Float64Array,
  zFace: Float64Array,
  hf: Float64Array,
  dt: number,
  sa: number,
  sb: number,
): void {
  const { nx, ny, stride, cellM, h, eta, cf, nu, wallDrag, rowLo, rowHi } = state;
  const { cellFlux, cellQ, cornerFlux, cornerQ, outflow, eddyViscosity } = state;
  const perDx = 1 / cellM;
  const perDx2 = perDx * perDx;
  const wall = wallDrag * perDx;
  const alongX = sa === 1;
  for (let j = -1; j < ny; j++) {
    const row = (j + PAD) * stride + PAD;
    const lo = row + rowLo[j + PAD]! - 1;
    const hi = row + Math.min(nx - 1, rowHi[j + PAD]!);
    for (let k = lo; k <= hi; k++) {
      const w = vel[k]!;
      const etaLow = eta[k]!;
      const etaHigh = eta[k + sa]!;
      // From the surface as it is now: `hf` is a step old, and a front would wait for it.
      const depth =
        (w > 0 ? etaLow : w < 0 ? etaHigh : etaLow > etaHigh ? etaLow : etaHigh) - zFace[k]!;
      if (depth <= WET_FACE_M) {
        out[k] = 0;
        continue;
      }
      const x = 0.25 * (cross[k]! + cross[k + sa]! + cross[k - sb]! + cross[k + sa - sb]!);
      const speed = Math.sqrt(w * w + x * x);
      const meanDepth = 0.5 * (h[k]! + h[k + sa]!);
      const fluxes = cellFlux[k + sa]! - cellFlux[k]! + cornerFlux[k]! - cornerFlux[k - sb]!;
      const inflow = cellQ[k + sa]! - cellQ[k]! + cornerQ[k]! - cornerQ[k - sb]!;
      const mean = meanDepth > WET_FACE_M ? meanDepth : WET_FACE_M;
      const carried = (fluxes - w * inflow) * perDx;
      let drag = 0.5 * (cf[k]! + cf[k + sa]!) * speed;
      const wetLeft = hf[k + sb]! > WET_FACE_M;
      const wetRight = hf[k - sb]! > WET_FACE_M;
      if (!wetLeft) drag += wall * speed * depth;
      if (!wetRight) drag += wall * speed * depth;
      let viscous = 0;
      if (eddyViscosity) {
        let laplacian = 0;
        if (wetLeft) laplacian += vel[k + sb]! - w;
        if (wetRight) laplacian += vel[k - sb]! - w;
        if (hf[k + sa]! > WET_FACE_M) laplacian += vel[k + sa]! - w;
        if (hf[k - sa]! > WET_FACE_M) laplacian += vel[k - sa]! - w;
        viscous = 0.5 * (nu[k]! + nu[k + sa]!) * laplacian * perDx2;
      }
      const slope = GRAVITY * (etaHigh - etaLow) * perDx;
      // Friction is implicit: (1 + dt drag/depth) below; advection over the mean depth: one division for both.
      out[k] =
        (((w + dt * (viscous - slope)) * mean - dt * carried) * depth) /
        (mean * (depth + dt * drag));
    }
    // No water enters through the outflow.
    if (alongX && outflow && out[row - 1]! > 0) out[row - 1] = 0;
  }
}

function continuity(state: ShallowState, dt: number): void {
  const { nx, ny, stride, cellM, h, eta, zb, qx, qy, rowLo, rowHi, wetLo, wetHi } = state;
  const c = dt / cellM;
  let clamped = 0;
  let out = 0;
  for (let j = 0; j < ny; j++) {
    const row = (j + PAD) * stride + PAD;
    const hi = row + Math.min(nx - 1, rowHi[j + PAD]!);
    let first = nx;
    let last = -1;
    out -= qx[row - 1]!;
    for (let k = row + Math.max(0, rowLo[j + PAD]!); k <= hi; k++) {
      let depth = h[k]! - c * (qx[k]! - qx[k - 1]! + qy[k]! - qy[k - stride]!);
      if (depth < 0) {
        clamped += giveBack(state, k, c, -depth);
        depth = 0;
      }
      h[k] = depth;
      eta[k] = zb[k]! + depth;
      if (depth > 0) {
        if (first === nx) first = k - row;
        last = k - row;
      }
    }
    wetLo[j + PAD] = first;
    wetHi[j + PAD] = last;
  }
  state.clampedM3 += clamped * cellM * cellM;
  state.outflowM3s = out * cellM;
}

/**
 * A cell asked for more than it holds gives its outflows back in proportion, so that volume is
 * kept: `deficit` is what is missing, m. Returns what could not be given back, m.
 */
function giveBack(state: ShallowState, k: number, c: number, deficit: number): number {
  const { stride, h, eta, zb, qx, qy } = state;
  const west = Math.max(0, -qx[k - 1]!);
  const south = Math.max(0, -qy[k - stride]!);
  const east = Math.max(0, qx[k]!);
  const north = Math.max(0, qy[k]!);
  const share = deficit / (c * (west + south + east + north));
  qx[k] = qx[k]! - share * east;
  qy[k] = qy[k]! - share * north;
  qx[k - 1] = qx[k - 1]! + share * west;
  qy[k - stride] = qy[k - stride]! + share * south;
  // The western and southern cells have had their turn: take back what they were given too much.
  let missing = 0;
  h[k - 1] = h[k - 1]! - c * share * west;
  h[k - stride] = h[k - stride]! - c * share * south;
  for (const n of [k - 1, k - stride]) {
    if (h[n]! < 0) {
      missing -= h[n]!;
      h[n] = 0;
    }
    eta[n] = zb[n]! + h[n]!;
  }
  return missing;
}

/**
 * cf = g n^2 / h^(1/3), or the variable-power law's (a1^2 + a2^2 x^(5/3)) / (a1 a2 x)^2, x = h/D84,
 * where that is greater (`resistance.ts`, written out here for speed);
 * nu = .001 + .2 sqrt(cf) |U| h; dt from the Courant number.
 */
function renewCoefficients(state: ShallowState): void {
  const { nx, ny, stride, h, n, d84, u, v, cf, nu, cellM, courant, rowLo, rowHi } = state;
  let fastest = 1e-9;
  for (let j = 0; j < ny; j++) {
    const lo = (j + PAD) * stride + PAD;
    const hi = lo + Math.min(nx - 1, rowHi[j + PAD]!);
    for (let k = lo + rowLo[j + PAD]!; k <= hi; k++) {
      const depth = h[k]!;
      if (depth <= WET_FACE_M) {
        // A cell about to be wetted has the friction of a film, not more.
        cf[k] = (GRAVITY * n[k]! * n[k]!) / Math.cbrt(WET_FACE_M);
        nu[k] = NU_FLOOR;
        continue;
      }
      let c = (GRAVITY * n[k]! * n[k]!) / Math.cbrt(depth);
      if (d84[k]! > 0) {
        const x = depth / d84[k]!;
        const root = Math.cbrt(x);
        const stones = (A1_SQ + A2_SQ * x * root * root) / (A1_SQ * A2_SQ * x * x);
        if (stones > c) c = stones;
      }
      cf[k] = c;
      const uc = Math.max(Math.abs(u[k]!), Math.abs(u[k - 1]!));
      const vc = Math.max(Math.abs(v[k]!), Math.abs(v[k - stride]!));
      nu[k] = NU_FLOOR + NU_FACTOR * Math.sqrt(c) * Math.sqrt(uc * uc + vc * vc) * depth;
      const wave = uc + vc + Math.sqrt(2 * GRAVITY * depth);
      if (wave > fastest) fastest = wave;
    }
    // The outflow ghost takes its neighbour's coefficients.
    cf[lo - 1] = cf[lo]!;
    nu[lo - 1] = nu[lo]!;
  }
  state.dtS = Math.min((courant * cellM) / fastest, 1);
}
