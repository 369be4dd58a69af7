import {
  beamTransmission,
  attenuationPerM,
  DIFFUSE_SHARE,
  facetDensity,
  streamSlopeVariance,
} from './water-optics';
import { rayToFish, reflectance, WATER_INDEX } from './window';

/** What an eye looks through to a fish. Lengths m; luminances over that of a clear sky. */
export interface SpottingView {
  /** Eye above the water's surface, and its horizontal distance to the fish. */
  eyeHeightM: number;
  distanceM: number;
  fishDepthM: number;
  totalLengthCm: number;
  /** What the surface mirrors toward the eye there: `MIRRORED`, or a sky's. */
  mirrored: number;
  sky: 'clear' | 'broken' | 'overcast';
  /** Light of the sky over full day's: `skyLight`. */
  skyLight: number;
  /** null while the sun is down. `awayRad`: its direction in plan off the line from eye to fish. */
  sun: { altitudeRad: number; awayRad: number } | null;
  /** Share of the sun that reaches the fish's bed, and the surface above it: 1 less the shade. */
  sunOnFish: number;
  sunOnSurface: number;
  windMps: number;
  /** Broken surface above the fish, 0-1. */
  broken: number;
  turbidityNtu: number;
  polarised: boolean;
  /** From the eye to the fish, where it is known already: it does not hang on the hour. */
  ray?: EyeRay;
}

/** The ray from an eye to a fish, and what the surface sends back of it. */
export interface EyeRay extends ReturnType<typeof rayToFish> {
  reflects: ReturnType<typeof reflectance>;
}

export function eyeRay(v: Pick<SpottingView, 'distanceM' | 'eyeHeightM' | 'fishDepthM'>): EyeRay {
  const ray = rayToFish({
    distanceM: Math.max(0.01, v.distanceM),
    heightM: v.eyeHeightM,
    fishDepthM: v.fishDepthM,
  });
  return { ...ray, reflects: reflectance(Math.PI / 2 - ray.elevationRad) };
}

export type Hindrance = 'mirror' | 'glitter' | 'stain' | 'broken' | 'dark' | 'small' | null;

export interface Spotted {
  /** Share of glances that see the fish, 0-1. */
  share: number;
  /** Contrast of the fish at the eye. */
  contrast: number;
  /** What takes away most; null when it is plain to see. */
  because: Hindrance;
}

/** Luminance that the surface mirrors, over a clear sky's (our guesses). */
export const MIRRORED = {
  plants: 0.06,
  bank: 0.12,
  sky: { clear: 0.85, broken: 1.1, overcast: 1.25 },
} as const;

/**
 * Light of the sky over full day's: all of it from 10 degrees up, some .15 of it at sunset, and a
 * hundredth of that at the end of civil twilight (from memory).
 */
export function skyLight(sunAltitudeRad: number): number {
  const deg = (sunAltitudeRad * 180) / Math.PI;
  if (deg >= 10) return 1;
  return deg >= 0 ? 0.15 + 0.085 * deg : 0.15 * Math.exp(deg / 1.3);
}

/** Constants of the eye, the fish and the light (our guesses unless said). */
export const SPOTTING = {
  /** Sun at normal incidence over a clear sky's luminance: some 100 klx over 4,000 cd/m2 (from memory). */
  sunOverSky: 25,
  airDims: 0.15,
  sunThrough: { clear: 1, broken: 0.4, overcast: 0 },
  bedAlbedo: 0.15,
  /** Light that stained water sends back by itself, over what falls in. */
  waterAlbedo: 0.04,
  bodyContrast: 0.15,
  /** Contrast that half the glances see (common practice 2-5 %), and its spread in ln. */
  threshold: 0.035,
  spread: 0.55,
  /** Cross-polarised light that glasses let by. */
  leak: 0.02,
  /** Angular size that needs twice the contrast, steradians. */
  smallSr: 1.5e-5,
  /** Shift of the image by the surface's slopes that hides a fish, over its length. */
  shiftOverLength: 0.35,
  /** Below this luminance of the bed an eye sees less. */
  darkBelow: 0.01,
} as const;

