import type { BeatFeature, BeatPlan } from '../formats/index';
import { readBeat, writeBeat } from '../formats/index';
import { GLIDE, GULLY, lineOf, POCKETS, TONGUE } from '../lies/fixtures/beats';
import { depthMisfit, surveyedDepths, createChannel, toldSurface } from './index';
import { keptFlow } from '../../testing/solved';

/** A shelf that drops into a pool: soundings close by one another on its edge. */
const sounding = (xM: number, yM: number, depthM: number): BeatFeature => ({
  kind: 'sounding',
  depthM,
  shape: { type: 'Point', place: { xM, yM } },
});
const SHELF: BeatPlan = {
  ...TONGUE,
  name: 'Shelf',
  slope: 0.004,
  features: [
    ...TONGUE.features,
    sounding(17, 0, 0.3),
    sounding(16.2, 0, 0.85),
    sounding(17, 1.2, 0.32),
    sounding(16.2, 1.2, 0.8),
  ],
};

describe('at the surveyed level the solved water is the told water (lies2, 1)', () => {
  it.each([
    ['rock in quick water', POCKETS],
    ['tongue beside a shelf', TONGUE],
    ['glide with a deep edge', GLIDE],
    ['shelf into a pool', SHELF],
    ['log and boulders, kept back', GULLY],
  ])(
    '%s: taken depths within .03 m (rms) at .2 m, and the reported misfit is the true one',
    (_, plan) => {
      const flow = keptFlow(plan, { dischargeM3s: plan.levels[0]!.dischargeM3s, cellM: 0.2 });
      const { rmsM, worst, places } = depthMisfit(plan, flow);
      expect(places).toBeGreaterThan(8);
      expect(rmsM).toBeLessThan(0.03);
      expect(Math.abs(rmsM - flow.depthMisfitM)).toBeLessThan(0.015);
      expect(Math.abs(worst!.solvedDepthM - worst!.takenDepthM)).toBeGreaterThanOrEqual(rmsM);
    },
  );

  it('roughness takes .8 of what a fall by eye asks, .97 of one by a level, none where it was calibrated', () => {
    const share = (more: Partial<BeatPlan>) =>
      Math.log(toldSurface({ ...TONGUE, ...more }).roughness);
    // The fall asked of roughness alone: 1 / .8 of the shared logarithm.
    const eye = share({});
    expect(share({ fallTold: 'levelled' }) / eye).toBeCloseTo(0.09 / 0.0925 / 0.8, 2);
    expect(share({ fallTold: false })).toBe(0);
    const fit = { roughness: 1.7, points: 9, depthRmsM: 0.02, speedRmsMps: 0.1 };
    expect(toldSurface({ ...TONGUE, calibration: fit }).roughness).toBe(1.7);
  });

  it('a fall that fits needs nothing: told again with the fall that was used, roughness stays', () => {
    const { fallUsedM } = toldSurface({ ...GULLY, fallTold: false });
    const again = toldSurface({ ...GULLY, slope: fallUsedM / GULLY.lengthM });
    expect(again.roughness).toBeGreaterThan(0.9);
    expect(again.roughness).toBeLessThan(1.1);
  });

  it('over a ledge the water goes at critical depth: what is told above it stands', () => {
    const step: BeatFeature = {
      kind: 'ledge',
      dropM: 0.2,
      facing: 180,
      shape: lineOf([10.5, -4], [10.5, 4]),
    };
    const plan: BeatPlan = {
      ...GULLY,
      slope: 0.02,
      features: [...GULLY.features.slice(0, 6), step],
    };
    const told = surveyedDepths(createChannel(plan));
    const flow = keptFlow(plan, { dischargeM3s: 1, cellM: 0.2 });
    const above = depthMisfit(
      { ...plan, features: [...plan.features, sounding(11.5, 0.2, told.depthM(11.5, 0.2))] },
      flow,
    );
    expect(above.rmsM).toBeLessThan(0.03);
  });

  it('depths stay in order at .5, 2 and 4 times the discharge', () => {
    const means = [0.5, 1, 2, 4].map((times) => {
      const flow = keptFlow(TONGUE, { dischargeM3s: 1.1 * times, cellM: 0.4, onlyCoarse: true });
      const wet = flow.depthM.filter((d) => d > 0);
      expect(flow.massError).toBeLessThan(0.02);
      return wet.reduce((a, b) => a + b, 0) / wet.length;
    });
    expect([...means].sort((a, b) => a - b)).toEqual(means);
  });

  it('how the fall is known is kept in the file, and nonsense is refused', () => {
    const file = writeBeat({ ...GULLY, fallTold: 'levelled' });
    expect(readBeat(file)).toMatchObject({ ok: true, plan: { fallTold: 'levelled' } });
    const bad = { ...file, pebbleLane: { ...file.pebbleLane, fallTold: 'perhaps' } };
    expect(readBeat(bad)).toMatchObject({
      ok: false,
      problems: [{ message: 'fallTold is "perhaps"; it must be true, false or "levelled".' }],
    });
  });
});

it('soundings are met, where one broad pass would smear a shelf’s edge: within 3 cm', () => {
  const depths = surveyedDepths(createChannel(SHELF));
  for (const [x, y, d] of [
    [17, 0, 0.3],
    [16.2, 0, 0.85],
    [17, 1.2, 0.32],
    [16.2, 1.2, 0.8],
  ] as const)
    expect(Math.abs(depths.depthM(x, y) - d)).toBeLessThan(0.03);
});
