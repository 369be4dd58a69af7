import { castTip, LAY_DEFAULTS, layLine, layReachM, waveAmplitude, type Lay } from './lays';

const landing = { xM: 1, yM: 4 };
const entry = { xM: -1.4, yM: -1.2 };
const chord = Math.hypot(2.4, 5.2);
const up = 0.3;
const laid = (lay: Lay, nodeM = 0.1) => layLine(lay, landing, entry, up, nodeM);
const lengthOf = (lay: Lay) => {
  const line = laid(lay);
  return line.stepM * (line.n - 1);
};

const ALL: Lay[] = [
  { kind: 'straight' },
  { kind: 'slack' },
  { kind: 'pile' },
  { kind: 'curve', toward: 'up-current' },
  { kind: 'aerial-mend', toward: 'down-current' },
  { kind: 'feed' },
];

it.each(ALL)(
  '$kind: from the fly to the entry, no two nodes farther apart than the line',
  (lay) => {
    const line = laid(lay);
    expect(line.x[0]).toBeCloseTo(landing.xM, 9);
    expect(line.y[line.n - 1]).toBeCloseTo(entry.yM, 6);
    for (let i = 1; i < line.n; i++) {
      const d = Math.hypot(line.x[i]! - line.x[i - 1]!, line.y[i]! - line.y[i - 1]!);
      expect(d).toBeLessThanOrEqual(line.stepM * (1 + 1e-6));
    }
  },
);

it('a straight line is as long as the chord, a slack one by its share more, a pile by its heap', () => {
  expect(lengthOf({ kind: 'straight' })).toBeCloseTo(chord, 9);
  expect(lengthOf({ kind: 'slack', share: 0.2 }) / chord).toBeCloseTo(1.2, 2);
  expect(lengthOf({ kind: 'pile', extraM: 1 })).toBeCloseTo(chord + 1, 1);
});

it('the amplitude of a wave: the arc of a sine by Simpson, and none without slack', () => {
  const a = waveAmplitude(0.15, 1);
  let sum = 0;
  const n = 2000;
  for (let i = 0; i <= n; i++) {
    const f = Math.sqrt(1 + (2 * Math.PI * a * Math.cos((2 * Math.PI * i) / n)) ** 2);
    sum += (i === 0 || i === n ? 1 : i % 2 ? 4 : 2) * f;
  }
  expect(sum / (3 * n)).toBeCloseTo(1.15, 4);
  expect(waveAmplitude(0, 1)).toBeLessThan(1e-6);
});

it('a wave is never shorter than four node spacings', () => {
  const line = laid({ kind: 'slack' }, 0.4);
  // Side of the chord of each node; a change of side is half a wave.
  const sides = Array.from({ length: line.n }, (_, i) => {
    const [dx, dy] = [entry.xM - landing.xM, entry.yM - landing.yM];
    return Math.sign(dx * (line.y[i]! - landing.yM) - dy * (line.x[i]! - landing.xM));
  }).filter((s) => s !== 0);
  const turns = sides.filter((s, i) => i > 0 && s !== sides[i - 1]).length;
  // Waves of whole number, so a little shorter than asked; half of four spacings is .8.
  expect(chord / (turns + 1)).toBeGreaterThanOrEqual(0.7);
});

it('a curve bends the end of the line up-current, a mend its middle, and down-current is its mirror', () => {
  const aside = (lay: Lay) => {
    const line = laid(lay);
    const straight = laid({ kind: 'straight' });
    return Array.from({ length: line.n }, (_, i) => {
      const f = i / (line.n - 1);
      const k = Math.round(f * (straight.n - 1));
      return (
        (line.x[i]! - straight.x[k]!) * Math.cos(up) + (line.y[i]! - straight.y[k]!) * Math.sin(up)
      );
    });
  };
  const most = (list: number[]) => list.indexOf(Math.max(...list)) / (list.length - 1);
  const curve = aside({ kind: 'curve', toward: 'up-current' });
  const mend = aside({ kind: 'aerial-mend', toward: 'up-current' });
  expect(Math.max(...curve)).toBeCloseTo(LAY_DEFAULTS.curveM, 0);
  expect(most(curve)).toBeLessThan(0.35);
  expect(Math.abs(most(mend) - 0.5)).toBeLessThan(0.15);
  const down = aside({ kind: 'aerial-mend', toward: 'down-current' });
  expect(Math.min(...down)).toBeCloseTo(-Math.max(...mend), 1);
});

it('a high stick holds the tip up and nearer; short casts reach no farther than rod and leader', () => {
  const stand = { xM: 0, yM: 0 };
  const low = castTip(stand, landing, 2.4);
  const high = castTip(stand, landing, 2.4, 'high-stick');
  expect(high.zM).toBeGreaterThan(2);
  expect(Math.hypot(high.xM, high.yM)).toBeLessThan(Math.hypot(low.xM, low.yM));
  expect(layReachM('bow-and-arrow', 2.4, 2.7)).toBeCloseTo(5.1, 9);
  expect(layReachM('roll', 2.4, 2.7)).toBeCloseTo(9.6, 9);
  expect(layReachM('reach', 2.4, 2.7)).toBe(Infinity);
});
