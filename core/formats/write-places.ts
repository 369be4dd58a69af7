import type { Place } from '../grid/index';
import type { BeatPlan } from './beat-plan';
import { createTangentPlane } from './tangent-plane';
import { heightOf, type GpxContent, type PlaceOnEarth } from './write-gpx';

/** About a millimetre. */
const DEGREE_DECIMALS = 8;
const degrees = (lonLat: readonly number[]) =>
  lonLat.map((deg) => Number(deg.toFixed(DEGREE_DECIMALS)));

/** The third figure of RFC 7946, where it is known. */
const withHeight = (at: number[], heightM: number | undefined) =>
  heightM === undefined ? at : [...at, heightM];

/**
 * Places and a way as GeoJSON (RFC 7946): longitude and latitude, WGS84, with name, kind, comment and time
 * as properties, for a beat that has an anchor. Throws RangeError without one.
 */
export function writePlaces(plan: BeatPlan, { waypoints, way }: GpxContent) {
  if (!plan.anchor) throw new RangeError('writePlaces: needs plan.anchor, got none');
  const plane = createTangentPlane(plan.anchor, plan.bearingDeg);
  const places = placesOf(
    waypoints.map(({ place, ...w }) => {
      const [lon, lat] = plane.toLonLat(place);
      return { ...w, lon, lat, ...heightOf(plan) };
    }),
  );
  if (!way) return places;
  const line = {
    type: 'Feature' as const,
    geometry: {
      type: 'LineString' as const,
      coordinates: way.places.map((place: Place) =>
        withHeight(degrees(plane.toLonLat(place)), plan.altitudeM),
      ),
    },
    properties: { name: way.name, kind: 'way' },
  };
  return { ...places, features: [...places.features, line] };
}

/** The same, of places whose longitude and latitude are known. */
export const placesOf = (places: readonly PlaceOnEarth[]) => ({
  type: 'FeatureCollection' as const,
  features: places.map(({ lon, lat, heightM, name, kind, comment, atMs }) => ({
    type: 'Feature' as const,
    geometry: { type: 'Point' as const, coordinates: withHeight(degrees([lon, lat]), heightM) },
    properties: {
      name,
      ...(kind && { kind }),
      ...(comment && { comment }),
      ...(atMs && { time: new Date(atMs).toISOString() }),
    },
  })),
});
