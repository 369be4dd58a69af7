import type { Place } from '../grid/index';
import type { BeatPlan } from './beat-plan';
import { createTangentPlane } from './tangent-plane';
import type { GpxContent } from './write-gpx';

/** About a millimetre. */
const DEGREE_DECIMALS = 8;

/**
 * Places and a way as GeoJSON (RFC 7946): longitude and latitude, WGS84, with name, kind, comment and time
 * as properties, for a beat that has an anchor. Throws RangeError without one.
 */
export function writePlaces(plan: BeatPlan, { waypoints, way }: GpxContent) {
  if (!plan.anchor) throw new RangeError('writePlaces: needs plan.anchor, got none');
  const plane = createTangentPlane(plan.anchor, plan.bearingDeg);
  const at = (place: Place) =>
    plane.toLonLat(place).map((deg) => Number(deg.toFixed(DEGREE_DECIMALS)));
  return {
    type: 'FeatureCollection' as const,
    features: [
      ...waypoints.map(({ place, name, kind, comment, atMs }) => ({
        type: 'Feature' as const,
        geometry: { type: 'Point' as const, coordinates: at(place) },
        properties: {
          name,
          ...(kind && { kind }),
          ...(comment && { comment }),
          ...(atMs && { time: new Date(atMs).toISOString() }),
        },
      })),
      ...(way
        ? [
            {
              type: 'Feature' as const,
              geometry: { type: 'LineString' as const, coordinates: way.places.map(at) },
              properties: { name: way.name, kind: 'way' },
            },
          ]
        : []),
    ],
  };
}
