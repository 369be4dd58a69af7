import { DEFAULT_RIG } from '../rig/index';
import { stream } from '../stalk/fixtures/streams';
import { plan } from '../stalk/fixtures/streams';
import { createScene } from '../sight/index';
import type { BeatFeature } from '../formats/index';
import { castTip, heldReachM, isHeld } from './lays';
import { roomAhead } from './room-ahead';
import { simulateDrift, tightenSeconds, type DriftInput, type Lay } from './index';

const flow = stream(0.4, 0.5);
const ROD_M = 2.4;
const cast = (lay: Lay, distanceM: number): DriftInput => {
  const stand = { xM: 10, yM: -2 };
  const landing = { xM: 10 + 0.6 * distanceM, yM: -2 + 0.8 * distanceM };
  return {
    rig: DEFAULT_RIG,
    tip: castTip(stand, landing, ROD_M, lay.kind),
    stand,
    landing,
    lay,
    seconds: 6,
  };
};

describe('a held line', () => {
  it('is held within the raised rod and what hangs from it, and only there', () => {
    expect(heldReachM(ROD_M)).toBeCloseTo(3.36, 2);
    expect(isHeld('high-stick', 3, ROD_M)).toBe(true);
    expect(isHeld('high-stick', 4, ROD_M)).toBe(false);
    expect(isHeld('straight', 3, ROD_M)).toBe(false);
  });
  it.each(['high-stick', 'bow-and-arrow', 'roll', 'pile'] as const)(
    'a %s near by stays clean several times as long as a straight line',
    (kind) => {
      const held = simulateDrift(flow, cast({ kind }, 3)).cleanS;
      const straight = simulateDrift(flow, cast({ kind: 'straight' }, 3)).cleanS;
      expect(held).toBeGreaterThan(2 * straight);
    },
  );
});

describe('the strike, on one stream', () => {
  const tight = (lay: Lay, d: number) => tightenSeconds(flow, cast(lay, d), 1);
  it('held tightens before a slack line, a slack line before a pile', () => {
    const held = tight({ kind: 'high-stick' }, 3);
    const straight = tight({ kind: 'straight' }, 8);
    const slack = tight({ kind: 'slack' }, 8);
    expect(held).toBeLessThan(0.1);
    expect(straight).toBeLessThan(slack);
    expect(slack).toBeLessThanOrEqual(tight({ kind: 'pile' }, 8));
  });
});

describe('what hangs ahead is in the line’s way', () => {
  const boughs = (clearanceM: number): BeatFeature => ({
    kind: 'overhang',
    clearanceM,
    shape: {
      type: 'Polygon',
      ring: [
        { xM: 8, yM: 2 },
        { xM: 16, yM: 2 },
        { xM: 16, yM: 4.5 },
        { xM: 8, yM: 4.5 },
      ],
    },
  });
  const ahead = (clearanceM: number | null) =>
    roomAhead(
      createScene(clearanceM === null ? plan() : plan(boughs(clearanceM)), flow),
      { xM: 12, yM: -5 },
      { xM: 12, yM: 3 },
      'stand',
      1.75,
      ROD_M,
    );
  it('boughs .6 m over the water stop an overhead cast and let a side cast under', () => {
    const low = ahead(0.6);
    expect(low.spareM.overhead).toBeLessThan(0);
    expect(low.spareM.side).toBeGreaterThan(0);
    expect(low.met).toMatchObject({ kind: 'boughs', clearanceM: 0.6 });
    expect(low.strikeLow).toBe(true);
  });
  it('the higher they hang the more gets under; a dropper hangs up sooner', () => {
    const [low, high] = [ahead(0.6), ahead(2)];
    expect(high.spareM.overhead).toBeGreaterThan(low.spareM.overhead);
    expect(low.risk.side.dropper).toBeGreaterThanOrEqual(low.risk.side.plain);
    expect(high.risk.side.plain).toBeLessThanOrEqual(low.risk.side.plain);
  });
  it('open water is open', () => {
    expect(ahead(null)).toMatchObject({ met: null, strikeLow: false });
  });
});
