import { DEFAULT_RIG } from '../rig/index';
import { bush, overcast, plan, stream } from '../stalk/fixtures/streams';
import { createScene, type Fish } from '../sight/index';
import type { StalkInput } from '../stalk/index';
import { orderOfFish, quickShot, USUAL_ANGLER } from './index';
import { keptShots } from '../../testing/solved';

const beat = plan(bush(9, -6));
const flow = stream(0.4, 0.5);
const scene = createScene(beat, flow);
const fish = (id: string, xM: number, yM = 1): Fish => ({
  id,
  xM,
  yM,
  fishDepthM: 0.3,
  headingRad: 0,
  totalLengthCm: 28,
  surety: 'sure',
});

it('the quick search finds a cast nearly as good as the whole one, by the same rules', () => {
  const quick = quickShot(scene, { rig: DEFAULT_RIG, target: fish('a', 12) })!;
  const whole = keptShots(beat, flow, { rig: DEFAULT_RIG, target: fish('a', 12) });
  if (whole.kind !== 'shots') throw new Error('shots were expected');
  expect(quick.order).toBeGreaterThan(0.75 * whole.shots[0]!.order);
  expect(quick.order).toBeLessThanOrEqual(whole.shots[0]!.order + 0.03);
  expect(quick.cleanS.best).toBeGreaterThan(0);
});

it('another rig is another cast, and a fish on dry land has none', () => {
  const long = quickShot(scene, {
    target: fish('a', 12),
    rig: { ...DEFAULT_RIG, leaderM: 5, tippetM: 2.5 },
  })!;
  expect(long.chance.value).not.toBe(
    quickShot(scene, { rig: DEFAULT_RIG, target: fish('a', 12) })!.chance.value,
  );
  expect(quickShot(scene, { rig: DEFAULT_RIG, target: fish('a', 12, 9) })).toBeNull();
});

it('several fish in order, each with its cast; one that cannot be cast at comes last', () => {
  const how: StalkInput = {
    from: { xM: 1, yM: -6 },
    to: { xM: 1, yM: -6 },
    endPosture: 'kneel',
    fish: [],
    angler: USUAL_ANGLER,
    conditions: overcast,
  };
  const all = [fish('far', 19), fish('dry', 12, 9), fish('near', 8)];
  const order = orderOfFish(scene, all, how, {
    rig: DEFAULT_RIG,
    angler: USUAL_ANGLER,
    fly: 'dry',
  });
  expect(order.shots.map((s) => s !== null)).toEqual([true, false, true]);
  expect([...order.order].sort()).toEqual([0, 1, 2]);
  expect(order.expected).toBeGreaterThan(0);
  expect(order.expected).toBeLessThanOrEqual(2);
});
