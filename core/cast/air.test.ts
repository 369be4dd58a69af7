import { DEFAULT_RIG, diameterMm, rigFor, stretchKgPerM } from '../rig/index';
import { fullReachM, layAir, pullAt, sagPullN } from './air';

describe('the part in the air (catenary tangent at the water, derived)', () => {
  it.each([
    // A fly line of 1 g/m, and a leader alone of .204 g/m (nylon .48 mm): a high stick holds leader.
    [2.7, 3, 0.001, 0.0196],
    [2.7, 3, 0.000204, 0.004],
  ])('H %f m, reach %f m, %f kg/m pulls with %f N', (heightM, reachM, kgPerM, pull) => {
    expect(sagPullN(heightM, reachM, kgPerM)).toBeCloseTo(pull, 4);
  });
  it('a = T/w, s^2 = H^2 + 2 a H, reach = a acosh(1 + H/a)', () => {
    for (const hang of ['lowered', 'over'] as const) {
      const air = layAir(0.5, DEFAULT_RIG.lineKgPerM, hang);
      const a = air.restPullN / (DEFAULT_RIG.lineKgPerM * 9.81);
      expect(air.restReachM).toBeCloseTo(a * Math.acosh(1 + 0.5 / a), 6);
      expect(air.lengthM ** 2).toBeCloseTo(0.25 + a, 6);
      expect(fullReachM(0.5, air.lengthM)).toBeGreaterThan(air.restReachM);
      expect(sagPullN(0.5, air.restReachM, DEFAULT_RIG.lineKgPerM)).toBeCloseTo(air.restPullN, 9);
    }
  });
  it('pulls less the nearer the entry comes to the tip, and least with the tip over it', () => {
    const air = layAir(0.5, DEFAULT_RIG.lineKgPerM);
    expect(pullAt(air, air.restReachM)).toBeCloseTo(air.restPullN, 12);
    expect(pullAt(air, 0.5 * air.restReachM)).toBeCloseTo(0.25 * air.restPullN, 12);
    expect(pullAt(air, 3)).toBe(air.restPullN);
    expect(sagPullN(0.5, 0, 1)).toBe(0);
    expect(layAir(2.3, 0.001, 'over').restPullN).toBeLessThan(layAir(2.3, 0.001).restPullN / 5);
  });
});

describe('the rig', () => {
  it('tapers from tippet to line', () => {
    expect(diameterMm(DEFAULT_RIG, 0.5)).toBe(0.15);
    expect(diameterMm(DEFAULT_RIG, 2)).toBeGreaterThan(0.15);
    expect(diameterMm(DEFAULT_RIG, 3)).toBe(1.1);
  });
  it('weighs as leader near the fly, as line beyond it, and in between as both', () => {
    const near = stretchKgPerM(DEFAULT_RIG, 0, 1);
    // Nylon of .15 mm (from memory: 1140 kg/m3).
    expect(near).toBeCloseTo(1140 * Math.PI * 0.25 * 0.00015 ** 2, 9);
    expect(stretchKgPerM(DEFAULT_RIG, 4, 2)).toBe(DEFAULT_RIG.lineKgPerM);
    const both = stretchKgPerM(DEFAULT_RIG, 1.7, 2);
    expect(both).toBeGreaterThan(near);
    expect(both).toBeLessThan(DEFAULT_RIG.lineKgPerM);
  });
  it('an indicator floats heavier on the water than a dry fly', () => {
    expect(rigFor('indicator').flyDragNsPerM).toBeGreaterThan(rigFor('dry').flyDragNsPerM);
    expect(rigFor('dry')).toEqual(DEFAULT_RIG);
  });
});
