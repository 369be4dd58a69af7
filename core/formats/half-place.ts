import type { GeographicAnchor } from './beat-plan';

/**
 * The sentence for a place of which only one of latitude and longitude is known (NaN, or null where it
 * went through JSON, stands for the other); null for a whole place or none.
 */
export function halfPlace(anchor: GeographicAnchor | undefined): string | null {
  if (!anchor) return null;
  const known = (v: number | null) => typeof v === 'number' && Number.isFinite(v);
  if (known(anchor.lat) === known(anchor.lon)) return null;
  return known(anchor.lat)
    ? `Latitude ${anchor.lat} stands alone: say the longitude too, -180 to 180°, or leave both out.`
    : `Longitude ${anchor.lon} stands alone: say the latitude too, -89 to 89°, or leave both out.`;
}
