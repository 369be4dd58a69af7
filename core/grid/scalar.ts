export const clamp = (x: number, lo = 0, hi = 1) => (x < lo ? lo : x > hi ? hi : x);
export const lerp = (a: number, b: number, t: number) => a + (b - a) * t;

/** Cubic Hermite step, 0 below `lo`, 1 above `hi`. */
export function smoothstep(lo: number, hi: number, x: number): number {
  const t = clamp((x - lo) / (hi - lo));
  return t * t * (3 - 2 * t);
}

/** Angle folded into (-pi, pi]. */
export function wrapAngle(rad: number): number {
  const t = rad - 2 * Math.PI * Math.floor((rad + Math.PI) / (2 * Math.PI));
  return t === -Math.PI ? Math.PI : t;
}
