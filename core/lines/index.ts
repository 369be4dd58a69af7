/** Somebody else's lines and places (GPX, GeoJSON), and the beat that can be begun from them. */
export {
  LINE_USES,
  planFromLines,
  POINT_USES,
  suggestedUses,
  USE_WORDS,
  type LineUse,
  type PlanFromLines,
  type PointUse,
  type Uses,
} from './plan-from-lines';
export {
  MOST_PLACES,
  takeGeoJson,
  takeGpx,
  type LonLat,
  type TakenLine,
  type TakenLines,
  type TakenPoint,
  type TakeLines,
} from './lines-taken';
