import { contrast, labToRgb, rampLab } from './colour';
import { DEPTH_RAMP, DIM, LIGHT, PACE_RAMP, THEMES, type Theme, type Token } from './tokens';

// The contrast table of the visual language (WCAG 2.2), token by ground: paper, wet, land, case.
const TABLE: [Theme, Token, number[]][] = [
  ['light', 'ink', [16.0, 14.0, 12.8, 16.8]],
  ['light', 'ink2', [8.4, 7.4, 6.7, 8.8]],
  ['light', 'ink3', [5.6, 4.9, 4.5, 5.9]],
  ['light', 'angler', [6.1, 5.3, 4.8, 6.4]],
  ['light', 'fish', [9.2, 8.1, 7.4, 9.7]],
  ['dim', 'ink', [13.5, 12.5, 12.6, 14.3]],
  ['dim', 'ink2', [8.5, 7.9, 8.0, 9.0]],
  ['dim', 'angler', [7.4, 6.9, 6.9, 7.9]],
  ['dim', 'fish', [10.6, 9.9, 10.0, 11.3]],
];

it.each(TABLE)('%s %s has the contrast the table says', (theme, token, expected) => {
  const colours = THEMES[theme];
  const grounds: Token[] = ['paper', 'wet', 'land', 'case'];
  grounds.forEach((ground, i) => {
    expect(Math.abs(contrast(colours[token], colours[ground]) - expected[i]!)).toBeLessThan(0.06);
  });
});

it('text keeps its floors: 7 light, 4.5 dim, and caution text on its fill', () => {
  for (const ground of ['paper', 'wet'] as const) {
    expect(contrast(LIGHT.ink2, LIGHT[ground])).toBeGreaterThanOrEqual(7);
    expect(contrast(LIGHT.ink3, LIGHT[ground])).toBeGreaterThanOrEqual(4.5);
    expect(contrast(DIM.ink3, DIM[ground])).toBeGreaterThanOrEqual(4.5);
  }
  expect(contrast(LIGHT['caution-ink'], LIGHT.caution)).toBeGreaterThan(10);
  expect(contrast(DIM['caution-ink'], DIM.caution)).toBeGreaterThan(10);
});

it.each(['light', 'dim'] as const)('depth darkens and pace pales step by step (%s)', (theme) => {
  const depth = rampLab(DEPTH_RAMP[theme], 33);
  const pace = rampLab(PACE_RAMP[theme], 33);
  for (let n = 1; n < 33; n++) {
    expect(depth[3 * n]!).toBeLessThan(depth[3 * (n - 1)]!);
    expect(pace[3 * n]!).toBeGreaterThan(pace[3 * (n - 1)]!);
  }
});

it('Lab converts to the sRGB values the ramp table prints', () => {
  const hex = (l: number, c: number, h: number) =>
    labToRgb(l, c * Math.cos((h * Math.PI) / 180), c * Math.sin((h * Math.PI) / 180))
      .map((v) => v.toString(16).padStart(2, '0').toUpperCase())
      .join('');
  expect(hex(90, 8, 96)).toBe('E7E2D3');
  expect(hex(34, 18, 226)).toBe('235664');
  expect(hex(47, 6, 70)).toBe('776E66');
});
