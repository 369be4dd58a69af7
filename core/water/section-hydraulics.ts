import { frictionCoefficient } from './resistance';

const GRAVITY = 9.81;

/**
 * Surface height at which one column of cells conveys `dischargeM3s` at slope `slope`:
 * Q = sum h sqrt(g h S / cf) dy (vertical strips, wide-channel radius R = h; cf by Manning's n and,
 * given `stones`, D84). Bisection to 1e-12 m.
 */
export function sectionStage(
  bed: Float64Array,
  manning: Float64Array,
  stones: Float64Array | null,
  nx: number,
  ny: number,
  i: number,
  cellM: number,
  dischargeM3s: number,
  slope: number,
): number {
  let low = Infinity;
  for (let j = 0; j < ny; j++) low = Math.min(low, bed[j * nx + i]!);
  let high = low + 1;
  const conveys = (stage: number) => {
    let q = 0;
    for (let j = 0; j < ny; j++) {
      const k = j * nx + i;
      const h = stage - bed[k]!;
      if (h <= 0) continue;
      const cf = frictionCoefficient(h, Math.max(1e-6, manning[k]!), stones ? stones[k]! : 0);
      q += h * Math.sqrt((GRAVITY * h) / cf) * cellM;
    }
    return q * Math.sqrt(slope);
  };
  while (conveys(high) < dischargeM3s && high - low < 64) high = low + 2 * (high - low);
  let lo = low;
  while (high - lo > 1e-12) {
    const mid = 0.5 * (lo + high);
    if (mid === lo || mid === high) break;
    if (conveys(mid) < dischargeM3s) lo = mid;
    else high = mid;
  }
  return 0.5 * (lo + high);
}

/** Manning's equation, SI: V = R^(2/3) S^(1/2) / n, m/s. */
export const manningSpeedMps = (radiusM: number, slope: number, n: number) =>
  (radiusM ** (2 / 3) * Math.sqrt(slope)) / n;

/** Normal depth of a wide channel: h = (q n / sqrt S)^(3/5), q in m2/s, m. */
export const normalDepthM = (qM2s: number, slope: number, n: number) =>
  ((qM2s * n) / Math.sqrt(slope)) ** 0.6;

/** Critical depth of a wide channel: h = (q^2 / g)^(1/3), q in m2/s, m. */
export const criticalDepthM = (qM2s: number) => Math.cbrt((qM2s * qM2s) / GRAVITY);
