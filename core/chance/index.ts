/** One currency: the chance that a fish gets an honest look at the fly, what holds it back, and what follows from one. */
export { CHANCE, CHANCE_VERSION } from './constants';
export { isWithin, reachOf, satisfied, zoneOf, type Reach, type ReachOptions } from './reach';
export { comesAt, dwellAt, freeMap, placeIn, shareAt, type FreeMap } from './free-map';
export { aimsFor, lookAt, lookTable, withinCovers, type Look, type LookTable } from './look-table';
export {
  bandOf,
  chanceAt,
  chanceOf,
  coverCalm,
  coverOf,
  landingSigmaM,
  linedByChord,
  linedChance,
  nextCover,
  scatterAt,
  PARTS,
  shotChance,
  type CastFacts,
  type CoverChance,
  type Part,
  type Scatter,
  type ShotChance,
} from './shot-chance';
export { hookedIfTaken, strikeKind, tightFromSlackS, type StrikeKind } from './strike';
export { homeAfter, markAtHome } from './at-home';
export { scoreOf, type Score } from './score';
export { logistic, logit, normalCdf, normalQuantile } from './normal';
