import type { BeatPlan } from '../formats/index';
import { planAngleRad, sunAt, sunDay, type Conditions, type SunDay } from '../sight/index';
import type { FeedLight } from '../lies/index';
import { NO_PRIORS, noticingOf, type Noticing, type Priors, type WindFrom } from '../log/index';
import { atHour, zoneOffsetMin } from '../units/index';

/** The weather as the angler sees it; a light air under a clear sky until said. */
export type Weather = Pick<Conditions, 'sky' | 'windMps'> & {
  turbidityNtu?: number;
  windFrom?: WindFrom;
  /** How readily a fish notices. */
  noticing?: Noticing;
  /** What the record has changed of it. */
  priors?: Priors;
};
const FAIR: Weather = { sky: 'clear', windMps: 1 };

/** Plan angle that the wind comes from; null while nobody has said. Up-current is +x, true right +y. */
const WIND_RAD: Record<WindFrom, number | null> = {
  unknown: null,
  upstream: 0,
  downstream: Math.PI,
  'true-right': Math.PI / 2,
  'true-left': -Math.PI / 2,
};

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
    windFromRad: WIND_RAD[weather.windFrom ?? 'unknown'],
    ...(weather.turbidityNtu !== undefined && { turbidityNtu: weather.turbidityNtu }),
    ...(weather.noticing && {
      guesses: noticingOf({ noticing: weather.noticing, priors: weather.priors ?? NO_PRIORS }),
    }),
  };
}

export function sunDayOf(plan: BeatPlan, ms: number): SunDay {
  return sunDay({ ...placeOf(plan, ms), dayStartMs: atHour(ms, 0, plan.timeZone) });
}

/** Lower than this it is dusk to a fish; higher, under an open sky, bright (our guesses), degrees. */
const DUSK_DEG = 4;
const BRIGHT_DEG = 20;

/** How much the light keeps fish in: bright, soft or dusk. */
export function feedLightOf({ sunAltitudeRad, sky }: Conditions): FeedLight {
  const deg = (sunAltitudeRad * 180) / Math.PI;
  if (deg < DUSK_DEG) return 'dusk';
  return deg > BRIGHT_DEG && sky === 'clear' ? 'bright' : 'soft';
}

/** An instant in steps of ten minutes: neither shade nor what a fish sees moves faster. */
export const steadyMs = (ms: number) => Math.round(ms / TEN_MINUTES) * TEN_MINUTES;
const TEN_MINUTES = 600_000;
