import {
  CELL_U,
  CELL_U_Q,
  CELL_V,
  CELL_V_Q,
  CF,
  CORNER_U,
  CORNER_U_Q,
  CORNER_V,
  CORNER_V_Q,
  D84,
  EASE,
  ETA,
  GNN,
  H,
  HU,
  HV,
  MOST_CELLS,
  MOST_COLUMNS,
  MOST_ROWS,
  NEW_U,
  NEW_V,
  NU,
  OTHER,
  QX,
  QY,
  ROW_HI,
  ROW_LO,
  U,
  V,
  WET_HI,
  WET_LO,
  ZB,
  ZU,
  ZV,
} from './places';

/**
 * The step of `shallow-kernel.ts` in single precision, four columns at a time: one sweep a row for
 * both momentum equations, one for continuity. Compiled to WebAssembly by `scripts/build-kernel.mjs`;
 * held against that file by the tests, which says what each term is and where it comes from.
 *
 * Beds and surfaces are above a datum that the caller subtracts. Cells beyond the edges are walls, so
 * that a block of four may hang over an edge and finds nought there.
 */

/** Columns and rows of padding; a multiple of four, so that a row begins on a block. */
const PAD: i32 = 4;
const WET_FACE_M: f32 = 0.002;
const GRAVITY: f32 = 9.81;
const RENEW_STEPS: i32 = 10;
const NU_FLOOR: f32 = 0.001;
const NU_FACTOR: f32 = 0.2;
const A1_SQ: f32 = 42.25;
const A2_SQ: f32 = 6.25;
/** Rows and blocks that one step reaches through its stencil. */
const REACH_ROWS: i32 = 3;

let nx: i32 = 0;
let ny: i32 = 0;
/** Bytes from a cell to the one across. */
let S: usize = 0;
/** Last block that holds a cell or the ghost beyond it. */
let lastBlock: i32 = 0;
let cellM: f64 = 0;
let wallDrag: f32 = 0;
let eddies: bool = true;
let inflow: bool = false;
let inflowM3s: f64 = 0;
/** 0: closed, 1: stage, 2: free. */
let outflow: i32 = 0;
let stageM: f32 = 0;
let courant: f64 = 0;

export let timeS: f64 = 0;
export let dtS: f64 = 0;
export let steps: i32 = 0;
export let clampedM3: f64 = 0;
export let outflowM3s: f64 = 0;

/** False where the memory does not hold so many cells. */
export function setUp(
  columns: i32,
  rows: i32,
  stride: i32,
  cell: f64,
  wall: f64,
  eddy: bool,
  hasInflow: bool,
  discharge: f64,
  outflowKind: i32,
  outflowStageM: f64,
  courantNumber: f64,
): bool {
  const high = rows + 2 * PAD;
  if (stride > MOST_COLUMNS || high > MOST_ROWS || stride * high > MOST_CELLS) return false;
  nx = columns;
  ny = rows;
  S = <usize>stride << 2;
  lastBlock = (PAD + nx) >> 2;
  cellM = cell;
  wallDrag = <f32>wall;
  eddies = eddy;
  inflow = hasInflow;
  inflowM3s = discharge;
  outflow = outflowKind;
  stageM = <f32>outflowStageM;
  courant = courantNumber;
  timeS = 0;
  dtS = 0;
  steps = 0;
  clampedM3 = 0;
  outflowM3s = 0;
  memory.fill(ROW_LO, 0, CELL_U - ROW_LO - 64);
  memory.fill(CELL_U - 64, 0, ZB - CELL_U + 64);
  return true;
}

/** Call once after depths and velocities are set by hand. */
export function prepare(): void {
  const size = <usize>(ny + 2 * PAD) * S;
  for (let p: usize = 0; p < size; p += 4)
    store<f32>(p, load<f32>(p, ZB) + load<f32>(p, H), ETA);
  for (let j = 0; j < ny + 2 * PAD; j++) {
    setRow(WET_LO, j, 0);
    setRow(WET_HI, j, lastBlock);
    setRow(ROW_LO, j, 0);
    setRow(ROW_HI, j, lastBlock);
  }
  setGhosts();
  setInflow();
  for (let j = 0; j < ny; j++) faces(j);
}

