import { fitCurve, type CurveReading, type FittedCurve } from './curve';
import type { DayAsked, DaySite } from './asked';
import { fitLapse, type Lapse } from './lapse';
import { airAt, curvePrior, type CurvePrior } from './regimes';

const HOUR_MS = 3_600_000;
/** Readings of so many days before still speak. */
const DAYS_BACK = 2;

/** Hours of the day's clock: counted from noon, so that a change of clocks in the night does not shift the day. */
export const hourOfDay = (ms: number, noonMs: number): number => 12 + (ms - noonMs) / HOUR_MS;
export const msOfHour = (h: number, noonMs: number): number => noonMs + (h - 12) * HOUR_MS;

type CurveAsked = Pick<
  DayAsked,
  | 'noonMs'
  | 'sites'
  | 'readings'
  | 'pairs'
  | 'sun'
  | 'season'
  | 'air'
  | 'airAtM'
  | 'cloud'
  | 'levelC'
>;

/** Shade while the sun warms: the mean of late morning to mid-afternoon. */
export const shadeOf = ({ shadeByHour }: Pick<DaySite, 'shadeByHour'>): number => {
  const hours = shadeByHour.slice(9, 17);
  return hours.length === 0 ? 0 : hours.reduce((sum, s) => sum + s, 0) / hours.length;
};

export function sitePrior(asked: CurveAsked, site: DaySite): CurvePrior {
  const { air, airAtM, cloud, sun, season, levelC } = asked;
  const up = site.altitudeM !== null && airAtM !== null ? site.altitudeM - airAtM : 0;
  return curvePrior({
    regime: site.regime,
    air: airAt(air, up),
    cloud,
    shade: shadeOf(site),
    depthM: site.depthM,
    sun,
    winter: season === 'winter',
    levelC,
  });
}

/** How the stream of a site cools with height, by its pairs of earlier days. */
export const lapseOf = ({ pairs }: Pick<DayAsked, 'pairs'>, site: DaySite): Lapse =>
  fitLapse(pairs[site.streamId] ?? []);

export interface SiteCurve {
  fitted: FittedCurve;
  /** Readings that it was fitted to, this day's and earlier, of its stream. */
  used: CurveReading[];
  lapse: Lapse;
}

/** The day's water at a site, by its own readings and those of other sites of its stream, moved by height. */
export function siteCurve(asked: CurveAsked, site: DaySite): SiteCurve {
  const prior = sitePrior(asked, site);
  const lapse = lapseOf(asked, site);
  const used = asked.readings.flatMap((r): CurveReading[] => {
    const at = asked.sites.find((s) => s.id === r.siteId);
    const h = hourOfDay(r.atMs, asked.noonMs);
    if (!at || at.streamId !== site.streamId || h < -24 * DAYS_BACK || h >= 24) return [];
    const own = at.id === site.id ? prior : sitePrior(asked, at);
    const upM =
      at.altitudeM !== null && site.altitudeM !== null ? at.altitudeM - site.altitudeM : 0;
    return [
      {
        id: r.id,
        h,
        tempC: r.tempC,
        // The priors' own difference by height goes; the stream's lapse, which is known better, comes.
        priorMeanC: prior.meanC - (lapse.best * upM) / 100,
        swingRatio: own.swingC / prior.swingC,
        aboveHm: upM / 100,
        site: at.id === site.id ? null : at.id,
        daysBefore: Math.max(0, Math.ceil(-h / 24)),
      },
    ];
  });
  return { fitted: fitCurve(prior, used, lapse), used, lapse };
}

/** Two readings of one place and half an hour that cannot both be right. */
export interface Contradiction {
  siteId: string;
  a: { id: string; atMs: number; tempC: number };
  b: { id: string; atMs: number; tempC: number };
}
/** More than thermometers and half an hour of warming explain, C. */
const CONTRADICTS_C = 1.5;
const SAME_TIME_MS = 30 * 60_000;

export function contradictions(readings: DayAsked['readings']): Contradiction[] {
  const sorted = [...readings].sort((a, b) => a.atMs - b.atMs);
  return sorted.flatMap((a, i) =>
    sorted
      .slice(i + 1)
      .filter(
        (b) =>
          b.siteId === a.siteId &&
          b.atMs - a.atMs <= SAME_TIME_MS &&
          Math.abs(b.tempC - a.tempC) > CONTRADICTS_C,
      )
      .slice(0, 1)
      .map((b) => ({ siteId: a.siteId, a, b })),
  );
}
