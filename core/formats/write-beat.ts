import type { Place } from '../grid/index';
import type { BeatFeature, BeatPlan, Shape } from './beat-plan';
import { lonLatHash } from './lon-lat-hash';
import { createTangentPlane } from './tangent-plane';

/** Degrees are written to 8 decimals: about a millimetre. */
const DEGREE_DECIMALS = 1e8;

/**
 * Writes a beat file. Frame `plan` is GeoJSON-shaped in metres and says that it is not RFC 7946;
 * frame `lonlat` (needs an anchor) is RFC 7946 and keeps the plan geometry beside each feature.
 * `readBeat(writeBeat(p))` equals `p` in both. Throws RangeError for `lonlat` without an anchor.
 */
export function writeBeat(plan: BeatPlan, options: { frame?: 'plan' | 'lonlat' } = {}) {
  const frame = options.frame ?? 'plan';
  if (frame === 'lonlat' && !plan.anchor) {
    throw new RangeError('writeBeat: frame "lonlat" needs plan.anchor, got none');
  }
  const plane = frame === 'lonlat' ? createTangentPlane(plan.anchor!, plan.bearingDeg) : null;
  const { features, version, ...header } = plan;
  return {
    type: 'FeatureCollection' as const,
    pebbleLane: {
      version,
      frame,
      ...(frame === 'plan' && { note: 'Coordinates are metres in the plan frame, not RFC 7946.' }),
      ...header,
    },
    features: features.map((feature) => writeFeature(feature, plane)),
  };
}

function writeFeature(feature: BeatFeature, plane: ReturnType<typeof createTangentPlane> | null) {
  const { shape, ...properties } = feature;
  const flat = geometryOf(shape, (p) => [p.xM, p.yM]);
  if (!plane) return { type: 'Feature' as const, geometry: flat, properties };
  const round = (deg: number) => Math.round(deg * DEGREE_DECIMALS) / DEGREE_DECIMALS;
  const geometry = turnedLeft(
    geometryOf(shape, (p) => {
      const [lon, lat] = plane.toLonLat(p);
      return [round(lon), round(lat)];
    }),
  );
  return {
    type: 'Feature' as const,
    geometry,
    properties,
    planGeometry: { ...flat, hash: lonLatHash(geometry) },
  };
}

/** RFC 7946, 3.1.6: an outer ring goes round to the left, whichever way it was drawn. */
function turnedLeft(geometry: ReturnType<typeof geometryOf>): ReturnType<typeof geometryOf> {
  if (geometry.type !== 'Polygon') return geometry;
  const ring = geometry.coordinates[0]!;
  const area = ring.reduce((sum, [x, y], i) => {
    const [nextX, nextY] = ring[(i + 1) % ring.length]!;
    return sum + x * nextY - nextX * y;
  }, 0);
  return area >= 0 ? geometry : { ...geometry, coordinates: [[...ring].reverse()] };
}

function geometryOf(shape: Shape, write: (p: Place) => [number, number]) {
  if (shape.type === 'Point') return { type: shape.type, coordinates: write(shape.place) };
  if (shape.type === 'LineString') return { type: shape.type, coordinates: shape.line.map(write) };
  // RFC 7946: a ring repeats its first point.
  return { type: shape.type, coordinates: [[...shape.ring, shape.ring[0]!].map(write)] };
}