/** Advances `most` steps, or to `untilS` exactly, whichever is first. */
export function step(most: i32, untilS: f64): void {
  for (let n = 0; n < most && timeS < untilS; n++) {
    if (steps % RENEW_STEPS == 0) renewCoefficients();
    const dt = min(dtS, untilS - timeS);
    setGhosts();
    momentum(dt);
    setInflow();
    continuity(dt);
    renewRows();
    timeS = untilS - timeS - dt < 1e-12 ? untilS : timeS + dt;
    steps++;
  }
}

// @ts-ignore: decorator
@inline
function rowOf(table: usize, j: i32): i32 {
  return load<i32>(table + (<usize>j << 2));
}
// @ts-ignore: decorator
@inline
function setRow(table: usize, j: i32, value: i32): void {
  store<i32>(table + (<usize>j << 2), value);
}
/** Place of the first cell of row j, without its field. */
// @ts-ignore: decorator
@inline
function rowStart(j: i32): usize {
  return <usize>(j + PAD) * S;
}
function setGhosts(): void {
  for (let j = 0; j < ny; j++) {
    const p = rowStart(j) + 4 * PAD;
    if (outflow != 0) {
      const g = p - 4;
      const depth = outflow == 1 ? max(<f32>0, stageM - load<f32>(g, ZB)) : load<f32>(p, H);
      store<f32>(g, depth, H);
      store<f32>(g, load<f32>(g, ZB) + depth, ETA);
      store<f32>(g - 4, load<f32>(g, U), U);
      store<f32>(g - 4, load<f32>(g, QX), QX);
      store<f32>(g, load<f32>(p, V), V);
      store<f32>(g, load<f32>(p, QY), QY);
    }
    if (inflow) {
      const g = p + 4 * nx;
      store<f32>(g, load<f32>(g - 4, H), H);
      store<f32>(g, load<f32>(g - 4, ETA), ETA);
      store<f32>(g, load<f32>(g - 4, U), U);
      store<f32>(g, load<f32>(g - 4, QX), QX);
    }
  }
}

// @ts-ignore: decorator
@inline
function conveys(h: f32, j: i32): f64 {
  const root = Mathf.cbrt(h);
  return <f64>(h * root * root * load<f32>(EASE + (<usize>j << 2)));
}

function setInflow(): void {
  if (!inflow) return;
  let conveyance: f64 = 0;
  const column = 4 * (PAD + nx - 1);
  for (let j = 0; j < ny; j++) {
    const h = load<f32>(rowStart(j) + column, H);
    if (h > WET_FACE_M) conveyance += conveys(h, j);
  }
  for (let j = 0; j < ny; j++) {
    const p = rowStart(j) + column;
    const h = load<f32>(p, H);
    const wet = h > WET_FACE_M && conveyance > 0;
    const q = wet ? (conveys(h, j) * inflowM3s) / (conveyance * cellM) : 0;
    store<f32>(p, wet ? <f32>(-q / <f64>h) : 0, U);
  }
}

/** Flux of what `q` carries past a face: its upwind value, limited after van Leer. */
// @ts-ignore: decorator
@inline
function carried(q: v128, lowFar: v128, low: v128, high: v128, highFar: v128): v128 {
  const zero = f32x4.splat(0);
  const down = f32x4.gt(q, zero);
  const a = v128.bitselect(low, high, down);
  const o = v128.bitselect(high, low, down);
  const f = v128.bitselect(lowFar, highFar, down);
  const c = f32x4.mul(f32x4.sub(a, f), f32x4.sub(o, a));
  const more = v128.and(f32x4.div(c, f32x4.sub(o, f)), f32x4.gt(c, zero));
  return f32x4.mul(q, f32x4.add(a, more));
}

