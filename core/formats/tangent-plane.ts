import type { Place } from '../grid/index';
import type { GeographicAnchor } from './beat-plan';

/** WGS84 semi-major axis, m, and first eccentricity squared (NIMA TR8350.2). */
const A_M = 6378137;
const E2 = 6.69437999014e-3;

/**
 * Local tangent plane at the anchor, on the WGS84 radii of curvature there. Good to millimetres
 * over a beat (150 m); not for longer distances.
 */
export function createTangentPlane(anchor: GeographicAnchor, bearingDeg: number) {
  const lat = (anchor.lat * Math.PI) / 180;
  const w = Math.sqrt(1 - E2 * Math.sin(lat) ** 2);
  const meridianM = (A_M * (1 - E2)) / w ** 3;
  const parallelM = (A_M / w) * Math.cos(lat);
  const b = (bearingDeg * Math.PI) / 180;
  const sin = Math.sin(b);
  const cos = Math.cos(b);
  const deg = 180 / Math.PI;
  return {
    /** Plan metres to [lon, lat] in degrees. +y lies 90 degrees left of +x. */
    toLonLat({ xM, yM }: Place): [number, number] {
      const east = xM * sin - yM * cos;
      const north = xM * cos + yM * sin;
      return [anchor.lon + (east / parallelM) * deg, anchor.lat + (north / meridianM) * deg];
    },
    toPlan(lon: number, latDeg: number): Place {
      const east = ((lon - anchor.lon) / deg) * parallelM;
      const north = ((latDeg - anchor.lat) / deg) * meridianM;
      return { xM: east * sin + north * cos, yM: -east * cos + north * sin };
    },
  };
}
