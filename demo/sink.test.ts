import { USUAL_BOX, type SinkStart } from '../core/rig/index';
import { levelRig } from '../core/sink/fixtures/by-force';
import { hungRig, laneLike, leadForDepthM, sinkLane, sinkPath, withShot } from '../core/sink/index';
import { demoBeats } from './beats';
import { keptFlow, keptLies } from '../testing/solved';

/** Relations of sinking on the lanes of the demo's own lies. */
const ROUGH_M = 0.4;
const LANES_EACH = 6;
const UP_M = 7;

const lanes = demoBeats().flatMap(({ plan }) => {
  const flow = keptFlow(plan, {
    dischargeM3s: plan.levels[1]!.dischargeM3s,
    cellM: ROUGH_M,
    onlyCoarse: true,
  });
  const { lies } = keptLies(plan, flow, { species: 'brown', forkLengthCm: 24, waterTempC: 11 });
  return lies.slice(0, LANES_EACH).flatMap((lie) => {
    const lane = sinkLane(flow, lie, UP_M, 3);
    const k = lane ? Math.round(-lane.fromM / lane.stepM) : 0;
    // A lane that stands, or hardly has room, says nothing of leads.
    return lane && lane.fromM < -3 && lane.surfaceMps[k]! > 0.12
      ? [{ name: `${plan.name} ${lie.kind}`, lane, h: lane.depthM[k]! }]
      : [];
  });
});
const bare = (fly: string, x = 5) => hungRig(levelRig(fly, x, null, 2.7), USUAL_BOX)!;

it('there are lanes of every kind to hold it on', () => {
  expect(lanes.length).toBeGreaterThan(12);
  expect(new Set(lanes.map((l) => l.name.split(' ')[0])).size).toBeGreaterThan(2);
});

it.each(lanes.map((l) => [l.name, l] as const))('%s', (_name, { lane, h }) => {
  const lead = (fly: string, start: SinkStart = 'tucked', on = lane, x = 5) =>
    leadForDepthM({ lane: on, rig: bare(fly, x), start }, 0.7 * h) ?? Infinity;
  const usual = lead('nymph-14-t28');
  expect(lead('nymph-10-t38')).toBeLessThanOrEqual(usual + 0.02);
  expect(lead('nymph-14-b28')).toBeGreaterThanOrEqual(usual - 0.02);
  expect(lead('nymph-14-t28', 'tucked', lane, 7)).toBeLessThanOrEqual(1.02 * usual + 0.02);
  // In slow water what is laid up-current is held back, and needs fewer metres, not less time.
  if (lane.surfaceMps[Math.round(-lane.fromM / lane.stepM)]! > 0.3)
    expect(lead('nymph-14-t28', 'up-current')).toBeGreaterThanOrEqual(usual - 0.02);
  expect(lead('nymph-14-t28', 'tucked', laneLike(lane, { speed: 0.8 }))).toBeLessThanOrEqual(
    usual + 0.02,
  );
  // The angler's own multiplier above 1 is as a heavier fly.
  const quick = hungRig(levelRig('nymph-14-t28', 5, null, 2.7), USUAL_BOX, 1.2)!;
  const mine = leadForDepthM({ lane, rig: quick, start: 'tucked' }, 0.7 * h) ?? Infinity;
  expect(mine).toBeLessThanOrEqual(usual + 0.02);

  // Hung: never deeper than it hangs, the float slower than the surface, shot never lifts it.
  const H = Math.min(0.8, 0.9 * h);
  const settled = (shotMg: number) => {
    const rig = hungRig(withShot(levelRig('nymph-18-t2', 5, H), shotMg), USUAL_BOX)!;
    const path = sinkPath({ lane, rig, start: 'tucked', landingM: -3, liftM: 0.5 });
    expect(path.status).toBe('ok');
    return Math.max(...path.depthM[0]!);
  };
  const plain = settled(0);
  expect(plain).toBeLessThanOrEqual(H + 0.005);
  expect(settled(200)).toBeGreaterThan(plain - 0.03);
});
