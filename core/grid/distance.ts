const FAR = 1e12;

/**
 * Exact Euclidean distance, in cells, from each cell to the nearest cell of `mask` that is not 0;
 * Infinity where there is none. Two passes of lower envelopes of parabolas, O(n)
 * (Felzenszwalb & Huttenlocher 2012, Theory of Computing 8).
 */
export function distanceTransform(nx: number, ny: number, mask: ArrayLike<number>): Float64Array {
  const out = new Float64Array(nx * ny);
  for (let k = 0; k < out.length; k++) out[k] = mask[k] ? 0 : FAR;
  const longest = Math.max(nx, ny);
  const f = new Float64Array(longest);
  const d = new Float64Array(longest);
  const v = new Int32Array(longest);
  const z = new Float64Array(longest + 1);
  for (let i = 0; i < nx; i++) {
    for (let j = 0; j < ny; j++) f[j] = out[j * nx + i]!;
    envelope(f, ny, d, v, z);
    for (let j = 0; j < ny; j++) out[j * nx + i] = d[j]!;
  }
  for (let j = 0; j < ny; j++) {
    for (let i = 0; i < nx; i++) f[i] = out[j * nx + i]!;
    envelope(f, nx, d, v, z);
    for (let i = 0; i < nx; i++) out[j * nx + i] = d[i]! >= FAR / 2 ? Infinity : Math.sqrt(d[i]!);
  }
  return out;
}

function envelope(
  f: Float64Array,
  n: number,
  d: Float64Array,
  v: Int32Array,
  z: Float64Array,
): void {
  let k = 0;
  v[0] = 0;
  z[0] = -Infinity;
  z[1] = Infinity;
  for (let q = 1; q < n; q++) {
    let s = crossing(f, q, v[k]!);
    while (s <= z[k]!) {
      k--;
      s = crossing(f, q, v[k]!);
    }
    k++;
    v[k] = q;
    z[k] = s;
    z[k + 1] = Infinity;
  }
  k = 0;
  for (let q = 0; q < n; q++) {
    while (z[k + 1]! < q) k++;
    d[q] = (q - v[k]!) ** 2 + f[v[k]!]!;
  }
}

const crossing = (f: Float64Array, q: number, p: number) =>
  (f[q]! + q * q - (f[p]! + p * p)) / (2 * q - 2 * p);
