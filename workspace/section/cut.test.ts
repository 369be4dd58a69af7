import { flowOf } from '../../core/water/fixtures/flows';
import { cutAlong } from './cut';

/** A channel that falls evenly, .5 m deep. */
const falling = (fallM: number) => {
  const flow = flowOf(() => ({ depth: 0.5 }), { nx: 80, ny: 16 });
  for (let k = 0; k < flow.depthM.length; k++) {
    flow.surfaceM[k] = (fallM * (k % flow.nx)) / (flow.nx - 1);
    flow.bedM[k] = flow.surfaceM[k]! - 0.5;
  }
  return flow;
};

it('a beat that falls less than it is deep keeps its true heights: up-current is higher', () => {
  const cut = cutAlong(falling(0.3), null);
  expect(cut.levelled).toBe(false);
  expect(cut.fallM).toBeCloseTo(0.3, 9);
  expect(cut.surface[0]).toBeCloseTo(0, 9);
  expect(cut.surface.at(-1)).toBeCloseTo(0.3, 9);
  expect(cut.highestM - cut.lowestM).toBeCloseTo(0.8, 9);
  expect(cut.deepestM).toBeCloseTo(0.5, 9);
});

it('a steeper one is drawn levelled, and its depth is still its depth', () => {
  const cut = cutAlong(falling(2), null);
  expect(cut.levelled).toBe(true);
  for (const h of cut.surface) expect(h).toBeCloseTo(0, 9);
  expect(cut.deepestM).toBeCloseTo(0.5, 9);
  expect(cut.lowestM).toBeCloseTo(-0.5, 9);
});