/**
 * Share of glances that see a fish: its contrast with the bed, dimmed along the path (Beer-Lambert)
 * and by the surface (Fresnel), against the veil of what the surface mirrors and of sun glitter
 * (Cox & Munk slopes), with polarised glasses passing the light that swings upright. A rough
 * surface shifts the image about, so that fewer glances are clear.
 */
export function spotting(view: SpottingView): Spotted {
  const now = glances(view);
  if (now.share >= PLAIN) return { ...now, because: null };
  // What takes away most is whatever, taken away itself, would give most back.
  const without: [Exclude<Hindrance, null>, Partial<SpottingView>][] = [
    ['mirror', { mirrored: 0 }],
    ['glitter', { sunOnSurface: 0 }],
    ['stain', { turbidityNtu: 0 }],
    ['broken', { broken: 0, windMps: 0 }],
    ['dark', { sky: 'clear', skyLight: 1, sunOnFish: 1, sun: view.sun ?? HIGH_SUN }],
    ['small', { totalLengthCm: 3 * view.totalLengthCm }],
  ];
  let because: Hindrance = null;
  let most = LEAST_GAIN;
  // Under an even grey sky it is what the surface mirrors that hides a fish, not want of light.
  const dim = view.sky !== 'overcast';
  for (const [name, change] of without) {
    if (name === 'dark' && !dim) continue;
    // A sun lent to a dark fish must not dazzle.
    const given = glances(
      name === 'dark' ? { ...view, ...change, sunOnSurface: 0 } : { ...view, ...change },
    );
    const gain = given.share - now.share;
    if (gain <= most) continue;
    most = gain;
    because = name;
  }
  return { ...now, because };
}
const PLAIN = 0.8;
const LEAST_GAIN = 0.02;
const HIGH_SUN = { altitudeRad: 0.8, awayRad: Math.PI };

/** What comes to the eye from a place of the water: its bed, what the water itself sends back, and the surface. */
export interface WaterLight {
  elevationRad: number;
  zenithRad: number;
  /** Length of the ray in the water, m, and the share of light that comes through it. */
  pathM: number;
  through: number;
  variance: number;
  bed: number;
  haze: number;
  passes: number;
  mirrored: number;
  glitter: number;
  /** Of the sky and of the sun at normal incidence, over a clear sky's luminance. */
  skyNow: number;
  sunNormal: number;
  sun: SpottingView['sun'];
}

/** Light from a place `fishDepthM` down to the eye. */
export function waterLight(v: SpottingView): WaterLight {
  const S = SPOTTING;
  const ray = v.ray ?? eyeRay(v);
  const incidence = Math.PI / 2 - ray.elevationRad;
  const pathM = v.fishDepthM / Math.cos(ray.zenithRad);
  const c = attenuationPerM(v.turbidityNtu);
  const through = beamTransmission(c, pathM);
  const variance = streamSlopeVariance(v.windMps, v.broken);

  const skyLuminance = MIRRORED.sky[v.sky];
  const sun = v.sun && v.sun.altitudeRad > 0 ? v.sun : null;
  const sunNormal = sun
    ? S.sunOverSky * S.sunThrough[v.sky] * Math.exp(-S.airDims / Math.sin(sun.altitudeRad))
    : 0;
  const day = v.skyLight;
  const falls =
    Math.PI * skyLuminance * day + (sun ? sunNormal * Math.sin(sun.altitudeRad) * v.sunOnFish : 0);
  const down = falls * Math.exp(-DIFFUSE_SHARE * c * v.fishDepthM);
  // Radiance drops by n^2 on leaving the water.
  const bed = (S.bedAlbedo * down) / Math.PI / WATER_INDEX ** 2;
  const haze = ((S.waterAlbedo * falls) / Math.PI / WATER_INDEX ** 2) * (1 - through);

  const r = ray.reflects;
  const mirror = v.polarised ? r.p + S.leak * r.s : r.mean;
  const passes = v.polarised ? 1 - r.p : 1 - r.mean;
  // A rough surface mirrors the sky from all about, whatever stands across.
  const astray = Math.min(0.7, Math.sqrt(variance) / 0.25);
  const mirrored = day * (v.mirrored === 0 ? 0 : v.mirrored + (skyLuminance - v.mirrored) * astray);
  const glitter = sun
    ? sunNormal * v.sunOnSurface * glint(incidence, sun, variance, v.polarised)
    : 0;
  // Written out: spreading objects into one another costs ten times what the light does.
  return {
    elevationRad: ray.elevationRad,
    zenithRad: ray.zenithRad,
    pathM,
    through,
    variance,
    bed,
    haze,
    passes,
    mirrored: mirror * mirrored,
    glitter,
    skyNow: skyLuminance * day,
    sunNormal,
    sun,
  };
}

