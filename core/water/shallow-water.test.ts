import fc from 'fast-check';
import { KERNEL_NAMES } from './kernel-name';
import { solveShallowWater as solveWith, type ShallowWaterInput } from './shallow-water';
import { normalDepthM, manningSpeedMps } from './section-hydraulics';

const G = 9.81;

/** What each precision keeps: still water, a uniform depth, the volume of what is shut in. */
const HOLDS = {
  typescript: { restMps: 1e-12, depthM: 1e-10, volume: 1e-12 },
  wasm: { restMps: 1.4e-5, depthM: 1e-6, volume: 6e-7 },
};

describe.each(KERNEL_NAMES)('the step in %s', (kernel) => {
  const holds = HOLDS[kernel];
  const solveShallowWater = (input: ShallowWaterInput) =>
    solveWith({ ...input, options: { ...input.options, kernel } });

  describe('lake at rest', () => {
    it('stays at rest over an uneven bed with an island ', () => {
      const nx = 40;
      const ny = 30;
      const bedM = new Float64Array(nx * ny);
      for (let j = 0; j < ny; j++) {
        for (let i = 0; i < nx; i++) {
          const island = 1.2 * Math.exp(-((i - 12) ** 2 + (j - 17) ** 2) / 20);
          bedM[j * nx + i] = 0.1 * Math.sin(i * 0.7) + 0.13 * Math.cos(j * 0.9 + i * 0.2) + island;
        }
      }
      const r = solveShallowWater({
        nx,
        ny,
        cellM: 0.2,
        bedM,
        manningN: 0.04,
        inflow: null,
        outflow: null,
        initial: { surfaceM: 0.6 },
        options: { untilS: 20 },
      });
      let dry = 0;
      let fastest = 0;
      for (let k = 0; k < nx * ny; k++) {
        fastest = Math.max(fastest, Math.abs(r.u[k]!), Math.abs(r.v[k]!));
        if (r.depthM[k] === 0) dry++;
      }
      expect(dry).toBeGreaterThan(5);
      expect(fastest).toBeLessThanOrEqual(holds.restMps);
      expect(r.massError).toBeLessThan(holds.volume);
    });
  });

  describe('uniform channel', () => {
    // Wide channel, normal depth h = (q n / sqrt S)^(3/5) (Manning).
    it.each([0.005, 0.01, 0.02])('holds normal depth at slope %f', (slope) => {
      const nx = 60;
      const ny = 5;
      const n = 0.04;
      const q = 0.3;
      const h = normalDepthM(q, slope, n);
      const bedM = Float64Array.from({ length: nx * ny }, (_, k) => slope * 0.2 * (k % nx));
      const depthM = new Float64Array(nx * ny).fill(h);
      const u = new Float64Array(nx * ny).fill(-q / h);
      const r = solveShallowWater({
        nx,
        ny,
        cellM: 0.2,
        bedM,
        manningN: n,
        inflow: { edge: 'xMax', dischargeM3s: q * ny * 0.2 },
        outflow: { edge: 'xMin', kind: 'normal-depth', slope },
        initial: { depthM, u },
        options: { untilS: 20, wallDrag: false },
      });
      let worst = 0;
      for (let k = 0; k < nx * ny; k++) worst = Math.max(worst, Math.abs(r.depthM[k]! - h));
      expect(worst).toBeLessThanOrEqual(holds.depthM);
      expect(r.clampedM3).toBe(0);
    });

    it('reproduces the handbook values of Manning (reference.md section 1)', () => {
      expect(manningSpeedMps(0.33333333, 0.01, 0.04)).toBeCloseTo(1.20187, 5);
      expect(normalDepthM(0.5, 0.01, 0.04)).toBeCloseTo(0.38073, 5);
    });
  });

  describe('flow over a bump, subcritical (Goutal & Maurel 1997; Delestre et al. 2013)', () => {
    const q = 4.42;
    const bump = (x: number) => (x > 8 && x < 12 ? 0.2 - 0.05 * (x - 10) ** 2 : 0);
    const head = 2 + q ** 2 / (2 * G * 4);
    const exactDepth = (x: number) => {
      let lo = 1;
      let hi = 3;
      for (let n = 0; n < 80; n++) {
        const mid = (lo + hi) / 2;
        if (bump(x) + mid + q ** 2 / (2 * G * mid ** 2) < head) lo = mid;
        else hi = mid;
      }
      return lo;
    };

    it('the exact solution here agrees with the published depths', () => {
      expect(head).toBeCloseTo(2.248935, 6);
      expect(exactDepth(9)).toBeCloseTo(1.787185, 5);
      expect(exactDepth(10)).toBeCloseTo(1.707347, 5);
    });

    it.each([
      ['+x', 'xMin', 'xMax', 1],
      ['-x', 'xMax', 'xMin', -1],
    ] as const)('running %s, depth L1 <= 1.5 mm at .2 m', (_, inEdge, outEdge, sign) => {
      const nx = 125;
      const ny = 3;
      const cellM = 0.2;
      const xOf = (i: number) => (sign > 0 ? (i + 0.5) * cellM : 25 - (i + 0.5) * cellM);
      const bedM = Float64Array.from({ length: nx * ny }, (_v, k) => bump(xOf(k % nx)));
      const r = solveShallowWater({
        nx,
        ny,
        cellM,
        bedM,
        manningN: 0,
        inflow: { edge: inEdge, dischargeM3s: q * ny * cellM },
        outflow: { edge: outEdge, kind: 'stage', surfaceM: 2 },
        initial: { surfaceM: 2 },
        options: { untilS: 250, wallDrag: false, eddyViscosity: false },
      });
      let l1 = 0;
      let flux = 0;
      for (let i = 0; i < nx; i++) {
        l1 += Math.abs(r.depthM[nx + i]! - exactDepth(xOf(i))) / nx;
        flux = Math.max(flux, Math.abs((sign * r.u[nx + i]! * r.depthM[nx + i]!) / q - 1));
      }
      expect(l1).toBeLessThanOrEqual(0.0015);
      expect(flux).toBeLessThan(0.02);
    });
  });

  /** Ritter (1892): h = (4/9g)(sqrt(g hl) - s/2)^2, s = x/t from the dam. */
  function ritter(hl: number, x: number, t: number) {
    const c = Math.sqrt(G * hl);
    const s = x / t;
    if (s <= -c) return { h: hl, u: 0 };
    if (s >= 2 * c) return { h: 0, u: 0 };
    return { h: (4 / (9 * G)) * (c - s / 2) ** 2, u: (2 / 3) * (s + c) };
  }

  describe('dam break', () => {
    it('the analytic dry solution agrees with the table (Ritter)', () => {
      const at = (x: number) => ritter(0.005, x - 5, 6);
      expect(at(4).h).toBeCloseTo(0.00420915, 8);
      expect(at(4).u).toBeCloseTo(0.0365371, 6);
      expect(at(5).h).toBeCloseTo(0.00222222, 8);
      expect(at(6).u).toBeCloseTo(0.258759, 6);
    });

    const run = (right: number) => {
      const nx = 500;
      const ny = 3;
      const depthM = Float64Array.from({ length: nx * ny }, (_, k) =>
        (k % nx) + 0.5 < 250 ? 1 : right,
      );
      return solveShallowWater({
        nx,
        ny,
        cellM: 0.1,
        bedM: new Float64Array(nx * ny),
        manningN: 0,
        inflow: null,
        outflow: null,
        initial: { depthM },
        options: { untilS: 3, eddyViscosity: false, wallDrag: false },
      });
    };

    it('dry bed: L1 <= 2.5 mm (Ritter, set-up of the contract)', () => {
      const r = run(0);
      let l1 = 0;
      for (let i = 0; i < 500; i++)
        l1 += Math.abs(r.depthM[500 + i]! - ritter(1, (i + 0.5) * 0.1 - 25, 3).h) / 500;
      expect(l1).toBeLessThanOrEqual(0.0025);
      expect(r.clampedM3).toBe(0);
      expect(r.massError).toBeLessThan(holds.volume);
    });

    it('wet bed 1 : .1: L1 <= 2 mm (Stoker 1957)', () => {
      const exact = stoker(1, 0.1);
      const r = run(0.1);
      let l1 = 0;
      for (let i = 0; i < 500; i++)
        l1 += Math.abs(r.depthM[500 + i]! - exact((i + 0.5) * 0.1 - 25, 3)) / 500;
      expect(l1).toBeLessThanOrEqual(0.002);
    });

    it('Stoker here agrees with the published middle depth, speed and shock', () => {
      const m = stokerMiddle(0.005, 0.001);
      expect(m.hm).toBeCloseTo(0.002539357, 8);
      expect(m.um).toBeCloseTo(0.1272797, 6);
      expect(m.shock).toBeCloseTo(0.2099634, 6);
    });
  });

  /** Middle state behind the shock by bisection on its celerity condition. */
  function stokerMiddle(hl: number, hr: number) {
    let lo = hr;
    let hi = hl;
    const gap = (hm: number) =>
      2 * (Math.sqrt(G * hl) - Math.sqrt(G * hm)) -
      (hm - hr) * Math.sqrt((G / 2) * (1 / hm + 1 / hr));
    for (let n = 0; n < 100; n++) {
      const mid = (lo + hi) / 2;
      if (gap(mid) > 0) lo = mid;
      else hi = mid;
    }
    const um = 2 * (Math.sqrt(G * hl) - Math.sqrt(G * lo));
    return { hm: lo, um, shock: (lo * um) / (lo - hr) };
  }

  function stoker(hl: number, hr: number) {
    const { hm, um, shock } = stokerMiddle(hl, hr);
    return (x: number, t: number) => {
      const s = x / t;
      if (s <= -Math.sqrt(G * hl)) return hl;
      if (s <= um - Math.sqrt(G * hm)) return (4 / (9 * G)) * (Math.sqrt(G * hl) - s / 2) ** 2;
      return s <= shock ? hm : hr;
    };
  }

  describe('symmetry', () => {
    // An off-centre block, so that a swapped or mirrored axis would show.
    const set = (turn: (i: number, j: number) => [number, number], nx: number, ny: number) => {
      const bedM = new Float64Array(nx * ny);
      for (let j = 0; j < ny; j++) {
        for (let i = 0; i < nx; i++) {
          const [a, b] = turn(i, j);
          bedM[j * nx + i] =
            0.008 * 0.2 * a + (Math.hypot(a - 20, b - 6) < 2.5 ? 0.8 : 0) + 0.02 * Math.abs(b - 4);
        }
      }
      return bedM;
    };
    const outflow = { kind: 'normal-depth', slope: 0.008 } as const;

    it('a channel turned by a quarter gives the same depths', () => {
      const along = solveShallowWater({
        nx: 40,
        ny: 14,
        cellM: 0.2,
        bedM: set((i, j) => [i, j], 40, 14),
        manningN: 0.04,
        inflow: { edge: 'xMax', dischargeM3s: 0.6 },
        outflow: { edge: 'xMin', ...outflow },
        options: { untilS: 15 },
      });
      const across = solveShallowWater({
        nx: 14,
        ny: 40,
        cellM: 0.2,
        bedM: set((i, j) => [j, i], 14, 40),
        manningN: 0.04,
        inflow: { edge: 'yMax', dischargeM3s: 0.6 },
        outflow: { edge: 'yMin', ...outflow },
        options: { untilS: 15 },
      });
      for (let j = 0; j < 14; j++) {
        for (let i = 0; i < 40; i++) {
          expect(across.depthM[i * 14 + j]).toBeCloseTo(along.depthM[j * 40 + i]!, 10);
          expect(across.v[i * 14 + j]).toBeCloseTo(along.u[j * 40 + i]!, 10);
        }
      }
    });

    it('a mirrored channel gives the mirrored flow', () => {
      const base = {
        nx: 40,
        ny: 14,
        cellM: 0.2,
        manningN: 0.04,
        inflow: { edge: 'xMax', dischargeM3s: 0.6 },
        outflow: { edge: 'xMin', ...outflow },
        options: { untilS: 15 },
      } as const;
      const plain = solveShallowWater({ ...base, bedM: set((i, j) => [i, j], 40, 14) });
      const mirror = solveShallowWater({ ...base, bedM: set((i, j) => [i, 13 - j], 40, 14) });
      let worst = 0;
      for (let j = 0; j < 14; j++) {
        for (let i = 0; i < 40; i++)
          worst = Math.max(worst, Math.abs(mirror.v[(13 - j) * 40 + i]! + plain.v[j * 40 + i]!));
      }
      expect(worst).toBeLessThan(1e-9);
    });
  });

  describe('volume', () => {
    it('is kept in a closed, uneven basin whatever it starts from (seeded properties)', () => {
      fc.assert(
        fc.property(
          fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 96, maxLength: 96 }),
          (values) => {
            const bedM = Float64Array.from(values.slice(0, 48), (v) => v * 0.3);
            const depthM = Float64Array.from(values.slice(48), (v) => (v < 0.3 ? 0 : v * 0.5));
            const r = solveShallowWater({
              nx: 8,
              ny: 6,
              cellM: 0.25,
              bedM,
              manningN: 0.05,
              inflow: null,
              outflow: null,
              initial: { depthM },
              options: { untilS: 3 },
            });
            const before = depthM.reduce((a, b) => a + b, 0);
            const after = r.depthM.reduce((a, b) => a + b, 0);
            expect(Math.abs(after - before)).toBeLessThan(holds.volume * Math.max(1, before));
            expect(r.clampedM3).toBe(0);
          },
        ),
        { numRuns: 20, seed: 7 },
      );
    });
  });

  describe('misuse', () => {
    const base = {
      nx: 4,
      ny: 4,
      cellM: 0.2,
      bedM: new Float64Array(16),
      manningN: 0.04,
      inflow: null,
      outflow: null,
    } as const;
    it('names what was given', () => {
      expect(() => solveShallowWater({ ...base, bedM: new Float64Array(3) })).toThrow(
        'bedM must hold 16 values, got 3',
      );
      expect(() =>
        solveShallowWater({ ...base, inflow: { edge: 'xMax', dischargeM3s: -1 } }),
      ).toThrow('got -1');
      expect(() =>
        solveShallowWater({
          ...base,
          inflow: { edge: 'xMax', dischargeM3s: 1 },
          outflow: { edge: 'yMin', kind: 'free' },
        }),
      ).toThrow('needs outflow xMin');
    });
  });
});
