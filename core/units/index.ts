/** Units at the edge: everything inside `core/` is SI and radians; these are the only conversions. */
export type { Reason } from './reason';
export { convert, M_PER_FT, type UnitSystem } from './convert';
export {
  formatDepth,
  formatDischarge,
  formatFishLength,
  formatLength,
  formatPull,
  formatSeconds,
  formatSmall,
  formatWholeSeconds,
  formatSpeed,
  formatTemp,
  formatMinutes,
  lengthUnit,
  fishLengthUnit,
  tempUnit,
} from './format';
export { parseFigure, parseFishLengthCm, parseLengthM, parseTempC, type Parsed } from './parse';
export {
  atClockText,
  atHour,
  civilDay,
  civilHour,
  clockText,
  dayText,
  fromCivil,
  toCivil,
  zoneOffsetMin,
} from './civil-time';
export {
  BODY_SHARE,
  paceWord,
  depthWord,
  floatSecondsOver3m,
  type PaceWord,
  type DepthWord,
} from './words';
export { isTimeZone } from './time-zone';
