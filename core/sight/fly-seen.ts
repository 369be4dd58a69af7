import { normalCdf, SPOTTING, waterLight, type SpottingView } from './spotting';

/** How a fly shows on the water: what it sends back of the light, and how much of it is seen, mm2. */
export interface FlyShows {
  albedo: number;
  mm2: number;
}

/** Solid angle that needs twice the contrast, sr (form of Blackwell 1946, from memory; our guess). */
const SMALL_SR = 4e-6;
const MM2 = 1e-6;

/**
 * Share of looks that see the angler's own fly on the surface: its light against the surface behind it,
 * which is the bed through it, what it mirrors and the glitter, as for a fish. `fishDepthM` is the
 * depth of the water there.
 */
export function flySeen(view: SpottingView, fly: FlyShows): { share: number; contrast: number } {
  const light = waterLight(view);
  const { sun } = light;
  // Its upright face has the sun where that stands behind the angler.
  const onFace = sun
    ? light.sunNormal *
      view.sunOnSurface *
      Math.cos(sun.altitudeRad) *
      Math.max(0, -Math.cos(sun.awayRad))
    : 0;
  const own = (fly.albedo * ((Math.PI * light.skyNow) / 2 + onFace)) / Math.PI;
  const behind =
    (light.bed * light.through + light.haze) * light.passes + light.mirrored + light.glitter;
  const contrast = behind > 0 ? Math.abs(own - behind) / behind : 0;
  const sr = (fly.mm2 * MM2) / (view.eyeHeightM ** 2 + view.distanceM ** 2);
  const threshold = SPOTTING.threshold * (1 + SMALL_SR / sr);
  return { share: normalCdf(Math.log(contrast / threshold) / SPOTTING.spread), contrast };
}
