import { createScene, type Fish } from '../sight/index';
import { overcast, plan, stream } from './fixtures/streams';
import type { BedMaterial, BeatFeature } from '../formats/index';
import { cellAt, planStalk, stalkContext, type HidingSchool, type StalkInput } from './index';

const FISH: Fish = {
  id: 'f',
  xM: 10,
  yM: 0,
  fishDepthM: 0.25,
  headingRad: 0,
  totalLengthCm: 26,
  surety: 'sure',
};
const bed = (material: BedMaterial): BeatFeature => ({
  kind: 'bed',
  material,
  shape: {
    type: 'Polygon',
    ring: [
      { xM: 0, yM: -4 },
      { xM: 25, yM: -4 },
      { xM: 25, yM: 4 },
      { xM: 0, yM: 4 },
    ],
  },
});
const flow = stream(0.15, 0.35);
const asked = (hiding: HidingSchool): StalkInput => ({
  from: { xM: 22, yM: -5 },
  to: { xM: 14, yM: 0.25 },
  endPosture: 'stand',
  fish: [FISH],
  angler: { heightM: 1.75, massKg: 78, maxWadeM: 0.7 },
  conditions: overcast,
  wading: 'for-the-angle',
  hiding,
});
const calmBy = (hiding: HidingSchool, material: BedMaterial) => {
  const way = planStalk(plan(bed(material)), flow, asked(hiding));
  if (way.kind !== 'way') throw new Error(way.reason);
  return way.calm[0]!.best;
};

describe("one's own mud as a screen (common practice; figures are guesses)", () => {
  it('hides who wades above the fish on silt', () => {
    expect(calmBy('own-mud', 'silt')).toBeGreaterThan(1.3 * calmBy('creep', 'silt'));
  });
  it('does nothing on cobble', () => {
    expect(calmBy('own-mud', 'cobble')).toBeCloseTo(calmBy('creep', 'cobble'), 9);
  });

  const { grid, seen } = stalkContext(createScene(plan(bed('silt')), flow), asked('own-mud'));
  const leaves = (xM: number, yM: number) => seen.mud![0]![cellAt(grid, { xM, yM })]!;
  it('comes down the current only, less the farther off and on thinner beds', () => {
    expect(leaves(8, 0)).toBe(1);
    expect(leaves(14, 3)).toBe(1);
    expect(leaves(14, -6)).toBe(1);
    expect(leaves(12, 0)).toBeLessThan(leaves(19, 0));
    const sand = stalkContext(createScene(plan(bed('sand')), flow), asked('own-mud'));
    expect(sand.seen.mud![0]![cellAt(sand.grid, { xM: 14, yM: 0 })]!).toBeGreaterThan(
      leaves(14, 0),
    );
  });
});