/** Momentum fluxes of row j: u's in cells and at corners, v's at corners and in the cells of the next row. */
function fluxes(first: i32, last: i32, j: i32, odd: usize): void {
  const half = f32x4.splat(0.5);
  const row = rowStart(j);
  const other = OTHER - odd;
  for (let b = first; b <= last; b++) {
    const x = <usize>b << 4;
    const p = row + x;
    const up = p + S;
    const far = up + S;
    const down = p - S;
    const here = x + odd;
    const there = x + other;
    const qx = v128.load(p, QX);
    const qy = v128.load(p, QY);
    const u = v128.load(p, U);
    const v = v128.load(p, V);
    const v1 = v128.load(up, V);

    const qCell = f32x4.mul(half, f32x4.add(v128.load(p, QX - 4), qx));
    v128.store(x, qCell, CELL_U_Q);
    v128.store(
      x,
      carried(qCell, v128.load(p, U - 8), v128.load(p, U - 4), u, v128.load(p, U + 4)),
      CELL_U,
    );

    const qCorner = f32x4.mul(half, f32x4.add(qy, v128.load(p, QY + 4)));
    v128.store(here, qCorner, CORNER_U_Q);
    v128.store(
      here,
      carried(qCorner, v128.load(down, U), u, v128.load(up, U), v128.load(far, U)),
      CORNER_U,
    );

    const qAcross = f32x4.mul(half, f32x4.add(qx, v128.load(up, QX)));
    v128.store(x, qAcross, CORNER_V_Q);
    v128.store(
      x,
      carried(qAcross, v128.load(p, V - 4), v, v128.load(p, V + 4), v128.load(p, V + 8)),
      CORNER_V,
    );

    const qUp = f32x4.mul(half, f32x4.add(qy, v128.load(up, QY)));
    v128.store(there, qUp, CELL_V_Q);
    v128.store(there, carried(qUp, v128.load(down, V), v, v1, v128.load(far, V)), CELL_V);
  }
}

/** One face's velocity after the step; see `updateVelocity` of the reference for each term. */
// @ts-ignore: decorator
@inline
function renewed(
  w: v128,
  x: v128,
  etaLow: v128,
  etaHigh: v128,
  zFace: v128,
  hLow: v128,
  hHigh: v128,
  cf2: v128,
  nu2: v128,
  carriedBy: v128,
  wetLeft: v128,
  wetRight: v128,
  lapLeft: v128,
  lapRight: v128,
  lapAhead: v128,
  lapBehind: v128,
  dt: v128,
  perDx: v128,
  perDx2: v128,
  wall: v128,
): v128 {
  const zero = f32x4.splat(0);
  const half = f32x4.splat(0.5);
  const film = f32x4.splat(WET_FACE_M);
  // Upwind level: the higher where it stands still.
  const upLevel = v128.bitselect(
    etaLow,
    v128.bitselect(etaHigh, f32x4.max(etaLow, etaHigh), f32x4.lt(w, zero)),
    f32x4.gt(w, zero),
  );
  const depth = f32x4.sub(upLevel, zFace);
  const speed = f32x4.sqrt(f32x4.add(f32x4.mul(w, w), f32x4.mul(x, x)));
  const mean = f32x4.max(film, f32x4.mul(half, f32x4.add(hLow, hHigh)));
  const walls = f32x4.sub(
    f32x4.splat(2),
    f32x4.add(
      v128.and(wetLeft, f32x4.splat(1)),
      v128.and(wetRight, f32x4.splat(1)),
    ),
  );
  const drag = f32x4.mul(
    speed,
    f32x4.add(f32x4.mul(half, cf2), f32x4.mul(f32x4.mul(wall, depth), walls)),
  );
  const laplacian = f32x4.add(f32x4.add(lapLeft, lapRight), f32x4.add(lapAhead, lapBehind));
  const viscous = f32x4.mul(f32x4.mul(f32x4.mul(half, nu2), laplacian), perDx2);
  const slope = f32x4.mul(
    f32x4.mul(f32x4.splat(GRAVITY), f32x4.sub(etaHigh, etaLow)),
    perDx,
  );
  const pushed = f32x4.mul(f32x4.add(w, f32x4.mul(dt, f32x4.sub(viscous, slope))), mean);
  const top = f32x4.mul(f32x4.sub(pushed, f32x4.mul(dt, carriedBy)), depth);
  const under = f32x4.mul(mean, f32x4.add(depth, f32x4.mul(dt, drag)));
  return v128.and(f32x4.div(top, under), f32x4.gt(depth, film));
}

