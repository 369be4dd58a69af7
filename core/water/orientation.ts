export type Edge = 'xMin' | 'xMax' | 'yMin' | 'yMax';

/**
 * Turns the caller's grid so that the inflow edge becomes the high-i edge. `flip` reverses the
 * flow axis, `transpose` swaps axes first. Velocities turn with it.
 */
export interface Orientation {
  transpose: boolean;
  flip: boolean;
  nx: number;
  ny: number;
  /** Caller's cell index of canonical cell (i, j). */
  source(i: number, j: number): number;
}

const OPPOSITE: Record<Edge, Edge> = { xMin: 'xMax', xMax: 'xMin', yMin: 'yMax', yMax: 'yMin' };

/** Throws RangeError unless inflow and outflow lie on opposite edges. */
export function orientationOf(
  nx: number,
  ny: number,
  inflow: Edge | null,
  outflow: Edge | null,
): Orientation {
  if (inflow && outflow && OPPOSITE[inflow] !== outflow) {
    throw new RangeError(`inflow ${inflow} needs outflow ${OPPOSITE[inflow]}, got ${outflow}`);
  }
  const high = inflow ?? (outflow ? OPPOSITE[outflow] : 'xMax');
  const transpose = high === 'yMin' || high === 'yMax';
  const flip = high === 'xMin' || high === 'yMin';
  const cx = transpose ? ny : nx;
  const cy = transpose ? nx : ny;
  return {
    transpose,
    flip,
    nx: cx,
    ny: cy,
    source(i, j) {
      const along = flip ? cx - 1 - i : i;
      return transpose ? along * nx + j : j * nx + along;
    },
  };
}
