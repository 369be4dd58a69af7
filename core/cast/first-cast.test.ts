import type { BeatFeature, BeatPlan } from '../formats/index';
import { createScene, type Fish } from '../sight/index';
import { firstCast } from './index';
import { madeFlow } from '../water/fixtures/waters';

const bank = (side: 'left' | 'right', y: number): BeatFeature => ({
  kind: 'bank',
  side,
  form: 'sloping',
  shape: {
    type: 'LineString',
    line: [
      { xM: 0, yM: y },
      { xM: 25, yM: y },
    ],
  },
});
const plan: BeatPlan = {
  version: 1,
  name: 'Made',
  lengthM: 25,
  slope: 0.004,
  bearingDeg: 0,
  levels: [],
  surveyedLevel: 'Fair',
  features: [bank('left', -4), bank('right', 4)],
};
const even = madeFlow((_x, y) => (Math.abs(y) < 4 ? -0.35 : 0));
for (let k = 0; k < even.depthM.length; k++) {
  const y = even.y0M + Math.floor(k / even.nx) * even.cellM;
  if (Math.abs(y) < 4) continue;
  even.depthM[k] = 0;
  even.surfaceM[k] = NaN;
  even.bedM[k] = 0.4;
}
const fish: Fish = {
  id: 'f',
  xM: 12,
  yM: 1,
  fishDepthM: 0.3,
  headingRad: 0,
  totalLengthCm: 27,
  surety: 'sure',
};
const ask = (entryY: number) =>
  firstCast(createScene(plan, even), {
    target: fish,
    posture: 'kneel',
    heightM: 1.75,
    rodM: 2.4,
    tipHeightM: 0.5,
    conditions: { sunAltitudeRad: 0.5, sunPlanRad: 1, sky: 'overcast', windMps: 0 },
    entry: { xM: 1, yM: entryY },
  });

it('stands on a bank within a cast, lands the fly up-current in the fish’s own lane', () => {
  const cast = ask(-8);
  expect(Math.abs(cast.stand.yM)).toBeGreaterThan(4);
  expect(cast.landing.xM).toBeGreaterThan(12.9);
  expect(Math.abs(cast.landing.yM - 1)).toBeLessThan(0.1);
  const d = Math.hypot(cast.landing.xM - cast.stand.xM, cast.landing.yM - cast.stand.yM);
  expect(d).toBeGreaterThanOrEqual(4);
  expect(d).toBeLessThanOrEqual(10);
});

it('is the same every time', () => {
  expect(ask(-8)).toEqual(ask(-8));
});
