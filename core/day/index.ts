/** Day: whether it is right to fish today, when, and where first. */
export {
  HEAT_SCHOOLS,
  heatAt,
  heatLimitC,
  KINDER_LIMIT_C,
  NO_FISHING_FROM_C,
  type Heat,
  type HeatRule,
  type HeatSchool,
} from './heat';
export {
  simulatedInstruments,
  simulatedWeather,
  type InstrumentLine,
  type WeatherDay,
} from './simulated-instruments';
export {
  airOfSeason,
  curvePrior,
  REGIMES,
  type CurvePrior,
  type DayAir,
  type DaySun,
  type DayWater,
  type Regime,
} from './regimes';
export { CURVE_GUESS, dayShape, fitCurve, type CurveReading, type FittedCurve } from './curve';
export { mayFishAt, overByReading, stopTime, type StopTime } from './stop';
export { fitLapse, lapsePairs, USUAL_LAPSE, type Lapse, type LapsePair } from './lapse';
export { HATCHES, hatchTimes, type HatchKind, type HatchSeen, type HatchTime } from './hatches';
export { feedingAt, HOUR, lightHours, lightWorth } from './hour-worth';
export {
  bestOrder,
  gainOf,
  LEFT_AFTER_MIN,
  MOST_EXACT,
  timeOrder,
  type DayOrder,
  type OrderAsk,
  type OrderSite,
  type Stay,
} from './order';
export {
  depthAtLevel,
  levelAdvice,
  levelProposals,
  type ColourReading,
  type LevelAdvice,
  type LevelProposal,
} from './level-day';
export { CHECKS, dayCautions, type Caution, type Check } from './cautions';
export type { DayAsked, DayReading, DaySite, HandStay } from './asked';
export {
  contradictions,
  hourOfDay,
  msOfHour,
  shadeOf,
  siteCurve,
  sitePrior,
  type Contradiction,
  type SiteCurve,
} from './site-curve';
export { SAME_HOUR_H, tempAtHour } from './hour-temp';
export { SLOT_MIN, workSite, type HourTemp, type SitePlan } from './site-plan';
export type { OtherOrder } from './other-orders';
export { planDay, type DayPlan, type NoDay, type PlannedStay } from './day-plan';
export { cholesky, forwards } from './linear';
