/** Short hands for writing a surveyed beat by hand, in the shapes of a beat file. */
export type Coordinates = [number, number];
export const point = (x: number, y: number) => ({ type: 'Point', coordinates: [x, y] });
export const line = (...coordinates: Coordinates[]) => ({ type: 'LineString', coordinates });
export const area = (...ring: Coordinates[]) => ({
  type: 'Polygon',
  coordinates: [[...ring, ring[0]!]],
});
export const feature = (geometry: unknown, properties: Record<string, unknown>) => ({
  type: 'Feature',
  geometry,
  properties,
});

/** A taped line from the true left edge to the true right: offset, depth and, if taken, speed at six-tenths. */
export const section = (
  from: Coordinates,
  to: Coordinates,
  stations: [offsetM: number, depthM: number, speedMps?: number][],
) =>
  feature(line(from, to), {
    kind: 'section',
    stations: stations.map(([offsetM, depthM, speedMps]) => ({
      offsetM,
      depthM,
      ...(speedMps !== undefined && { speedMps }),
    })),
  });

export const sounding = (x: number, y: number, depthM: number, speedMps?: number) =>
  feature(point(x, y), {
    kind: 'sounding',
    depthM,
    ...(speedMps !== undefined && { speedMps, at: 'surface' }),
  });
export const boulder = (x: number, y: number, diameterM: number, heightM: number) =>
  feature(point(x, y), { kind: 'boulder', diameterM, heightM });
export const tree = (x: number, y: number, heightM: number, crownM: number) =>
  feature(point(x, y), { kind: 'tree', heightM, crownM });
export const bush = (x: number, y: number, heightM: number, crownM: number) =>
  feature(point(x, y), { kind: 'bush', heightM, crownM });
