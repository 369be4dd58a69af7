/** Water that nobody drew: what a place is worth, how fast to go, where today's fish lay, and the line along the stream. */
export { PLACE, WATER_FACTS } from './guesses';
export {
  afterDone,
  nextLieCovers,
  placeLies,
  placeWorth,
  wayS,
  workedAt,
  type PlaceDone,
  type PlaceLies,
  type PlaceTold,
  type PlaceWorth,
} from './worth';
export { bestRate, paceFor, paysNow, type PaceBy, type PlaceAhead } from './pace';
export { ownConversion, type OwnRate, type Worked } from './conversion';
export { alongStream, metresBetween, placesBy, type Along, type PlaceOnLine } from './line';
export { todaysPattern, type DayLook, type TodaysPattern } from './pattern';
