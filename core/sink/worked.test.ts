import { USUAL_BOX, usualRig } from '../rig/index';
import { levelRig } from './fixtures/by-force';
import { evenLane, heldDepthM, workedFlies } from './index';

const held = (us: number, tipM: number, lineM: number) => {
  const plan = levelRig('nymph-14-t28', 5, null, 6);
  const thick = plan.parts.map((p) => (p.part === 'section' ? { ...p, diameterMm: 0.2 } : p));
  return heldDepthM(
    evenLane(0.9, us, 0.05, -8, 12),
    { ...plan, parts: thick },
    USUAL_BOX,
    tipM,
    lineM,
  );
};

it('a held fly planes, as the study has it', () => {
  [
    [0.3, 0.21],
    [0.6, 0.06],
    [1, 0.02],
  ].forEach(([us, told]) => expect(Math.abs(held(us!, 0.6, 2.2) - told!)).toBeLessThan(0.025));
  expect(held(0.1, 0.5, 1)).toBeGreaterThan(0.35);
  expect(held(0.1, 0.5, 1)).toBeLessThan(0.45);
  expect(held(0.2, 0.5, 1)).toBeGreaterThan(0.18);
  expect(held(0.4, 0.5, 1)).toBeLessThan(0.08);
});

it('a swung fly is past a lie in two seconds, and slower water leaves it longer', () => {
  const at = (surfaceMps: number) =>
    workedFlies({
      lane: evenLane(0.9, surfaceMps, 0.05, -8, 12),
      plan: levelRig('streamer-10', 3, null, 3),
      box: USUAL_BOX,
      surfaceMps,
      reachM: 0.5,
      tipM: 0.6,
      heldM: 2,
      swungM: 6,
      multiplier: 1,
    });
  const swung = at(0.6).find((w) => w.kind === 'swung')!;
  expect(swung.seconds!.best).toBeCloseTo(2, 1);
  expect(at(0.3).find((w) => w.kind === 'swung')!.seconds!.best).toBeGreaterThan(
    swung.seconds!.best,
  );
  expect(at(0.6).map((w) => w.kind)).toEqual(['held', 'swung', 'stripped']);
});

it('a dry is twitched; nothing of it sinks', () => {
  const flies = workedFlies({
    lane: evenLane(0.9, 0.4, 0.05, -8, 12),
    plan: usualRig('dry'),
    box: USUAL_BOX,
    surfaceMps: 0.4,
    reachM: 0.4,
    tipM: 0.6,
    heldM: 2,
    swungM: 6,
    multiplier: 1,
  });
  expect(flies.map((f) => f.kind)).toEqual(['twitched']);
});
