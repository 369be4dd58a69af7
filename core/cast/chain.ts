/**
 * An inextensible chain that may go slack, carried by a current:
 *
 *   0 --- 1 --- 2 ... n-1   (- - - tip)
 *   fly                     water entry
 *
 * Segment j joins node j and j + 1; the last, when there is a tip, joins node n - 1 to it.
 * C_j = |d_j| - l_j <= 0 with tension lambda_j >= 0 (impulse, N s).
 */
export interface Chain {
  /** Nodes in use; line paid out or taken in changes it, up to the length of the arrays. */
  n: number;
  x: Float64Array;
  y: Float64Array;
  /** Where each node would be without tension. */
  freeX: Float64Array;
  freeY: Float64Array;
  /** How far tension held each node off its free place in the step before: where the next begins. */
  heldX: Float64Array;
  heldY: Float64Array;
  /** Longest length of segment j, m; [n - 1] is the air part's horizontal reach. */
  rest: Float64Array;
  /** Cross-flow friction of each node, N s/m. */
  zeta: Float64Array;
  /** Tangents at the start of the step. */
  tx: Float64Array;
  ty: Float64Array;
  /** 1 where a node lies on dry ground. */
  dry: Uint8Array;
  /** Tension impulse of the last step, warm start. */
  lambda: Float64Array;
  /** How far a pull from outside moves the last node's free place this step, m: part of `freeX`, `freeY`. */
  pullX: number;
  pullY: number;
  /** Cross-flow over lengthwise friction of line. */
  dragRatio: number;
  /** By how much each node's friction is less lengthwise, 0-1: 0 for what is round, as the fly is. */
  lean: Float64Array;
  work: ChainWork;
}

/** Scratch of one solve, per node: S^-1 and T (symmetric 2 x 2), q = S^-1 b, the tangent e and C. */
interface ChainWork {
  sxx: Float64Array;
  sxy: Float64Array;
  syy: Float64Array;
  txx: Float64Array;
  txy: Float64Array;
  tyy: Float64Array;
  qx: Float64Array;
  qy: Float64Array;
  ex: Float64Array;
  ey: Float64Array;
  c: Float64Array;
  active: Uint8Array;
}

export function createChain(n: number, dragRatio: number, most = n): Chain {
  const make = () => new Float64Array(most);
  return {
    n,
    x: make(),
    y: make(),
    freeX: make(),
    freeY: make(),
    heldX: make(),
    heldY: make(),
    rest: make(),
    zeta: make(),
    tx: make(),
    ty: make(),
    dry: new Uint8Array(most),
    lambda: make(),
    pullX: 0,
    pullY: 0,
    dragRatio,
    lean: leanOf(make(), dragRatio),
    work: {
      sxx: make(),
      sxy: make(),
      syy: make(),
      txx: make(),
      txy: make(),
      tyy: make(),
      qx: make(),
      qy: make(),
      ex: make(),
      ey: make(),
      c: make(),
      active: new Uint8Array(most),
    },
  };
}

/** A line of one ratio, with a round fly at node 0: to the length of the arrays, since paying out adds nodes. */
function leanOf(lean: Float64Array, dragRatio: number): Float64Array {
  lean.fill(1 - 1 / dragRatio);
  lean[0] = 0;
  return lean;
}

let spare: Chain | null = null;

/**
 * A chain to be used and let go within one call: the last one again where it is long enough, since a
 * search asks for thousands. Never held across calls.
 */
export function borrowChain(n: number, dragRatio: number, most: number): Chain {
  if (!spare || spare.x.length < most) spare = createChain(Math.max(most, LEAST_SPARE), dragRatio);
  spare.n = n;
  spare.dragRatio = dragRatio;
  leanOf(spare.lean, dragRatio);
  spare.lambda.fill(0);
  spare.dry.fill(0);
  spare.pullX = 0;
  spare.pullY = 0;
  spare.freeX.fill(0);
  spare.freeY.fill(0);
  spare.heldX.fill(0);
  spare.heldY.fill(0);
  return spare;
}
const LEAST_SPARE = 128;

/** Constraint violation that counts as met, m. Looser than 1e-3 gives false drag. */
const TOLERANCE_M = 1e-4;
/** Movement in the last round that counts as settled, m. */
const SETTLED_M = 2e-4;
const MAX_ROUNDS = 30;
/** In so many rounds neighbours are drawn tight ahead; one that then swings goes on one at a time. */
const LOOKS_AHEAD = 5;
/** A round may not move a node further than this, m: keeps tangents meaningful. */
const MAX_MOVE_M = 0.25;
/** Tension impulse below which a segment does not resist turning, N s. */
const NO_TENSION = 1e-12;

/** Where the chain is held: nowhere, or within `rest[n - 1]` of a tip. */
export interface ChainEnd {
  held: boolean;
  x: number;
  y: number;
}