/** Both velocities of row j, into the row of new ones. */
function velocities(first: i32, last: i32, j: i32, dtNow: f32, odd: usize): void {
  const film = f32x4.splat(WET_FACE_M);
  const quarter = f32x4.splat(0.25);
  const dt = f32x4.splat(dtNow);
  const dx = <f32>(1 / cellM);
  const perDx = f32x4.splat(dx);
  const perDx2 = f32x4.splat(eddies ? dx * dx : 0);
  const wall = f32x4.splat(wallDrag * dx);
  const row = rowStart(j);
  const other = OTHER - odd;
  for (let b = first; b <= last; b++) {
    const c = <usize>b << 4;
    const p = row + c;
    const here = c + odd;
    const there = c + other;
    const up = p + S;
    const down = p - S;
    const u = v128.load(p, U);
    const v = v128.load(p, V);
    const h = v128.load(p, H);
    const eta = v128.load(p, ETA);
    const cf = v128.load(p, CF);
    const nu = v128.load(p, NU);

    // u: along +x, across +S.
    const uUp = v128.load(up, U);
    const uDown = v128.load(down, U);
    const uAhead = v128.load(p, U + 4);
    const uBehind = v128.load(p, U - 4);
    const wetL = f32x4.gt(v128.load(up, HU), film);
    const wetR = f32x4.gt(v128.load(down, HU), film);
    const vAcross = f32x4.mul(
      quarter,
      f32x4.add(f32x4.add(v, v128.load(p, V + 4)), f32x4.add(v128.load(down, V), v128.load(down, V + 4))),
    );
    const fluxU = f32x4.add(
      f32x4.sub(v128.load(c, CELL_U + 4), v128.load(c, CELL_U)),
      f32x4.sub(v128.load(here, CORNER_U), v128.load(there, CORNER_U)),
    );
    const inU = f32x4.add(
      f32x4.sub(v128.load(c, CELL_U_Q + 4), v128.load(c, CELL_U_Q)),
      f32x4.sub(v128.load(here, CORNER_U_Q), v128.load(there, CORNER_U_Q)),
    );
    v128.store(
      here,
      renewed(
        u,
        vAcross,
        eta,
        v128.load(p, ETA + 4),
        v128.load(p, ZU),
        h,
        v128.load(p, H + 4),
        f32x4.add(cf, v128.load(p, CF + 4)),
        f32x4.add(nu, v128.load(p, NU + 4)),
        f32x4.mul(f32x4.sub(fluxU, f32x4.mul(u, inU)), perDx),
        wetL,
        wetR,
        v128.and(f32x4.sub(uUp, u), wetL),
        v128.and(f32x4.sub(uDown, u), wetR),
        v128.and(f32x4.sub(uAhead, u), f32x4.gt(v128.load(p, HU + 4), film)),
        v128.and(f32x4.sub(uBehind, u), f32x4.gt(v128.load(p, HU - 4), film)),
        dt,
        perDx,
        perDx2,
        wall,
      ),
      NEW_U,
    );

    // v: along +S, across +x.
    const vUp = v128.load(up, V);
    const vDown = v128.load(down, V);
    const vAhead = v128.load(p, V + 4);
    const vBehind = v128.load(p, V - 4);
    const wetA = f32x4.gt(v128.load(p, HV + 4), film);
    const wetB = f32x4.gt(v128.load(p, HV - 4), film);
    const uAcross = f32x4.mul(
      quarter,
      f32x4.add(f32x4.add(u, uUp), f32x4.add(uBehind, v128.load(up, U - 4))),
    );
    const fluxV = f32x4.add(
      f32x4.sub(v128.load(there, CELL_V), v128.load(here, CELL_V)),
      f32x4.sub(v128.load(c, CORNER_V), v128.load(c, CORNER_V - 4)),
    );
    const inV = f32x4.add(
      f32x4.sub(v128.load(there, CELL_V_Q), v128.load(here, CELL_V_Q)),
      f32x4.sub(v128.load(c, CORNER_V_Q), v128.load(c, CORNER_V_Q - 4)),
    );
    v128.store(
      here,
      renewed(
        v,
        uAcross,
        eta,
        v128.load(up, ETA),
        v128.load(p, ZV),
        h,
        v128.load(up, H),
        f32x4.add(cf, v128.load(up, CF)),
        f32x4.add(nu, v128.load(up, NU)),
        f32x4.mul(f32x4.sub(fluxV, f32x4.mul(v, inV)), perDx),
        wetA,
        wetB,
        v128.and(f32x4.sub(vAhead, v), wetA),
        v128.and(f32x4.sub(vBehind, v), wetB),
        v128.and(f32x4.sub(vUp, v), f32x4.gt(v128.load(up, HV), film)),
        v128.and(f32x4.sub(vDown, v), f32x4.gt(v128.load(down, HV), film)),
        dt,
        perDx,
        perDx2,
        wall,
      ),
      NEW_V,
    );
  }
}

