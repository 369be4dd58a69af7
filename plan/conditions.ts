import type { BeatPlan } from '../core/formats/index';
import { planAngleRad, sunAt, sunDay, type Conditions, type SunDay } from '../core/sight/index';
import { atHour } from './civil-time';

/** Light at an instant. Without an anchor the sun's place is not known: overcast, and the strip says so. */
export function conditionsAt(plan: BeatPlan, ms: number): Conditions {
  if (!plan.anchor)
    return { sunAltitudeRad: 0, sunPlanRad: null, sky: 'overcast', windMps: CALM_MPS };
  const sun = sunAt({ latDeg: plan.anchor.lat, lonDeg: plan.anchor.lon, utcMs: ms });
  const up = sun.altitudeRad > 0;
  return {
    sunAltitudeRad: sun.altitudeRad,
    sunPlanRad: up ? planAngleRad(sun.azimuthRad, plan.bearingDeg) : null,
    sky: 'clear',
    windMps: CALM_MPS,
  };
}

/** Wind is not asked for yet: a light air. */
const CALM_MPS = 1;

export function sunDayOf(plan: BeatPlan, ms: number): SunDay | null {
  if (!plan.anchor) return null;
  return sunDay({
    latDeg: plan.anchor.lat,
    lonDeg: plan.anchor.lon,
    dayStartMs: atHour(ms, 0, plan.timeZone),
  });
}
