import { createRandom } from '../grid/index';
import { blankWeight, depthPattern, type Look } from './index';
import { kept } from '../../testing/kept';

const look = (depthM: number, found: boolean, meanSpeedMps = 0.3, weight?: number): Look => ({
  depthM,
  meanSpeedMps,
  found,
  ...(weight !== undefined && { weight }),
});

it('one fish is no pattern', () => {
  expect(depthPattern([look(0.6, true), look(0.3, false)])).toEqual({
    kind: 'too few',
    found: 1,
    blank: 1,
    needs: 2,
  });
});

it('fish near four feet and blanks in the shallows: four feet, and the shallows do not fit', () => {
  const p = depthPattern(
    [1.2, 1.1, 1.3, 1.25]
      .map((d) => look(d, true))
      .concat([0.3, 0.4, 0.5, 0.35].map((d) => look(d, false))),
  );
  if (p.kind !== 'pattern') throw new Error('a pattern was expected');
  expect(p.depthM.best).toBeGreaterThan(1);
  expect(p.depthM.best).toBeLessThan(1.5);
  expect(p.depthM.low).toBeLessThan(p.depthM.best);
  expect(p.fits(1.2, 0.3)).toBeGreaterThan(3 * p.fits(0.35, 0.3));
  expect(p.fits(1.2, 0.3)).toBeLessThanOrEqual(1);
});

it('more fish narrow the band; a blank of one cast says less than one of three', () => {
  const few = depthPattern([look(0.6, true), look(0.7, true)]);
  const many = depthPattern(
    Array.from({ length: 12 }, (_, i) => look(0.55 + 0.02 * (i % 8), true)),
  );
  if (few.kind !== 'pattern' || many.kind !== 'pattern') throw new Error('patterns were expected');
  expect(many.depthM.high / many.depthM.low).toBeLessThan(few.depthM.high / few.depthM.low);
  expect(blankWeight(1)).toBeCloseTo(0.35, 9);
  expect(blankWeight(3)).toBeCloseTo(0.725, 3);
  const fit = (weight: number) => {
    const p = depthPattern([look(0.8, true), look(0.9, true), look(0.3, false, 0.3, weight)]);
    return p.kind === 'pattern' ? p.fits(0.3, 0.3) : NaN;
  };
  expect(fit(0.35)).toBeGreaterThan(fit(1));
});

const depthOf = (looks: Look[]) => {
  const p = depthPattern(looks);
  return p.kind === 'pattern' ? p.depthM : null;
};

it('recovers the depth from simulated days (200 seeded): nine in ten bands hold it, or nearly', () => {
  const random = createRandom(17);
  let held = 0;
  let error = 0;
  for (let day = 0; day < 200; day++) {
    const truth = 0.35 + 0.9 * random();
    const looks = Array.from({ length: 16 }, () => {
      const depth = 0.15 + 1.3 * random();
      const chance = 0.75 * Math.exp(-((Math.log(depth / truth) / 0.3) ** 2) / 2);
      return look(depth, random() < chance, 0.1 + 0.6 * random());
    });
    const depthM = kept('log', [String(depthOf), looks], () => depthOf(looks));
    if (depthM === null) {
      held += 0.8;
      continue;
    }
    if (depthM.low <= truth && truth <= depthM.high) held++;
    error += Math.abs(Math.log(depthM.best / truth));
  }
  expect(held / 200).toBeGreaterThan(0.7);
  expect(error / 200).toBeLessThan(0.25);
});
