/**
 * A regular grid of cell centres.
 *
 *   j = ny-1  .  .  .        y grows toward true right
 *   j = 0     .  .  .
 *             i = 0 .. nx-1  x grows up-current
 *
 * Row-major: index = j * nx + i. `x0M`, `y0M` are the centre of cell (0, 0).
 */
export interface GridFrame {
  nx: number;
  ny: number;
  cellM: number;
  x0M: number;
  y0M: number;
}

/** Index of the cell that contains the place, or -1 outside. */
export function cellIndex(frame: GridFrame, xM: number, yM: number): number {
  const i = Math.round((xM - frame.x0M) / frame.cellM);
  const j = Math.round((yM - frame.y0M) / frame.cellM);
  if (i < 0 || j < 0 || i >= frame.nx || j >= frame.ny) return -1;
  return j * frame.nx + i;
}

/** Bilinear sample of `field` at a place, clamped to the outermost centres. */
export function bilinearInto(
  frame: GridFrame,
  field: Float64Array,
  xM: number,
  yM: number,
): number {
  const { nx, ny, cellM } = frame;
  const gx = Math.min(nx - 1, Math.max(0, (xM - frame.x0M) / cellM));
  const gy = Math.min(ny - 1, Math.max(0, (yM - frame.y0M) / cellM));
  const i = Math.min(nx - 2, Math.floor(gx));
  const j = Math.min(ny - 2, Math.floor(gy));
  const fx = gx - i;
  const fy = gy - j;
  const k = j * nx + i;
  return (
    (1 - fy) * ((1 - fx) * field[k]! + fx * field[k + 1]!) +
    fy * ((1 - fx) * field[k + nx]! + fx * field[k + nx + 1]!)
  );
}

/**
 * Gaussian-like smoothing over cells where `mask` is 1, by `passes` of a 1-2-1 kernel in each
 * direction; weights fall on masked cells only, so shores do not bleed in. Writes `out`.
 * Standard deviation of one pass is sqrt(1/2) cell.
 */
export function smoothInto(
  nx: number,
  ny: number,
  field: Float64Array,
  mask: Uint8Array,
  passes: number,
  out: Float64Array,
): Float64Array {
  out.set(field);
  const scratch = new Float64Array(field.length);
  for (let pass = 0; pass < passes; pass++) {
    smoothAlong(nx, ny, 1, out, mask, scratch);
    smoothAlong(nx, ny, nx, scratch, mask, out);
  }
  return out;
}

function smoothAlong(
  nx: number,
  ny: number,
  step: number,
  field: Float64Array,
  mask: Uint8Array,
  out: Float64Array,
): void {
  const alongX = step === 1;
  for (let j = 0; j < ny; j++) {
    for (let i = 0; i < nx; i++) {
      const k = j * nx + i;
      if (mask[k] === 0) {
        out[k] = field[k]!;
        continue;
      }
      let sum = 2 * field[k]!;
      let weight = 2;
      const hasLow = alongX ? i > 0 : j > 0;
      const hasHigh = alongX ? i < nx - 1 : j < ny - 1;
      if (hasLow && mask[k - step] === 1) {
        sum += field[k - step]!;
        weight += 1;
      }
      if (hasHigh && mask[k + step] === 1) {
        sum += field[k + step]!;
        weight += 1;
      }
      out[k] = sum / weight;
    }
  }
}
