import { DEFAULT_RIG } from '../rig/index';
import { surfaceFactor } from '../water/index';
import { driftBand, simulateDrift, WAKE_MPS, type Lay } from './index';
import { madeFlow } from '../water/fixtures/waters';

const factor = surfaceFactor(0.5, 0.05);
/** Main current of .8 m/s at the surface, a soft far edge of .4 m/s where the fish lies. Fixed before any tuning. */
const tongue = madeFlow((_x, y) => -(0.4 + 0.4 / (1 + Math.exp((y - 3.2) / 0.25))) / factor);
const FISH = { xM: 0, yM: 4.2, headingRad: 0 };
const REACH: Lay = { kind: 'reach', toward: 'up-current', amountM: 1.5 };

function cast(belowM: number, offM: number, dx: number, dy: number, lay: Lay) {
  const landing = { xM: 0.8 + dx, yM: 4.2 + dy };
  const stand = { xM: -belowM, yM: 4.2 - offM };
  const d = Math.hypot(landing.xM - stand.xM, landing.yM - stand.yM);
  const tip = {
    xM: stand.xM + (2.4 * (landing.xM - stand.xM)) / d,
    yM: stand.yM + (2.4 * (landing.yM - stand.yM)) / d,
    zM: 0.5,
  };
  return { rig: DEFAULT_RIG, tip, landing, fish: FISH, lay, seconds: 6, dtS: 0.05 };
}

describe('across a tongue of .8 m/s to water of .4 m/s (common practice)', () => {
  const stands: [number, number][] = [5.5, 6.5, 7.5].flatMap((off) =>
    [0, 15, 28].map((deg): [number, number] => [off * Math.tan((deg * Math.PI) / 180), off]),
  );
  const nine = [-0.4, 0, 0.4].flatMap((dx) =>
    [-0.4, 0, 0.4].map((dy): [number, number] => [dx, dy]),
  );
  const straight: number[] = [];
  const reach: number[] = [];
  for (const [below, off] of stands) {
    for (const [dx, dy] of nine) {
      straight.push(simulateDrift(tongue, cast(below, off, dx, dy, { kind: 'straight' })).cleanS);
      reach.push(simulateDrift(tongue, cast(below, off, dx, dy, REACH)).cleanS);
    }
  }
  const median = (a: number[]) => [...a].sort((p, q) => p - q)[a.length >> 1]!;

  it('a straight line drags within a second from every stand and place', () => {
    expect(Math.max(...straight)).toBeLessThan(1);
  });
  it('a reach of 1.5 m up-current lasts at least 1.5 times longer', () => {
    expect(median(reach)).toBeGreaterThanOrEqual(1.5 * median(straight));
    const better = reach.filter((r, i) => r >= straight[i]!).length;
    expect(better).toBeGreaterThanOrEqual(0.95 * reach.length);
  });
  it('says that the tongue did it', () => {
    const r = simulateDrift(tongue, cast(0, 6.5, 0, 0, { kind: 'straight' }));
    expect(r.reason).toMatchObject({ what: 'tongue-between', unit: 'm/s' });
    expect(r.reason!.value).toBeGreaterThan(0.7);
  });
});

it('the wake limit is the least capillary-gravity wave at 10 C (Lamb 1932; IAPWS)', () => {
  expect(((4 * 9.81 * 0.07422) / 999.7) ** 0.25).toBeCloseTo(WAKE_MPS, 4);
});

it('in even water the fly goes with the water, and passes the fish clean', () => {
  const even = madeFlow(() => -0.4 / factor);
  const r = simulateDrift(even, {
    rig: DEFAULT_RIG,
    tip: { xM: 0.5, yM: 1.2, zM: 0.5 },
    landing: { xM: 0.9, yM: 4.2 },
    fish: FISH,
    lay: REACH,
    seconds: 5,
  });
  expect(r.status).toBe('ok');
  expect(Math.abs(r.x[10]! - 0.5)).toBeLessThan(0.02);
  expect(r.passesFish).toBe('clean');
  expect(r.passesAtS).toBeCloseTo(0.9 / 0.4, 0);
  const off = simulateDrift(even, {
    rig: DEFAULT_RIG,
    tip: { xM: 0.5, yM: 1.2, zM: 0.5 },
    landing: { xM: 0.9, yM: 5.2 },
    fish: FISH,
    lay: REACH,
    seconds: 5,
  });
  expect(off.passesFish).toBe('misses');
});

