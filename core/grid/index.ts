/** Regular grids, seeded random numbers, hashing: what every model stands on. */
export { bilinearInto, cellIndex, smoothInto, type GridFrame } from './grid';
export { distanceTransform } from './distance';
export { memoizeByObject } from './memoize-by-object';
export { createRandom, type Random } from './random';
export { fnv1a64 } from './hash';
export { clamp, lerp, smoothstep, wrapAngle } from './scalar';
export {
  distanceToPolyline,
  metresApart,
  nearestOnSegment,
  pointInPolygon,
  polylineYAt,
  segmentsCross,
  type Place,
} from './geometry';
export { finish, saying } from './steps';
