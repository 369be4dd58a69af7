/** What is taken along to the bank, and the light it is worked out in. */
export {
  ASSUMED_LAT_DEG,
  conditionsAt,
  feedLightOf,
  steadyMs,
  sunDayOf,
  type Weather,
} from './light';
export { fishInLie, flyFished, homeOfMark, plainFish, shotAngler, watchersOf } from './targets';
export { packBeat } from './beat-pack';
export { bandOfChance, castComeTo, castFromStand, castOfShot, type ComeTo } from './stand-cast';
export {
  PACK_SHAPE,
  type BeatPack,
  type PackOrder,
  type PackShot,
  type PackTarget,
} from './pack-shape';
export type { Bank, HeldPack, PackJob } from './bank';
export { heldAgain, lieState, type LieState, type LieStateQuestion } from './lie-states';
export {
  aheadOf,
  doneAt,
  isPlace,
  looksOf,
  meanSpeedOfRead,
  ownFactors,
  placePlan,
  waterOfRead,
  type PlacePlan,
  type PlaceRead,
  type PlannedPlace,
} from './place-plan';
export { groundByPattern } from './route-by-pattern';
export { directionOf, routeQuestion, type RouteTold } from './route-targets';
export { flyUse } from './fly-use';
export { BED_KNOWN_M, feltDrifts } from './felt-drifts';
export { channelShade } from './channel-shade';
export { beatSite, looksOfPack, placesSite, type BookSite } from './day-site';
export {
  dateFacts,
  dayAsked,
  MINUTE_PRICE,
  noonOf,
  sunOf,
  TYPED_READING,
  usualSites,
  wayMinutes,
  withTyped,
  type DayBook,
} from './day-book';
