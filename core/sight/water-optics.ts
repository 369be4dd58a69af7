/** Light in and on the water: relations with their sources, and our guesses beside them. */

/** Share of light left after a path through the water: e^(-c path) (Beer-Lambert). */
export const beamTransmission = (attenuationPerM: number, pathM: number) =>
  Math.exp(-attenuationPerM * pathM);

/** How far something of contrast `c0` can be told at threshold `ct`: ln(C0/Ct)/c (Koschmieder 1924). */
export const koschmiederRangeM = (c0: number, ct: number, attenuationPerM: number) =>
  c0 > ct ? Math.log(c0 / ct) / attenuationPerM : 0;

/** Beam attenuation from the distance a black disc is lost at, 1/m: 4.8/y (Zaneveld & Pegau 2003). */
export const attenuationOfBlackDisc = (lostAtM: number) => 4.8 / lostAtM;
/** Diffuse attenuation from Secchi depth, 1/m: 1.7/depth (Poole & Atkins 1929). */
export const attenuationOfSecchi = (secchiM: number) => 1.7 / secchiM;

/** Beam attenuation of a stream by its turbidity, 1/m (our guess: a black disc is lost at 4 m in 1 NTU, at .5 m in 10). */
export const attenuationPerM = (turbidityNtu: number) => 0.3 + 0.9 * turbidityNtu;
/** Diffuse over beam attenuation (our guess). */
export const DIFFUSE_SHARE = 0.3;

/** Variance of the surface's slopes: .003 + .00512 U, U wind in m/s (Cox & Munk 1954; open sea, so high here). */
export const slopeVariance = (windMps: number) => 0.003 + 0.00512 * windMps;

/** Slopes of a stream's own surface: glass of a pool, and what broken water adds (our guesses). */
const STILL_VARIANCE = 0.0006;
const SHELTERED_SHARE = 0.35;
const BROKEN_VARIANCE = 0.08;

/**
 * Variance of the slopes above a fish: a sheltered share of what the wind would make at sea, and
 * what broken water (0-1) adds.
 */
export const streamSlopeVariance = (windMps: number, broken: number) =>
  STILL_VARIANCE +
  SHELTERED_SHARE * Math.max(0, slopeVariance(windMps) - slopeVariance(0)) +
  BROKEN_VARIANCE * broken * broken;

/** Chance density of a facet of slope tan(beta), isotropic Gaussian slopes (Cox & Munk 1954). */
export const facetDensity = (tanBeta: number, variance: number) =>
  Math.exp((-tanBeta * tanBeta) / variance) / (Math.PI * variance);

/** Length of a shadow on flat ground, m: H/tan(altitude); Infinity with the sun on the horizon. */
export const shadowLengthM = (heightM: number, altitudeRad: number) =>
  altitudeRad > 0 ? heightM / Math.tan(altitudeRad) : Infinity;
