/** The beat file: what a stretch of water is made of, and how it is read and written. */
export type {
  BankFeature,
  BeatFeature,
  BeatPlan,
  BedMaterial,
  Calibration,
  FallPlace,
  FeatureKind,
  FeatureOf,
  GeographicAnchor,
  Level,
  LevelName,
  Shape,
  Station,
} from './beat-plan';
export { entriesOf } from './entries';
export { feltSoundings, withFelt, type FeltSounding } from './felt-soundings';
export { halfPlace } from './half-place';
export {
  LEVEL_NAMES,
  BED_MATERIALS,
  distanceToShape,
  featuresOf,
  planHash,
  shapePlaces,
} from './beat-plan';
export { readBeat, type BeatProblem, type ReadBeatResult } from './read-beat';
export { writeBeat } from './write-beat';
export { placesOf, writePlaces } from './write-places';
export {
  gpxOf,
  writeGpx,
  type CarriedPlace,
  type GpxContent,
  type PlaceOnEarth,
} from './write-gpx';
export { KIND_RULES, type KindRule } from './kind-rules';
export { joinBank, type BankLine } from './bank-line';
export { writeIcal, type CalendarEvent } from './write-ical';
export { createTangentPlane } from './tangent-plane';
