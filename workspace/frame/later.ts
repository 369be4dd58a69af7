import dynamic from 'next/dynamic';

/** Layers that no one needs on opening a beat: fetched once the page stands, as the inspectors are. */
const loadCast = () => import('../steps/cast/cast-layer').then((m) => m.CastLayer);
const loadStalk = () => import('../steps/stalk/stalk-layer').then((m) => m.StalkLayer);
const loadSpot = () => import('../steps/spot/spot-layer').then((m) => m.SpotLayer);
const loadFly = () => import('../steps/cast/section-fly').then((m) => m.SectionFly);

export const CastLayer = dynamic(loadCast);
export const StalkLayer = dynamic(loadStalk);
export const SpotLayer = dynamic(loadSpot);
export const SectionFly = dynamic(loadFly);

export function fetchLayers(): void {
  for (const load of [loadCast, loadStalk, loadSpot, loadFly]) load().catch(() => {});
}
