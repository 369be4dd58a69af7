import { smoothstep } from '../grid/index';

/** Broken by Froude number: none below, whole above (our guess). */
const BROKEN_FROUDE = [0.25, 0.7] as const;
/** Stones that are a good part of the depth break the surface sooner: by up to this share (our guess). */
const SHALLOW_GAIN = 0.5;

/** How broken the surface is, 0-1: smoothstep of Fr (1 + .5 e^(-h / 2 D84)). */
export function brokenWater(froude: number, depthM: number, d84M: number): number {
  const roughening = 1 + SHALLOW_GAIN * Math.exp(-depthM / (2 * d84M));
  return smoothstep(BROKEN_FROUDE[0], BROKEN_FROUDE[1], froude * roughening);
}