/** The share and the contrast alone, without asking what takes away most. */
export function glances(v: SpottingView): { share: number; contrast: number } {
  const S = SPOTTING;
  const light = waterLight(v);
  const signal = S.bodyContrast * light.bed * light.through * light.passes;
  const ground =
    (light.bed * light.through + light.haze) * light.passes + light.mirrored + light.glitter;
  const contrast = ground > 0 ? signal / ground : 0;

  const lengthM = v.totalLengthCm / 100;
  const away2 = v.eyeHeightM ** 2 + v.distanceM ** 2;
  const sr = (0.18 * lengthM * lengthM * (0.3 + Math.sin(light.elevationRad))) / away2;
  const dim = 1 + S.darkBelow / Math.max(1e-6, light.bed);
  const threshold = S.threshold * (1 + S.smallSr / sr) * dim;
  const shift = (0.25 * light.pathM * Math.sqrt(light.variance)) / Math.cos(light.zenithRad);
  const clear = 1 / (1 + (shift / (S.shiftOverLength * lengthM)) ** 2);
  return { share: clear * normalCdf(Math.log(contrast / threshold) / S.spread), contrast };
}

/** Radiance of the sun's glitter toward the eye per unit of its normal irradiance, 1/sr (Cox & Munk 1954). */
function glint(
  incidence: number,
  sun: { altitudeRad: number; awayRad: number },
  variance: number,
  polarised: boolean,
): number {
  // From the surface: to the eye behind (-x), to the sun.
  const ex = -Math.sin(incidence);
  const ez = Math.cos(incidence);
  const sx = Math.cos(sun.altitudeRad) * Math.cos(sun.awayRad);
  const sy = Math.cos(sun.altitudeRad) * Math.sin(sun.awayRad);
  const sz = Math.sin(sun.altitudeRad);
  const length = Math.hypot(ex + sx, sy, ez + sz);
  if (length < 1e-9 || ez < 1e-3) return 0;
  const cosBeta = (ez + sz) / length;
  const cosOmega = (ex * (ex + sx) + ez * (ez + sz)) / length;
  const tanBeta = Math.sqrt(Math.max(0, 1 - cosBeta ** 2)) / cosBeta;
  const r = reflectance(Math.acos(Math.min(1, Math.max(0, cosOmega))));
  const reflected = polarised ? r.p + SPOTTING.leak * r.s : r.mean;
  return (reflected * facetDensity(tanBeta, variance)) / (4 * ez * cosBeta ** 4);
}

/** Standard normal, to 1e-7 (Abramowitz & Stegun 26.2.17). */
export function normalCdf(x: number): number {
  if (!Number.isFinite(x)) return x > 0 ? 1 : 0;
  const t = 1 / (1 + 0.2316419 * Math.abs(x));
  const d = 0.3989422804 * Math.exp((-x * x) / 2);
  const tail =
    d *
    t *
    (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  return x > 0 ? 1 - tail : tail;
}
