import type { DayAsked, DaySite } from './asked';
import { BEFORE_THUNDER_H } from './cautions';
import { fitCurve } from './curve';
import { hatchTimes, type HatchTime } from './hatches';
import { NO_FISHING_FROM_C } from './heat';
import { feedingAt, HOUR, lightWorth } from './hour-worth';
import type { Lapse } from './lapse';
import { hourOfDay, siteCurve, type SiteCurve } from './site-curve';
import { mayFishAt, stopTime, type StopTime } from './stop';

/** The day is cut into slots of so many minutes. */
export const SLOT_MIN = 15;
export const SLOT_H = SLOT_MIN / 60;
/** Hours this near the best count as the best of a beat. */
const BEST_SHARE = 0.9;
/** The last light is told apart: it would be the best of every beat. */
const NOT_DUSK_H = 1;

export interface HourTemp {
  h: number;
  lowC: number;
  bestC: number;
  highC: number;
}

/** One beat or string of places on this day. */
export interface SitePlan {
  siteId: string;
  /** Quarter hours of the whole day. */
  hours: HourTemp[];
  meanC: { best: number; sd: number };
  swingC: { best: number; sd: number };
  warmestH: { best: number; sd: number };
  lapse: Lapse;
  stop: StopTime;
  top: HourTemp;
  /** The best hours; null: none may be fished. */
  best: { fromH: number; toH: number } | null;
  hatches: HatchTime[];
  /** Readings at this site on this day: what the curve says at their hour now. */
  readings: { id: string; h: number; tempC: number; saidC: number }[];
  /** The newest reading against the curve of those before it, C; null: no reading, or as expected. */
  surprise: { id: string; byC: number } | null;
  /** Whether any reading of its stream went into the curve. */
  isRead: boolean;
}

/** A site with its curve: what the order is made from. */
export interface Worked {
  site: DaySite;
  curve: SiteCurve;
  plan: SitePlan;
}

/** The curve of a site and all that is read off it. */
export function workSite(
  asked: DayAsked,
  site: DaySite,
  limitC: number,
  light: { fromH: number; toH: number },
): Worked {
  const curve = siteCurve(asked, site);
  const { fitted, used } = curve;
  const hours = Array.from({ length: 97 }, (_, i): HourTemp => {
    const { lowC, bestC, highC } = fitted.at(i * SLOT_H);
    return { h: i * SLOT_H, lowC, bestC, highC };
  });
  const own = asked.readings
    .filter((r) => r.siteId === site.id)
    .map((r) => ({ id: r.id, h: hourOfDay(r.atMs, asked.noonMs), tempC: r.tempC }))
    .filter((r) => r.h >= 0 && r.h < 24);
  const stop = stopTime(fitted, limitC, own, light.fromH, light.toH);
  const inLight = hours.filter((p) => p.h >= light.fromH && p.h <= light.toH);
  const top = inLight.reduce((a, b) => (b.bestC > a.bestC ? b : a), inLight[0] ?? hours[48]!);
  const hatches = hatchTimes(
    {
      season: asked.season,
      setH: asked.sun.setH,
      cloud: asked.cloud,
      windMps: asked.windMps,
      airC: (h) => airC(asked, h),
      waterC: (h) => fitted.at(Math.min(23.75, Math.max(0, Math.round(h / SLOT_H) * SLOT_H))).bestC,
    },
    asked.seen,
    NO_FISHING_FROM_C,
  );
  return {
    site,
    curve,
    plan: {
      siteId: site.id,
      hours,
      meanC: fitted.meanC,
      swingC: fitted.swingC,
      warmestH: fitted.warmestH,
      lapse: curve.lapse,
      stop,
      top,
      best: bestHours(asked, site, curve, hatches, limitC, light, stop),
      hatches,
      readings: own.map((r) => ({ ...r, saidC: fitted.at(r.h).bestC })),
      surprise: surpriseOf(curve, own, used),
      isRead: used.length > 0,
    },
  };
}

/** Air is warmest at three in the afternoon (a cosine). */
const AIR_WARMEST_H = 15;
const airC = ({ air }: DayAsked, h: number): number =>
  (air.lowC + air.highC) / 2 +
  ((air.highC - air.lowC) / 2) * Math.cos((2 * Math.PI * (h - AIR_WARMEST_H)) / 24);