/** Puts the new velocities of row j in their place. */
function commit(j: i32, odd: usize): void {
  const first = rowOf(ROW_LO, j + PAD);
  const last = rowOf(ROW_HI, j + PAD);
  if (last < first) return;
  const bytes = <usize>(last - first + 1) << 4;
  const c = <usize>first << 4;
  memory.copy(rowStart(j) + c + U, c + odd + NEW_U, bytes);
  memory.copy(rowStart(j) + c + V, c + odd + NEW_V, bytes);
}

function momentum(dt: f64): void {
  let odd: usize = 0;
  for (let j = -1; j < ny; j++) {
    const first = rowOf(ROW_LO, j + PAD);
    const last = rowOf(ROW_HI, j + PAD);
    const from = min(first, rowOf(ROW_LO, j + 1 + PAD));
    const to = max(last, rowOf(ROW_HI, j + 1 + PAD));
    if (from <= to) fluxes(from, to, j, odd);
    if (j >= 0 && first <= last) {
      velocities(first, last, j, <f32>dt, odd);
      if (outflow != 0) {
        // No water enters through the outflow.
        const p = odd + NEW_U + 4 * (PAD - 1);
        if (load<f32>(p) > 0) store<f32>(p, 0);
      }
    }
    if (j >= 1) commit(j - 1, OTHER - odd);
    odd = OTHER - odd;
  }
  commit(ny - 1, OTHER - odd);
}

/** Upwind face depth and discharge of row j; the discharge that was set, on its inflow face. */
function faces(j: i32): void {
  const zero = f32x4.splat(0);
  const last = rowOf(ROW_HI, j + PAD);
  const row = rowStart(j);
  for (let b = rowOf(ROW_LO, j + PAD); b <= last; b++) {
    const p = row + (<usize>b << 4);
    const eta = v128.load(p, ETA);
    const u = v128.load(p, U);
    const v = v128.load(p, V);
    const ahead = v128.load(p, ETA + 4);
    const up = v128.load(p + S, ETA);
    const levelU = v128.bitselect(
      eta,
      v128.bitselect(ahead, f32x4.max(eta, ahead), f32x4.lt(u, zero)),
      f32x4.gt(u, zero),
    );
    const levelV = v128.bitselect(
      eta,
      v128.bitselect(up, f32x4.max(eta, up), f32x4.lt(v, zero)),
      f32x4.gt(v, zero),
    );
    const hu = f32x4.max(zero, f32x4.sub(levelU, v128.load(p, ZU)));
    const hv = f32x4.max(zero, f32x4.sub(levelV, v128.load(p, ZV)));
    v128.store(p, hu, HU);
    v128.store(p, hv, HV);
    v128.store(p, f32x4.mul(hu, u), QX);
    v128.store(p, f32x4.mul(hv, v), QY);
  }
  if (!inflow) return;
  const p = row + 4 * (PAD + nx - 1);
  store<f32>(p, load<f32>(p, H), HU);
  store<f32>(p, load<f32>(p, H) * load<f32>(p, U), QX);
}

