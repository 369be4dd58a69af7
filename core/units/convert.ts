export type UnitSystem = 'metric' | 'us';

/** International foot, exact (NIST SP 811). */
export const M_PER_FT = 0.3048;
const CM_PER_IN = 2.54;
const KG_PER_LB = 0.45359237;

/** Conversions by name; every factor is exact by definition (NIST SP 811). */
export const convert = {
  /** International mile, 1609.344 m. */
  mpsToMph: (mps: number) => (mps * 3600) / 1609.344,
  mToFt: (m: number) => m / M_PER_FT,
  ftToM: (ft: number) => ft * M_PER_FT,
  cmToIn: (cm: number) => cm / CM_PER_IN,
  inToCm: (inch: number) => inch * CM_PER_IN,
  m3sToCfs: (m3s: number) => m3s / M_PER_FT ** 3,
  cToF: (c: number) => (c * 9) / 5 + 32,
  fToC: (f: number) => ((f - 32) * 5) / 9,
  kgToLb: (kg: number) => kg / KG_PER_LB,
  degToRad: (deg: number) => (deg * Math.PI) / 180,
  radToDeg: (rad: number) => (rad * 180) / Math.PI,
};
