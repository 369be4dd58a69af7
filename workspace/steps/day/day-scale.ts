import type { DayPlan, SitePlan } from '../../../core/day/index';
import type { BookSite } from '../../../core/outing/index';

/** Where the day's hours, temperatures and rows lie, px. */
export const LABEL_PX = 128;
export const AXIS_PX = 42;
export const FOOT_PX = 74;
const RIGHT_PX = 12;
/** So many rows have room for everything; more are lower, without hatches and shade. */
const MOST_TALL = 4;
const TALL = { row: 156, curveTop: 40, curveBottom: 98, you: 118, best: 131, shade: 143 };
const MOST_ROW_PX = 190;
const LOW = { row: 92, curveTop: 8, curveBottom: 52, you: 66, best: 79, shade: null };
/** Not more than this for a degree, or a spring's day would look like a freestone's. */
const MOST_PER_DEGREE = 8.6;

export interface DayScale {
  width: number;
  height: number;
  rows: number;
  rowPx: number;
  tall: boolean;
  fromH: number;
  toH: number;
  perHour: number;
  x(h: number): number;
  hourAt(px: number): number;
  /** Of a temperature in a row, from the row's top. */
  yTemp(c: number): number;
  you: number;
  best: number;
  shade: number | null;
}

export function dayScale(
  width: number,
  room: number,
  plan: DayPlan,
  shown: readonly SitePlan[],
): DayScale {
  const tall = shown.length <= MOST_TALL && room >= 480;
  const lanes = tall ? TALL : LOW;
  const fromH = Math.max(0, Math.floor(plan.light.fromH) - 0.25);
  const toH = Math.min(24, Math.ceil(plan.light.toH) + 0.25);
  const perHour = (width - LABEL_PX - RIGHT_PX) / (toH - fromH);
  const share = (room - AXIS_PX - FOOT_PX) / Math.max(1, shown.length);
  const rowPx = Math.max(lanes.row, Math.min(MOST_ROW_PX, share));
  const stretch = rowPx - lanes.row;
  const inSight = shown.flatMap((s) => s.hours.filter((p) => p.h >= fromH && p.h <= toH));
  const lowest = Math.min(plan.limitC - 1, ...inSight.map((p) => p.lowC));
  const highest = Math.max(plan.limitC + 1, ...inSight.map((p) => p.highC));
  const top = lanes.curveTop;
  const bottom = lanes.curveBottom + stretch;
  const perDegree = Math.min(MOST_PER_DEGREE, (bottom - top) / Math.max(1, highest - lowest));
  const middle = (bottom + top) / 2;
  return {
    width,
    height: AXIS_PX + shown.length * rowPx + FOOT_PX,
    rows: shown.length,
    rowPx,
    tall,
    fromH,
    toH,
    perHour,
    x: (h) => LABEL_PX + (h - fromH) * perHour,
    hourAt: (px) => fromH + (px - LABEL_PX) / perHour,
    yTemp: (c) => middle - (c - (highest + lowest) / 2) * perDegree,
    you: lanes.you + stretch,
    best: lanes.best + stretch,
    shade: lanes.shade === null ? null : lanes.shade + stretch,
  };
}

/** Rows from the top: by height, the highest first; places without a height last. */
export function sitesInRows(
  sites: readonly BookSite[],
  chosen: readonly string[] | null,
  plan: DayPlan,
): { book: BookSite; site: SitePlan }[] {
  const rows = sites
    .filter((s) => chosen === null || chosen.includes(s.id))
    .sort((a, b) => (b.altitudeM ?? -1e6) - (a.altitudeM ?? -1e6));
  return rows.flatMap((book) => {
    const site = plan.sites.find((s) => s.siteId === book.id);
    return site ? [{ book, site }] : [];
  });
}
