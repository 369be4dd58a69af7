import type { Species } from './standard-weight';

/** Temperature trapezoids, C: 0, 1, 1, 0 (surrogates of the habitat suitability reports; from memory). */
const TEMPERATURE: Record<Species, readonly [number, number, number, number]> = {
  brown: [0, 12, 19, 27],
  rainbow: [0, 12, 18, 25],
  brook: [0, 11, 16, 24],
  cutthroat: [0, 12, 15, 22],
};

/** 0-1. */
export function temperatureSuitability(species: Species, tempC: number): number {
  const [a, b, c, d] = TEMPERATURE[species];
  if (tempC <= a || tempC >= d) return 0;
  if (tempC < b) return (tempC - a) / (b - a);
  return tempC <= c ? 1 : (d - tempC) / (d - c);
}

/** Depth that hides an adult, 0-1, by depth in m (design surrogate, from memory). */
const DEPTH: readonly [number, number][] = [
  [0, 0],
  [0.15, 0.1],
  [0.3, 0.4],
  [0.5, 0.9],
  [0.75, 1],
];

export function depthSuitability(depthM: number): number {
  if (depthM <= 0) return 0;
  for (let i = 1; i < DEPTH.length; i++) {
    const [d1, s1] = DEPTH[i]!;
    const [d0, s0] = DEPTH[i - 1]!;
    if (depthM <= d1) return s0 + ((depthM - d0) / (d1 - d0)) * (s1 - s0);
  }
  return 1;
}

/**
 * Dissolved oxygen at saturation, mg/L (Benson & Krause 1984; APHA 4500-O), at an altitude in m.
 */
export function oxygenSaturationMgL(tempC: number, altitudeM: number): number {
  const t = tempC + 273.15;
  const lnC =
    -139.34411 + 1.575701e5 / t - 6.642308e7 / t ** 2 + 1.2438e10 / t ** 3 - 8.621949e11 / t ** 4;
  const p = (1 - 2.25577e-5 * altitudeM) ** 5.25588;
  const pw = Math.exp(11.8571 - 3840.7 / t - 216961 / t ** 2);
  const theta = 0.000975 - 1.426e-5 * tempC + 6.436e-8 * tempC ** 2;
  const factor = (p * (1 - pw / p) * (1 - theta * p)) / ((1 - pw) * (1 - theta));
  return Math.exp(lnC) * factor;
}