function continuity(dt: f64): void {
  const c = <f32>(dt / cellM);
  const c4 = f32x4.splat(c);
  const zero = f32x4.splat(0);
  const lanes = i32x4(0, 1, 2, 3);
  let out: f64 = 0;
  for (let j = 0; j < ny; j++) {
    faces(j);
    const row = rowStart(j);
    out -= <f64>load<f32>(row + 4 * (PAD - 1), QX);
    const last = min(rowOf(ROW_HI, j + PAD), (PAD + nx - 1) >> 2);
    let wetFrom = lastBlock + 1;
    let wetTo = -1;
    for (let b = max(1, rowOf(ROW_LO, j + PAD)); b <= last; b++) {
      const p = row + (<usize>b << 4);
      const old = v128.load(p, H);
      const net = f32x4.add(
        f32x4.sub(v128.load(p, QX), v128.load(p, QX - 4)),
        f32x4.sub(v128.load(p, QY), v128.load(p - S, QY)),
      );
      const inside = i32x4.lt_s(
        i32x4.add(i32x4.splat((b << 2) - PAD), lanes),
        i32x4.splat(nx),
      );
      let h = v128.bitselect(f32x4.sub(old, f32x4.mul(c4, net)), old, inside);
      if (v128.any_true(f32x4.lt(h, zero))) {
        thin(p, min(4, nx + PAD - (b << 2)), c);
        h = v128.load(p, H);
      } else {
        v128.store(p, h, H);
        v128.store(p, f32x4.add(v128.load(p, ZB), h), ETA);
      }
      if (v128.any_true(v128.and(inside, f32x4.gt(h, zero)))) {
        if (wetTo < 0) wetFrom = b;
        wetTo = b;
      }
    }
    setRow(WET_LO, j + PAD, wetFrom);
    setRow(WET_HI, j + PAD, wetTo);
  }
  outflowM3s = out * cellM;
}

/** Cells of a block one by one, where one of them asks for more than it holds. */
function thin(from: usize, count: i32, c: f32): void {
  for (let n = 0; n < count; n++) {
    const p = from + (<usize>n << 2);
    const net =
      load<f32>(p, QX) - load<f32>(p, QX - 4) + load<f32>(p, QY) - load<f32>(p - S, QY);
    let depth = load<f32>(p, H) - c * net;
    if (depth < 0) {
      giveBack(p, c, -depth);
      depth = 0;
    }
    store<f32>(p, depth, H);
    store<f32>(p, load<f32>(p, ZB) + depth, ETA);
  }
}

/** Its outflows are given back in proportion, so that volume is kept. `deficit` is what is missing, m. */
function giveBack(p: usize, c: f32, deficit: f32): void {
  const west = max(<f32>0, -load<f32>(p, QX - 4));
  const south = max(<f32>0, -load<f32>(p - S, QY));
  const east = max(<f32>0, load<f32>(p, QX));
  const north = max(<f32>0, load<f32>(p, QY));
  const share = deficit / (c * (west + south + east + north));
  store<f32>(p, load<f32>(p, QX) - share * east, QX);
  store<f32>(p, load<f32>(p, QY) - share * north, QY);
  store<f32>(p - 4, load<f32>(p - 4, QX) + share * west, QX);
  store<f32>(p - S, load<f32>(p - S, QY) + share * south, QY);
  takeBack(p - 4, c * share * west);
  takeBack(p - S, c * share * south);
}

/** A cell that has had its turn gives up what it was given too much; what it lacks is counted. */
function takeBack(p: usize, depth: f32): void {
  let h = load<f32>(p, H) - depth;
  if (h < 0) {
    clampedM3 -= <f64>h * cellM * cellM;
    h = 0;
  }
  store<f32>(p, h, H);
  store<f32>(p, load<f32>(p, ZB) + h, ETA);
}

function renewRows(): void {
  const rows = ny + 2 * PAD;
  for (let j = 0; j < rows; j++) {
    let lo = lastBlock + 1;
    let hi = -1;
    const to = min(rows - 1, j + REACH_ROWS);
    for (let n = max(0, j - REACH_ROWS); n <= to; n++) {
      lo = min(lo, rowOf(WET_LO, n));
      hi = max(hi, rowOf(WET_HI, n));
    }
    if (hi >= 0) {
      lo = max(0, lo - 1);
      hi = min(lastBlock, hi + 1);
    }
    const oldLo = rowOf(ROW_LO, j);
    const oldHi = rowOf(ROW_HI, j);
    if (oldLo < lo || oldHi > hi) {
      const row = <usize>j * S;
      for (let b = oldLo; b <= min(oldHi, lo - 1); b++) clear(row + (<usize>b << 4));
      for (let b = max(oldLo, hi + 1); b <= oldHi; b++) clear(row + (<usize>b << 4));
    }
    setRow(ROW_LO, j, lo);
    setRow(ROW_HI, j, hi);
  }
}

