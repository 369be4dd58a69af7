import { createScene, POSTURES, type Fish } from '../sight/index';
import { bush, overcast, plan, stream } from './fixtures/streams';
import { finish } from '../grid/index';
import { cellAt, planStalkOn, stalkContext, waysOut, waysOutSteps, type StalkInput } from './index';

const fish: Fish = {
  id: 'one',
  xM: 12,
  yM: 1,
  fishDepthM: 0.3,
  headingRad: 0,
  totalLengthCm: 28,
  surety: 'sure',
};
const input: StalkInput = {
  from: [
    { xM: 1, yM: -7 },
    { xM: 1, yM: 7 },
  ],
  to: { xM: 9, yM: -5.5 },
  endPosture: 'kneel',
  fish: [fish],
  angler: { heightM: 1.75, massKg: 78, maxWadeM: 0.7 },
  conditions: overcast,
  cellM: 0.5,
};
const scene = createScene(plan(bush(6.5, -5)), stream(0.4, 0.5));

it('to every place at once costs what the way to that place alone costs', () => {
  const ground = stalkContext(scene, input);
  const all = waysOut(ground, input)!;
  const cells = all.grid.nx * all.grid.ny;
  for (const to of [input.to, { xM: 15, yM: -6 }, { xM: 12, yM: 6 }, { xM: 4, yM: -5 }]) {
    const one = planStalkOn(ground, { ...input, to });
    if (one.kind !== 'way') throw new Error(one.reason);
    const node = POSTURES.indexOf('kneel') * cells + cellAt(all.grid, to);
    expect(all.cost[node]).toBeCloseTo(one.cost, 6);
    // Calm along the tree of ways, beside the same way walked leg by leg.
    expect(Math.abs(all.calm[node]! - one.calm[0]!.best)).toBeLessThan(0.12);
    expect(all.seconds[node]! / 60).toBeGreaterThan(0);
  }
});

it('where no way leads the cost is infinite and nobody is calm; without an open start there is no answer', () => {
  const ground = stalkContext(scene, input);
  const all = waysOut(ground, input)!;
  const bushCell = cellAt(all.grid, { xM: 6.5, yM: -5 });
  expect(all.cost[bushCell]).toBe(Infinity);
  expect(all.calm[bushCell]).toBe(0);
  expect(waysOut(ground, { ...input, from: { xM: 6.5, yM: -5 } })).toBeNull();
});

it('no further than some places, it says of those what the whole says', () => {
  const ground = stalkContext(scene, input);
  const all = waysOut(ground, input)!;
  const stands = [
    { place: { xM: 4, yM: -5 }, posture: 'kneel' as const },
    { place: { xM: 5, yM: -6 }, posture: 'stand' as const },
  ];
  const near = finish(waysOutSteps(ground, input, stands))!;
  const cells = all.grid.nx * all.grid.ny;
  for (const { place, posture } of stands) {
    const node = POSTURES.indexOf(posture) * cells + cellAt(all.grid, place);
    expect(near.cost[node]).toBe(all.cost[node]);
    expect(near.calmOfFirst[node]).toBe(all.calmOfFirst[node]);
  }
  const settled = (calm: Float64Array) => calm.filter((c) => c > 0).length;
  expect(settled(near.calm)).toBeLessThan(settled(all.calm));
});
