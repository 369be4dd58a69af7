import type { Ramp } from './tokens';

/** D65 white. */
const WHITE = [0.95047, 1, 1.08883] as const;

/** sRGB 0-255 from CIELAB (D65); out of gamut is clipped. */
export function labToRgb(l: number, a: number, b: number): [number, number, number] {
  const fy = (l + 16) / 116;
  const inverse = (t: number) => (t > 6 / 29 ? t ** 3 : 3 * (6 / 29) ** 2 * (t - 4 / 29));
  const x = WHITE[0] * inverse(fy + a / 500);
  const y = WHITE[1] * inverse(fy);
  const z = WHITE[2] * inverse(fy - b / 200);
  const gamma = (c: number) => {
    const v = c <= 0.0031308 ? 12.92 * c : 1.055 * c ** (1 / 2.4) - 0.055;
    return Math.round(255 * Math.min(1, Math.max(0, v)));
  };
  return [
    gamma(3.2404542 * x - 1.5371385 * y - 0.4985314 * z),
    gamma(-0.969266 * x + 1.8760108 * y + 0.041556 * z),
    gamma(0.0556434 * x - 0.2040259 * y + 1.0572252 * z),
  ];
}

/** A ramp as Lab triples at `count` even steps of t; linear in Lab between stops, never in sRGB. */
export function rampLab(ramp: Ramp, count: number): Float64Array {
  const lab = ramp.stops.map(([l, c, h]) => [
    l,
    c * Math.cos((h * Math.PI) / 180),
    c * Math.sin((h * Math.PI) / 180),
  ]);
  const out = new Float64Array(3 * count);
  for (let n = 0; n < count; n++) {
    const t = (n / (count - 1)) * (lab.length - 1);
    const i = Math.min(lab.length - 2, Math.floor(t));
    for (let c = 0; c < 3; c++)
      out[3 * n + c] = lab[i]![c]! + (t - i) * (lab[i + 1]![c]! - lab[i]![c]!);
  }
  return out;
}

/** CSS colour of a ramp at a value. */
export function rampColour(ramp: Ramp, value: number): string {
  const lab = rampLab(ramp, 65);
  const n = Math.round(64 * Math.min(1, Math.max(0, value / ramp.fullAt)));
  const [r, g, b] = labToRgb(lab[3 * n]!, lab[3 * n + 1]!, lab[3 * n + 2]!);
  return `rgb(${r} ${g} ${b})`;
}

/** WCAG 2.2 relative luminance of "#RRGGBB". */
export function luminance(hex: string): number {
  const channel = (at: number) => {
    const v = parseInt(hex.slice(at, at + 2), 16) / 255;
    return v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4;
  };
  return 0.2126 * channel(1) + 0.7152 * channel(3) + 0.0722 * channel(5);
}

/** WCAG 2.2 contrast ratio. */
export function contrast(a: string, b: string): number {
  const [x, y] = [luminance(a), luminance(b)];
  return (Math.max(x, y) + 0.05) / (Math.min(x, y) + 0.05);
}
