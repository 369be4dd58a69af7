import { DEFAULT_RIG } from '../rig/index';
import { distanceToPolyline } from '../grid/index';
import { madeFlow } from '../water/fixtures/waters';
import { surfaceFactor, type FlowField } from '../water/index';
import { castTip, simulateDrift, type DriftResult, type Lay } from './index';

/**
 * What the ranking must reproduce (common practice), each on water made for it, and mirrored: `side`
 * turns the stream over, so that no sign of y can hide.
 */
const factor = surfaceFactor(0.5, 0.05);
const STRAIGHT: Lay = { kind: 'straight' };
const REACH: Lay = { kind: 'reach', toward: 'up-current', amountM: 1.5 };

describe.each([1, -1])('side %i', (side) => {
  /** Main current of .8 m/s, a soft far edge of .4 m/s where the fish lies at y 4.2. */
  const tongue = madeFlow(
    (_x, y) => -(0.4 + 0.4 / (1 + Math.exp((side * y - 3.2) / 0.25))) / factor,
  );
  const fish = { xM: 0, yM: 4.2 * side, headingRad: 0 };
  const landing = { xM: 1.2, yM: 4.2 * side };

  function drift(x: number, y: number, lay: Lay, flow: FlowField = tongue): DriftResult {
    const stand = { xM: x, yM: y * side };
    const tip = castTip(stand, landing, 2.4, lay.kind);
    return simulateDrift(flow, {
      rig: DEFAULT_RIG,
      tip,
      stand,
      landing,
      fish,
      lay,
      seconds: 10,
      dtS: 0.05,
    });
  }
  const clean = (x: number, y: number, lay: Lay) => drift(x, y, lay).cleanS;
  const ACROSS: [number, number][] = [
    [0, -2.3],
    [-1.5, -2.3],
    [1.5, -2.8],
  ];

  it.each(ACROSS)(
    'from (%f, %f) across the tongue a straight line drags within a second',
    (x, y) => {
      expect(clean(x, y, STRAIGHT)).toBeLessThan(1);
    },
  );
  it.each(ACROSS)('from (%f, %f) an up-current reach buys time, one down-current none', (x, y) => {
    expect(clean(x, y, REACH)).toBeGreaterThan(1.5 * clean(x, y, STRAIGHT));
    const down: Lay = { kind: 'reach', toward: 'down-current', amountM: 1.5 };
    expect(clean(x, y, down)).toBeLessThanOrEqual(clean(x, y, STRAIGHT) + 0.05);
  });
  it.each(ACROSS)('from (%f, %f) slack and pile help', (x, y) => {
    expect(clean(x, y, { kind: 'slack' })).toBeGreaterThan(1.4 * clean(x, y, STRAIGHT));
    expect(clean(x, y, { kind: 'pile' })).toBeGreaterThan(1.4 * clean(x, y, STRAIGHT));
  });
  it("the fish's own side of the current beats the far side several times over", () => {
    for (const x of [-1, 0, 1]) {
      expect(clean(x, 8.5, STRAIGHT)).toBeGreaterThan(1.8 * clean(x, -2.3, STRAIGHT));
      expect(clean(x, 8.5, REACH)).toBeGreaterThan(3 * clean(x, -2.3, REACH));
    }
  });
  it('feeding down-current gives the longest drift from above', () => {
    const feed = clean(6, 3.2, { kind: 'feed' });
    for (const lay of [STRAIGHT, REACH, { kind: 'slack' }, { kind: 'pile' }] as Lay[])
      expect(feed).toBeGreaterThanOrEqual(clean(6, 3.2, lay));
    expect(feed).toBeGreaterThan(4 * clean(6, 3.2, STRAIGHT));
  });
  it('straight below drags least, but lays the leader over the fish: about lead x sin(angle off the current)', () => {
    const below = drift(-6, 4.2, STRAIGHT);
    for (const [x, y] of ACROSS) expect(below.cleanS).toBeGreaterThan(clean(x, y, STRAIGHT));
    expect(distanceToPolyline(fish, below.laid)).toBeLessThan(0.05);
    for (const deg of [10, 25, 45]) {
      const a = (deg * Math.PI) / 180;
      const r = drift(1.2 - 6 * Math.cos(a), 4.2 - 6 * Math.sin(a), STRAIGHT);
      expect(distanceToPolyline(fish, r.laid)).toBeCloseTo(1.2 * Math.sin(a), 1);
    }
  });
  it('a reach from below across a tongue buys nothing', () => {
    expect(clean(-5, -1.5, REACH)).toBeLessThan(clean(-5, -1.5, STRAIGHT) + 0.15);
  });
  it('the reason names the tongue, and that the line draws at once', () => {
    expect(drift(0, -2.3, STRAIGHT).reason).toMatchObject({ what: 'tongue-between' });
    // The other way about: line up-current into quicker water gathers slack first.
    const quicker = madeFlow((x) => -(0.3 + 0.08 * Math.max(0, x)) / factor);
    const fed = drift(6, 4.9, STRAIGHT, quicker);
    expect(fed.reason?.about).toBe('slackens');
    const slower = madeFlow((x) => -(0.3 + 0.08 * Math.max(0, -x)) / factor);
    expect(drift(-6, 3.5, STRAIGHT, slower).reason?.about ?? 'draws').toBe('draws');
  });
  it('a high stick near by outlasts a straight line of the same length across the tongue', () => {
    const near = { xM: 0.6, yM: 1.2 };
    expect(clean(near.xM, near.yM, { kind: 'high-stick' })).toBeGreaterThan(
      clean(near.xM, near.yM, STRAIGHT),
    );
  });
  it('a mend needs slack: it buys time on a slack line and none on a straight one', () => {
    const run = (lay: Lay, atS: number, amountM: number) => {
      const stand = { xM: 0, yM: -2.3 * side };
      const tip = castTip(stand, landing, 2.4);
      const mend = { atS, toward: 'up-current' as const, amountM };
      return simulateDrift(tongue, {
        rig: DEFAULT_RIG,
        tip,
        landing,
        fish,
        lay,
        mend,
        seconds: 8,
        dtS: 0.05,
      }).cleanS;
    };
    expect(run({ kind: 'slack' }, 0.4, 0.8)).toBeGreaterThan(
      1.5 * clean(0, -2.3, { kind: 'slack' }),
    );
    expect(run(STRAIGHT, 0.2, 0.8)).toBeLessThanOrEqual(clean(0, -2.3, STRAIGHT));
  });
});