it('a mirrored stream gives the mirrored track', () => {
  const u = (x: number, y: number) => -(0.3 + 0.04 * y + 0.01 * x);
  const v = (x: number) => 0.02 * x;
  const a = simulateDrift(madeFlow(u, v), {
    rig: DEFAULT_RIG,
    tip: { xM: 1, yM: -2, zM: 0.6 },
    landing: { xM: 1.5, yM: 3 },
    lay: REACH,
    seconds: 4,
  });
  const b = simulateDrift(
    madeFlow(
      (x, y) => u(x, -y),
      (x) => -v(x),
    ),
    {
      rig: DEFAULT_RIG,
      tip: { xM: 1, yM: 2, zM: 0.6 },
      landing: { xM: 1.5, yM: -3 },
      lay: REACH,
      seconds: 4,
    },
  );
  for (let n = 0; n < a.t.length; n++) {
    expect(b.x[n]).toBeCloseTo(a.x[n]!, 9);
    expect(b.y[n]).toBeCloseTo(-a.y[n]!, 9);
  }
});

it('stopping at the first lasting drag changes nothing that was found before it', () => {
  for (const lay of [{ kind: 'straight' } as Lay, REACH]) {
    const whole = simulateDrift(tongue, cast(1, 6.5, 0.2, -0.2, lay));
    const short = simulateDrift(tongue, { ...cast(1, 6.5, 0.2, -0.2, lay), stopAtDrag: true });
    expect(short.cleanS).toBe(whole.cleanS);
    expect(short.t.length).toBeLessThan(whole.t.length);
    short.x.forEach((x, n) => expect(x).toBe(whole.x[n]));
  }
});

it('a landing place on dry ground is unknown, not clean', () => {
  const shore = madeFlow(() => -0.4);
  for (let j = 75; j < shore.ny; j++)
    for (let i = 0; i < shore.nx; i++) shore.depthM[j * shore.nx + i] = 0;
  const r = simulateDrift(shore, {
    rig: DEFAULT_RIG,
    tip: { xM: 0, yM: 0, zM: 0.5 },
    landing: { xM: 0, yM: 7 },
    lay: { kind: 'straight' },
    seconds: 2,
  });
  expect(r.status).toBe('unknown');
});

it('the band holds the best value, is the same every time, and refuses nonsense', () => {
  const input = cast(0, 6.5, 0, 0, REACH);
  const a = driftBand(tongue, input, 6);
  const b = driftBand(tongue, input, 6);
  expect(a.cleanS).toEqual(b.cleanS);
  expect(a.cleanS.low).toBeLessThan(a.cleanS.high);
  expect(() => simulateDrift(tongue, { ...input, seconds: 0 })).toThrow(
    'seconds must be positive, got 0',
  );
});

describe('a line fed once it is past (common practice: follow it up to the rod, then give it line)', () => {
  const even = madeFlow(() => -0.4 / factor);
  const drift = (lay: Lay, seconds = 14) =>
    simulateDrift(even, {
      rig: DEFAULT_RIG,
      tip: { xM: 0.6, yM: 1.2, zM: 0.5 },
      landing: { xM: 2, yM: 4.2 },
      stand: { xM: 0, yM: -0.8 },
      lay,
      seconds,
      dtS: 0.05,
    });
  const fed = drift({ kind: 'late-feed' });
  const straight = drift({ kind: 'straight' });

  it('drifts on where a straight line has swung', () => {
    expect(straight.cleanS).toBeLessThan(9);
    expect(fed.cleanS).toBeGreaterThan(straight.cleanS + 3);
  });
  it('is the straight line until it has passed the rod', () => {
    for (let n = 0; n < 12; n++) expect(fed.x[n]).toBeCloseTo(straight.x[n]!, 6);
  });
});