function clear(p: usize): void {
  const zero = f32x4.splat(0);
  v128.store(p, zero, U);
  v128.store(p, zero, V);
  v128.store(p, zero, HU);
  v128.store(p, zero, HV);
  v128.store(p, zero, QX);
  v128.store(p, zero, QY);
}

/** Cube root of positive numbers: a third of the exponent, then twice Halley. */
// @ts-ignore: decorator
@inline
function cubeRoot(x: v128): v128 {
  const third = f32x4.mul(f32x4.convert_i32x4_s(x), f32x4.splat(1.0 / 3.0));
  let y = i32x4.add(i32x4.trunc_sat_f32x4_s(third), i32x4.splat(709921077));
  for (let n = 0; n < 2; n++) {
    const y3 = f32x4.mul(f32x4.mul(y, y), y);
    const twice = f32x4.add(x, x);
    y = f32x4.mul(y, f32x4.div(f32x4.add(y3, twice), f32x4.add(f32x4.add(y3, y3), x)));
  }
  return y;
}

/** cf, nu and the time step; the laws are `renewCoefficients` of the reference. */
function renewCoefficients(): void {
  const film = f32x4.splat(WET_FACE_M);
  const zero = f32x4.splat(0);
  let fastest = f32x4.splat(1e-9);
  for (let j = 0; j < ny; j++) {
    const row = rowStart(j);
    const last = rowOf(ROW_HI, j + PAD);
    for (let b = rowOf(ROW_LO, j + PAD); b <= last; b++) {
      const p = row + (<usize>b << 4);
      const h = v128.load(p, H);
      const wet = f32x4.gt(h, film);
      // A cell about to be wetted has the friction of a film, not more.
      const depth = f32x4.max(film, h);
      const manning = f32x4.div(v128.load(p, GNN), cubeRoot(depth));
      const d84 = v128.load(p, D84);
      const stony = v128.and(wet, f32x4.gt(d84, zero));
      const x = f32x4.div(depth, v128.bitselect(d84, f32x4.splat(1), stony));
      const root = cubeRoot(x);
      const stones = f32x4.div(
        f32x4.add(
          f32x4.splat(A1_SQ),
          f32x4.mul(f32x4.splat(A2_SQ), f32x4.mul(x, f32x4.mul(root, root))),
        ),
        f32x4.mul(f32x4.splat(A1_SQ * A2_SQ), f32x4.mul(x, x)),
      );
      const cf = f32x4.max(manning, v128.and(stones, stony));
      v128.store(p, cf, CF);
      const u = f32x4.max(f32x4.abs(v128.load(p, U)), f32x4.abs(v128.load(p, U - 4)));
      const v = f32x4.max(f32x4.abs(v128.load(p, V)), f32x4.abs(v128.load(p - S, V)));
      const speed = f32x4.sqrt(f32x4.add(f32x4.mul(u, u), f32x4.mul(v, v)));
      const eddy = f32x4.mul(f32x4.mul(f32x4.sqrt(cf), speed), f32x4.mul(depth, f32x4.splat(NU_FACTOR)));
      v128.store(p, f32x4.add(f32x4.splat(NU_FLOOR), v128.and(eddy, wet)), NU);
      const wave = f32x4.add(
        f32x4.add(u, v),
        f32x4.sqrt(f32x4.mul(f32x4.splat(2 * GRAVITY), depth)),
      );
      fastest = f32x4.max(fastest, v128.and(wave, wet));
    }
    // The outflow ghost takes its neighbour's coefficients.
    const first = row + 4 * PAD;
    store<f32>(first - 4, load<f32>(first, CF), CF);
    store<f32>(first - 4, load<f32>(first, NU), NU);
  }
  const a = max(f32x4.extract_lane(fastest, 0), f32x4.extract_lane(fastest, 1));
  const b = max(f32x4.extract_lane(fastest, 2), f32x4.extract_lane(fastest, 3));
  dtS = min((courant * cellM) / <f64>max(a, b), 1);
}