/** Beyond what a thermometer explains, C. */
const SURPRISE_C = 0.8;

function surpriseOf(
  { fitted, used, lapse }: SiteCurve,
  own: readonly { id: string; h: number; tempC: number }[],
  all: SiteCurve['used'],
): SitePlan['surprise'] {
  const newest = [...own].sort((a, b) => b.h - a.h)[0];
  if (!newest || used.length < 2) return null;
  const before = fitCurve(
    fitted.prior,
    all.filter((r) => r.h < newest.h),
    lapse,
  ).at(newest.h);
  const byC = newest.tempC - before.bestC;
  return Math.abs(byC) > Math.max(SURPRISE_C, before.sdC) ? { id: newest.id, byC } : null;
}

/** Worth of an hour to a site against its own best temperature and plain light. */
export const hourWorth = (
  asked: DayAsked,
  h: number,
  tempC: number,
  hatches: readonly HatchTime[],
): number => feedingAt(tempC, asked.heat.species) * besideTemp(asked, h, hatches);

/** What light and flies make of an hour, whatever the water is. */
export function besideTemp(asked: DayAsked, h: number, hatches: readonly HatchTime[]): number {
  const on = hatches.filter((x) => h >= x.fromH && h <= x.toH);
  const seen = on.some((x) => x.known === 'seen');
  const hatch = seen ? HOUR.hatchSeen : on.length > 0 ? HOUR.hatch : 1;
  const spell = asked.warmAfterCold ? HOUR.afterCold : 1;
  return lightWorth(h, asked.sun, asked.season === 'winter') * hatch * spell;
}

/** From home to a site, min. */
const fromHomeMin = ({ sites, travelMin }: DayAsked, site: DaySite): number =>
  travelMin[sites.length]?.[sites.indexOf(site)] ?? 0;

/** Why a site must be left alone at an hour; null: it may be fished. */
export function shutAt(
  asked: DayAsked,
  site: DaySite,
  curve: SiteCurve,
  limitC: number,
  h: number,
  overSinceH: number | null,
): 'closed' | 'thunder' | 'too warm' | 'over' | null {
  const endH = h + SLOT_H;
  if (site.closed) return 'closed';
  if (h < (site.opensH ?? 0) - 1e-9 || endH > (site.shutsH ?? 24) + 1e-9) return 'closed';
  if (asked.nowH !== null && h < asked.nowH + fromHomeMin(asked, site) / 60 - 1e-9) return 'over';
  const { thunder } = asked;
  if (thunder && endH > thunder.fromH - BEFORE_THUNDER_H && h < thunder.toH + BEFORE_THUNDER_H)
    return 'thunder';
  const may = (at: number) => mayFishAt(curve.fitted, limitC, at, overSinceH);
  return may(h) && may(endH) ? null : 'too warm';
}

function bestHours(
  asked: DayAsked,
  site: DaySite,
  curve: SiteCurve,
  hatches: readonly HatchTime[],
  limitC: number,
  light: { fromH: number; toH: number },
  stop: StopTime,
): SitePlan['best'] {
  const setH = asked.sun.setH ?? Infinity;
  const hours: { h: number; worth: number }[] = [];
  for (let h = light.fromH; h + SLOT_H <= light.toH + 1e-9; h += SLOT_H) {
    const shut = shutAt({ ...asked, nowH: null }, site, curve, limitC, h, stop.overSinceH);
    const dusk = h + SLOT_H > setH - NOT_DUSK_H;
    const worth =
      shut !== null || dusk
        ? 0
        : hourWorth(asked, h + SLOT_H / 2, curve.fitted.at(h + SLOT_H / 2).bestC, hatches);
    hours.push({ h, worth });
  }
  const most = Math.max(0, ...hours.map((x) => x.worth));
  if (most === 0) return null;
  let run = null as SitePlan['best'];
  let longest = null as SitePlan['best'];
  for (const { h, worth } of hours) {
    if (worth < BEST_SHARE * most) {
      run = null;
      continue;
    }
    run = { fromH: run?.fromH ?? h, toH: h + SLOT_H };
    if (!longest || run.toH - run.fromH > longest.toH - longest.fromH) longest = run;
  }
  return longest;
}
