import type { BeatPlan } from '../../core/formats/index';
import {
  planAngleRad,
  sunAt,
  sunDay,
  type Conditions,
  type NoticeGuesses,
  type SunDay,
} from '../../core/sight/index';
import { atHour, zoneOffsetMin } from '../../core/units/civil-time';

/** The weather as the angler sees it; a light air under a clear sky until said. */
export type Weather = Pick<Conditions, 'sky' | 'windMps'> & {
  turbidityNtu?: number;
  /** How readily a fish notices. */
  noticing?: NoticeGuesses;
};
const FAIR: Weather = { sky: 'clear', windMps: 1 };

/** Without a place on the map hours are local solar time at this latitude, and the strip says so. */
export const ASSUMED_LAT_DEG = 45;

/** Clocks of a zone without a place are taken as solar there: 15 degrees of longitude an hour. */
const placeOf = (plan: BeatPlan, ms: number) =>
  plan.anchor
    ? { latDeg: plan.anchor.lat, lonDeg: plan.anchor.lon }
    : { latDeg: ASSUMED_LAT_DEG, lonDeg: zoneOffsetMin(ms, plan.timeZone) / 4 };

/** Light at an instant. */
export function conditionsAt(plan: BeatPlan, ms: number, weather: Weather = FAIR): Conditions {
  const sun = sunAt({ ...placeOf(plan, ms), utcMs: ms });
  const up = sun.altitudeRad > 0;
  return {
    sunAltitudeRad: sun.altitudeRad,
    sunPlanRad: up ? planAngleRad(sun.azimuthRad, plan.bearingDeg) : null,
    sky: weather.sky,
    windMps: weather.windMps,
    ...(weather.turbidityNtu !== undefined && { turbidityNtu: weather.turbidityNtu }),
    ...(weather.noticing && { guesses: weather.noticing }),
  };
}

export function sunDayOf(plan: BeatPlan, ms: number): SunDay {
  return sunDay({ ...placeOf(plan, ms), dayStartMs: atHour(ms, 0, plan.timeZone) });
}
