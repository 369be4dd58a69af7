import { stream } from '../stalk/fixtures/streams';
import { DEFAULT_RIG } from '../rig/index';
import { castTip, simulateDrift, type LayKind } from './index';

/** How much line a drift needs off the reel: all that is out at its most. */
const SPEED_MPS = 0.4;
const flow = stream(SPEED_MPS, 0.5);
const [stand, landing] = [
  { xM: 16, yM: 0 },
  { xM: 11, yM: 0 },
];
const drift = (kind: 'straight' | 'feed', seconds: number) => {
  const tip = castTip(stand, landing, 2.7, kind as LayKind);
  const d = simulateDrift(flow, { stand, landing, tip, rig: DEFAULT_RIG, lay: { kind }, seconds });
  return { ...d, apartM: Math.hypot(tip.xM - landing.xM, tip.yM - landing.yM) };
};

it('a cast that is not fed needs what lies at its first moment', () => {
  const d = drift('straight', 6);
  expect(d.lineOutM).toBeGreaterThan(d.apartM);
  expect(d.lineOutM).toBeLessThan(d.apartM + 1.5);
});

it('a fed one needs the water’s way in those seconds more', () => {
  const [laid, fed] = [drift('feed', 0.4), drift('feed', 8)];
  const seconds = fed.t.at(-1)! - laid.t.at(-1)!;
  const letOut = fed.lineOutM - laid.lineOutM;
  // Let out as quickly as the water runs where the line comes down.
  expect(letOut / (SPEED_MPS * seconds)).toBeGreaterThan(0.85);
  expect(letOut / (SPEED_MPS * seconds)).toBeLessThan(1.35);
});
