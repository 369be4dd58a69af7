import { solveShallowWater, type ShallowWaterResult } from './index';

/** Flow over the parabolic bump of Goutal & Maurel (1997), Delestre et al. (2013, SWASHES). */
const G = 9.81;
const LENGTH_M = 25;
const bump = (x: number) => (x > 8 && x < 12 ? 0.2 - 0.05 * (x - 10) ** 2 : 0);

/** Depth with the given head over the bed: the slow branch or the quick one. */
function depthOf(q: number, headM: number, x: number, branch: 'slow' | 'quick'): number {
  const critical = Math.cbrt((q * q) / G);
  let [lo, hi] = branch === 'slow' ? [critical, 10] : [1e-3, critical];
  for (let n = 0; n < 100; n++) {
    const mid = (lo + hi) / 2;
    const over = bump(x) + mid + (q * q) / (2 * G * mid * mid) - headM;
    if (branch === 'slow' ? over < 0 : over > 0) lo = mid;
    else hi = mid;
  }
  return lo;
}

interface BumpRun {
  q: number;
  cellM: number;
  outlet: { kind: 'free' } | { kind: 'stage'; surfaceM: number };
  /** Depth to start from, moving at q; a number is a level at rest. */
  startM: number | ((x: number) => number);
  untilS: number;
  rows?: number;
}

function overBump({ q, cellM, outlet, startM, untilS, rows = 1 }: BumpRun) {
  const nx = Math.round(LENGTH_M / cellM);
  const xOf = (i: number) => LENGTH_M - (i + 0.5) * cellM; // the stream runs toward -x
  const depthM = Float64Array.from({ length: nx * rows }, (_, k) =>
    typeof startM === 'function' ? startM(xOf(k % nx)) : startM - bump(xOf(k % nx)),
  );
  const u = depthM.map((h) => (typeof startM === 'function' ? -q / h : 0));
  const result = solveShallowWater({
    nx,
    ny: rows,
    cellM,
    bedM: Float64Array.from({ length: nx * rows }, (_, k) => bump(xOf(k % nx))),
    manningN: 0,
    inflow: { edge: 'xMax', dischargeM3s: q * cellM * rows },
    outflow: { edge: 'xMin', ...outlet },
    initial: { depthM, u },
    options: { untilS, wallDrag: false, eddyViscosity: false },
  });
  return { result, nx, xOf };
}

const meanError = (
  r: ShallowWaterResult,
  nx: number,
  xOf: (i: number) => number,
  exact: (x: number) => number,
) => {
  let sum = 0;
  for (let i = 0; i < nx; i++) sum += Math.abs(r.depthM[i]! - exact(xOf(i)));
  return sum / nx;
};

describe('transcritical without shock, q 1.53 m2/s', () => {
  const q = 1.53;
  const headM = bump(10) + 1.5 * Math.cbrt((q * q) / G);
  const exact = (x: number) => depthOf(q, headM, x, x < 10 ? 'slow' : 'quick');

  it('the exact depths here are the published ones', () => {
    for (const [x, h] of [
      [0, 1.014447],
      [9, 0.788465],
      [10, 0.620256],
      [11, 0.496622],
      [13, 0.405781],
    ] as const)
      expect(exact(x)).toBeCloseTo(h, 4);
  });

  it('the solved depths are within 1 % in the mean, and finer is better', () => {
    const error = (cellM: number) => {
      const { result, nx, xOf } = overBump({
        q,
        cellM,
        outlet: { kind: 'free' },
        startM: (x) => (x < 10 ? 1 - bump(x) : 0.45),
        untilS: 120,
      });
      return meanError(result, nx, xOf, exact);
    };
    const [coarse, middle, fine] = [error(0.4), error(0.2), error(0.1)] as const;
    expect(fine).toBeLessThan(0.007);
    expect(middle).toBeLessThan(coarse);
    expect(fine).toBeLessThan(middle);
  });
});

describe('transcritical with shock, q 0.18 m2/s, outlet 0.33 m', () => {
  const q = 0.18;
  const cellM = 0.1;
  const critical = Math.cbrt((q * q) / G);
  const headAbove = bump(10) + 1.5 * critical;
  const headBelow = 0.33 + (q * q) / (2 * G * 0.33 ** 2);
  /** Where the quick depth's conjugate is the slow one (momentum across a jump). */
  const shockX = (() => {
    // Above this the slow branch has head enough.
    const least = 10 + Math.sqrt((0.2 - (headBelow - 1.5 * critical)) / 0.05);
    let [lo, hi] = [least + 1e-6, 11.99];
    for (let n = 0; n < 80; n++) {
      const x = (lo + hi) / 2;
      const quick = depthOf(q, headAbove, x, 'quick');
      const froude = q / quick / Math.sqrt(G * quick);
      const conjugate = (quick / 2) * (Math.sqrt(1 + 8 * froude * froude) - 1);
      if (conjugate > depthOf(q, headBelow, x, 'slow')) lo = x;
      else hi = x;
    }
    return lo;
  })();

  it('the jump stands within a cell of where it must, the depth ahead of it within 2 %', () => {
    // Published place (SWASHES, from memory): 11.6655 m.
    expect(shockX).toBeCloseTo(11.6655, 2);
    const { result, nx, xOf } = overBump({
      q,
      cellM,
      outlet: { kind: 'stage', surfaceM: 0.33 },
      startM: 0.33,
      untilS: 300,
    });
    let steepest = 0;
    let at = 0;
    for (let i = 1; i < nx; i++) {
      const rise = result.depthM[i - 1]! - result.depthM[i]!;
      if (rise > steepest) {
        steepest = rise;
        at = (xOf(i) + xOf(i - 1)) / 2;
      }
    }
    expect(Math.abs(at - shockX)).toBeLessThanOrEqual(cellM);
    // Two cells ahead: the jump itself is two cells wide.
    const ahead = Math.round((LENGTH_M - (shockX - 2.5 * cellM)) / cellM - 0.5);
    const exact = depthOf(q, headAbove, xOf(ahead), 'quick');
    expect(Math.abs(result.depthM[ahead]! / exact - 1)).toBeLessThan(0.02);
  });
});

describe('subcritical, q 4.42 m2/s, outlet 2 m', () => {
  const q = 4.42;
  const headM = 2 + (q * q) / (2 * G * 4);
  const error = (cellM: number) => {
    const { result, nx, xOf } = overBump({
      q,
      cellM,
      outlet: { kind: 'stage', surfaceM: 2 },
      startM: 2,
      untilS: 300,
    });
    return meanError(result, nx, xOf, (x) => depthOf(q, headM, x, 'slow'));
  };

  it('halving the cell more than halves the error (refinement .4, .2, .1 m)', () => {
    const [e4, e2, e1] = [error(0.4), error(0.2), error(0.1)] as const;
    expect(e4 / e2).toBeGreaterThan(1.6);
    expect(e2 / e1).toBeGreaterThan(1.6);
    expect(e1).toBeLessThan(0.0008);
  });

  it('the steady flux is the same all along, to 1e-9', () => {
    const depths = (untilS: number) =>
      overBump({ q, cellM: 0.4, outlet: { kind: 'stage', surfaceM: 2 }, startM: 2, untilS }).result
        .depthM;
    const [now, later] = [depths(2000), depths(2010)];
    // q(x) differs between two places by what the water between them gains in a second.
    let gain = 0;
    for (let i = 0; i < now.length; i++) gain += (Math.abs(later[i]! - now[i]!) * 0.4) / 10;
    expect(gain / q).toBeLessThan(1e-9);
  });
});