/** Unit tangents by central differences, from the fly up. */
export function renewTangents(chain: Chain): void {
  const { n, x, y, tx, ty } = chain;
  for (let i = 0; i < n; i++) {
    const a = i > 0 ? i - 1 : i;
    const b = i < n - 1 ? i + 1 : i;
    const dx = x[b]! - x[a]!;
    const dy = y[b]! - y[a]!;
    const length = Math.sqrt(dx * dx + dy * dy);
    tx[i] = length > 1e-12 ? dx / length : 1;
    ty[i] = length > 1e-12 ? dy / length : 0;
  }
}

/**
 * Moves the nodes from their free places to where tension holds them: the minimum of
 * 1/2 sum (x - free)^T M^-1 (x - free) with every |d_j| <= l_j, M_i^-1 = zeta_i (I - lean_i t t^T).
 * The problem is convex, so the answer is the only one. Newton's method on its conditions: each
 * round takes as tight the segments with lambda + zeta C > 0 (primal-dual active set, warm-started)
 * and solves the chain by elimination from the fly to the tip.
 * True when every segment is within tolerance and nothing moves any more; false at the cap ("unknown").
 */
export function tighten(chain: Chain, end: ChainEnd): boolean {
  const { n, x, y, freeX, freeY, heldX, heldY } = chain;
  // Where one begins is free: where tension held the chain in the step before is near the answer.
  for (let i = 0; i < n; i++) {
    x[i] = freeX[i]! + heldX[i]!;
    y[i] = freeY[i]! + heldY[i]!;
  }
  if (heldX[n - 1] === 0 && heldY[n - 1] === 0) {
    // A pulled end that is held back goes nowhere near its free place.
    x[n - 1] = x[n - 1]! - chain.pullX;
    y[n - 1] = y[n - 1]! - chain.pullY;
  }
  const rows = end.held ? n : n - 1;
  for (let round = 0; round < MAX_ROUNDS; round++) {
    const worst = measure(chain, end, rows);
    if (round < LOOKS_AHEAD) lookAhead(chain, rows);
    const cold = round === 0 && isSlack(chain);
    if (cold && worst <= 0 && chain.pullX === 0 && chain.pullY === 0) return true;
    eliminate(chain, rows);
    // Without tension a chain turns freely: from cold, the first round finds tensions and moves nothing.
    const moved = substitute(chain, rows, !cold);
    if (moved <= SETTLED_M && worst <= TOLERANCE_M && !pushes(chain)) return true;
  }
  return measure(chain, end, rows) <= TOLERANCE_M;
}

/** Whether a segment taken for tight holds its ends apart. */
function pushes({ n, lambda }: Chain): boolean {
  for (let j = 0; j < n; j++) if (lambda[j]! < -NO_TENSION) return true;
  return false;
}

function isSlack(chain: Chain): boolean {
  for (let j = 0; j < chain.n; j++) if (chain.lambda[j]! > 0) return false;
  return true;
}

/** Tangents e_j, C_j = |d_j| - l_j and the active set; returns the largest C. */
function measure(chain: Chain, end: ChainEnd, rows: number): number {
  const { n, x, y, rest, lambda, zeta, work } = chain;
  let worst = 0;
  for (let j = 0; j < n; j++) {
    if (j >= rows) {
      work.active[j] = 0;
      continue;
    }
    const dx = (j === n - 1 ? end.x : x[j + 1]!) - x[j]!;
    const dy = (j === n - 1 ? end.y : y[j + 1]!) - y[j]!;
    const length = Math.sqrt(dx * dx + dy * dy);
    const c = length - rest[j]!;
    work.c[j] = c;
    work.ex[j] = length > 1e-12 ? dx / length : 1;
    work.ey[j] = length > 1e-12 ? dy / length : 0;
    if (c > worst) worst = c;
    work.active[j] = lambda[j]! + zeta[j]! * c > 0 ? 1 : 0;
  }
  return worst;
}

/**
 * A segment that is too long by v pulls the slack out of its neighbours one after the other: those that
 * v would draw tight are taken as tight at once, where a round each would find them. One that was
 * taken so in vain pushes, and is let go in the next round.
 */
function lookAhead({ work }: Chain, rows: number): void {
  const { c, active } = work;
  for (let j = 1, v = c[0]!; j < rows; j++) v = drawn(c, active, j, v);
  for (let j = rows - 2, v = c[rows - 1]!; j >= 0; j--) v = drawn(c, active, j, v);
}

function drawn(c: Float64Array, active: Uint8Array, j: number, v: number): number {
  const own = c[j]!;
  if (active[j] || v <= 0) return own > 0 ? own : 0;
  const left = v + own;
  if (left <= 0) return 0;
  active[j] = 1;
  return left;
}

