import { createChain, renewTangents, tighten, type Chain } from './chain';

/** Moves the free places by a current given as a formula, then tightens. Returns the fly's drag, m/s. */
function step(
  chain: Chain,
  end: { held: boolean; x: number; y: number },
  dt: number,
  u: (x: number, y: number) => number,
): number {
  renewTangents(chain);
  for (let i = 0; i < chain.n; i++) {
    chain.freeX[i] = chain.x[i]! + dt * u(chain.x[i]!, chain.y[i]!);
    chain.freeY[i] = chain.y[i]!;
  }
  const fx = chain.freeX[0]!;
  const fy = chain.freeY[0]!;
  expect(tighten(chain, end)).toBe(true);
  return Math.hypot(chain.x[0]! - fx, chain.y[0]! - fy) / dt;
}

function crossLine(n: number, h: number, slack: number, ratio: number): Chain {
  const chain = createChain(n, ratio);
  for (let i = 0; i < n; i++) {
    chain.y[i] = h * i;
    chain.rest[i] = h * (1 + slack);
    chain.zeta[i] = 0.05 * h * (i === 0 || i === n - 1 ? 0.5 : 1);
  }
  return chain;
}

const free = { held: false, x: 0, y: 0 };

it('uniform flow with a free end never drags (derived: 0)', () => {
  const chain = crossLine(26, 0.2, 0, 15);
  for (let n = 0; n < 50; n++) expect(step(chain, free, 0.1, () => -0.7)).toBeLessThan(1e-12);
});

it('uniform flow with a tip that moves with the water never drags', () => {
  const chain = crossLine(26, 0.2, 0, 15);
  for (let n = 1; n <= 50; n++) {
    const end = { held: true, x: -0.07 * n, y: 26 * 0.2 };
    expect(step(chain, end, 0.1, () => -0.7)).toBeLessThan(1e-12);
  }
});

it.each([
  [0.2, 0.05, 1.6008],
  [0.2, 0.2, 3.3166],
  [0.5, 0.02, 0.402],
])(
  'shear %f 1/s with slack %f goes tight at sqrt((1+e)^2 - 1)/G = %f s (derived)',
  (shear, slack, expected) => {
    const chain = crossLine(26, 0.2, slack, 15);
    const dt = 0.01;
    let t = 0;
    while (step(chain, free, dt, (_x, y) => -shear * y) < 1e-9) t += dt;
    expect(Math.abs(t - expected)).toBeLessThanOrEqual(1.5 * dt);
  },
);

it('all drag on the fly: tan(theta/2) = tan(theta0/2) e^(-U t/L) (derived)', () => {
  const [u, length, dt] = [0.5, 3, 0.002];
  const chain = createChain(1, 15);
  chain.rest[0] = length;
  chain.zeta[0] = 0.002;
  const theta0 = 1.4; // past a right angle it would drift slack first
  chain.x[0] = -length * Math.cos(theta0);
  chain.y[0] = length * Math.sin(theta0);
  for (let n = 0; n < 2000; n++) step(chain, { held: true, x: 0, y: 0 }, dt, () => -u);
  const theta = Math.atan2(chain.y[0]!, -chain.x[0]!);
  const expected = 2 * Math.atan(Math.tan(theta0 / 2) * Math.exp((-u * 4) / length));
  expect(Math.abs(theta - expected)).toBeLessThan(2e-3);
});

it.each([
  [1, 1.4458],
  [2, 1.8352],
  [3, 2.1979],
])(
  'a flexible line of ratio %i held in a stream straightens at j^2/(4r) U/L = %f U/L (derived)',
  (ratio, rate) => {
    const [n, h, u, dt] = [60, 0.05, 0.5, 0.02];
    const length = n * h;
    const chain = createChain(n, ratio);
    for (let i = 0; i < n; i++) {
      const fromTip = length - h * i;
      chain.x[i] = -fromTip;
      chain.y[i] = 0.02 * fromTip;
      chain.rest[i] = h * Math.sqrt(1 + 0.02 ** 2);
      chain.zeta[i] = 0.05 * h * (i === 0 ? 0.5 : 1);
    }
    // Half a node of free end is round in the chain (the fly); 2.5 % of the line stands in for it.
    const sum = () => chain.y.reduce((a, b) => a + b, 0);
    const end = { held: true, x: 0, y: 0 };
    const run = (seconds: number) => {
      for (let s = 0; s < seconds / dt; s++) step(chain, end, dt, () => -u);
    };
    run(6);
    const before = sum();
    run(4);
    const measured = (Math.log(before / sum()) / 4) * (length / u);
    expect(Math.abs(measured / rate - 1)).toBeLessThan(0.03);
  },
);

it('a bent line passes tension before it is geometrically straight', () => {
  // A quarter circle pulled at one end by a moving tip.
  const n = 24;
  const chain = createChain(n, 15);
  for (let i = 0; i < n; i++) {
    const a = (Math.PI / 2) * (i / (n - 1));
    chain.x[i] = 3 * Math.sin(a);
    chain.y[i] = 3 * (1 - Math.cos(a));
    chain.zeta[i] = 0.01;
  }
  for (let i = 0; i < n - 1; i++)
    chain.rest[i] = Math.hypot(chain.x[i + 1]! - chain.x[i]!, chain.y[i + 1]! - chain.y[i]!);
  chain.rest[n - 1] = 0.01;
  let drag = 0;
  for (let s = 1; s <= 20; s++)
    drag = step(chain, { held: true, x: chain.x[n - 1]!, y: 3 + 0.02 * s }, 0.05, () => 0);
  const chord = Math.hypot(chain.x[n - 1]! - chain.x[0]!, chain.y[n - 1]! - chain.y[0]!);
  expect(chord).toBeLessThan(0.97 * (Math.PI / 2) * 3);
  expect(drag).toBeGreaterThan(0.05);
});
