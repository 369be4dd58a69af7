import { heatAt, heatLimitC, type Heat } from '../core/day/heat';
import { tempAtHour } from '../core/day/hour-temp';
import { lightHours } from '../core/day/hour-worth';
import { workSite, type SitePlan } from '../core/day/site-plan';
import type { Reading, Settings } from '../core/log/index';
import { dayAsked, noonOf, withTyped, type DayBook } from '../core/outing/day-book';
import { civilDay } from '../core/units/index';
import { stopText } from '../words/day-words';

/** The water of today at one beat, by its readings; worked out on this phone. */
export interface WaterDay {
  site: SitePlan;
  limitC: number;
  noonMs: number;
  nowH: number;
  /** At this moment, C. */
  tempC: number;
  /** Chance that it is at the limit now. */
  over: number;
  stop: { strong: string; rest: string };
  light: { fromH: number; toH: number };
  /** What it says instead of the thermometer: nothing while that is fresh. */
  instead(told: Told, nowMs: number): { tempC: number; heat: Heat; byCurve: true } | null;
}

/** The water as it was read. */
interface Told {
  read: Reading | null;
  tempC: number | null;
  heat: Heat;
}

/** A thermometer is believed so long before the curve is, ms. */
const THERMOMETER_MS = 15 * 60_000;

const HOUR_MS = 3_600_000;

/**
 * The day's curve at a beat: what was taken along, and every reading that this phone knows. null: the book
 * was taken along before it had days, or knows no such beat.
 */
export function waterDay(
  taken: DayBook | undefined,
  settings: Settings,
  readings: readonly Reading[],
  beatId: string,
  nowMs: number,
): WaterDay | null {
  if (!taken?.sites.some((s) => s.id === beatId)) return null;
  const date = civilDay(nowMs, taken.timeZone ?? undefined);
  const noonMs = noonOf(date, taken.timeZone);
  const read = readings.flatMap((r) =>
    r.waterTempC === null
      ? []
      : // Read on the bank without a beat: it is the water one stands in.
        [{ id: r.id, siteId: r.beatId ?? beatId, atMs: r.takenMs, tempC: r.waterTempC }],
  );
  const known = new Set(read.map((r) => r.id));
  const book: DayBook = {
    ...taken,
    date,
    noonMs,
    nowMs,
    readings: [...taken.readings.filter((r) => !known.has(r.id)), ...read],
  };
  // What was read on the bank today stands over what the book had typed.
  const ownRead = read.some((r) => r.siteId === beatId && Math.abs(r.atMs - noonMs) < 12 * HOUR_MS);
  const asked = dayAsked(ownRead ? book : withTyped(book, settings, beatId), settings, beatId);
  const limitC = heatLimitC(asked.heat);
  const light = lightHours(asked.sun);
  const { plan: site, curve } = workSite(
    asked,
    asked.sites.find((s) => s.id === beatId)!,
    limitC,
    light,
  );
  const nowH = 12 + (nowMs - noonMs) / HOUR_MS;
  const curveC = tempAtHour(site, nowH);
  return {
    site,
    limitC,
    noonMs,
    nowH,
    tempC: curveC,
    over: curve.fitted.over(nowH, limitC),
    stop: stopText(site, settings.units),
    light,
    instead(told, atMs) {
      if (told.read !== null && atMs - told.read.takenMs < THERMOMETER_MS) return null;
      // Over by reading stays over until it is read again.
      const over = site.stop.overSinceH !== null;
      const tempC = over ? Math.max(told.tempC ?? curveC, curveC) : curveC;
      return { tempC, heat: over ? told.heat : heatAt(tempC, asked.heat), byCurve: true };
    },
  };
}
