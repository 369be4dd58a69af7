const GRAVITY = 9.81;
/** Coefficients of the variable-power law (Ferguson 2007, WRR 43 W05427). */
const A1 = 6.5;
const A2 = 2.5;

/**
 * Depth mean over shear velocity on a bed of stones: U/u* = a1 a2 x / sqrt(a1^2 + a2^2 x^(5/3)),
 * x = depth over D84. Like Manning's law in deep water, a linear roughness layer in shallow.
 * Ferguson (2007).
 */
export function variablePowerRatio(depthOverD84: number): number {
  const x = depthOverD84;
  return (A1 * A2 * x) / Math.sqrt(A1 * A1 + A2 * A2 * x ** (5 / 3));
}

/**
 * Friction coefficient cf = (u* / U)^2 of a bed: Manning's, g n^2 / h^(1/3), or the variable-power
 * law's where that is the greater, which is where stones are a good part of the depth (h below
 * about 8 D84). `d84M` 0: Manning's alone.
 */
export function frictionCoefficient(depthM: number, manningN: number, d84M: number): number {
  const manning = (GRAVITY * manningN * manningN) / Math.cbrt(depthM);
  if (d84M <= 0) return manning;
  const ratio = variablePowerRatio(depthM / d84M);
  return Math.max(manning, 1 / (ratio * ratio));
}

/**
 * Depth mean of a wide channel at slope S: U = sqrt(g h S / cf), m/s, with the friction above.
 */
export const wideChannelSpeedMps = (
  depthM: number,
  slope: number,
  manningN: number,
  d84M: number,
): number => Math.sqrt((GRAVITY * depthM * slope) / frictionCoefficient(depthM, manningN, d84M));

/** Manning's n that would give the same friction at that depth: n = sqrt(cf h^(1/3) / g). */
export const equivalentManningN = (depthM: number, manningN: number, d84M: number): number =>
  Math.sqrt((frictionCoefficient(depthM, manningN, d84M) * Math.cbrt(depthM)) / GRAVITY);
