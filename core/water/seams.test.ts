import { foam, foamLines, seams, shear } from './index';
import { flowOf } from './fixtures/flows';

const size = { nx: 60, ny: 30, cellM: 0.2 };

describe('seams', () => {
  /** Quick above y 3, slow below, a shear layer .6 m wide along a line that slants. */
  const slanting = flowOf(
    (x, y) => ({ depth: 0.5, u: -0.5 - 0.4 * Math.tanh((y - 2 - 0.15 * x) / 0.4) }),
    size,
  );
  it('lie where quick water meets slow, within a cell and a half', () => {
    const found = seams(slanting);
    expect(found.length).toBe(1);
    for (const p of found[0]!.places) expect(Math.abs(p.yM - (2 + 0.15 * p.xM))).toBeLessThan(0.3);
    expect(found[0]!.places[0]!.xM).toBeLessThan(found[0]!.places.at(-1)!.xM);
  });
  it('their strength is the change of pace across the current: .4 / .4 at the middle', () => {
    const s = shear(slanting);
    const at = (x: number, y: number) =>
      s[Math.round((y - 0.1) / 0.2) * size.nx + Math.round((x - 0.1) / 0.2)]!;
    expect(at(6, 2.9)).toBeGreaterThan(0.75);
    expect(at(6, 2.9)).toBeLessThan(1.05);
    expect(at(6, 5)).toBeLessThan(0.1);
  });
  it('even water has none, nor has water that only quickens along its way', () => {
    expect(seams(flowOf(() => ({ depth: 0.5, u: -0.6 }), size))).toEqual([]);
    expect(seams(flowOf((x) => ({ depth: 0.5, u: -1.2 + 0.08 * x }), size))).toEqual([]);
  });
});

describe('foam', () => {
  /** A riffle at the head feeds a tongue in the middle of slow water. */
  const tongue = flowOf((x, y) => {
    const middle = Math.exp(-(((y - 3) / 0.9) ** 2));
    if (x > 9) return { depth: 0.12, u: -1 };
    return { depth: 0.7, u: -0.08 - 0.6 * middle };
  }, size);
  it('is made in broken water, carried down the tongue, and thin in the slack beside it', () => {
    const f = foam(tongue);
    const at = (x: number, y: number) =>
      f[Math.round((y - 0.1) / 0.2) * size.nx + Math.round((x - 0.1) / 0.2)]!;
    expect(at(8, 3)).toBeGreaterThan(at(3, 3));
    expect(at(3, 3)).toBeGreaterThan(at(3, 0.7));
    for (const value of f) expect(value >= 0 && value <= 1).toBe(true);
  });
  it('its line runs down the middle of the tongue', () => {
    const line = foamLines(tongue).sort((a, b) => b.places.length - a.places.length)[0]!;
    const inTongue = line.places.filter((p) => p.xM < 8);
    expect(inTongue.length).toBeGreaterThan(10);
    for (const p of inTongue) expect(Math.abs(p.yM - 3)).toBeLessThan(0.5);
  });
  it('still, unbroken water makes none', () => {
    expect(foamLines(flowOf(() => ({ depth: 0.8, u: -0.1 }), size))).toEqual([]);
  });
});
