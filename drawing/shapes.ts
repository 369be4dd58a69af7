/** Shapes of the visual language, as SVG path data. Page units; y down. */

/** A river stone, unit size. */
export const PEBBLE =
  'M1.10,-.06 C1.13,.40 .78,.83 .16,.90 C-.46,.97 -1.00,.66 -1.08,.12 C-1.16,-.44 -.74,-.84 -.12,-.88 C.50,-.92 1.06,-.60 1.10,-.06Z';
export const pebbleTurnDeg = (rating: number) => ((37 * rating) % 25) - 12;
export const pebbleRadius = (rating: number) => 9 + 0.1 * rating;

/** From above, 100 units nose to tail, nose at 0,0, heading +x. */
export const FISH_ABOVE =
  'M0,0 C-7,-6.4 -20,-9 -34,-8.6 C-54,-8 -71,-4.4 -84,-2.2 L-100,-8.5 C-95.5,-3 -95.5,3 -100,8.5 L-84,2.2 C-71,4.4 -54,8 -34,8.6 C-20,9 -7,6.4 0,0Z M-25,-8.7 L-38,-17 L-37,-8.3Z M-25,8.7 L-38,17 L-37,8.3Z';
/** The head alone, to 46 units: what is filled of a likely fish. */
export const FISH_HEAD =
  'M0,0 C-7,-6.4 -20,-9 -34,-8.6 L-46,-8.1 L-46,8.1 L-34,8.6 C-20,9 -7,6.4 0,0Z';
export const FISH_SIDE =
  'M0,1 C-7,-7 -22,-12 -38,-12 L-44,-20 L-56,-11 C-66,-9 -76,-6 -84,-4 L-100,-13 L-96,0 L-100,13 L-84,5 C-76,8 -68,9 -62,10 L-66,17 L-74,8.6 C-60,12 -48,13 -38,12.6 L-44,19 L-50,12 C-30,13 -8,9 0,1Z';
export const fishLengthPx = (totalLengthCm: number) => Math.max(34, 28 + 0.4 * totalLengthCm);

export const POSTURE_MARK = {
  stand: { path: 'M0,0 L0,-10.2', head: [0, -13] },
  crouch: { path: 'M-3.2,0 L.4,-3.6 L-3.4,-5.4 L2.4,-8.4', head: [5, -9.8] },
  kneel: { path: 'M-5,0 L0,0 L-.6,-6.2', head: [0.2, -9] },
  crawl: { path: 'M-7,0 L3,-1.6', head: [6, -3] },
} as const;

/** Directions of the four needs on the page, degrees clockwise from up-current (right). */
export const NEED_DEG = { shelter: -90, food: 0, ease: 90, air: 180 } as const;
const STATIONS = 9;
const SPREAD_DEG = 37;

const fixed = (n: number) => n.toFixed(2);

/**
 * A grain: a seed along the ellipse 1.36 r by 1.17 r, from c - 37 n to c + 37 n degrees, pointed at
 * both ends. null when the need is so small that it is drawn as an open dot.
 */
export function grain(
  need: number,
  centreDeg: number,
  r: number,
  halfWidth = 0.085,
): string | null {
  if (need < 0.15) return null;
  const [a, b] = [1.36 * r, 1.17 * r];
  const outer: string[] = [];
  const inner: string[] = [];
  for (let s = 0; s < STATIONS; s++) {
    const t = -1 + (2 * s) / (STATIONS - 1);
    const angle = ((centreDeg + t * SPREAD_DEG * need) * Math.PI) / 180;
    const x = a * Math.cos(angle);
    const y = b * Math.sin(angle);
    const length = Math.hypot(Math.cos(angle) / a, Math.sin(angle) / b);
    const nx = Math.cos(angle) / a / length;
    const ny = Math.sin(angle) / b / length;
    const w = halfWidth * r * (1 - t * t) ** 0.7;
    outer.push(`${fixed(x + nx * w)},${fixed(y + ny * w)}`);
    inner.unshift(`${fixed(x - nx * w)},${fixed(y - ny * w)}`);
  }
  return `M${outer.join(' L')} L${inner.join(' L')}Z`;
}

/** Where the open dot of a starved need stands. */
export function starvedDot(centreDeg: number, r: number): [number, number] {
  const angle = (centreDeg * Math.PI) / 180;
  return [1.37 * r * Math.cos(angle), 1.18 * r * Math.sin(angle)];
}

/** Smooth path through points (Catmull-Rom as cubic curves). */
export function smoothPath(
  points: readonly (readonly [number, number])[],
  closed: boolean,
): string {
  const n = points.length;
  if (n < 2) return '';
  const at = (i: number) => points[closed ? (i + n) % n : Math.min(n - 1, Math.max(0, i))]!;
  let d = `M${fixed(at(0)[0])},${fixed(at(0)[1])}`;
  for (let i = 0; i < (closed ? n : n - 1); i++) {
    const [p0, p1, p2, p3] = [at(i - 1), at(i), at(i + 1), at(i + 2)];
    d += ` C${fixed(p1[0] + (p2[0] - p0[0]) / 6)},${fixed(p1[1] + (p2[1] - p0[1]) / 6)} ${fixed(p2[0] - (p3[0] - p1[0]) / 6)},${fixed(p2[1] - (p3[1] - p1[1]) / 6)} ${fixed(p2[0])},${fixed(p2[1])}`;
  }
  return closed ? `${d}Z` : d;
}

export const linePath = (points: readonly (readonly [number, number])[]) =>
  points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${fixed(x)},${fixed(y)}`).join(' ');

/** Evenly spaced places along a line, with the direction there, page units. */
export function alongLine(
  points: readonly (readonly [number, number])[],
  every: number,
): { x: number; y: number; rad: number }[] {
  const out: { x: number; y: number; rad: number }[] = [];
  let next = every / 2;
  let passed = 0;
  for (let i = 0; i + 1 < points.length; i++) {
    const [ax, ay] = points[i]!;
    const [bx, by] = points[i + 1]!;
    const length = Math.hypot(bx - ax, by - ay);
    while (length > 0 && next <= passed + length) {
      const t = (next - passed) / length;
      out.push({ x: ax + t * (bx - ax), y: ay + t * (by - ay), rad: Math.atan2(by - ay, bx - ax) });
      next += every;
    }
    passed += length;
  }
  return out;
}