/**
 * From the fly up. With all before node i eliminated it obeys S_i dx_i - F_i = b_i, F_i the
 * impulse of segment i on it. A tight segment gives dx_i+1 = dx_i - C e + (|d|/lambda)(p.F) p, p
 * across e: it cannot lengthen, and turns the easier the less it is pulled. Hence
 *   F_i = T_i (dx_i+1 - S_i^-1 b_i + C_i e_i),  T_i = (S_i^-1 + (|d|/lambda) p p^T)^-1
 * and node i + 1 has S = M^-1 + T_i, b = -M^-1 (x - free) + T_i (S_i^-1 b_i - C_i e_i).
 */
function eliminate(chain: Chain, rows: number): void {
  const { n, x, y, freeX, freeY, zeta, tx, ty, lambda, rest, lean, work } = chain;
  const { sxx, sxy, syy, txx, txy, tyy, qx, qy, ex, ey, c, active } = work;
  let addXx = 0;
  let addXy = 0;
  let addYy = 0;
  let addBx = 0;
  let addBy = 0;
  for (let i = 0; i < n; i++) {
    // M^-1 = zeta (I - lean t t^T).
    const z = zeta[i]!;
    const w = lean[i]!;
    const mxx = z * (1 - w * tx[i]! * tx[i]!);
    const mxy = -z * w * tx[i]! * ty[i]!;
    const myy = z * (1 - w * ty[i]! * ty[i]!);
    const ox = freeX[i]! - x[i]!;
    const oy = freeY[i]! - y[i]!;
    const bx = mxx * ox + mxy * oy + addBx;
    const by = mxy * ox + myy * oy + addBy;
    const axx = mxx + addXx;
    const axy = mxy + addXy;
    const ayy = myy + addYy;
    // One division a matrix: the three entries share it.
    const perDet = 1 / (axx * ayy - axy * axy);
    const s11 = ayy * perDet;
    const s12 = -axy * perDet;
    const s22 = axx * perDet;
    const q1 = s11 * bx + s12 * by;
    const q2 = s12 * bx + s22 * by;
    sxx[i] = s11;
    sxy[i] = s12;
    syy[i] = s22;
    qx[i] = q1;
    qy[i] = q2;
    if (i >= rows || !active[i]) {
      addXx = addXy = addYy = addBx = addBy = 0;
      continue;
    }
    const gx = ex[i]!;
    const gy = ey[i]!;
    const pull = lambda[i]!;
    if (pull > NO_TENSION) {
      const turn = (rest[i]! + c[i]!) / pull;
      const cxx = s11 + turn * gy * gy;
      const cxy = s12 - turn * gx * gy;
      const cyy = s22 + turn * gx * gx;
      const per = 1 / (cxx * cyy - cxy * cxy);
      addXx = cyy * per;
      addXy = -cxy * per;
      addYy = cxx * per;
    } else {
      const along = 1 / (gx * gx * s11 + 2 * gx * gy * s12 + gy * gy * s22);
      addXx = along * gx * gx;
      addXy = along * gx * gy;
      addYy = along * gy * gy;
    }
    const rx = q1 - c[i]! * gx;
    const ry = q2 - c[i]! * gy;
    txx[i] = addXx;
    txy[i] = addXy;
    tyy[i] = addYy;
    addBx = addXx * rx + addXy * ry;
    addBy = addXy * rx + addYy * ry;
  }
}

/** Back from the tip: impulses, tensions and moves. Returns the largest move. */
function substitute(chain: Chain, rows: number, apply: boolean): number {
  const { n, x, y, lambda, work } = chain;
  const { sxx, sxy, syy, txx, txy, tyy, qx, qy, ex, ey, c, active } = work;
  let nextX = 0; // the tip does not move
  let nextY = 0;
  let most = 0;
  for (let i = n - 1; i >= 0; i--) {
    let dx = qx[i]!;
    let dy = qy[i]!;
    if (i < rows && active[i]) {
      const rx = nextX - dx + c[i]! * ex[i]!;
      const ry = nextY - dy + c[i]! * ey[i]!;
      const fx = txx[i]! * rx + txy[i]! * ry;
      const fy = txy[i]! * rx + tyy[i]! * ry;
      lambda[i] = fx * ex[i]! + fy * ey[i]!;
      dx += sxx[i]! * fx + sxy[i]! * fy;
      dy += sxy[i]! * fx + syy[i]! * fy;
    } else lambda[i] = 0;
    nextX = dx;
    nextY = dy;
    work.qx[i] = dx;
    work.qy[i] = dy;
    const move = Math.max(Math.abs(dx), Math.abs(dy));
    if (move > most) most = move;
  }
  if (!apply) return most;
  const share = most > MAX_MOVE_M ? MAX_MOVE_M / most : 1;
  for (let i = 0; i < n; i++) {
    x[i] = x[i]! + share * qx[i]!;
    y[i] = y[i]! + share * qy[i]!;
  }
  return most;
}
